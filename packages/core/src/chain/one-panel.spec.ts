import { panelIn, panelUnder } from '../checks/demand/panel';
import type { Rect } from '../geometry/points';
import { atFoot, oneFoot } from '../job/at-foot';
import { changedFoot, standingAs } from '../job/feet-edits';
import { mirroredWhole } from '../job/mirrored';
import type { Job } from '../job/schema';
import { spreadRulesOf } from '../job/spread-rules';
import type { WholeJob } from '../job/whole-job';
import { casesOf } from '../loads/cases';
import { factored } from '../loads/load-case';
import { solvedCase } from '../testing/solved-case';
import { freeLoad, resolved, testJob } from '../testing/test-job';
import { fromSheet } from '../units/quantity';
import { notJudged } from './ways-to-fail';
import { evaluate } from './evaluate';
import { judge } from './judge';

const q = (v: number) => fromSheet(v, `${v} mm`);

/** A steel sheet 900 × 600 × 8 between simple bearers, two feet on plates 120 × 80 at a third and two thirds of it. */
const [A, B, T] = [900, 600, 8];
const foot = (load: Parameters<typeof freeLoad>[0], change: (j: Job) => Job = (j) => j) =>
  testJob({}, (j) =>
    change({
      ...j,
      loads: [freeLoad(load)],
      base: { ...j.base, length: q(50), width: q(40), holes: [] },
      plate: { ...j.plate, x0: -60, x1: 60, y0: -40, y1: 40, corner: 0, thickness: q(3) },
      bolts: {
        ...j.bolts,
        items: [-45, 45].flatMap((x) => [-28, 28].map((y, i) => ({ id: `B${x > 0 ? 1 + i : 3 + i}`, x, y }))),
      },
      far: { kind: 'plate', metal: 'S275', thickness: q(3) },
      skin: {
        ...j.skin,
        kind: 'sheet',
        metal: 'S355',
        thickness: q(T),
        spanX: q(A),
        spanY: q(B),
        aft: q(600),
        starboard: q(B / 2),
      } as Job['skin'],
    }),
  );
/** The fore foot stands 600 from the after bearer, the after one 300. */
const pair = (load: Parameters<typeof freeLoad>[0], on: 'own panels' | 'one panel' = 'one panel', change?: (j: Job) => Job) => {
  const two = standingAs(oneFoot(foot(load, change)), 'F1', 'two brackets', { along: 300, across: 0, count: 2 });
  const aft = two.feet.find((f) => f.x < 0)!;
  const placed = changedFoot(two, aft.id, { skin: { ...two.feet[0]!.skin, aft: q(300) } as Job['skin'] });
  return { ...placed, standing: { ...placed.standing, on } };
};
const FORE = 'F1';
const AFT = 'F2';

/** w·D at a place of a simply supported plate under an even patch load P at another: Navier's series, Timoshenko & Woinowsky-Krieger §28. */
function navier(P: number, at: { x: number; y: number }, patch: { x: number; y: number; u: number; v: number }): number {
  const sinc = (z: number) => Math.sin(z) / z;
  let sum = 0;
  for (let m = 1; m <= 200; m++)
    for (let n = 1; n <= 200; n++) {
      const [k, l] = [(m * Math.PI) / A, (n * Math.PI) / B];
      const load = Math.sin(k * patch.x) * sinc((k * patch.u) / 2) * Math.sin(l * patch.y) * sinc((l * patch.v) / 2);
      sum += (load * Math.sin(k * at.x) * Math.sin(l * at.y)) / (k * k + l * l) ** 2;
    }
  return ((4 * P) / (A * B)) * sum;
}
const D = (210_000 * T ** 3) / (12 * (1 - 0.3 ** 2));
const P = 2000;
/** Under the fore plate's middle, or at x, of its own patch and of the other foot's. */
const own = (x = 600) => navier(P, { x, y: 300 }, { x: 600, y: 300, u: 120, v: 80 });
const other = (x = 600) => navier(P, { x, y: 300 }, { x: 300, y: 300, u: 120, v: 80 });

/** How far every link is used; a job that is refused fails the test that asked. */
function used(j: Job): number[] {
  const { links, refusals } = evaluate(j);
  expect(refusals).toEqual([]);
  return links.map((l) => l.utilisation);
}
const handAt = (whole: WholeJob, id: string) => {
  const r = resolved(atFoot(whole, id));
  return panelIn(r, panelUnder(r) as Rect, casesOf(r.job)[0]!);
};

describe('two feet on one panel, pressed alike', () => {
  const both = pair({ fz: -2 * P });
  it('by hand the panel gives as under both patches', () => {
    // The most is between the two, past the plate's edge that faces the other.
    const most = (f: (x: number) => number) => Math.max(...Array.from({ length: 25 }, (_, k) => f(400 + 10 * k)));
    expect(Math.abs(handAt(both, FORE).wD / most((x) => own(x) + other(x)) - 1)).toBeLessThan(0.003);
    expect(Math.abs(handAt(pair({ fz: -2 * P }, 'own panels'), FORE).wD / most(own) - 1)).toBeLessThan(0.003);
    // Not a trifle.
    expect(other() / own()).toBeGreaterThan(0.5);
  });
  it('solved, the bolts go down by as much more as the series says of the other foot, within 3 %', () => {
    const sunk = (whole: WholeJob) => {
      const { bolts } = solvedCase(atFoot(whole, FORE), 'fine');
      return -bolts.reduce((sum, b) => sum + b.lift, 0) / bolts.length;
    };
    const more = sunk(both) - sunk(pair({ fz: -2 * P }, 'own panels'));
    expect(more / (other() / D)).toBeGreaterThan(0.97);
    expect(more / (other() / D)).toBeLessThan(1.03);
  });
  it('solved, the bearers take what both feet bring', () => {
    const { reactions, balance } = solvedCase(atFoot(both, AFT));
    expect(reactions.reduce((sum, r) => sum + r.fz, 0) / (2 * P)).toBeCloseTo(1, 6);
    expect(balance).toBeLessThan(1e-6);
  });
  it('either foot has the figures of the other, seen from its side', () => {
    const at = (id: string) => used(atFoot(both, id));
    at(AFT).forEach((u, i) => expect(u).toBeCloseTo(at(FORE)[i]!, 9));
  });
});

it('what another foot brings tips its plate too, and is lowered from its face to the skin’s middle: force and moments to the last', () => {
  const whole = pair({ fx: 900, fy: -500, fz: -1500, mx: 2e5, my: -1e5, mz: 3e4, z: 120 });
  const job = atFoot(whole, FORE);
  const [c] = casesOf(job);
  const [there] = casesOf(atFoot(whole, AFT));
  const b = c!.beside![0]!;
  for (const k of ['fx', 'fy', 'fz', 'mx', 'my', 'mz'] as const) expect(b[k]).toBeCloseTo(there![k], 6);
  expect(b.at).toEqual({ x: -300, y: 0 });
  const { assembly, reactions, balance } = solvedCase(job);
  expect(balance).toBeLessThan(1e-6);
  expect(assembly.stack.layers[2]!.name).toBe('skin');
  expect(reactions.reduce((sum, r) => sum + r.fz, 0)).toBeCloseTo(1500, 3);
});

it('a case that is counted counts what the other foot brings with the same factors, its weight with its own', () => {
  const load = { ...freeLoad({ fz: -1000 }), action: 'variable' as const };
  const whole = pair({});
  const job = atFoot({ ...whole, loads: [load] }, FORE);
  const c = { ...casesOf(job)[0]!, weight: { fx: 0, fy: 0, fz: -200, mx: 0, my: 0, mz: 0 }, onWeight: 0.9 };
  const alike = { ...c, beside: c.beside!.map((b) => ({ ...b, weight: c.weight })) };
  const counted = factored(alike, 1.5);
  expect(counted.fz).toBeCloseTo(-500 * 1.5 + 200 * 0.6, 9);
  expect(counted.beside![0]!.fz).toBeCloseTo(counted.fz, 9);
});

describe('feet that cannot stand on one panel are refused by name', () => {
  const because = (w: WholeJob, id = FORE) =>
    evaluate(atFoot(w, id))
      .refusals.map((no) => no.because)
      .join('; ');
  const both = pair({ fz: -2 * P });
  const moved = (id: string, change: (f: WholeJob['feet'][number]) => Partial<WholeJob['feet'][number]>) => ({
    ...both,
    feet: both.feet.map((f) => (f.id === id ? { ...f, ...change(f) } : f)),
  });
  it('a foot past the bearers is on another panel, whatever is said', () => {
    const apart = { ...both, feet: both.feet.map((f) => ({ ...f, x: 3 * f.x })) };
    expect(because(apart)).toContain('stands past the bearers of');
    expect(because(apart, AFT)).toContain('stands past the bearers of');
  });
  it('bearers measured at one foot and at the other that are not the same: 6 mm apart, where a tape is good for 5', () => {
    const by = (mm: number) => moved(AFT, (f) => ({ skin: { ...f.skin, aft: q(300 + mm) } as Job['skin'] }));
    expect(because(by(5))).toBe('');
    for (const mm of [6, -6])
      for (const id of [FORE, AFT]) expect(because(by(mm), id)).toMatch(/bearer of .* lies 6 mm from where/);
  });
  it('a span that is another; a foot that stands askew; one on a member', () => {
    expect(because(moved(AFT, (f) => ({ skin: { ...f.skin, spanX: q(880) } as Job['skin'] })))).toContain('the fore bearer');
    expect(because(moved(AFT, () => ({ turn: 0.4 })))).toContain('askew');
    expect(because(moved(AFT, (f) => ({ skin: { ...f.skin, kind: 'bed' } as Job['skin'] })))).toContain(
      'no panel between bearers',
    );
    expect(because(pair({ fz: -2 * P }, 'own panels', undefined))).toBe('');
  });
});

describe('no figure moves', () => {
  const load = { fx: 700, fy: 400, fz: -900, mz: 2e4, z: 90 };
  const lopsided = (): WholeJob => {
    const w = pair(load);
    // Seen from the foot turned a quarter, the bearers aft and fore are to port and starboard.
    const turned = (f: (typeof w.feet)[number]) =>
      ({ ...f.skin, spanX: q(B), spanY: q(A), aft: q(B / 2 + 70), starboard: q(A / 2 - f.x) }) as Job['skin'];
    return { ...w, feet: w.feet.map((f, i) => (i === 0 ? f : { ...f, y: f.y + 70, turn: Math.PI / 2, skin: turned(f) })) };
  };
  it('in the mirror', () => {
    const [here, there] = [lopsided(), mirroredWhole(lopsided())];
    for (const id of [FORE, AFT]) used(atFoot(there, id)).forEach((u, i) => expect(u).toBeCloseTo(used(atFoot(here, id))[i]!, 9));
  });
  it('of a foot whose neighbour is turned half round: its plate is the same seen so', () => {
    const w = pair(load);
    const round = {
      ...w,
      feet: w.feet.map((f) => (f.id === AFT ? { ...f, turn: Math.PI, skin: { ...f.skin, aft: q(600) } as Job['skin'] } : f)),
    };
    used(atFoot(round, FORE)).forEach((u, i) => expect(u).toBeCloseTo(used(atFoot(w, FORE))[i]!, 9));
  });
});

describe('what is not added up is said or refused', () => {
  it('feet between the same bearers, each taken as on its own panel', () => {
    const words = (w: WholeJob) => notJudged(atFoot(w, FORE)).join('; ');
    expect(words(pair({ fz: -P }, 'own panels'))).toContain('what the feet beside it bring to its panel (');
    expect(words(pair({ fz: -P }))).not.toContain('beside it');
    expect(words(oneFoot(foot({ fz: -P })))).not.toContain('beside it');
  });
  it('a timber under several feet', () => {
    const timber = (j: Job): Job => ({
      ...j,
      skin: { ...j.skin, kind: 'timber', grade: 'C24', grain: 'x', thickness: q(60) } as Job['skin'],
    });
    const bending = (on: 'own panels' | 'one panel') =>
      evaluate(atFoot(pair({ fz: -P }, on, timber), FORE)).links.find((l) => l.id === 'timber-bending')!;
    expect(bending('own panels').state).not.toBe('refused');
    expect(bending('one panel')).toMatchObject({
      state: 'refused',
      because: expect.stringContaining('the other feet load the same member') as string,
    });
  });
  it('judged as solved, a foot on one panel is asked more than on its own', () => {
    const asked = (on: 'own panels' | 'one panel') => {
      const job = atFoot(pair({ fz: -2 * P }, on), FORE);
      const { verdict } = judge({ ...job, spread: { ...spreadRulesOf(job), checks: 'solver' } }, { mesh: 'draft' });
      return verdict.links.find((l) => l.id === 'skin-bending')!.utilisation;
    };
    expect(asked('one panel')).toBeGreaterThan(asked('own panels'));
  });
});
