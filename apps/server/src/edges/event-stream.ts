import type { Response } from 'express';

const HEARTBEAT = 15_000;
/** What may wait for a slow reader, bytes; one that is further behind is let go, and comes again by itself. */
const MOST_WAITING = 256_000;

/** Listeners to server-sent events, so many at most, none of which holds what it does not read. */
export class EventStream {
  private readonly listeners = new Set<Response>();

  constructor(private readonly most: number) {}

  get size(): number {
    return this.listeners.size;
  }

  get full(): boolean {
    return this.listeners.size >= this.most;
  }

  /** Keeps an answer open; `gone` when its reader is. */
  open(res: Response, gone: () => void = () => undefined): void {
    res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' });
    res.flushHeaders();
    this.listeners.add(res);
    const beat = setInterval(() => this.write(res, ': still here\n\n'), HEARTBEAT);
    beat.unref();
    res.on('close', () => {
      clearInterval(beat);
      this.listeners.delete(res);
      gone();
    });
  }

  say(event: string, data: unknown, to?: Response): void {
    const text = `event: ${event}\ndata: ${JSON.stringify(data)}\n\n`;
    if (to) this.write(to, text);
    else for (const res of this.listeners) this.write(res, text);
  }

  end(): void {
    for (const res of this.listeners) res.end();
  }

  private write(res: Response, text: string): void {
    if (res.writableLength > MOST_WAITING) res.destroy();
    else res.write(text);
  }
}
