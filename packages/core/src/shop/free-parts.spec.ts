import { evaluate, workingOf } from '../chain/evaluate';
import { notJudged } from '../chain/ways-to-fail';
import { oneFoot, atFoot } from '../job/at-foot';
import type { FreePart } from '../job/free-part';
import { mirroredWhole } from '../job/mirrored';
import { partBlank, sideView } from '../job/part-blank';
import { sharp } from '../geometry/outline';
import { regionArea } from '../geometry/region';
import type { Job } from '../job/schema';
import { resolved, testJob } from '../testing/test-job';
import { plain, fromSheet } from '../units/quantity';
import { cutParts, partMass } from './cut-parts';
import { drillList } from './drill-list';
import { partList } from './part-list';
import { massOf } from './weight-and-cost';

const q = (v: number) => fromSheet(v, `${v} mm`);
const angle = (v: number) => fromSheet((v * Math.PI) / 180, `${v}°`);
const hole = (id: string, x: number, y: number, d: number, purpose: FreePart['holes'][number]['purpose'] = 'fastener') => ({
  id,
  x,
  y,
  d: q(d),
  purpose,
});
const bar = (x: Partial<Extract<FreePart['stock'], { form: 'flat bar' }>> = {}): FreePart['stock'] => ({
  form: 'flat bar',
  width: q(50),
  thickness: q(6),
  legs: [q(200)],
  bends: [],
  ...x,
});
const part = (x: Partial<FreePart> = {}): FreePart => ({
  id: 'P1',
  name: 'Rail',
  use: 'rail',
  metal: 'S275',
  count: 1,
  stock: bar(),
  holes: [],
  ...x,
});
const link = (x: Partial<FreePart> = {}): FreePart =>
  part({
    name: 'Roller-arm link',
    use: 'link',
    count: 2,
    stock: bar({ rounded: true, legs: [q(250)] }),
    holes: [hole('E1', -100, 0, 16, 'eye'), hole('E2', 100, 0, 16, 'eye')],
    eye: {
      rules: 'EN',
      hole: 'E1',
      carries: fromSheet(0.5, '0.5'),
      pin: q(15.5),
      pinClass: '8.8',
      shear: 'double',
      fork: q(6),
      gap: q(1),
      Nd: 3,
    },
    ...x,
  });
const made =
  (...parts: FreePart[]) =>
  (j: Job): Job => ({ ...j, parts });
const no = (...parts: FreePart[]) => evaluate(testJob({}, made(...parts))).refusals.map((r) => `${r.field}: ${r.because}`);
const links = (job: Job, id: string) => evaluate(job).links.find((l) => l.id === id)!;

describe('a bar laid flat', () => {
  it('two legs of 50 and 362 outside, t 3.175, r 5: 405.5 mm with K 0.40 (the brief’s 405.6 is with 0.42)', () => {
    const stock = bar({ thickness: q(3.175), legs: [q(50), q(362)], bends: [{ angle: angle(90), radius: q(5), up: true }] });
    const { bounds } = partBlank(plain(part({ stock })));
    expect(bounds.x1 - bounds.x0).toBeCloseTo(412 - 2 * 8.175 + (Math.PI / 2) * (5 + 0.4 * 3.175), 6);
    expect(bounds.x1 - bounds.x0).toBeCloseTo(405.5, 1);
  });
  it('a hole given from the outside of the bend is that far from it, less the setback, on the flat', () => {
    const stock = bar({ legs: [q(80), q(120)], bends: [{ angle: angle(90), radius: q(10), up: true }] });
    const at = partBlank(
      plain(
        part({
          stock,
          holes: [
            { ...hole('H', 60, 0, 9), leg: 1 },
            { ...hole('G', 20, 0, 9), leg: 0 },
          ],
        }),
      ),
    );
    const [h, g] = at.holes;
    expect(h!.x - at.bends[0]!.to).toBeCloseTo(60 - 16, 9);
    expect(g!.x - at.bounds.x0).toBeCloseTo(20, 9);
  });
  it('from the side it is as long as its legs outside, and as thick', () => {
    const stock = bar({ legs: [q(80), q(120)], bends: [{ angle: angle(90), radius: q(10), up: true }] });
    const seen = sideView(plain(part({ stock })));
    const [xs, ys] = [seen.map((p) => p.x), seen.map((p) => p.y)];
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(120, 1);
    expect(Math.max(...ys) - Math.min(...ys)).toBeCloseTo(80, 1);
    expect(sideView(plain(part()))).toEqual([]);
  });
});

describe('a part weighs what it is', () => {
  const mass = (p: FreePart) => partMass(cutParts(resolved(testJob({}, made(p)))).at(-1)!);
  // By hand from the section, 7850 kg/m³.
  it.each<[string, FreePart, number]>([
    [
      'flat bar 50 × 6, 200 long, one hole of 20',
      part({ holes: [hole('H', 0, 0, 20)] }),
      (50 * 200 - Math.PI * 100) * 6 * 7850e-9,
    ],
    [
      'square tube 40 × 40 × 4, 500 long: 4.52 kg/m',
      part({ stock: { form: 'square tube', width: q(40), depth: q(40), wall: q(4), length: q(500) } }),
      576 * 500 * 7850e-9,
    ],
    [
      'round tube 48.3 × 3.2, 1 m: 3.56 kg (EN 10219 tables)',
      part({ stock: { form: 'round tube', outside: q(48.3), wall: q(3.2), length: q(1000) } }),
      3.56,
    ],
    [
      'round bar 20, two of 300',
      part({ count: 2, stock: { form: 'round bar', diameter: q(20), length: q(300) } }),
      2 * Math.PI * 100 * 300 * 7850e-9,
    ],
    [
      'angle 50 × 50 × 5, 1 m: 3.77 kg (EN 10056, fillets left out 3.73)',
      part({ stock: { form: 'angle', leg: q(50), other: q(50), thickness: q(5), length: q(1000) } }),
      475 * 1000 * 7850e-9,
    ],
  ])('%s', (_w, p, kg) => expect(mass(p)).toBeCloseTo(kg, 2));
  it('and is in the mass of the job, the part list and the drill list', () => {
    const [bare, job] = [testJob(), testJob({}, made(link()))];
    const two = partMass(cutParts(resolved(job)).at(-1)!);
    expect(massOf(resolved(job)) - massOf(resolved(bare))).toBeCloseTo(two, 9);
    const list = partList(oneFoot(job));
    if ('refusals' in list) throw new Error('refused');
    expect(list.parts.at(-1)).toMatchObject({ name: 'Roller-arm link', count: 2, mirrored: 0, length: 250, width: 50 });
    // A strap with half-round ends: the straight between them and one circle, less two holes.
    expect(list.parts.at(-1)!.area).toBeCloseTo(200 * 50 + Math.PI * 25 ** 2 - 2 * Math.PI * 64, 6);
    expect(
      drillList(job, resolved(job))
        .filter((d) => d.part === 'Roller-arm link')
        .map((d) => [d.hole, d.x, d.y, d.diameter]),
    ).toEqual([
      ['E1', 25, 25, 16],
      ['E2', 225, 25, 16],
    ]);
  });
});

describe('a link takes its part of the load', () => {
  const load = { fx: 8000, fz: 6000 };
  const limit = (j: Job): Job => ({ ...j, practice: { ...j.practice, school: 'limit', gammaQ: 1 } });
  it('half of 10 kN, on a pin hole that wants a ≥ F·γ/(2·t·f_y) + 2·d0/3 (EN 1993-1-8 Tab. 3.9)', () => {
    const l = links(
      testJob(load, (j) => limit(made(link())(j))),
      'lug-end',
    );
    expect(l.demand).toBeCloseTo(5000, 6);
    // e = 25: a = 25 − 8 = 17, c = 17: 2·6·275·(17 − 10.67) = 20 900 in front, 2·6·275·(17 − 5.33) beside.
    expect(l.capacity).toBeCloseTo(2 * 6 * 275 * (17 - 32 / 3), 3);
    expect(l.at).toContain('Roller-arm link');
  });
  it('pushed it bows out over its thin side: Euler’s λ and curve c by hand', () => {
    const job = testJob(load, (j) => limit(made(link())(j)));
    const l = links(job, 'link-body');
    const λ = 200 / (6 / Math.sqrt(12)) / (Math.PI * Math.sqrt(210_000 / 275));
    const Φ = 0.5 * (1 + 0.49 * (λ - 0.2) + λ * λ);
    expect(l.capacity).toBeCloseTo((50 * 6 * 275) / (Φ + Math.sqrt(Φ * Φ - λ * λ)), 3);
    expect(workingOf(job, 'link-body', l.caseId)!.steps.map((s) => s.symbol)).toContain('χ');
  });
  it('the worse of the fitting’s own lug and of every link stands', () => {
    const both = testJob(load, (j) =>
      limit(
        made(link(), link({ id: 'P2', name: 'Thin link', stock: bar({ rounded: true, thickness: q(3), legs: [q(250)] }) }))(j),
      ),
    );
    expect(links(both, 'lug-end').at).toContain('Thin link');
  });
  it('a job without links has none', () => {
    expect(links(testJob(), 'link-body').state).toBe('not needed');
    expect(links(testJob(), 'tab-foot').state).toBe('not needed');
  });
});

describe('a support tab is judged itself', () => {
  const tab = (x: Partial<NonNullable<FreePart['eye']>> = {}): FreePart => {
    const eye = link().eye!;
    return part({
      name: 'Support tab',
      use: 'tab',
      stock: {
        form: 'plate',
        thickness: q(8),
        outline: { corners: [sharp(-25, -30), sharp(25, -30), sharp(25, 30), sharp(-25, 30)], openings: [] },
      },
      holes: [hole('E1', 0, 5, 16, 'eye')],
      eye: { ...eye, height: q(35), throat: q(4), along: 'x' as const, ...x },
    });
  };
  const job = testJob({ fx: 6000, fz: 0 }, (j) => ({
    ...made(tab())(j),
    practice: { ...j.practice, school: 'limit', gammaQ: 1 },
  }));
  it('bent edge on at its foot: 6·P·h/(t·w²) and P/A of shear; its weld P/2l and 3·P·h/l² on two fillets of l = w − 2·a, by hand', () => {
    const l = links(job, 'tab-foot');
    const P = 3000;
    const bent = Math.hypot((6 * P * 35) / (8 * 50 ** 2), (Math.sqrt(3) * P) / 400) / 275;
    const [along, out] = [P / 84 / 4, (3 * P * 35) / 42 ** 2 / (Math.SQRT2 * 4)];
    const weld = Math.sqrt(out ** 2 + 3 * (out ** 2 + along ** 2)) / (430 / (0.85 * 1.25));
    expect(l.utilisation).toBeCloseTo(Math.max(bent, weld), 6);
    expect(l.at).toContain('Support tab');
  });
  it('its hole is judged as any lug’s', () => expect(links(job, 'lug-bearing').demand).toBeCloseTo(3000, 6));
});

describe('what cannot be made is refused by its place', () => {
  it.each<[string, FreePart, RegExp]>([
    [
      'bend through a hole',
      part({
        stock: bar({ legs: [q(80), q(120)], bends: [{ angle: angle(90), radius: q(10), up: true }] }),
        holes: [{ ...hole('H', 10, 0, 9), leg: 1 }],
      }),
      /bend 1 goes through it/,
    ],
    [
      'flange too short',
      part({ stock: bar({ legs: [q(20), q(120)], bends: [{ angle: angle(90), radius: q(10), up: true }] }) }),
      /leg 1 of 20 mm is too short/,
    ],
    [
      'radius too small',
      part({ stock: bar({ legs: [q(60), q(120)], bends: [{ angle: angle(90), radius: q(2), up: true }] }) }),
      /cracks steel s275/,
    ],
    ['bends and legs', part({ stock: bar({ legs: [q(60), q(120)] }) }), /0 bends between 2 legs/],
    ['hole over an edge', part({ holes: [hole('H', 97, 0, 9)] }), /breaks through the edge/],
    ['hole outside', part({ holes: [hole('H', 140, 0, 9)] }), /outside the part/],
    ['two holes in one', part({ holes: [hole('H', 0, 0, 9), hole('G', 5, 0, 9)] }), /overlaps hole G/],
    [
      'crossing outline',
      part({
        stock: {
          form: 'plate',
          thickness: q(5),
          outline: { corners: [sharp(0, 0), sharp(50, 50), sharp(50, 0), sharp(0, 50)], openings: [] },
        },
      }),
      /crosses itself/,
    ],
    ['a metal nobody stocks', part({ metal: 'unobtainium' }), /not in the stock list/],
    ['walls that fill it', part({ stock: { form: 'round tube', outside: q(20), wall: q(10), length: q(100) } }), /fill the tube/],
    ['pin without its hole', link({ holes: [] }), /has no hole E1/],
  ])('%s', (_w, p, words) => expect(no(p).join()).toMatch(words));
  it('two parts of one id', () => expect(no(part(), part())[0]).toContain('two parts have this id'));
});

it('what carries load and is not judged is said beside the verdict', () => {
  expect(notJudged(testJob({}, made(part({ name: 'Gusset', use: 'gusset' })))).join()).toContain('how they are fixed: gusset');
  expect(notJudged(testJob({}, made(link()))).join()).not.toContain('roller-arm');
});

it('the other hand has the part turned over: bent alike, holes on the other side, and back is the same', () => {
  const p = part({
    holes: [hole('H', 30, 12, 9)],
    stock: {
      form: 'plate',
      thickness: q(5),
      outline: { corners: [sharp(-60, -30), sharp(60, -30), sharp(60, 30), sharp(-20, 30)], openings: [] },
    },
  });
  const whole = oneFoot(testJob({}, made(p)));
  const other = atFoot(mirroredWhole(whole), 'F1').parts![0]!;
  expect(other.holes[0]).toMatchObject({ x: 30, y: -12 });
  expect(regionArea(partBlank(plain(other)).region)).toBeCloseTo(regionArea(partBlank(plain(p)).region), 9);
  expect(atFoot(mirroredWhole(mirroredWhole(whole)), 'F1')).toEqual(atFoot(whole, 'F1'));
});
