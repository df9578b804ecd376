import { seeded } from '../testing/seeded';
import type { Sample } from './log-entry';
import { bandAt, type CurvePoint } from './predicted-curve';
import { readPull, type PullRead } from './read-pull';

/** Synthetic pulls whose truth is known, 100 of each kind, with the noise of a dial and a load cell: how often each is read as what it is. */
const FULL = 4000;
const HOLD = 60;
const curve: CurvePoint[] = [0, 0.25, 0.5, 0.75, 1].map((p) => ({
  load: FULL * p,
  expected: 1.2 * p,
  least: 1.2 * p * 0.4 - 0.02,
  most: 1.2 * p * 1.6 + 0.02,
}));
const limits = { load: FULL, mostLoad: 1.05 * FULL, holdSeconds: HOLD, setLimit: (m: number) => Math.max(0.05, 0.1 * m) };

interface Truth {
  /** How stiff, against what is reckoned. */
  readonly k: number;
  /** Of the load: how far it goes, and where it breaks. */
  readonly to?: number;
  readonly breaks?: number;
  readonly hold?: number;
  /** At this part of the load, for so long, in the middle of the hold. */
  readonly eased?: number;
  /** mm a second under full load; mm left on the first and second dial. */
  readonly creeps?: number;
  readonly left?: number;
  readonly second?: number;
  readonly dead?: boolean;
  /** Pumped up by this part of the load while it is held. */
  readonly pumped?: number;
}

function pull(t: Truth, random: () => number): Sample[] {
  const noise = (of: number) => (random() - 0.5) * 2 * of;
  const to = t.to ?? 1;
  const loads: (readonly [t: number, part: number])[] = [];
  let clock = 0;
  const go = (part: number, seconds: number, step = 1) => {
    const from = loads.at(-1)?.[1] ?? 0;
    for (let s = step; s <= seconds; s += step) loads.push([(clock += step), from + ((part - from) * s) / seconds]);
  };
  loads.push([0, 0]);
  for (const part of [0.25, 0.5, 0.75, 1].map((p) => p * to)) {
    if (t.breaks !== undefined && t.breaks < part) {
      go(t.breaks, 6);
      loads.push([clock + 0.3, 0.1], [clock + 5, 0]);
      break;
    }
    go(part, 8);
    go(part, 4);
  }
  if (t.breaks === undefined) {
    const hold = t.hold ?? HOLD + 4;
    if (t.eased !== undefined) {
      go(t.eased, 6);
      go(t.eased, hold);
      go(1, 6);
    } else go(to * (1 + (t.pumped ?? 0)), hold, 2);
    go(0, 12);
  }
  const ended = loads.at(-1)![0];
  let crept = 0;
  return loads.map(([at, part], i): Sample => {
    if (part > 0.97 * to) crept += (t.creeps ?? 0) * (at - (loads[i - 1]?.[0] ?? 0));
    const gone = at === ended;
    const real = (t.k * 1.2 * part + crept) * (t.dead ? 0 : 1) + (gone ? (t.left ?? 0) : 0);
    const other = 0.6 * t.k * part + (gone ? (t.second ?? 0) : 0);
    return {
      t: at,
      load: Math.max(0, FULL * part * (part === 1 ? 1.005 : 1) + (part === 0 ? 0 : noise(0.003 * FULL))),
      dials: [3 + real + (at === 0 ? 0 : noise(0.01)), 7 + other + (at === 0 ? 0 : noise(0.01))],
    };
  });
}

const between = (low: number, high: number) => (random: () => number) => low + (high - low) * random();
const KINDS: Readonly<
  Record<string, { readonly truth: (random: () => number) => Truth; readonly is: PullRead['result']; readonly says: RegExp }>
> = {
  good: { truth: (r) => ({ k: between(0.6, 1.4)(r), pumped: between(-0.01, 0.03)(r) }), is: 'passed', says: /inside the band/ },
  'dead dial': { truth: () => ({ k: 1, dead: true }), is: 'failed', says: /left the band|has not moved/ },
  'too soft': { truth: (r) => ({ k: between(1.8, 3)(r) }), is: 'failed', says: /left the band/ },
  'broke on the way': { truth: (r) => ({ k: 1, breaks: between(0.55, 0.95)(r) }), is: 'failed', says: /at once/ },
  'held in pieces': { truth: (r) => ({ k: 1, eased: between(0.3, 0.9)(r) }), is: 'failed', says: /^held \d+ s of 60 s/ },
  crept: {
    truth: (r) => ({ k: 1, creeps: between(0.003, 0.01)(r), hold: 64 }),
    is: 'failed',
    says: /crept|left the band|is left/,
  },
  'left on the second dial': { truth: (r) => ({ k: 1, second: between(0.12, 0.4)(r) }), is: 'failed', says: /left on dial 2/ },
  'let off early': { truth: (r) => ({ k: 1, to: between(0.4, 0.9)(r), hold: 4 }), is: 'aborted', says: /only \d+ %/ },
};

it('800 pulls whose truth is known: at most one in a hundred of a kind is read as another, and none that is bad as passed', () => {
  const random = seeded(20_261_202);
  const matrix = Object.entries(KINDS).map(([kind, { truth, is, says }]) => {
    const reads = Array.from({ length: 100 }, () => readPull(pull(truth(random), random), curve, limits, true));
    const wrong = reads.filter((r) => r.result !== is || !says.test(r.because));
    const passed = reads.filter((r) => r.result === 'passed').length;
    return { kind, wrong: wrong.length, passed, first: wrong[0]?.because ?? '' };
  });
  expect(matrix.filter((m) => m.wrong > 1)).toEqual([]);
  for (const m of matrix) expect([m.kind, m.passed]).toEqual([m.kind, m.kind === 'good' ? 100 - m.wrong : 0]);
});

it('the band is what these pulls are made within: 0.4 to 1.6 of what is expected', () => {
  expect(bandAt(curve, FULL).most / 1.2).toBeCloseTo(1.6, 1);
});
