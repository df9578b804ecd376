import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { USUAL_SPREAD } from '../job/spread-rules';
import { isRefusal } from '../units/refusal';
import { testJob } from '../testing/test-job';
import { bilinear } from './at-place';
import type { Sample } from './log-entry';
import { bandAt, predictedCurve, type PredictedCurve } from './predicted-curve';
import { directionWords, proofPlan, type ProofAsked, type ProofPlan } from './proof-plan';
import { readPull } from './read-pull';

const mm = (v: number) => fromSheet(v, `${v} mm`);
const asked: ProofAsked = { caseId: 'L1-1', times: 1, holdSeconds: 10, dial: { x: 0, y: 0 }, by: 'puller' };
const planOf = (job: Job, change: Partial<ProofAsked> = {}): ProofPlan => {
  const p = proofPlan(job, { ...asked, ...change });
  if (isRefusal(p)) throw new Error(p.because);
  return p;
};
function curveOf(job: Job, plan: ProofPlan, dial = asked.dial): PredictedCurve {
  const steps = predictedCurve(job, plan, dial);
  for (;;) {
    const next = steps.next();
    if (!next.done) continue;
    if (isRefusal(next.value)) throw new Error(next.value.because);
    return next.value;
  }
}

const CORNERS = [
  [-18, -18],
  [18, -18],
  [-18, 18],
  [18, 18],
] as const;
/** All of it known: nothing is asked twice. */
const known = (job: Job): Job => JSON.parse(JSON.stringify(job).replaceAll('"assumed"', '"sheet"')) as Job;

/** A strip of steel, 600 long on two bearers and 120 wide, pulled up in its middle through a small plate. */
const strip = (f: number) =>
  known(
    testJob({ fz: f }, (j) => ({
      ...j,
      base: {
        ...j.base,
        length: mm(50),
        width: mm(50),
        holes: CORNERS.map(([x, y], i) => ({ id: `H${i + 1}`, x, y })),
        hole: mm(6.6),
        thickness: mm(4),
      },
      plate: { ...j.plate, x0: -30, x1: 30, y0: -30, y1: 30, thickness: mm(3) },
      bolts: {
        ...j.bolts,
        size: 'M6',
        items: CORNERS.map(([x, y], i) => ({ id: `B${i + 1}`, x, y })),
      },
      skin: {
        ...j.skin,
        kind: 'sheet',
        metal: 'S275',
        thickness: mm(8),
        spanX: mm(600),
        spanY: mm(120),
        aft: mm(300),
        starboard: mm(60),
      } as Job['skin'],
      spread: { ...USUAL_SPREAD, membrane: 'never', edges: { fore: 'simple', aft: 'simple', port: 'free', starboard: 'free' } },
    })),
  );

it('a plate on two bearers: between a beam with a stiff middle and a plain one (F·(L − a)³/48EI and F·L³/48EI)', () => {
  const f = 800;
  const job = strip(f);
  const { points } = curveOf(job, planOf(job));
  const I = (120 * 8 ** 3) / 12;
  const beam = (L: number) => (f * L ** 3) / (48 * 210_000 * I);
  const w = points.at(-1)!.expected;
  expect(w).toBeGreaterThan(beam(600 - 60) * 0.97);
  expect(w).toBeLessThan(beam(600) * 1.03);
  // In proportion, and half the load half the way.
  expect(points[2]!.expected / w).toBeCloseTo(0.5, 3);
});

it('the band has every assumed value, the bearers the other way and the solver itself in it, and holds what is expected', () => {
  const job = strip(800);
  const loose: Job = { ...job, skin: { ...job.skin, thickness: { ...job.skin.thickness, from: 'assumed' } } };
  const sure = curveOf(job, planOf(job));
  const wide = curveOf(loose, planOf(loose));
  const width = (c: PredictedCurve) => c.points.at(-1)!.most - c.points.at(-1)!.least;
  expect(width(wide)).toBeGreaterThan(width(sure));
  expect(wide.widens.map((w) => w.what)).toContain('bearers clamped');
  const thick = wide.widens.find((w) => w.what.startsWith('Skin thickness'))!;
  // A tenth thinner is 1/0.9³ as soft where the skin alone bends: 37 %.
  const w = wide.points.at(-1)!.expected;
  expect(thick.high / w).toBeGreaterThan(0.25);
  expect(thick.high / w).toBeLessThan(1 / 0.9 ** 3 - 1 + 0.02);
  for (const p of wide.points) expect(p.least <= p.expected && p.expected <= p.most).toBe(true);
  // However much is not known, a dial that has not moved at full load is outside of it.
  const unknown = JSON.parse(JSON.stringify(job).replaceAll('"from":"sheet"', '"from":"assumed"')) as Job;
  const widest = curveOf(unknown, planOf(unknown)).points.at(-1)!;
  expect(widest.least).toBeGreaterThan(0.05 * widest.expected);
});

it('a plan: steps up to the proof load, the way of the pull, and what is refused by name', () => {
  const job = testJob({ fx: 3000, fz: 4000, z: 120 });
  const p = planOf(job, { times: 1.25 });
  expect(p.load).toBeCloseTo(6250, 6);
  expect(p.steps.map((s) => s.load)).toEqual([1562.5, 3125, 4687.5, 6250]);
  expect(p.directionWords).toBe('up, leaning 37° forward');
  expect(directionWords([0, 0, -1])).toBe('straight down');
  expect(directionWords([0, -1, 0])).toBe('to starboard');
  const no = (change: Partial<ProofAsked>, of = job) => {
    const r = proofPlan(of, { ...asked, ...change });
    return isRefusal(r) ? `${r.field}: ${r.because}` : '';
  };
  expect(no({ times: 9 })).toBe('times: 9 × the case');
  expect(no({ caseId: 'none' })).toContain('no such case');
  expect(no({}, testJob({ mx: 5000 }))).toContain('a moment alone');
  expect(no({ by: 'known weight' })).toContain('does not press straight down');
  // Half a log on a step: 100 kg.
  const weight = planOf(testJob({ fz: -980.665 }), { by: 'known weight' });
  expect(weight.mass).toBeCloseTo(100, 6);
  expect(weight.steps).toHaveLength(1);
});

it('a dial off the plate, or where it moves by less than a dial tells, is refused by name', () => {
  const job = strip(800);
  const next = (dial: { x: number; y: number }) => {
    const steps = predictedCurve(job, planOf(job), dial);
    let r = steps.next();
    while (!r.done) r = steps.next();
    return r.value;
  };
  // A hundredth of the load moves the strip by hundredths of a millimetre.
  const little = predictedCurve(strip(8), planOf(strip(8)), { x: 0, y: 0 });
  let r = little.next();
  while (!r.done) r = little.next();
  expect(r.value).toMatchObject({
    refused: true,
    field: 'dial',
    because: expect.stringContaining('a dial does not tell from nothing'),
  });
  expect(next({ x: 200, y: 0 })).toMatchObject({ refused: true, field: 'dial', because: 'x 200, y 0 is off the plate' });
});

it('between lines of a grid it is bilinear (by hand), and leaves out what is not there', () => {
  const [x, y] = [
    [0, 10],
    [0, 20],
  ];
  expect(bilinear(x, y, [0, 10, 20, 40], { x: 5, y: 5 })).toBeCloseTo(
    0.5 * 0.75 * 0 + 0.5 * 0.75 * 10 + 0.5 * 0.25 * 20 + 0.5 * 0.25 * 40,
    12,
  );
  expect(bilinear(x, y, [4, NaN, 4, NaN], { x: 5, y: 5 })).toBeCloseTo(4, 12);
});

describe('a pull against its band', () => {
  const curve = [0, 0.25, 0.5, 0.75, 1].map((p) => ({
    load: 4000 * p,
    expected: 2 * p,
    least: 1.5 * p - 0.02,
    most: 2.5 * p + 0.02,
  }));
  const limits = { load: 4000, mostLoad: 4200, holdSeconds: 10, setLimit: (m: number) => Math.max(0.05, 0.1 * m) };
  /** Up in a second steps, held, and down again. */
  const pulled = (law: (load: number, t: number) => number, { hold = 12, left = 0, to = 4000 } = {}): Sample[] => {
    const up = Array.from({ length: 21 }, (_, i) => ({ t: i, load: (to * i) / 20 }));
    const held = Array.from({ length: hold }, (_, i) => ({ t: 21 + i, load: to }));
    const down = [0.5, 0].map((p, i) => ({ t: 21 + hold + i, load: to * p }));
    return [
      ...[...up, ...held].map((s) => ({ ...s, dials: [5 + law(s.load, s.t)] })),
      ...down.map((s) => ({ ...s, dials: [5 + law(s.load, s.t) * (s.load / to) + left] })),
    ];
  };
  const read = (samples: Sample[], ended = true) => readPull(samples, curve, limits, ended);
  const straight = (k: number) => (load: number) => (k * 2 * load) / 4000;

  it('inside the band, held and back: passed', () => {
    expect(read(pulled(straight(1.05)))).toMatchObject({ result: 'passed', outside: 0, means: '', mostLoad: 4000, set: [0] });
    expect(read(pulled(straight(1)).slice(0, 15), false).result).toBe('under way');
  });
  it.each<[string, Sample[], RegExp]>([
    ['too soft from the start', pulled(straight(1.6)), /softer than taken|bolts not tight/],
    ['too stiff', pulled(straight(0.3)), /dial sticks/],
    ['a jump', pulled((l) => straight(1)(l) + (l > 2500 ? 0.9 : 0)), /slip/],
    ['soft at the end', pulled((l) => straight(1)(l) + (l > 3000 ? ((l - 3000) / 1000) ** 2 * 0.9 : 0)), /yields, crushes/],
    ['creep', pulled((l, t) => straight(1)(l) + (t > 21 ? 0.02 * (t - 21) : 0)), /crept/],
  ])('%s says what it may mean', (_what, samples, means) => {
    const r = read(samples);
    expect(r.result).toBe('failed');
    expect(r.means).toMatch(means);
  });
  it('what is left, a hold cut short, a load that went past, and a pull that ended early', () => {
    expect(read(pulled(straight(1), { left: 0.3 }))).toMatchObject({
      result: 'failed',
      because: expect.stringContaining('0.30 mm is left'),
    });
    expect(read(pulled(straight(1), { hold: 4 }))).toMatchObject({
      result: 'failed',
      because: expect.stringContaining('of 10 s'),
    });
    expect(read(pulled(straight(1), { to: 4300 }))).toMatchObject({
      result: 'aborted',
      because: expect.stringContaining('past its limit'),
    });
    expect(read(pulled(straight(1)).slice(0, 15))).toMatchObject({ result: 'aborted', because: expect.stringContaining('70 %') });
    expect(read([])).toMatchObject({ result: 'aborted' });
    expect(read(pulled(straight(1)).slice(3))).toMatchObject({
      result: 'aborted',
      because: expect.stringContaining('the dial has no zero'),
    });
  });
  it('a dial that stands still shows nothing, however wide its band: failed', () => {
    const wide = curve.map((c) => ({ ...c, least: 0.15 * c.expected - 0.02 }));
    expect(
      readPull(
        pulled(() => 0),
        wide,
        limits,
        true,
      ),
    ).toMatchObject({ result: 'failed', means: expect.stringContaining('the dial sticks') });
    const open = curve.map((c) => ({ ...c, least: -0.02 }));
    const r = readPull(
      pulled(() => 0),
      open,
      limits,
      true,
    );
    expect(r).toMatchObject({ result: 'failed', because: expect.stringContaining('has not moved at full load') });
  });
  it('a hold is the time at load, added up: 285 of 300 s at 40 % are no hold', () => {
    const long = { ...limits, holdSeconds: 300 };
    const at = (t: number, part: number) => ({ t, load: 4000 * part, dials: [5 + 2 * part] });
    const up = [0, 0.25, 0.5, 0.75, 1].map((p, i) => at(i * 5, p));
    const eased = [...up, at(27, 0.4), at(312, 0.4), at(314, 1), at(320, 1), at(325, 0.5), at(330, 0)];
    expect(readPull(eased, curve, long, true)).toMatchObject({
      result: 'failed',
      because: expect.stringContaining('6 s of 300 s'),
    });
    const pieces = [...up, at(170, 1), at(180, 0.9), at(190, 1), at(340, 1), at(345, 0.5), at(350, 0)];
    expect(readPull(pieces, curve, long, true)).toMatchObject({ result: 'passed' });
  });
  it('what breaks at 80 % has failed, and was not only ended; what is let off bit by bit was ended', () => {
    const to80 = pulled(straight(1), { to: 3200 }).slice(0, 21);
    const gone = [
      { t: 20.5, load: 300, dials: [9.5] },
      { t: 25, load: 0, dials: [9.6] },
    ];
    expect(read([...to80, ...gone])).toMatchObject({ result: 'failed', because: expect.stringContaining('at once at 80 %') });
    const easy = [0.75, 0.7, 0.6, 0.5, 0.4, 0.3, 0.2, 0.1, 0].map((p, i) => ({
      t: 23 + 3 * i,
      load: 4000 * p,
      dials: [5 + 2 * p],
    }));
    expect(read([...to80, ...easy])).toMatchObject({ result: 'aborted', because: expect.stringContaining('80 %') });
    // Let off slowly, and it did not come back: that gave.
    const bent = easy.map((s) => ({ ...s, dials: [Math.max(5.9, s.dials[0]!)] }));
    expect(read([...to80, ...bent])).toMatchObject({ result: 'failed', because: expect.stringContaining('0.90 mm is left') });
  });
  it('pumped from 98 to 104 % it moves on by 6 %, and does not creep', () => {
    const up = Array.from({ length: 50 }, (_, i) => 0.98 * 4000 * (i / 49));
    const pumped = Array.from({ length: 13 }, (_, i) => 4000 * (0.98 + 0.005 * i));
    const samples = [...up, ...pumped, 2000, 0].map((load, t) => ({ t, load, dials: [5 + (2 * load) / 4000] }));
    expect(read(samples)).toMatchObject({ result: 'passed', means: '' });
  });
  it('what is left on the second dial counts as on the first, by how far that one went', () => {
    const two = (left: number) =>
      pulled(straight(1)).map((s, i, all) => ({
        ...s,
        dials: [s.dials[0]!, 1 + s.load / 8000 + (i === all.length - 1 ? left : 0)],
      }));
    expect(read(two(0.04))).toMatchObject({ result: 'passed' });
    expect(read(two(0.2))).toMatchObject({
      result: 'failed',
      because: '0.20 mm is left on dial 2 with the load off, 0.05 mm may be',
    });
  });
  it('the band between its points is in proportion', () => {
    expect(bandAt(curve, 1500).expected).toBeCloseTo(0.75, 12);
    expect(bandAt(curve, 4400).most).toBeCloseTo(2.77, 12);
  });
});
