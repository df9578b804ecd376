import { Injectable, signal } from '@angular/core';
import type { Sample } from '@core/prove/log-entry';
import type { TracePoint } from '@core/prove/torque-trace';
import type { z } from 'zod';
import {
  InstrumentFault,
  InstrumentReading,
  InstrumentState,
  PullFault,
  PullFrame,
  TurnEnd,
  TurnFrame,
  type BUTTONS,
  type InstrumentKind,
  type Lies,
  type PullAsked,
  type TurnAsked,
} from '@core/formats/instrument-messages';

/** Where a reading lands: a field that was clicked into. */
export interface Landing {
  name(): string;
  /** Says what it made of the reading. */
  take(text: string, at: string, instrument: string): { readonly taken: boolean; readonly says: string };
}

export interface Said {
  readonly text: string;
  readonly bad: boolean;
}

/** A pull of the torque wrench as it is heard; `ended` is empty while it goes on. */
export interface Turning {
  readonly turn: number;
  readonly points: readonly TracePoint[];
  readonly ended: TurnEnd['ended'] | '';
  readonly says: string;
}

/** The instruments on the bench, as this tab hears them; a reading lands in the field last clicked into. */
@Injectable({ providedIn: 'root' })
export class Bench {
  readonly link = signal<'closed' | 'opening' | 'open' | 'lost'>('closed');
  readonly states = signal<readonly InstrumentState[]>([]);
  readonly said = signal<Said | null>(null);
  readonly landing = signal<Landing | null>(null);
  /** A real instrument types into the field: Enter ends a reading, and the next one adds to it. */
  readonly typed = signal(false);

  /** The wrench's last pull, live. */
  readonly turning = signal<Turning | null>(null);
  /** Samples of the pull under way, and why no more come. */
  readonly samples = signal<readonly Sample[]>([]);
  readonly pullFault = signal('');

  private source: EventSource | undefined;
  private readonly id = `b-${crypto.randomUUID().slice(0, 12)}`;

  open(): void {
    if (this.source) return;
    this.link.set('opening');
    const source = new EventSource(`/api/bench/${this.id}/stream`);
    this.source = source;
    source.addEventListener('open', () => this.link.set('open'));
    // The browser tries again by itself; a bench that was lost comes back empty-handed, with its instruments as new.
    source.addEventListener('error', () => this.lost());
    source.addEventListener('state', (e) => this.hear(e, InstrumentState, (s) => this.keep(s)));
    source.addEventListener('reading', (e) => this.hear(e, InstrumentReading, (r) => this.land(r)));
    source.addEventListener('fault', (e) =>
      this.hear(e, InstrumentFault, (f) => this.said.set({ text: `${f.name}: ${f.says}.`, bad: true })),
    );
    source.addEventListener('turn', (e) => this.hear(e, TurnFrame, (f) => this.turned(f)));
    source.addEventListener('turned', (e) =>
      this.hear(e, TurnEnd, ({ turn, ended, says }) =>
        this.turning.update((t) => ({ turn, points: t?.turn === turn ? t.points : [], ended, says })),
      ),
    );
    source.addEventListener('pull', (e) =>
      this.hear(e, PullFrame, ({ t, load, dials }) => this.samples.update((all) => [...all, { t, load, dials }])),
    );
    source.addEventListener('pull-fault', (e) => this.hear(e, PullFault, ({ says }) => this.pullFault.set(says)));
  }

  close(): void {
    this.source?.close();
    this.source = undefined;
    this.link.set('closed');
    this.said.set(null);
  }

  press(kind: InstrumentKind, button: (typeof BUTTONS)[number]): Promise<void> {
    return this.post(kind, 'press', { button });
  }

  lies(kind: InstrumentKind, lies: z.infer<typeof Lies>): Promise<void> {
    return this.post(kind, 'lies', lies);
  }

  /** Pulls the wrench stand-in once; what it does comes live. */
  pullWrench(asked: TurnAsked): Promise<void> {
    this.turning.set(null);
    return this.post('wrench', 'turn', asked);
  }

  /** Takes the puller stand-in to a load. `fresh`: a new pull, from nothing. */
  async pullTo(asked: PullAsked, fresh: boolean): Promise<void> {
    if (fresh) {
      await this.post('puller', 'end', {});
      this.samples.set([]);
      this.pullFault.set('');
    }
    await this.post('puller', 'pull', asked);
  }

  endPull(): Promise<void> {
    return this.post('puller', 'end', {});
  }

  private turned({ turn, angle, torque }: TurnFrame): void {
    this.turning.update((t) => ({ turn, points: [...(t?.turn === turn ? t.points : []), [angle, torque]], ended: '', says: '' }));
  }

  /** What was under way when the link went is over: its end was not heard. */
  private lost(): void {
    this.link.set('lost');
    this.turning.update((t) => (t && t.ended === '' ? { ...t, ended: 'link lost', says: 'the link to the wrench is lost' } : t));
    if (this.samples().length > 0 && !this.pullFault()) this.pullFault.set('the link to the load cell is lost');
  }

  private hear<T>(e: MessageEvent<string>, schema: z.ZodType<T>, then: (t: T) => void): void {
    try {
      then(schema.parse(JSON.parse(e.data)));
    } catch {
      this.said.set({ text: 'The instrument sent something that cannot be read. Take the reading again.', bad: true });
    }
  }

  private keep(state: InstrumentState): void {
    this.states.update((all) => [...all.filter((s) => s.instrument !== state.instrument), state]);
  }

  private land(r: InstrumentReading): void {
    const landing = this.landing();
    const marks = `${r.held ? ', on hold' : ''}${r.zero ? `, zeroed at ${r.zero}` : ''}`;
    if (!landing) {
      this.said.set({ text: `${r.text}${marks}: click into a field first, then send it again.`, bad: true });
      return;
    }
    const { taken, says } = landing.take(r.text, r.at, r.name);
    this.said.set({ text: `${r.text}${marks}: ${says}`, bad: !taken });
  }

  private async post(kind: InstrumentKind | 'wrench' | 'puller', what: string, body: unknown): Promise<void> {
    try {
      const answer = await fetch(`/api/bench/${this.id}/${kind}/${what}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(body),
      });
      if (answer.ok) return;
      const problem = (await answer.json()) as { detail?: string; title?: string };
      this.said.set({ text: problem.detail ?? problem.title ?? 'The instrument does not answer.', bad: true });
    } catch {
      this.said.set({ text: 'The instrument does not answer: the server is away. Nothing was read.', bad: true });
    }
  }
}
