import { evaluate } from '../chain/evaluate';
import { newLug } from '../job/plain-joint';
import type { Job } from '../job/schema';
import { joint, loaded, plainJob, q, skin, throughBase, type Change } from '../reference/jobs';
import { everyLinkJob } from '../testing/every-link';

/**
 * What each link's strength is divided by, by its standard: yield (γ_M0), break (γ_M2), the skin's own, or nothing. A factor that were
 * left out, put in twice or turned over shows at once.
 */
const push = loaded({ fx: 3000, fz: 4000, mx: 50_000, my: -30_000 });
const timber = skin({ kind: 'timber', grade: 'C24', grain: 'x', endGrain: q(200), thickness: q(60) });
const section = skin({ kind: 'hollow', metal: 'S355', wall: q(8), width: q(200), thickness: q(120), through: 'both walls' });
const onFace: Change = (j) => ({
  ...j,
  plate: { ...j.plate, y0: -95, y1: 95 },
  base: { ...j.base, width: q(80), holes: [] },
  bolts: { ...j.bolts, items: j.bolts.items.map((b) => ({ ...b, y: b.y / 1.6 })) },
});
const lugByEN: Change = (j) => ({ ...j, lug: { ...newLug(), rules: 'EN' } });
const pressed: Job = {
  ...everyLinkJob(1),
  joint: { ...everyLinkJob(1).joint, tightening: 'snug' },
  loads: plainJob(loaded({ fx: 500, fz: -9000 })).loads,
};

const at = (job: Job, onYield: number, onBreak: number, id: string): number => {
  const v = evaluate({ ...job, practice: { ...job.practice, school: 'working', onYield, onBreak } });
  return v.links.find((l) => l.id === id)!.utilisation;
};

const every = everyLinkJob(1);
const base = plainJob(throughBase, push);
const wood = plainJob(timber, push);

it.each([
  // EN 1993-1-8 Tab. 3.4 and 4.5.3, EN 1993-1-8 Tab. 3.10, EN 1995-1-1 §2.4.1: on break.
  ['bolt-shear', every, 1, 2],
  ['bolt-tension', base, 1, 2],
  ['nut-thread', base, 1, 2],
  ['bolt-combined', base, 1, 2],
  ['plate-bearing', base, 1, 2],
  ['punching', base, 1, 2],
  ['base-hole', base, 1, 2],
  ['skin-bearing', base, 1, 2],
  ['pull-through', base, 1, 2],
  ['fitting-weld', every, 1, 2],
  ['doubler-weld', every, 1, 2],
  ['bond', every, 1, 2],
  ['pin-shear', plainJob(lugByEN, push), 1, 2],
  ['timber-joint', wood, 1, 2],
  ['timber-bending', wood, 1, 2],
  ['timber-shear', wood, 1, 2],
  ['group-tear-out', wood, 1, 2],
  // EN 1993-1-1 §6.1, EN 1993-1-8 §6.2.4, Tab. 3.9 and 7.11: on yield.
  ['plate-bending', every, 2, 1],
  ['lug-foot', every, 2, 1],
  ['lug-end', plainJob(lugByEN, push), 2, 1],
  ['lug-bearing', plainJob(lugByEN, push), 2, 1],
  ['head-bearing', base, 2, 1],
  ['joint-opens', every, 2, 1],
  ['local-dishing', every, 2, 1],
  ['skin-bending', every, 2, 1],
  ['spacer', pressed, 2, 1],
  ['wall-face', plainJob(section, onFace, joint({ sleeve: 'sleeve', tubeOutside: q(25), tubeWall: q(3) }), push), 2, 1],
  // ASME BTH-1 has its own N_d inside; rules of layout have none.
  ['lug-tension', every, 1, 1],
  ['lug-fracture', every, 1, 1],
  ['lug-shear', every, 1, 1],
  ['edge-and-pitch', every, 1, 1],
  ['fold', every, 1, 1],
  ['weld-size', every, 1, 1],
  ['wrench-room', every, 1, 1],
  ['stack-height', every, 1, 1],
  ['deflection', every, 1, 1],
] as const)('%s', (id, job, onYield, onBreak) => {
  const bare = at(job, 1, 1, id);
  expect(bare).toBeGreaterThan(0);
  expect(at(job, 2, 1, id) / bare).toBeCloseTo(onYield, 6);
  expect(at(job, 1, 2, id) / bare).toBeCloseTo(onBreak, 6);
});

it('loose plates on each other count as often as they are there: glue under two of them is as stiff as under one twice as thick', () => {
  const bonded = (layers: number, thickness: number) =>
    at(
      plainJob(
        joint({ bedding: 'bonded' }),
        (j) => ({ ...j, plate: { ...j.plate, layers, thickness: q(thickness) } }),
        loaded({ fx: 4000 }),
      ),
      1,
      1,
      'bond',
    );
  expect(bonded(2, 6)).toBeCloseTo(bonded(1, 12), 6);
});
