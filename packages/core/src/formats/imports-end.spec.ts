import DxfParser from 'dxf-parser';
import fc from 'fast-check';
import { lopsidedJob } from '../testing/lopsided-job';
import { resolved } from '../testing/test-job';
import { oneFoot } from '../job/at-foot';
import { twiceNamed } from '../job/twice-named';
import { WholeJob } from '../job/whole-job';
import { cutParts } from '../shop/cut-parts';
import { partDxf } from '../shop/dxf';
import { isRefusal, type Refusal } from '../units/refusal';
import { readOutlineDxf } from './outline-dxf';
import { readPatternCsv } from './pattern-csv';
import { readPatternDxf } from './pattern-dxf';
import { readDxf } from './read-dxf';
import { readJob, readJobData } from './read-job';
import { readTakeOff } from './take-off-csv';

/** How many mutated files; 50,000 in `npm run fuzz`, which also asks that none takes a second. */
const FUZZ = process.env['FUZZ'];
const RUNS = Number(FUZZ ?? 2000);
/** The longest any reader took, ms. */
let slowest = 0;

const job = lopsidedJob((j) => j);
const [part] = cutParts(resolved(job));
const DXF = partDxf(part!, { lines: ['x'], base: { x0: -35, x1: 35, y0: -25, y1: 25 }, cutOnly: false });
const JOB = JSON.stringify(oneFoot(job), null, 1);
const CSV = 'hole,x (mm),y (mm)\nA,10.5,-20\nB,-10.5,20\n';
const TAKE_OFF = 'item,kind,weight (lb),x\nFrame,structure,100,2\nCrew,people,80,"1,5"\n';

/** Whatever comes back is rows, a drawing or a refusal with words; nothing throws, nothing takes long, nothing that is taken in is no number. */
function ends<T>(read: (text: string) => T | Refusal, text: string): T | Refusal {
  const from = performance.now();
  const r = read(text);
  slowest = Math.max(slowest, performance.now() - from);
  if (isRefusal(r)) expect(r.because.length).toBeGreaterThan(3);
  else JSON.stringify(r, (_key, v: unknown) => (typeof v === 'number' ? expect(Number.isFinite(v)).toBe(true) : undefined, v));
  return r;
}

const dxf = (...lines: (string | number)[]) => `${lines.join('\n')}\n`;
const drawn = (...lines: (string | number)[]) => dxf(0, 'SECTION', 2, 'ENTITIES', ...lines, 0, 'ENDSEC', 0, 'EOF');
const outline = (text: string) => readOutlineDxf(text, 1);
const holes = (text: string) => readPatternDxf(text, 1);

describe('files that once hung the page, or came in wrong', () => {
  it.each([
    ['tables left open', dxf(0, 'SECTION', 2, 'TABLES', 0, 'TABLE', 2, 'VPORT', 0, 'VPORT', 0, 'EOF'), 'ENDSEC'],
    ['more corners than stand there', drawn(0, 'LWPOLYLINE', 8, 0, 90, 1_000_000_000, 10, 0, 20, 0), 'says 1000000000 corners'],
    ['a number that is none', drawn(0, 'CIRCLE', 10, '1e999', 20, 0, 40, 4), 'line 8: CIRCLE: "1e999"'],
    ['a radius under nothing', drawn(0, 'CIRCLE', 10, 1, 20, 0, 40, -3), 'a radius of -3'],
    ['no radius', drawn(0, 'CIRCLE', 10, 1, 20, 0), 'code 40 is missing'],
    ['far away', drawn(0, 'CIRCLE', 10, 99_000, 20, 0, 40, 4), 'a circle is at 99000'],
    ['wider than any hole', drawn(0, 'CIRCLE', 10, 0, 20, 0, 40, 400), '800 mm wide'],
    ['seen from behind', drawn(0, 'CIRCLE', 10, 9, 20, 0, 40, 4, 210, 0, 220, 0, 230, -1), 'facing 0, 0, -1'],
    ['a polyline without end', drawn(0, 'POLYLINE', 70, 1, 0, 'VERTEX', 10, 1, 20, 1), 'without its SEQEND'],
    ['a section in a section', dxf(0, 'SECTION', 2, 'A', 0, 'SECTION', 2, 'B', 0, 'ENDSEC', 0, 'EOF'), 'inside A'],
    ['more after its end', `${drawn()}0\nLINE\n`, 'goes on after its EOF'],
  ])('%s', (_title, text, because) => {
    for (const read of [outline, holes]) {
      const r = ends<unknown>(read, text);
      const said = isRefusal(r) ? `${r.field}: ${r.because}` : '';
      if (read === holes || !because.includes('mm') || !because.includes('circle')) expect(said).not.toBe('');
      if (read === holes) expect(said).toContain(because);
    }
  });
  it('our own drawing cut short anywhere, with EOF put back', () => {
    const lines = DXF.split('\n');
    for (let n = 0; n < lines.length; n += 2) {
      const cut = `${lines.slice(0, n).join('\n')}\n0\nEOF\n`;
      const r = ends<unknown>(outline, cut);
      ends(holes, cut);
      if (n > 4 && n < lines.length - 6) expect(isRefusal(r) || lines.slice(0, n).includes('ENDSEC')).toBe(true);
    }
  });
  it('20,000 loose lines, a heading of 5,000 spaces, a million line ends', () => {
    const many = Array.from({ length: 20_000 }, (_, i) => [0, 'LINE', 10, i, 20, 0, 11, i + 0.5, 21, 1]).flat();
    ends(outline, `0\nSECTION\n2\nENTITIES\n${many.join('\n')}\n0\nENDSEC\n0\nEOF\n`);
    ends((t) => readPatternCsv(t, 'mm'), `x${' '.repeat(5000)}(mm,y\n1,2\n`);
    ends((t) => readPatternCsv(t, 'mm'), `${'('.repeat(5000)}x,y\n1,2\n`);
    ends(outline, `0\nSECTION${'\n'.repeat(1_000_000)}x`);
    ends((t) => readTakeOff(t, 'mm'), `name,mass\nA,1e999\nB,${'1'.repeat(5000)}`);
  });
  it('lists 20,000 deep and long words are refusals by field, as text and as data', () => {
    const refused = (r: ReturnType<typeof readJob>) => ('refusals' in r ? r.refusals[0]!.because : 'read');
    expect(refused(readJob('['.repeat(20_000)))).toContain('40 deep');
    expect(refused(readJob(`{"format": ${'['.repeat(5000)}${']'.repeat(5000)}}`))).toContain('deep');
    let nest: unknown = 1;
    for (let i = 0; i < 5000; i++) nest = [nest];
    expect(refused(readJobData({ format: 'mast-shoe/job', version: nest }))).toBe('version a list is not known here');
    expect(refused(readJobData({ format: 'x'.repeat(100_000), version: 1 })).length).toBeLessThan(100);
    expect(refused(readJobData({ ...oneFoot(job), note: nest }))).not.toBe('read');
  });
});

it('an id that stands twice in a list is refused by its place: a merge would lose one', () => {
  const whole = oneFoot(job);
  const twice = { ...whole, loads: [...whole.loads, { ...whole.loads[0]!, name: 'Another' }] };
  const r = WholeJob.safeParse(twice);
  expect(r.error?.issues[0]).toMatchObject({ path: ['loads', whole.loads.length, 'id'] });
  const [foot] = whole.feet;
  const existing = { id: 'S1', x: 0, y: 0, hole: { v: 9, text: '9', from: 'assumed' as const } };
  const holes2 = { ...whole, feet: [{ ...foot!, survey: { ...foot!.survey, existing: [existing, { ...existing, x: 9 }] } }] };
  expect(twiceNamed(holes2)).toEqual([{ path: ['feet', 0, 'survey', 'existing', 1, 'id'], id: 'S1' }]);
});

it('reads what another reader reads (dxf-parser 1.1.2): our own drawing, part by part', () => {
  const other = new DxfParser().parseSync(DXF)!.entities as unknown as Record<string, unknown>[];
  const drawing = readDxf(DXF, 1);
  if (isRefusal(drawing)) throw new Error(drawing.because);
  expect(drawing.entities.map((e) => e.type)).toEqual(other.map((e) => e['type']));
  for (const [i, e] of drawing.entities.entries()) {
    const o = other[i]!;
    expect(e.layer).toBe(o['layer']);
    if (e.vertices) {
      const theirs = o['vertices'] as { x: number; y: number; bulge?: number }[];
      expect(e.vertices).toEqual(theirs.map((v) => ({ x: v.x, y: v.y, bulge: v.bulge ?? 0 })));
      if (e.type === 'LWPOLYLINE') expect(e.closed).toBe(o['shape'] === true);
    }
    if (e.center)
      expect([e.center.x, e.center.y, e.radius]).toEqual([...Object.values(o['center'] as object).slice(0, 2), o['radius']]);
    if (e.startAngle !== undefined) expect([e.startAngle, e.endAngle]).toEqual([o['startAngle'], o['endAngle']]);
  }
});

/** A file with a few mistakes in it: pieces cut out, doubled, put elsewhere; characters and numbers changed. */
const mutated = (text: string): fc.Arbitrary<string> =>
  fc
    .array(
      fc.record({
        how: fc.constantFrom('cut', 'double', 'move', 'put', 'line out', 'line twice'),
        at: fc.nat(text.length - 1),
        to: fc.nat(text.length - 1),
        long: fc.nat(60),
        with: fc.constantFrom(
          '0',
          '-',
          '1e999',
          '1e308',
          '\n',
          '"',
          '(',
          ',',
          ';',
          '0\nEOF',
          '90',
          '9999999999',
          '\u0000',
          '{',
          '[',
          'null',
          ' '.repeat(300),
        ),
      }),
      { minLength: 1, maxLength: 6 },
    )
    .map((steps) =>
      steps.reduce((t, { how, at, to, long, with: put }) => {
        const piece = t.slice(at, at + long);
        if (how === 'cut') return t.slice(0, at) + t.slice(at + long);
        if (how === 'double') return t.slice(0, at) + piece + t.slice(at);
        if (how === 'move') return t.slice(0, to) + piece + t.slice(to);
        if (how === 'put') return t.slice(0, at) + put + t.slice(at + put.length);
        const lines = t.split('\n');
        const k = at % lines.length;
        return (how === 'line out' ? lines.toSpliced(k, 1 + (long % 4)) : lines.toSpliced(k, 0, lines[to % lines.length]!)).join(
          '\n',
        );
      }, text),
    );

it(`${RUNS} mutated files: each is read or refused in words, none hangs, none throws`, () => {
  const one = (text: string, check: (t: string) => void, runs: number) =>
    fc.assert(fc.property(mutated(text), check), { numRuns: runs, seed: 20_261_128 });
  const each = Math.ceil(RUNS / 4);
  one(DXF, (t) => void [ends(outline, t), ends(holes, t)], each);
  one(CSV, (t) => void ends((x) => readPatternCsv(x, 'mm'), t), each);
  one(TAKE_OFF, (t) => void ends((x) => readTakeOff(x, 'inch'), t), each);
  one(
    JOB,
    (t) => {
      const r = readJob(t);
      if ('refusals' in r) expect(r.refusals[0]!.because.length).toBeGreaterThan(3);
      // What is taken in can be saved again.
      else expect(WholeJob.safeParse(JSON.parse(JSON.stringify(r.job))).success).toBe(true);
    },
    each,
  );
  if (FUZZ) expect(slowest).toBeLessThan(1000);
});
