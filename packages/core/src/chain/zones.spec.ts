import { mirrored } from '../job/mirrored';
import type { Job } from '../job/schema';
import type { Zone } from '../job/survey';
import { fromSheet } from '../job/values';
import { solvedCase } from '../testing/solved-case';
import { resolved, testJob } from '../testing/test-job';
import { notJudged } from './ways-to-fail';
import { evaluate } from './evaluate';

const mm = (v: number) => fromSheet(v, `${v} mm`);
/** A cored deck of 5 + 29 + 4 on which the plate stands; washers behind. */
const cored = testJob({ fx: 900, fz: 1500, z: 60 }, (j) => {
  const { spanX, spanY, aft, starboard, bedModulus } = j.skin;
  return {
    ...j,
    far: { kind: 'washer' },
    skin: {
      kind: 'sandwich',
      nearFace: mm(5),
      farFace: mm(4),
      glass: fromSheet(0.4, '40 %'),
      core: 'balsa',
      coreCrush: fromSheet(10, '10 MPa'),
      coreShear: fromSheet(2.6, '2.6 MPa'),
      coreModulus: fromSheet(150, '150 MPa'),
      thickness: mm(38),
      spanX,
      spanY,
      aft,
      starboard,
      bedModulus,
    },
  };
});
const solid = (x: Partial<Zone> = {}): Zone => ({
  id: 'Z1',
  note: 'solid',
  x0: 0,
  x1: 300,
  y0: -300,
  y1: 300,
  skin: { kind: 'laminate', glass: fromSheet(0.4, '40 %'), thickness: mm(20) },
  ...x,
});
const zoned = (...zones: Zone[]): Job => ({ ...cored, survey: { ...cored.survey, zones } });
const wholly = (z: Zone): Job => ({ ...cored, skin: { ...cored.skin, ...z.skin } as Job['skin'] });
const link = (j: Job, id: string) => evaluate(j).links.find((l) => l.id === id)!;

it('each bolt is judged on the skin it goes through: those fore in solid, those aft in the core', () => {
  const both = resolved(zoned(solid()));
  expect(both.bolts.map((b) => both.kinds[b.kind]!.skinKind)).toEqual(['laminate', 'sandwich', 'sandwich', 'laminate']);
  // What a washer crushes is as weak as the weaker of both, each as if all of the deck were of it.
  const parts = [link(cored, 'washer-crush'), link(wholly(solid()), 'washer-crush')].map((l) => l.utilisation);
  expect(link(zoned(solid()), 'washer-crush').utilisation).toBeCloseTo(Math.max(...parts), 6);
});

it('with all bolts in the zone what holds them is as on that skin all over', () => {
  const all = zoned(solid({ x0: -300 }));
  for (const id of ['washer-crush', 'pull-through', 'skin-bearing', 'washer-dishing'])
    expect([id, link(all, id).utilisation]).toEqual([id, expect.closeTo(link(wholly(solid()), id).utilisation, 6)]);
});

it('a zone of the same skin, or one without bolts, changes no figure', () => {
  const figures = (j: Job) => evaluate(j).links.map((l) => [l.id, l.state, l.utilisation && Number(l.utilisation.toFixed(9))]);
  const { spanX: _x, spanY: _y, aft: _a, starboard: _s, bedModulus: _b, ...own } = cored.skin;
  expect(figures(zoned(solid({ skin: own as Zone['skin'] })))).toEqual(figures(cored));
  expect(figures(zoned(solid({ x0: 200 })))).toEqual(figures(cored));
});

it('mirrored no figure moves; wood in a zone goes with how long its load lasts', () => {
  const job = zoned(solid({ y0: 10 }));
  const figures = (j: Job) => evaluate(j).links.map((l) => [l.id, l.utilisation && Number(l.utilisation.toFixed(9))]);
  expect(figures(mirrored(job))).toEqual(figures(job));
  const ply = solid({ x0: -300, skin: { kind: 'plywood', grade: 'birch', thickness: mm(24) } });
  const lasts = (duration: 'permanent' | 'short') =>
    link({ ...zoned(ply), loads: cored.loads.map((l) => ({ ...l, duration })) }, 'washer-crush').capacity;
  // k_mod 0.6 against 0.9 (EN 1995-1-1 Tab. 3.1).
  expect(lasts('permanent') / lasts('short')).toBeCloseTo(0.6 / 0.9, 6);
});

it('the verdict says what the change of skin leaves unjudged; the solver leaves it to the hand', () => {
  expect(notJudged(zoned(solid())).join()).toContain('how the panel bends where its skin changes');
  expect(notJudged(zoned(solid({ x0: 200 }))).join()).not.toContain('skin changes');
  expect(() => solvedCase(zoned(solid()))).toThrow('judged by hand');
});

it.each([
  ['zones over each other', zoned(solid(), solid({ id: 'Z2', x0: 200 })), /zones.0 \(Z1\): it lies over zone Z2/],
  ['a bolt across the line', zoned(solid({ x0: 85 })), /B1\): its washer lies across the line of zone Z1.*at least 10 mm/],
  [
    'faces that fill it',
    zoned(solid({ skin: { ...cored.skin, nearFace: mm(30), farFace: mm(20) } as Zone['skin'] })),
    /leave no core/,
  ],
  [
    'a grade nobody stocks',
    zoned(solid({ skin: { kind: 'timber', grade: 'X9', grain: 'x', endGrain: mm(100), thickness: mm(40) } })),
    /survey.zones.0.skin.grade: "X9"/,
  ],
])('refused: %s', (_n, job, text) =>
  expect(
    evaluate(job)
      .refusals.map((r) => `${r.field}: ${r.because}; ${r.allowed}`)
      .join('\n'),
  ).toMatch(text),
);

describe('a cavity of unknown depth', () => {
  const over = (crossed?: 'sleeve' | 'plug' | 'hatch', sleeve: Job['joint']['sleeve'] = 'none'): Job => ({
    ...cored,
    joint: { ...cored.joint, sleeve, tubeOutside: mm(20), tubeWall: mm(3) },
    survey: {
      ...cored.survey,
      hidden: [
        {
          id: 'D1',
          what: 'cavity of unknown depth',
          note: '',
          x0: 60,
          x1: 120,
          y0: 40,
          y1: 120,
          clear: mm(5),
          ...(crossed ? { crossed } : {}),
        },
      ],
    },
  });
  const refused = (j: Job) => evaluate(j).refusals.some((r) => r.because.includes('keep-out zone'));
  it('keeps bolts out until it is crossed by what the joint has, or opened by a hatch', () => {
    expect([
      refused(over()),
      refused(over('sleeve')),
      refused(over('sleeve', 'sleeve')),
      refused(over('plug', 'sleeve')),
    ]).toEqual([true, true, false, true]);
    expect(refused(over('hatch'))).toBe(false);
  });
});
