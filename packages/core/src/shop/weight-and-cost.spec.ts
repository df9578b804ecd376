import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { RATES } from '../stock/rates';
import { withClass } from '../job/bolt-class';
import { resolved, testJob, withJoint } from '../testing/test-job';
import { boltLines, tightenWords } from './bolt-words';
import { massOf, roughCost, roughMinutes } from './weight-and-cost';

const mm = (v: number) => fromSheet(v, `${v} mm`);
const of = (change: (j: Job) => Job = (j) => j) => resolved(testJob({ fz: 900 }, change));

// The new job: plate 230 × 210 × 8 and backing × 5 in S275, corners 12; four M10 8.8 in holes of 11, four more of 11 for the fitting.
const steel = (mm3: number) => mm3 * 7850e-9;
const face = 230 * 210 - (4 - Math.PI) * 144;
const hole = (Math.PI / 4) * 121;
const rod = (Math.PI / 4) * 100;
const hexagon = (Math.sqrt(3) / 2) * 256;
const outline = (2 * (230 + 210) - 8 * 12 + 2 * Math.PI * 12) / 1000;

it('mass: plates less their holes, bolts of 36.4 with head 6.4 and nut 8.4, two washers of 20 × 2 each (by hand)', () => {
  const plates = steel((face - 8 * hole) * 8 + (face - 4 * hole) * 5);
  const bolts = 4 * steel(rod * 36.4 + hexagon * 6.4 + (hexagon - rod) * 8.4);
  const washers = 8 * steel((Math.PI / 4) * (400 - 100) * 2);
  expect(massOf(of())).toBeCloseTo(plates + bolts + washers, 9);
});

it('studding has a second nut in place of a head; a lag neither nut nor washer behind', () => {
  const more = massOf(of(withJoint({ head: 'studding' }))) - massOf(of());
  // 47.8 long in place of 36.4, a nut more and a head less.
  expect(more).toBeCloseTo(4 * steel(rod * (25 + 2 * 8.4 + 6 - 36.4) + (hexagon - rod) * 8.4 - hexagon * 6.4), 9);
  const bare = (j: Job): Job => ({ ...j, far: { kind: 'washer' } });
  const welded = massOf(of((j) => bare(withJoint({ holding: 'weld nut' })(j))));
  const loose = massOf(of(bare));
  // No washer under it, and the bolt as much shorter.
  expect(loose - welded).toBeCloseTo(4 * steel((Math.PI / 4) * 300 * 2 + rod * 2), 9);
});

it('rough cost: metal bought, cuts, holes in plate, backing and skin, bolts by their thickness (rates: common practice)', () => {
  const metal = steel(face * 13) * RATES.perKg.steel;
  const cuts = 2 * outline * RATES.perMetreCut;
  const holes = (8 + 4 + 4) * RATES.perHole;
  expect(roughCost(of())).toBeCloseTo(metal + cuts + holes + 4 * RATES.perBolt, 9);
  const strong = of((j) => ({ ...j, bolts: withClass(j.bolts, '10.9') }));
  expect(roughCost(strong) - roughCost(of())).toBeCloseTo(4 * RATES.perBolt * (RATES.strongBolt - 1), 9);
});

it('large washers, and what the joint has besides, are paid for on top', () => {
  const bare = (j: Job): Job => ({ ...j, far: { kind: 'washer' } });
  const large = (j: Job): Job => ({ ...j, far: { kind: 'large washer' } });
  expect(roughCost(of(large)) - roughCost(of(bare))).toBeCloseTo(4 * RATES.largeWasher, 9);
  const sleeved = (j: Job): Job => large(withJoint({ packing: 'spacers', packer: mm(20), tubeOutside: mm(20) })(j));
  expect(roughCost(of(sleeved)) - roughCost(of(large))).toBeCloseTo(4 * RATES.perSleeve, 9);
});

it('rough minutes: each sheet by its thickness, edge and holes, then each bolt (rates: common practice)', () => {
  const sheet = (t: number, n: number) => (0.5 + t / 12) * (outline * RATES.minutesPerMetreCut + n * RATES.minutesPerHole);
  expect(roughMinutes(of())).toBeCloseTo(sheet(8, 8) + sheet(5, 4) + 4 * (RATES.minutesPerBolt + RATES.minutesPerHole), 9);
});

describe('the bolt list in words', () => {
  const words = (change?: (j: Job) => Job) => boltLines(of(change)).map((l) => l.words);
  it('a bolt with its nut, studding, a tapped hole, an insert', () => {
    expect(words()).toEqual(['M10 × 40 mm, 6.6 mm out']);
    expect(words(withJoint({ head: 'studding' }))).toEqual(['M10 studding cut to 47.8 mm, two nuts']);
    expect(words(withJoint({ holding: 'tapped', engagement: mm(5) }))).toEqual(['M10 × 25 mm, 5 mm in the thread, 2 mm out']);
    expect(words(withJoint({ holding: 'rivet nut', engagement: mm(12) }))[0]).toMatch(
      /^M10 × 25 mm, 15 mm in the insert|12 mm in the insert$/,
    );
    expect(words((j) => ({ ...j, skin: { ...j.skin, thickness: mm(400) } as Job['skin'] }))[0]).toMatch(/^none so long as/);
  });
  it('what they are tightened to, and what sets it', () => {
    const tapped = withJoint({ holding: 'tapped', engagement: mm(4) });
    const soft = (j: Job): Job => ({ ...j, far: { kind: 'plate', metal: 'S235', thickness: mm(5) } });
    expect(tightenWords(of())).toBe('50 N·m');
    expect(tightenWords(of((j) => soft(tapped(j))))).toMatch(/^\d+ N·m, or its thread gives$/);
    const laminate = (j: Job): Job => ({
      ...j,
      far: { kind: 'washer' },
      skin: { ...j.skin, kind: 'laminate', glass: fromSheet(0.35, '35 %') } as Job['skin'],
    });
    expect(tightenWords(of(laminate))).toMatch(/^\d+ N·m, or the skin crushes$/);
  });
});
