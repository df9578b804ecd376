import { HeldWorker } from '../testing/workers';
import { Lasting } from './lasting';
import { Newest } from './newest';
import { watched } from './watched';

it('is started when it is needed, again when it ends, and not for ever; an answer counts anew', () => {
  const workers: HeldWorker<number, number>[] = [];
  const heard: number[] = [];
  const ends: boolean[] = [];
  const lasting = new Lasting<number, number>(
    () => {
      workers.push(new HeldWorker<number, number>((n) => n * 2));
      return workers.at(-1) as unknown as Worker;
    },
    (n) => heard.push(n),
    (goesOn) => {
      ends.push(goesOn);
      if (goesOn) lasting.post(7);
    },
  );
  expect(workers).toHaveLength(0);
  lasting.post(3);
  workers[0]!.answer();
  expect(heard).toEqual([6]);
  const end = () => workers.at(-1)!.dispatchEvent(new Event('error'));
  end();
  end();
  workers.at(-1)!.answer();
  expect(heard).toEqual([6, 14]);
  // What an ended one says late is not heard, nor does it end the next.
  workers[0]!.dispatchEvent(new MessageEvent('message', { data: 1 }));
  workers[0]!.dispatchEvent(new Event('error'));
  expect([heard, ends]).toEqual([
    [6, 14],
    [true, true],
  ]);
  end();
  end();
  end();
  expect(ends).toEqual([true, true, true, true, false]);
  lasting.post(9);
  expect(workers).toHaveLength(5);
  expect(workers.every((w) => w.terminated)).toBe(true);
});

it('what is under way when it ends is put again, the newest of it', () => {
  const sent: string[] = [];
  const queue = new Newest<string>((_t, item) => sent.push(item));
  expect(queue.lost()).toBeUndefined();
  queue.put('a');
  queue.put('b');
  expect(queue.lost()).toBe('b');
  queue.put('c');
  expect(queue.lost()).toBe('c');
  expect(sent).toEqual(['a', 'c']);
});

describe('a worker that ends quietly', () => {
  const locks = { request: jest.fn() };
  const before = Object.getOwnPropertyDescriptor(navigator, 'locks');
  beforeEach(() => {
    jest.useFakeTimers();
    locks.request.mockReset();
    Object.defineProperty(navigator, 'locks', { value: locks, configurable: true });
  });
  afterEach(() => {
    jest.useRealTimers();
    if (before) Object.defineProperty(navigator, 'locks', before);
    else Reflect.deleteProperty(navigator, 'locks');
  });
  const started = () => {
    const worker = new HeldWorker<number, number>((n) => n);
    const errors: string[] = [];
    worker.addEventListener('error', (e) => errors.push((e as ErrorEvent).message));
    watched(worker as unknown as Worker, 'x');
    worker.dispatchEvent(new MessageEvent('message', { data: 1 }));
    return { worker, errors };
  };
  it('is heard as an error once the lock it held is free', async () => {
    locks.request.mockImplementation(async (_n: string, _o: object, granted: () => void) => granted());
    const { errors } = started();
    expect(locks.request).not.toHaveBeenCalled();
    await jest.advanceTimersByTimeAsync(500);
    expect(locks.request.mock.calls[0]![0]).toBe('x');
    expect(errors).toEqual(['it ended']);
  });
  it('one that was ended is not', async () => {
    const { worker, errors } = started();
    worker.terminate();
    await jest.advanceTimersByTimeAsync(500);
    expect([locks.request.mock.calls.length, errors, worker.terminated]).toEqual([0, [], true]);
  });
});
