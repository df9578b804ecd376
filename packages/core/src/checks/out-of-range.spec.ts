import { evaluate } from '../chain/evaluate';
import { newLug } from '../job/plain-joint';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { testJob } from '../testing/test-job';
import { CHECKS } from './registry';

const q = (v: number) => fromSheet(v, `${v} mm`);
const panel = ({ spanX, spanY, aft, starboard, bedModulus }: Job['skin']) => ({ spanX, spanY, aft, starboard, bedModulus });
const timber =
  (t = 60, more: Partial<Job['joint']> = {}, size = 'M10') =>
  (j: Job): Job => ({
    ...j,
    skin: { kind: 'timber', grade: 'C24', grain: 'x', endGrain: q(300), thickness: q(t), ...panel(j.skin) },
    joint: { ...j.joint, holding: 'lag screw', engagement: q(60), ...more },
    bolts: { ...j.bolts, size },
    far: { kind: 'washer' },
  });
const hollow =
  (wall: number, width: number) =>
  (j: Job): Job => ({
    ...j,
    skin: {
      kind: 'hollow',
      metal: 'S355',
      wall: q(wall),
      width: q(width),
      through: 'both walls',
      thickness: q(150),
      ...panel(j.skin),
    },
    far: { kind: 'washer' },
    joint: { ...j.joint, sleeve: 'sleeve', tubeOutside: q(25), tubeWall: q(4) },
  });
const lug =
  (more: Partial<NonNullable<Job['lug']>>) =>
  (j: Job): Job => ({ ...j, lug: { ...newLug(), ...more } });

/** A method used outside its range refuses, and its words name the range; no figure is shown for it. */
it.each<[string, string, (j: Job) => Job, RegExp]>([
  [
    'a pin that does not enter its hole',
    'lug-tension',
    lug({ rules: 'BTH-1', pin: q(22), hole: q(20) }),
    /pin of 22.0 mm does not enter.*a pin no larger/,
  ],
  [
    'a lug narrower than its hole',
    'lug-tension',
    lug({ rules: 'BTH-1', width: q(20), hole: q(20), pin: q(19) }),
    /no metal is left.*wider than its hole/,
  ],
  ['the same by EN', 'lug-end', lug({ rules: 'EN', pin: q(22), hole: q(20) }), /does not enter/],
  [
    'a lag screw thicker than EN was found for',
    'lag-withdrawal',
    timber(60, {}, 'M16'),
    /16.0 mm is outside EN 1995-1-1 §8.7.2.*6 to 12 mm/,
  ],
  ['more thread than timber', 'lag-withdrawal', timber(40), /60 mm of thread does not go into 40 mm.*up to 40 mm/],
  [
    'a lag screw in sheet metal',
    'lag-withdrawal',
    (j) => ({ ...j, joint: { ...j.joint, holding: 'lag screw' } }),
    /lag screws hold in timber, not in .*a timber skin, or nuts/,
  ],
  [
    'a plate wider than the section’s face',
    'wall-face',
    hollow(6, 150),
    /plate is 210 mm wide on a 150 mm face.*within the face/,
  ],
  ['a wall too thin for its width', 'wall-face', hollow(5, 250), /width over wall is 50: too thin.*up to 35/],
  [
    'a skin too thick to be a thin plate',
    'skin-bending',
    (j) => ({ ...j, skin: { ...j.skin, thickness: q(60) } }),
    /60.0 mm is thick for a 400 mm span.*at most 40.0 mm/,
  ],
  [
    'a skin that gives over half its thickness',
    'skin-bending',
    (j) => ({ ...j, skin: { ...j.skin, thickness: q(1) } }),
    /× its thickness, where thin-plate bending no longer holds.*up to 0.5 ×/,
  ],
  [
    'a class too weak to be counted on against slip',
    'slip',
    (j) => ({ ...j, joint: { ...j.joint, tightening: 'slip resistant' }, bolts: { ...j.bolts, class: '4.6', nut: '5' } }),
    /class 4.6 is not for slip-resistant joints.*8.8, 10.9/,
  ],
  [
    'a thread cut in a laminate',
    'thread-engaged',
    (j) => ({
      ...j,
      skin: { kind: 'laminate', glass: fromSheet(0.5, '50 %'), thickness: q(8), ...panel(j.skin) },
      far: { kind: 'washer' },
      joint: { ...j.joint, holding: 'tapped' },
    }),
    /a thread cut in .* holds nothing that lasts.*or nuts/,
  ],
])('%s: %s refuses and says what is allowed', (_n, id, change, words) => {
  const v = evaluate(testJob({ fx: 2000, fz: 3000, z: 100 }, change));
  expect(v.refusals).toEqual([]);
  const link = v.links.find((l) => l.id === id)!;
  expect(link.because).toMatch(words);
  expect(link).toMatchObject({ state: 'refused', utilisation: 0, demand: 0, capacity: 0 });
  // A job with a link that is refused is never sound.
  expect(['fails', 'refused']).toContain(v.state);
});

it('every check says its range and its source, and does without neither', () => {
  for (const c of CHECKS) {
    expect(c.range.length).toBeGreaterThan(10);
    expect(c.source.length).toBeGreaterThan(10);
    expect(c.says).toMatch(/\.$/);
    expect(c.why.split(/[.:] /).length).toBeGreaterThan(1);
  }
  expect(new Set(CHECKS.map((c) => c.id)).size).toBe(CHECKS.length);
});
