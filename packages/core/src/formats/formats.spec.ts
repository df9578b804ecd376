import fc from 'fast-check';
import type { WholeJob } from '../job/whole-job';
import { casesOf } from '../loads/cases';
import { assumed, type Quantity } from '../units/quantity';
import { atFoot, oneFoot, putAtFoot } from '../job/at-foot';
import { fileOf, version3File } from '../testing/job-files';
import { testJob } from '../testing/test-job';
import { mergeJobs } from './merge-jobs';
import { MAX_FILE, readJob, writeJob } from './read-job';

const text = version3File(testJob());
const said = (s: string) => {
  const read = readJob(s);
  return 'refusals' in read ? read.refusals.map((r) => `${r.field}: ${r.because} — ${r.allowed}`).join('\n') : 'read';
};
const changed = (f: (j: Record<string, never>) => void) => {
  const j = JSON.parse(text);
  f(j);
  return JSON.stringify(j);
};

it('a file written is read back the same', () => expect(readJob(fileOf(testJob()))).toEqual({ job: oneFoot(testJob()) }));

describe('a version 1 file', () => {
  const q = (v: number) => ({ v, text: String(v), from: 'measured' });
  const { survey: _s, combinations: _c, practice, ...rest } = JSON.parse(text);
  const { gammaG: _g, gammaQ: _q, ...factors } = practice;
  const old = (loads: unknown) => JSON.stringify({ ...rest, version: 1, practice: { ...factors, gammaF: 1.4 }, loads });
  const winch = {
    kind: 'winch',
    id: 'W',
    name: 'Pull',
    pull: q(9000),
    drumHeight: q(140),
    sideAngle: q(0.5),
    upAngle: q(0),
    fan: 4,
  };
  const zero = q(0);
  const free = {
    kind: 'free',
    id: 'F',
    name: 'Push',
    fx: q(5),
    fy: zero,
    fz: zero,
    mx: zero,
    my: zero,
    mz: zero,
    x: zero,
    y: zero,
    z: q(2),
  };

  it('is read as today’s version with its loads and its one γF on both kinds of load', () => {
    const read = readJob(old([winch, free]));
    if ('refusals' in read) throw new Error(JSON.stringify(read.refusals));
    expect(read.job.practice).toMatchObject({ gammaG: 1.4, gammaQ: 1.4 });
    expect(read.job.loads[0]).toMatchObject({ kind: 'winch', values: { pull: q(9000) }, picks: { fan: '5' } });
    expect(casesOf(atFoot(read.job, 'F1')).slice(-1)).toEqual([expect.objectContaining({ name: 'Push', fx: 5, my: 10 })]);
    expect(readJob(writeJob(read.job))).toEqual(read);
  });
  it('is refused by name where it was never right', () =>
    expect(said(old([{ ...winch, pull: q(-1) }]))).toMatch(/loads\[0\].values.pull.v: Rated pull.*over 0/));
});

describe('a version 2 file', () => {
  const { joint: _j, welds: _w, limits: _l, packs: _p, ownStock: _o, ...rest } = JSON.parse(text);
  const { layers: _n, ...plate } = rest.plate;
  const old = (change: Record<string, unknown> = {}) => JSON.stringify({ ...rest, version: 2, plate, ...change });
  it('is read with the joint it was counted with then, and comes to the same', () => {
    const read = readJob(old());
    if ('refusals' in read) throw new Error(JSON.stringify(read.refusals));
    expect(read.job).toEqual(oneFoot(testJob()));
    expect(readJob(writeJob(read.job))).toEqual(read);
  });
  it.each([
    ['sandwich', { nearFace: 3, farFace: 3 }, { core: 'balsa' }, 'coreCrush'],
    ['timber', {}, { grade: 'C24' }, 'endGrain'],
    ['hollow', { wall: 5 }, { metal: 'S355' }, 'width'],
    ['bed', {}, {}, 'strength'],
  ])('a %s skin gains what it now needs, marked assumed', (kind, lengths, words, added) => {
    const { thickness, spanX, spanY, aft, starboard, bedModulus } = rest.skin;
    const own = Object.fromEntries(Object.entries(lengths).map(([k, v]) => [k, { v, text: `${v} mm`, from: 'measured' }]));
    const read = readJob(old({ skin: { kind, ...own, ...words, thickness, spanX, spanY, aft, starboard, bedModulus } }));
    if ('refusals' in read) throw new Error(JSON.stringify(read.refusals));
    expect(read.job.feet[0]!.skin).toMatchObject({ kind, [added]: { from: 'assumed' } });
  });
  it('is refused by name where it was never right', () => expect(said(old({ plate: 3 }))).toMatch(/plate: /));
});

describe('a file that is not right is refused by path and range', () => {
  it.each<[string, string, RegExp]>([
    ['cut off', text.slice(0, 700), /file: it ends too early.*line \d+, column \d+/],
    ['not JSON', 'x = 3', /file: it is not JSON \(line 1/],
    ['too large', `"${'x'.repeat(MAX_FILE)}"`, /file: it is 2.0 MB — up to 2 MB/],
    ['other file', '{"format":"other"}', /format: this is not a job file/],
    ['null', 'null', /format/],
    ['unknown version', changed((j: any) => (j.version = 9)), /version: version 9 is not known here — 1/],
    [
      'zero thickness',
      changed((j: any) => (j.skin.thickness.v = 0)),
      /skin.thickness.v: .*Skin thickness.* — over 0 up to 200 mm/,
    ],
    ['negative', changed((j: any) => (j.plate.thickness.v = -3)), /plate.thickness.v: .* — over 0 up to 100 mm/],
    ['NaN as null', changed((j: any) => (j.bolts.items[2].x = null)), /bolts.items\[2\].x: must be a number — .*5000 mm/],
    ['unknown field', changed((j: any) => (j.extra = 1)), /file: .*extra/],
    [
      'too many bolts',
      changed((j: any) => (j.bolts.items = Array.from({ length: 61 }, (_, i) => ({ id: `B${i}`, x: 0, y: 0 })))),
      /bolts.items: .*up to 60 bolts/,
    ],
  ])('%s', (_n, file, expected) => expect(said(file)).toMatch(expected));

  it('never throws, whatever it is given', () => {
    fc.assert(fc.property(fc.oneof(fc.string(), fc.json()), (s) => expect('refusals' in readJob(s)).toBe(true)));
  });
});

describe('merging two tabs', () => {
  const base = oneFoot(testJob());
  const here = (j: WholeJob) => atFoot(j, 'F1');
  const bolt = (j: WholeJob, i: number, x: number): WholeJob => {
    const { bolts } = here(j);
    return putAtFoot(j, 'F1', { ...here(j), bolts: { ...bolts, items: bolts.items.map((b, k) => (k === i ? { ...b, x } : b)) } });
  };
  it('keeps both where they touch different things', () => {
    const mine = bolt(base, 0, 95);
    const theirs = { ...bolt(base, 1, -99), name: 'Renamed' };
    const m = mergeJobs(base, mine, theirs);
    expect(m.conflicts).toEqual([]);
    expect(here(m.job).bolts.items.map((b) => b.x)).toEqual([95, -99, -90, 90]);
    expect(m.job.name).toBe('Renamed');
    expect(m.taken).toBe(2);
  });
  it('names what both changed, and keeps mine', () => {
    const m = mergeJobs(base, bolt(base, 0, 95), bolt(base, 0, 85));
    expect(m.conflicts).toEqual([{ path: 'feet.F1.design.bolts.items.B1.x', mine: 95, theirs: 85 }]);
    expect(here(m.job).bolts.items[0]!.x).toBe(95);
  });
  it('a measured value is one thing: value, text and provenance together', () => {
    const long = (length: Quantity) => putAtFoot(base, 'F1', { ...here(base), base: { ...here(base).base, length } });
    const mine = long(assumed(130, '130 mm'));
    const theirs = long({ ...assumed(131, '131 mm'), from: 'measured' });
    const m = mergeJobs(base, mine, theirs);
    expect(m.conflicts).toHaveLength(1);
    expect(here(m.job).base.length).toEqual(here(mine).base.length);
  });
  it('a bolt taken out here and moved there is said', () => {
    const { bolts } = here(base);
    const mine = putAtFoot(base, 'F1', { ...here(base), bolts: { ...bolts, items: bolts.items.slice(1) } });
    expect(mergeJobs(base, mine, bolt(base, 0, 85)).conflicts).toEqual([
      { path: 'feet.F1.design.bolts.items.B1', mine: 'removed', theirs: { id: 'B1', x: 85, y: 80 } },
    ]);
    expect(here(mergeJobs(base, mine, base).job).bolts.items).toHaveLength(3);
  });
  it('merging with oneself changes nothing', () =>
    expect(mergeJobs(base, base, bolt(base, 2, -80)).job).toEqual(bolt(base, 2, -80)));
});
