/** How many times in a row a worker may end before it has answered anything, until it is not started again. */
const MOST = 3;

/** A worker that is started when it is first needed, and again when it ends by itself: quietly or with an error. */
export class Lasting<To, From> {
  private worker: Worker | undefined;
  private ends = 0;

  /** `ended` hears of each end, and whether it goes on: what was asked is then to be asked again. */
  constructor(
    private readonly start: () => Worker,
    private readonly heard: (m: From) => void,
    private readonly ended: (goesOn: boolean) => void,
  ) {}

  /** Started before it is needed. */
  warm(): void {
    this.worker ??= this.started();
  }

  post(m: To): void {
    if (this.ends >= MOST) return;
    this.worker ??= this.started();
    this.worker.postMessage(m);
  }

  stop(): void {
    this.worker?.terminate();
    this.worker = undefined;
  }

  private started(): Worker {
    const worker = this.start();
    worker.addEventListener('message', ({ data }: MessageEvent<From>) => {
      if (worker !== this.worker) return;
      this.ends = 0;
      this.heard(data);
    });
    worker.addEventListener('error', () => {
      if (worker !== this.worker) return;
      this.stop();
      this.ended(++this.ends < MOST);
    });
    return worker;
  }
}
