import type { PullAsked } from '@core/formats/instrument-messages';

export interface PullSample {
  readonly t: number;
  readonly load: number;
  readonly dials: readonly number[];
}

type Curve = PullAsked['moves'][number];

/** In a straight line between the points; past the last as between the last two. */
function moved(curve: Curve, load: number): number {
  const at = curve.findIndex(([l]) => l >= load);
  const i = Math.max(1, at === -1 ? curve.length - 1 : at);
  const [[l0, m0], [l1, m1]] = [curve[i - 1]!, curve[i]!];
  return m0 + ((m1 - m0) * (load - l0)) / (l1 - l0);
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
    // First of all it is read at rest.
    const room = this.t === 0 ? 0 : a.rate * seconds;
    this.load = this.load < a.to ? Math.min(a.to, this.load + room) : Math.max(a.to, this.load - room);
    this.most = Math.max(this.most, this.load);
    if (a.fault === 'link lost' && this.load > 0.6 * a.proof) return 'link lost';
    if (a.fault === 'creeps' && this.load > 0.9 * a.proof) this.crept += 0.03 * seconds * moved(a.moves[0]!, a.proof);
    const sample = {
      t: Number(this.t.toFixed(2)),
      load: Math.max(0, this.load + (this.random() + this.random() - 1) * LOAD_NOISE * a.proof),
      dials: a.moves.map((m) => this.dial(m, a)),
    };
    this.t += seconds;
    return sample;
  }

  private dial(curve: Curve, { proof, fault }: PullAsked): number {
    const full = moved(curve, proof);
    const there = moved(curve, this.load);
    const past = Math.max(0, this.most / proof - 0.6);
    const own = {
      'soft bearer': there * 2.6,
      slip: there + (this.most > 0.55 * proof ? 1.2 * full + 0.4 : 0),
      yields: there + past ** 2 * 9 * full,
      'dial sticks': 0,
      creeps: there + this.crept,
    }[fault as string];
    return Math.round(((own ?? there) + (this.random() - 0.5) * DIAL_STEP) / DIAL_STEP) * DIAL_STEP;
  }
}
