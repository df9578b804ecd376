import type { PullAsked } from '@core/formats/instrument-messages';

export interface PullSample {
  readonly t: number;
  readonly load: number;
  readonly dials: readonly number[];
}

const LOAD_NOISE = 0.002;
const DIAL_STEP = 0.01;

/** A puller with a load cell and dials made of software. It goes to the load it is told, and what is pulled moves by its fault. */
export class PullerStandIn {
  private t = 0;
  private load = 0;
  private most = 0;
  private crept = 0;
  private asked: PullAsked | undefined;

  constructor(private readonly random: () => number) {}

  /** Told another load, it goes there from where it is; what it pulls, and its fault, are as said last. */
  to(asked: PullAsked): void {
    this.asked = asked;
  }

  get standing(): boolean {
    return this.asked !== undefined && this.load === this.asked.to;
  }

  /** So many seconds on. Nothing where it says nothing: a lost link, an empty cell. */
  tick(seconds: number): PullSample | 'link lost' | 'low battery' {
    const a = this.asked!;
    if (a.fault === 'low battery') return 'low battery';
    const room = a.rate * seconds;
    this.load = this.load < a.to ? Math.min(a.to, this.load + room) : Math.max(a.to, this.load - room);
    this.most = Math.max(this.most, this.load);
    if (a.fault === 'link lost' && this.load > 0.6 * a.proof) return 'link lost';
    if (a.fault === 'creeps' && this.load > 0.9 * a.proof) this.crept += (0.03 * seconds * a.proof) / a.stiffness[0]!;
    const sample = {
      t: Number(this.t.toFixed(2)),
      load: Math.max(0, this.load + (this.random() + this.random() - 1) * LOAD_NOISE * a.proof),
      dials: a.stiffness.map((k) => this.dial(k, a)),
    };
    this.t += seconds;
    return sample;
  }

  private dial(k: number, { proof, fault }: PullAsked): number {
    const full = proof / k;
    const part = this.load / proof;
    const past = Math.max(0, this.most / proof - 0.6);
    const own = {
      'soft bearer': part * full * 2.6,
      slip: part * full + (this.most > 0.55 * proof ? 1.2 * full + 0.4 : 0),
      yields: part * full + past ** 2 * 9 * full,
      'dial sticks': 0,
      creeps: part * full + this.crept,
    }[fault as string];
    const moved = own ?? part * full;
    return Math.round((moved + (this.random() - 0.5) * DIAL_STEP) / DIAL_STEP) * DIAL_STEP;
  }
}
