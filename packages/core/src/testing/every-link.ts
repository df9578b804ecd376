import { newLug } from '../job/plain-joint';
import { fromSheet } from '../job/values';
import type { Job } from '../job/schema';
import { strap } from '../reference/pinned-parts';
import { freeLoad, testJob } from './test-job';

const q = (v: number) => fromSheet(v, String(v));

/** Twelve bolts, or sixteen, in rows round a base of 120 × 100. */
const rows = (n: 12 | 16) =>
  [-165, -55, 55, 165]
    .flatMap((x) => (n === 16 ? [-150, -85, 85, 150] : [-150, 0, 150]).map((y) => ({ x, y })))
    .map((b, i) => ({ id: `B${i + 1}`, ...b }));

/** A joint with every kind of part that fits in one job: lug and pin, welds, spacers, preload, limits, all packs; metal skin. */
export function everyLinkJob(cases = 6): Job {
  const job = testJob({}, (j) => ({
    ...j,
    base: { ...j.base, thickness: q(12) },
    skin: { ...j.skin, kind: 'sheet', thickness: q(8) } as Job['skin'],
    plate: {
      ...j.plate,
      x0: -200,
      x1: 215,
      y0: -185,
      y1: 185,
      thickness: q(10),
      fold: { edge: 'fore', radius: q(16), height: q(40) },
    },
    bolts: { ...j.bolts, items: rows(16) },
    far: { kind: 'large washer' },
    joint: {
      ...j.joint,
      packing: 'spacers',
      tightening: 'slip resistant',
      bedding: 'bonded',
      place: 'weather',
      friction: q(0.3),
      tubeWall: q(5),
    },
    welds: { ...j.welds, fitting: 'all round', doubler: 'stitched', doublerThroat: q(4) },
    lug: newLug(),
    limits: { deflection: q(10), ratio: q(50), above: q(20), below: q(40) },
    packs: ['EN', 'AISC', 'SAE', 'marine', 'competition'],
    parts: [strap(), strap({ height: q(35), throat: q(5) }, 8, 'P2')],
  }));
  const loads = Array.from({ length: cases }, (_, i) =>
    freeLoad({ fx: 900 + 100 * i, fy: 300 * (i % 3), fz: 700 - 200 * i, mx: 20_000 * i, my: -10_000, mz: 5000 * i }, `L${i + 1}`),
  );
  return { ...job, loads };
}
