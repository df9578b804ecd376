import type { Job } from '../job/schema';
import { fromSheet } from '../units/quantity';

const q = (v: number) => fromSheet(v, String(v));

/** A straight bar 60 × 10 that does one thing, and an eye bolt. */
export const workingParts = (j: Job): Job => ({
  ...j,
  parts: (
    [
      { as: 'arm', carries: q(0.2), from: 'H1', to: 'H2' },
      { as: 'brace', carries: q(1), from: 'H1', to: 'H2' },
      { as: 'block', carries: q(1) },
    ] as const
  ).map((works, i) => ({
    id: `P${i}`,
    name: works.as,
    use: 'other',
    metal: 'S355',
    count: 1,
    stock: { form: 'flat bar', width: q(60), thickness: q(10), legs: [q(160)], bends: [] },
    holes: [-40, 40].map((x, k) => ({ id: `H${k + 1}`, x, y: 0, d: q(11), purpose: 'fastener' })),
    works,
  })),
  rated: [{ id: 'R1', name: 'Eye bolt', kind: 'eye bolt', wll: q(12_000), axis: 'z', carries: q(1) }],
});
