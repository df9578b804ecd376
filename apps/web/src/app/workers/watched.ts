/** Until a worker surely holds its lock, ms after it was first heard. */
const SETTLED = 500;

/** A worker whose end is heard as an error, also where it ends without one: closed by itself, or by the browser for want of memory. */
export function watched(worker: Worker, name: string): Worker {
  if (!('locks' in navigator)) return worker;
  const over = new AbortController();
  const terminate = worker.terminate.bind(worker);
  worker.terminate = () => {
    over.abort();
    terminate();
  };
  const wait = () =>
    navigator.locks
      .request(name, { signal: over.signal }, () => void worker.dispatchEvent(new ErrorEvent('error', { message: 'it ended' })))
      .catch(() => undefined);
  worker.addEventListener('message', () => setTimeout(() => !over.signal.aborted && void wait(), SETTLED), { once: true });
  return worker;
}
