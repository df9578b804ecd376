import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { lopsidedJob } from '../testing/lopsided-job';
import { resolved } from '../testing/test-job';
import { cutParts } from './cut-parts';
import { ofOtherHand, sheetWords } from './sheet-words';

const mm = (v: number) => fromSheet(v, `${v} mm`);
const told = (change: (j: Job) => Job = (j) => j, id = 'plate') => {
  const r = resolved(lopsidedJob(change));
  return sheetWords(r, { version: 12, on: '2026-03-04' })(cutParts(r).find((p) => p.id === id)!);
};
const plate =
  (x: Partial<Job['plate']>) =>
  (j: Job): Job => ({ ...j, plate: { ...j.plate, ...x } });
const behind = (j: Job): Job => ({ ...j, far: { kind: 'plate', metal: 'S355', thickness: mm(5), layers: 2, past: 10 } });

it('a part in words: how many, size, thickness as it was typed, metal, corners, and how it is bent', () => {
  expect(told().part).toBe('mounting plate 235 mm × 185 mm, 6 mm Steel S275, corners R 8 mm');
  expect(told(plate({ corner: 0 })).part).toBe('mounting plate 235 mm × 185 mm, 6 mm Steel S275');
  expect(told(plate({ thickness: { v: 6.35, text: '1/4 in', from: 'measured' } })).part).toContain(', 1/4 in Steel');
  expect(told(behind, 'backing').part).toBe('2 × backing plate 255 mm × 205 mm, 5 mm Steel S355, corners R 8 mm');
  // A strip is cut square whatever the plate's corners are.
  const strips = (j: Job): Job => ({ ...j, far: { kind: 'strips', metal: 'S275', thickness: mm(5), width: mm(60), along: 'x' } });
  expect(told(strips, 'strip-1').part).toBe('strip 1 235 mm × 60 mm, 5 mm Steel S275');
  const bent = plate({ fold: { edge: 'aft', radius: mm(7), height: mm(45) } });
  expect(told(bent).part).toMatch(/, flat blank; bend the aft edge square, inside radius 7 mm, leg 45 mm outside$/);
  expect(told((j) => behind(bent(j)), 'backing').part).not.toContain('bend');
});

it('holes by what they are for, one or many', () => {
  const one = (j: Job): Job => ({ ...j, base: { ...j.base, holes: [{ id: 'H1', x: 25, y: 15 }] } });
  const two = (j: Job): Job => ({ ...j, base: { ...j.base, holes: [...one(j).base.holes, { id: 'H2', x: -25, y: 15 }] } });
  expect(told().holes).toBe('5 holes ø 11 mm');
  expect(told(one).holes).toBe('5 holes ø 11 mm; 1 hole ø 9 mm for the fitting’s own bolts');
  expect(told(two).holes).toBe('5 holes ø 11 mm; 2 holes ø 9 mm for the fitting’s own bolts');
});

it('what is assumed is counted, one or many, and nothing is said where all is known', () => {
  const known = (v: unknown): unknown =>
    v && typeof v === 'object'
      ? 'from' in v
        ? { ...v, from: 'measured' }
        : Array.isArray(v)
          ? v.map(known)
          : Object.fromEntries(Object.entries(v).map(([k, x]) => [k, known(x)]))
      : v;
  const all = (j: Job) => known(j) as Job;
  expect(told(all).assumed).toBe('');
  const one = (j: Job): Job => ({ ...all(j), base: { ...all(j).base, thickness: { v: 8, text: '8 mm', from: 'assumed' } } });
  expect(told(one).assumed).toBe('1 value is ASSUMED, not measured: measure before cutting.');
  const two = (j: Job): Job => ({ ...one(j), base: { ...one(j).base, length: { v: 70, text: '70 mm', from: 'assumed' } } });
  expect(told(two).assumed).toBe('2 values are ASSUMED, not measured: measure before cutting.');
});

it('which version, the bolts with their torque, the verdict, and what was not judged', () => {
  const s = told();
  expect(s).toMatchObject({ job: 'Lopsided', issue: 'version 12, 2026-03-04', holds: true });
  expect(s.bolts).toMatch(/^5 M10 × \d+ mm, .*\(B1, B2, B3, B4, B5\)\. Tighten to 50 N·m$/);
  expect(s.verdict).toMatch(/^Checked \(by hand\): /);
  expect(s.notJudged).toMatch(/^Not judged: .*\.$/);
  const heavy = told((j) => ({
    ...j,
    loads: j.loads.map((l) => ({ ...l, values: { ...l.values, fz: fromSheet(90_000, '90 kN') } })),
  }));
  expect([heavy.holds, heavy.verdict.startsWith('DOES NOT HOLD (by hand): ')]).toEqual([false, true]);
});

it('a part that no bolt goes through has nothing to tighten', () => {
  const r = resolved(lopsidedJob());
  const part = { ...cutParts(r)[0]!, holes: [] };
  expect(sheetWords(r, { version: 1, on: '2026-03-04' })(part).bolts).toBe('');
});

it('what is stamped leads; a piece of the other hand has a stroke beside it and is named', () => {
  const r = resolved(lopsidedJob());
  const [part] = cutParts(r);
  const said = sheetWords(r, { version: 1, on: '2026-03-04' }, () => '3')(part!);
  expect(said.part).toMatch(/^Stamp 3: mounting plate 235 mm × 185 mm/);
  const other = ofOtherHand(said);
  expect(other.part).toMatch(/^Stamp 3′: mounting plate .*: OTHER HAND, mirrored$/);
  expect(ofOtherHand(ofOtherHand(said)).part).toMatch(/^Stamp 3: /);
  expect({ ...other, part: '' }).toEqual({ ...said, part: '' });
});
