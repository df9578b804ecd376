import { DxfWriter, point3d, Units } from '@tarikjabiri/dxf';
import { isRefusal } from '../units/refusal';
import { readPatternCsv } from './pattern-csv';
import { readPatternDxf } from './pattern-dxf';
import { readTakeOff } from './take-off-csv';

const holes = (text: string, system: 'mm' | 'inch' = 'mm') => {
  const r = readPatternCsv(text, system);
  if (isRefusal(r)) throw new Error(`${r.field}: ${r.because}`);
  return r;
};

describe('a hole pattern from CSV, as spreadsheets write it (RFC 4180, and what they do to it)', () => {
  it.each([
    ['comma, points', 'hole,x,y\nA,10.5,-20\nB,-10.5,20\n'],
    ['semicolon, decimal commas, BOM, CRLF', '\uFEFFhole;x;y\r\nA;10,5;-20\r\nB;-10,5;20\r\n'],
    ['tab, units in the heading', 'hole\tx (mm)\ty [mm]\nA\t10.5\t-20\nB\t-10.5\t20'],
    ['units quoted in the cells', 'hole,x,y\n"A","10.5 mm","-2 cm"\n"B","-10.5mm","20 mm"\n'],
    ['blank lines and other columns', '\nhole,note,x,y\n\nA,"left, fore",10.5,-20\nB,,-10.5,20\n\n'],
  ])('%s', (_t, text) => {
    const r = holes(text);
    expect(r.errors).toEqual([]);
    expect(r.holes).toEqual([
      { id: 'A', x: 10.5, y: -20 },
      { id: 'B', x: -10.5, y: 20 },
    ]);
  });
  it('inch fractions, and bare numbers in the job’s unit', () => {
    expect(holes('x,y\n3/4",-1 1/2"\n2,0', 'inch').holes).toEqual([
      { id: 'H1', x: expect.closeTo(19.05, 9), y: expect.closeTo(-38.1, 9) },
      { id: 'H2', x: 50.8, y: 0 },
    ]);
  });
  it('bad lines by number, the good rows kept apart', () => {
    const r = holes('hole,x,y\nA,10,20\nA,11,20\nB,ten,3\nC,9999,3\nD D,1,1\nE,5\nF,1,2');
    expect(r.holes.map((h) => h.id)).toEqual(['A', 'F']);
    expect(r.errors.map((e) => e.line)).toEqual([3, 4, 5, 6, 7]);
    expect(r.errors[0]!.says).toContain('stands twice');
    expect(r.errors[1]!.says).toContain('not a number');
    expect(r.errors[2]!.says).toContain('allowed: −5000 to 5000 mm');
  });
  it.each([
    ['', 'there is nothing in it'],
    ['x,y\n', 'no row under the headings'],
    ['hole,x\nA,1', 'no column for y'],
  ])('%j is refused whole', (text, because) =>
    expect(readPatternCsv(text, 'mm')).toMatchObject({ refused: true, because: expect.stringContaining(because) }),
  );
  it('a number that can be read two ways is an error, not a guess', () =>
    expect(holes('x;y\n1,250;3').errors[0]!.says).toContain('two ways'));
});

it('a take-off with a kind that is not known, by line', () => {
  const r = readTakeOff('item,kind,weight (lb)\nFrame,structure,100\nCrew,ghost,80', 'mm');
  if (isRefusal(r)) throw new Error(r.because);
  // 1 lb = 0.45359237 kg (NIST SP 811).
  expect(r.parts[0]!.mass.v).toBeCloseTo(45.359237, 9);
  expect(r.errors).toEqual([{ line: 3, says: expect.stringContaining('"ghost" is not known') }]);
});

describe('a hole pattern from DXF, written by another package (@tarikjabiri/dxf)', () => {
  const draw = (units: Units, scale: number, more?: (w: DxfWriter) => void) => {
    const w = new DxfWriter();
    w.setUnits(units);
    w.addCircle(point3d(60 / scale, 42 / scale), 4.5 / scale);
    w.addCircle(point3d(-60 / scale, 42 / scale), 4.5 / scale);
    more?.(w);
    return w.stringify();
  };
  const read = (text: string, plain = 1) => {
    const r = readPatternDxf(text, plain);
    if (isRefusal(r)) throw new Error(`${r.field}: ${r.because}`);
    return r;
  };
  it.each([
    ['millimetres', Units.Millimeters, 1],
    ['inches', Units.Inches, 25.4],
    ['metres', Units.Meters, 1000],
  ])('in %s', (_n, units, scale) => {
    const r = read(draw(units, scale));
    expect(r.hole).toBe(9);
    expect(r.holes[1]!.x).toBeCloseTo(-60, 9);
    expect(r.holes[1]!.y).toBeCloseTo(42, 9);
    expect(r.said).toEqual([]);
  });
  it('without a unit it takes the job’s and says so; other parts and odd circles are said', () => {
    const r = read(
      draw(Units.Unitless, 25.4, (w) => {
        w.addLine(point3d(0, 0), point3d(1, 1));
        w.addCircle(point3d(0, 0), 20 / 25.4);
      }),
      25.4,
    );
    expect(r.holes).toHaveLength(3);
    expect(r.said).toEqual([
      expect.stringContaining('names no unit; read as inches'),
      expect.stringContaining('1 of 3 circles'),
      expect.stringContaining('1 other parts'),
    ]);
  });
  it.each([
    ['', 'file', 'nothing'],
    ['hello\nthere\n', 'line 1', 'not a group code'],
    ['0\nSECTION\n2\nENTITIES\nx\n1\n', 'line 5', 'not a group code'],
    ['0\nSECTION\n2\nENTITIES\n0\nENDSEC\n', 'line 6', 'cut off'],
    ['0\nSECTION\n2\nENTITIES\n0\nENDSEC\n0\nEOF\n', 'file', 'no circles'],
  ])('%j is refused by line', (text, field, because) =>
    expect(readPatternDxf(text, 1)).toMatchObject({ field, because: expect.stringContaining(because) }),
  );
});
