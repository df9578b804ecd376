import { Injectable, type OnDestroy } from '@angular/core';
import { MAX_DXF } from '@core/formats/read-dxf';
import type { UnitSystem } from '@core/units/format-quantity';
import { refuse, type Refusal } from '@core/units/refusal';
import type { Imported, ImportKind } from '../workers/imported';
import type { FromImporter } from '../workers/messages';
import { startImporter } from '../workers/start';

/** How long a file may take to read, ms. */
const LONGEST = 5000;

const tooLarge = (size: number): Refusal => refuse('file', `it is ${(size / 1e6).toFixed(1)} MB`, `up to ${MAX_DXF / 1e6} MB`);

interface Waiting {
  readonly done: (read: FromImporter) => void;
  readonly timer: ReturnType<typeof setTimeout>;
}

/** Reads what people bring in, in a worker of its own: whatever a file does to its reader, the page stays. */
@Injectable({ providedIn: 'root' })
export class Importer implements OnDestroy {
  private worker: Worker | undefined;
  private readonly waiting = new Map<number, Waiting>();
  private ticket = 0;

  /** What a text reads as; a refusal where it is too large, takes too long or breaks its reader. */
  async read<K extends ImportKind>(kind: K, text: string, units: UnitSystem = 'mm'): Promise<Imported<K> | Refusal> {
    if (text.length > MAX_DXF) return tooLarge(text.length);
    const ticket = ++this.ticket;
    const answer = await new Promise<FromImporter>((done) => {
      const timer = setTimeout(() => this.stop(`it was not read within ${LONGEST / 1000} s`), LONGEST);
      this.waiting.set(ticket, { done, timer });
      this.working().postMessage({ ticket, kind, text, units });
    });
    return 'broken' in answer
      ? refuse('file', answer.broken, 'a file as another program writes it')
      : (answer.read as Imported<K>);
  }

  /** The same of a file; one far too large is not even opened. */
  async file<K extends ImportKind>(kind: K, file: File, units: UnitSystem = 'mm'): Promise<Imported<K> | Refusal> {
    return file.size > 2 * MAX_DXF ? tooLarge(file.size) : this.read(kind, await file.text(), units);
  }

  ngOnDestroy(): void {
    this.stop('the page was closed');
  }

  private working(): Worker {
    if (this.worker) return this.worker;
    const worker = startImporter();
    worker.addEventListener('message', ({ data }: MessageEvent<FromImporter>) => this.answered(data));
    worker.addEventListener('error', () => this.stop('reading it broke down'));
    return (this.worker = worker);
  }

  private answered(answer: FromImporter): void {
    const w = this.waiting.get(answer.ticket);
    if (!w) return;
    clearTimeout(w.timer);
    this.waiting.delete(answer.ticket);
    w.done(answer);
  }

  /** Ends the worker, and what waits for it; the next file starts another. */
  private stop(broken: string): void {
    this.worker?.terminate();
    this.worker = undefined;
    for (const ticket of [...this.waiting.keys()]) this.answered({ ticket, broken });
  }
}
