import { oneFoot } from '../job/at-foot';
import type { Making } from '../job/making';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { USUAL_SHOP } from '../stock/shop-settings';
import { eightFeet } from '../testing/eight-feet';
import { testJob, withJoint, withWelds } from '../testing/test-job';
import { isRefusal } from '../units/refusal';
import { beddingOf } from './bedding';
import { inOrder } from './critical-path';
import { madeOf, type MadeOf } from './made-of';
import { planOf } from './cards/packet';
import { routeOf, workOf } from './route';
import type { Schedule } from './schedule';

const q = (v: number) => fromSheet(v, `${v} mm`);
const made = (change: (j: Job) => Job = (j) => j, making: Making = {}) =>
  madeOf({ ...oneFoot(testJob(undefined, change)), making }) as MadeOf;
const names = (of: MadeOf) => routeOf(of, USUAL_SHOP).map((o) => o.id);

describe('the route of a job', () => {
  it('has only what the job has, in the order it is done', () => {
    expect(names(made())).toEqual(['measure', 'cut', 'drill', 'fit', 'clean', 'tighten', 'proof', 're-torque']);
    const welded = made(withWelds({ fitting: 'all round', fittingThroat: q(4) }));
    expect(names(welded)).toEqual([
      'measure',
      'cut',
      'drill',
      'fit',
      'tack',
      'check',
      'weld',
      'clean',
      'tighten',
      'proof',
      're-torque',
    ]);
    expect(names(made(withJoint({ bedding: 'bedded' })))).toContain('bed');
    expect(names(made((j) => j, { trial: 'card' }))[1]).toBe('trial');
  });
  it('plugs are filled beside the cutting and drilled again after both', () => {
    const route = routeOf(madeOf(eightFeet()) as MadeOf, USUAL_SHOP);
    const after = (id: string) => route.find((o) => o.id === id)!.after;
    expect(after('fill')).toEqual(after('cut'));
    expect([...after('redrill')].sort()).toEqual(['bend', 'fill']);
    expect(after('drill').length).toBe(2);
    expect(isRefusal(inOrder(route))).toBe(false);
  });
  it('work grows with the shop’s minutes and with the feet, by as much', () => {
    const one = workOf(made(), USUAL_SHOP);
    const slow = workOf(made(), { rates: { ...USUAL_SHOP.rates, cutMinutes: 2 * USUAL_SHOP.rates.cutMinutes } });
    expect(slow.cut).toBeCloseTo(2 * one.cut, 9);
    expect(one.bolts).toBe(4 * USUAL_SHOP.rates.boltMinutes);
    expect(workOf(madeOf(eightFeet()) as MadeOf, USUAL_SHOP).bolts).toBe(40 * USUAL_SHOP.rates.boltMinutes);
  });
  it('a colder week ends later: a bed that cures 72 h at 20 °C takes twice as long at 10 °C', () => {
    const at = (temperature: number) =>
      planOf(made(withJoint({ bedding: 'bedded' }), { temperature }), USUAL_SHOP, '2026-03-02') as Schedule;
    const wait = (s: Schedule) => {
      const bed = s.operations.find((o) => o.id === 'bed')!;
      return (bed.ready - bed.end) / 60;
    };
    expect(wait(at(20))).toBeCloseTo(72, 1);
    expect(wait(at(10))).toBeCloseTo(144, 1);
    expect(at(10).finish).toBeGreaterThan(at(20).finish);
    expect(at(10).chain).toContain('bed');
  });
  it('an operation put off waits for its day; the machine that is hired stands beside its operation', () => {
    const making: Making = {
      notBefore: { drill: '2026-03-10' },
      hired: { what: 'crane', for: 'lift', perHour: 90, leastHours: 3 },
    };
    const of = made((j) => j, making);
    const lift = routeOf(of, USUAL_SHOP).find((o) => o.id === 'lift')!;
    expect(lift).toMatchObject({ machine: 'crane', whole: true });
    const plan = planOf(of, { ...USUAL_SHOP, zone: 'UTC' }, '2026-03-02') as Schedule;
    expect(new Date(plan.operations.find((o) => o.id === 'drill')!.start * 60_000).toISOString()).toBe(
      '2026-03-10T08:00:00.000Z',
    );
  });
});

describe('what a foot takes besides metal', () => {
  const of = (change: (j: Job) => Job, making: Making = {}, celsius?: number) => {
    const [foot] = made(change, making).feet;
    return beddingOf(foot!.r, making, celsius);
  };
  it('plugs by their cylinders, a bed by its area less its holes (closed forms)', () => {
    const foot = (madeOf(eightFeet()) as MadeOf).feet[0]!;
    const [plugs, bed] = beddingOf(foot.r, undefined);
    expect(plugs!.volume).toBeCloseTo(5 * (Math.PI / 4) * 28 ** 2 * 26, 6);
    const area = 235 * 185 - (4 - Math.PI) * 64 - 5 * (Math.PI / 4) * 11 ** 2;
    expect(bed!.volume).toBeCloseTo(area * 1.5, 4);
  });
  it('the product is assumed until its sheet is put in; out of its range it is refused by name', () => {
    const bedded = withJoint({ bedding: 'bedded' });
    expect(of(bedded)[0]).toMatchObject({ assumed: true });
    const sheet = {
      name: 'Harbour sealant',
      cartridge: 290,
      potLife: { at: 20, minutes: 30 },
      from: 5,
      to: 30,
      cure: [{ step: 'load' as const, points: [{ at: 20, hours: 24 }] }],
    };
    const [b] = of(bedded, { products: { sealant: sheet } }, 2);
    expect(b).toMatchObject({ assumed: false });
    const { hours } = b!.cures[0]!;
    expect(isRefusal(hours) && hours.because).toBe('Harbour sealant at 2 °C');
  });
  it('dry, inside and of stainless there is nothing to fill, bed or paint', () => expect(of((j) => j)).toEqual([]));
  it('steel in salt is painted on both faces', () => {
    const [paint] = of(withJoint({ place: 'salt' }));
    expect(paint).toMatchObject({ use: 'paint' });
    expect(paint!.volume).toBeGreaterThan(0);
  });
});

it('steel in salt is coated twice, the second after the first has dried, and stays until it may be loaded', () => {
  const route = routeOf(made(withJoint({ place: 'salt' })), USUAL_SHOP);
  const coats = route.filter((o) => o.id.startsWith('coat'));
  expect(coats.map((o) => [o.id, o.cure!.step])).toEqual([
    ['coat-1', 'next coat'],
    ['coat-2', 'load'],
  ]);
  expect(coats[1]!.after).toEqual(['coat-1']);
  expect(coats.every((o) => o.whole)).toBe(true);
});
it('gluing waits for its clamps, and the bolts for its load', () => {
  const route = routeOf(made(withJoint({ bedding: 'bonded' })), USUAL_SHOP);
  expect(route.find((o) => o.id === 'bed')).toMatchObject({ name: 'Glue and clamp', hands: 2, cure: { step: 'clamps off' } });
  expect(route.find((o) => o.id === 'tighten')).toMatchObject({ cure: { step: 'load' } });
});

it('minutes are the shop’s rates on what there is, and rounds of common practice where it has none', () => {
  const of = made(withWelds({ fitting: 'all round', fittingThroat: q(4) }), { trial: 'card' });
  const route = routeOf(of, USUAL_SHOP);
  const minutes = (id: string) => route.find((o) => o.id === id)!.minutes;
  // Marking one piece and twenty minutes to try it; five to set up tacking and two for each of four runs.
  expect(minutes('trial')).toBeCloseTo(USUAL_SHOP.rates.markMinutes + 20, 9);
  expect(minutes('tack')).toBe(5 + 2 * 4);
  const { length, width } = testJob().base;
  expect(minutes('weld')).toBeCloseTo(((2 * (length.v + width.v)) / 1000) * USUAL_SHOP.rates.weldMinutes, 9);
});

it('a plate that is bent is drilled first, flat: its holes are measured along the blank', () => {
  const fold = { edge: 'fore', radius: fromSheet(10, '10 mm'), height: fromSheet(50, '50 mm') } as const;
  const bent = testJob({}, (j) => ({ ...j, plate: { ...j.plate, fold } }));
  const ids = (job: Job) => routeOf(madeOf(oneFoot(job)) as MadeOf, USUAL_SHOP).map((o) => o.id);
  const at = ids(bent);
  expect(at.indexOf('drill')).toBeGreaterThan(at.indexOf('cut'));
  expect(at.indexOf('bend')).toBe(at.indexOf('drill') + 1);
  expect(ids(testJob())).not.toContain('bend');
});

it('what is fitted dry is told by what there is to fit', () => {
  const fit = (change: (j: Job) => Job) => routeOf(made(change), USUAL_SHOP).find((o) => o.id === 'fit')!.says;
  expect(fit((j) => j)).toBe('in its place, gaps measured');
  expect(fit(withJoint({ packing: 'packer', packer: q(5) }))).toBe('in its place, with its packers, gaps measured');
  expect(fit(withJoint({ packing: 'spacers', packer: q(30), tubeOutside: q(25), tubeWall: q(4) }))).toContain('on its spacers');
  expect(fit((j) => ({ ...j, survey: { ...j.survey, sides: 'pair' } }))).toBe('both hands, gaps measured');
  expect(routeOf(madeOf(eightFeet()) as MadeOf, USUAL_SHOP).find((o) => o.id === 'fit')!.says).toMatch(/^every foot/);
});
