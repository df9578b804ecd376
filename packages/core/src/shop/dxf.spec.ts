import DxfParser from 'dxf-parser';
import { readPatternDxf } from '../formats/pattern-dxf';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { lopsidedJob } from '../testing/lopsided-job';
import { resolved } from '../testing/test-job';
import { isRefusal } from '../units/refusal';
import { cutParts } from './cut-parts';
import { DXF_LAYERS, partDxf } from './dxf';

const mm = (v: number) => fromSheet(v, `${v} mm`);

interface Entity {
  readonly type: string;
  readonly layer: string;
  readonly center?: { x: number; y: number };
  readonly radius?: number;
  readonly vertices?: { x: number; y: number; bulge?: number }[];
  readonly shape?: boolean;
  readonly text?: string;
  readonly startPoint?: { x: number; y: number };
}

const LINES = ['Müller, Łódź, Ελλάδα, Ярославль', 'DOES NOT HOLD'];

/** A part drawn, and read again by a general DXF library. */
function drawn(job: Job, id = 'plate', more: { cutOnly?: boolean } = {}) {
  const r = resolved(job);
  const part = cutParts(r).find((p) => p.id === id)!;
  const text = partDxf(part, { lines: LINES, ...(id === 'plate' ? { base: r.base } : {}), ...more });
  const read = new DxfParser().parseSync(text)!;
  const entities = read.entities as unknown as Entity[];
  const on = (layer: keyof typeof DXF_LAYERS) => entities.filter((e) => e.layer === DXF_LAYERS[layer]);
  const layers = (read.tables as unknown as { layer: { layers: Record<string, { colorIndex: number }> } }).layer.layers;
  return { text, entities, on, header: read.header as Record<string, unknown>, layers };
}

/** Area of a closed polyline with bulges: chords, and the segment of each arc (r²·(θ − sin θ)/2, geometry). */
function areaOf(v: readonly { x: number; y: number; bulge?: number }[]): number {
  return v.reduce((sum, a, i) => {
    const b = v[(i + 1) % v.length]!;
    const θ = 4 * Math.atan(a.bulge ?? 0);
    const c = Math.hypot(b.x - a.x, b.y - a.y);
    const segment = θ === 0 ? 0 : ((c / (2 * Math.sin(θ / 2))) ** 2 * (θ - Math.sin(θ))) / 2;
    return sum + (a.x * b.y - b.x * a.y) / 2 + segment;
  }, 0);
}

const extent = (v: readonly { x: number; y: number }[]) => [
  Math.min(...v.map((p) => p.x)),
  Math.max(...v.map((p) => p.x)),
  Math.min(...v.map((p) => p.y)),
  Math.max(...v.map((p) => p.y)),
];

describe('the mounting plate', () => {
  const plain = () => drawn(lopsidedJob());

  it('outline closed, with its corners as quarter arcs: 235 × 185 less (4 − π)·8² (by hand)', () => {
    const { on } = plain();
    const outline = on('outline')[0]!;
    expect(on('outline')).toHaveLength(1);
    expect(outline.shape).toBe(true);
    expect(extent(outline.vertices!)).toEqual([-95, 140, -75, 110]);
    expect(outline.vertices!.filter((v) => v.bulge).map((v) => v.bulge)).toEqual(
      Array.from({ length: 4 }, () => expect.closeTo(Math.SQRT2 - 1, 9)),
    );
    expect(areaOf(outline.vertices!)).toBeCloseTo(235 * 185 - (4 - Math.PI) * 64, 6);
  });
  it('holes where the bolts are, as wide as the bolt’s hole', () =>
    expect(
      plain()
        .on('holes')
        .map((c) => [c.center!.x, c.center!.y, c.radius]),
    ).toEqual([
      [110, 80, 5.5],
      [95, -50, 5.5],
      [-70, 60, 5.5],
      [-65, -45, 5.5],
      [20, 85, 5.5],
    ]));
  it('what is not cut has layers and colours of its own', () => {
    const { on, layers } = plain();
    const colour = (l: keyof typeof DXF_LAYERS) => layers[DXF_LAYERS[l]]!.colorIndex;
    const cut = new Set([colour('outline'), colour('holes')]);
    const others = (['bend', 'centres', 'base', 'caution'] as const).map(colour);
    expect(others.some((c) => cut.has(c))).toBe(false);
    expect(new Set(others).size).toBe(4);
    expect(extent(on('base')[0]!.vertices!)).toEqual([-35, 35, -25, 25]);
  });
  it('metric, with its extents, in UTF-8 as that version of the format is (AC1021 and over)', () => {
    const { on, header, text } = plain();
    expect(header['$MEASUREMENT']).toBe(1);
    expect(header['$INSUNITS']).toBe(4);
    expect(String(header['$ACADVER']) >= 'AC1021').toBe(true);
    expect(header['$EXTMIN']).toMatchObject({ x: -95 });
    expect(header['$EXTMAX']).toMatchObject({ y: 110 });
    const low = (header['$EXTMIN'] as { y: number }).y;
    expect(low).toBeLessThan(-75 - 12 - 4);
    expect(on('caution').map((e) => e.text)).toEqual(LINES);
    // Words stand under the part, a line apart, clear of what is cut.
    expect(on('caution').map((e) => [e.startPoint!.x, e.startPoint!.y])).toEqual([
      [-95, -87],
      [-95, -94],
    ]);
    expect(text).toContain('Ελλάδα');
  });
  it('cut only: outline and holes, nothing else, and the words as comments that no cutter sees', () => {
    const bare = drawn(lopsidedJob(), 'plate', { cutOnly: true });
    expect(new Set(bare.entities.map((e) => e.layer))).toEqual(new Set([DXF_LAYERS.outline, DXF_LAYERS.holes]));
    expect(bare.entities).toHaveLength(6);
    expect(bare.text).toContain('999\nDOES NOT HOLD');
    expect(bare.header['$EXTMIN']).toMatchObject({ x: -95, y: -75 });
  });
  it('each centre is a cross 3 mm past its hole, with its name up and to the right, and what is done there', () => {
    const sunk = drawn(lopsidedJob((j) => ({ ...j, joint: { ...j.joint, head: 'countersunk' } })));
    const centres = sunk.on('centres');
    const lines = centres.filter((e) => e.type === 'LINE').map((e) => e.vertices!.map(({ x, y }) => [x, y]));
    expect(lines).toHaveLength(10);
    expect(lines.slice(2, 4)).toEqual([
      [
        [95 - 8.5, -50],
        [95 + 8.5, -50],
      ],
      [
        [95, -50 - 8.5],
        [95, -50 + 8.5],
      ],
    ]);
    const names = centres.filter((e) => e.type === 'TEXT');
    expect(names.map((e) => e.text)).toEqual([1, 2, 3, 4, 5].map((n) => `B${n}: countersink 90° for the head`));
    expect(names[1]!.startPoint).toMatchObject({ x: 95 + 5.5 + 2, y: -48 });
    expect(
      plain()
        .on('centres')
        .find((e) => e.type === 'TEXT')!.text,
    ).toBe('B1');
  });
  it('extents take the words in: letters as wide as high, lines 7 mm apart from 12 mm below; without words the part’s own', () => {
    const { header } = plain();
    const [low, high] = [header['$EXTMIN'], header['$EXTMAX']] as { x: number; y: number }[];
    expect(low!.y).toBe(-75 - 12 - 2 * 7);
    expect(high!.x).toBe(140);
    const part = cutParts(resolved(lopsidedJob()))[0]!;
    const of = (lines: string[]) =>
      new DxfParser().parseSync(partDxf(part, { lines }))!.header as Record<string, { x: number; y: number }>;
    expect(of(['x'.repeat(80)])['$EXTMAX']).toMatchObject({ x: -95 + 80 * 4, y: 110 });
    expect(of([])['$EXTMIN']).toMatchObject({ x: -95, y: -75 });
    expect(of([])['$EXTMAX']).toMatchObject({ x: 140, y: 110 });
  });
  it('reads back as a pattern of its holes', () => {
    const read = readPatternDxf(plain().text, 11);
    expect(!isRefusal(read) && read.holes.map((h) => [h.x, h.y])).toEqual([
      [110, 80],
      [95, -50],
      [-70, 60],
      [-65, -45],
      [20, 85],
    ]);
  });
});

it.each([
  ['fore', [-95, 140 + 41.195, -75, 110], [140, 'x']],
  ['aft', [-95 - 41.195, 140, -75, 110], [-95, 'x']],
  ['port', [-95, 140, -75, 110 + 41.195], [110, 'y']],
  ['starboard', [-95, 140, -75 - 41.195, 110], [-75, 'y']],
] as const)(
  'a bent %s edge: the flat blank, π/2·(6 + K·6) + 40 − 12 past the edge, K 0.4 at r = t (common practice), with its bend lines',
  (edge, size, [starts, axis]) => {
    const { on, header } = drawn(
      lopsidedJob((j) => ({ ...j, plate: { ...j.plate, fold: { edge, radius: mm(6), height: mm(40) } } })),
    );
    const got = extent(on('outline')[0]!.vertices!);
    size.forEach((v, i) => expect(got[i]).toBeCloseTo(v, 2));
    expect(header['$EXTMAX']).toMatchObject({ y: got[3] });
    const lines = on('bend').map((e) => e.vertices!);
    expect(lines).toHaveLength(3);
    const at = lines.map(([a, b]) => (axis === 'x' ? [a!.x, b!.x] : [a!.y, b!.y]));
    expect(at[0]).toEqual([starts, starts]);
    // The middle is half way between where it starts and where it ends, each straight across the plate.
    expect(at[1]![0]).toBeCloseTo((at[0]![0]! + at[2]![0]!) / 2, 9);
    for (const [a, b] of at) expect(a).toBe(b);
    const flat = 40 - 6 - 6;
    const outer = { fore: got[1]!, aft: -got[0]!, port: got[3]!, starboard: -got[2]! }[edge];
    const end = Math.abs(at[2]![0]!);
    expect(outer - end).toBeCloseTo(flat, 6);
  },
);

it('all of it is flat: nothing has a height', () => {
  const fold = { edge: 'fore', radius: mm(6), height: mm(40) } as const;
  const bent = lopsidedJob((j) => ({ ...j, plate: { ...j.plate, fold } }));
  const heights = drawn(bent).entities.flatMap((e) =>
    [e.center, e.startPoint, ...(e.vertices ?? [])].map((p) => (p as { z?: number } | undefined)?.z ?? 0),
  );
  expect(heights.length).toBeGreaterThan(40);
  expect(new Set(heights)).toEqual(new Set([0]));
  const { header } = drawn(bent);
  expect([header['$EXTMIN'], header['$EXTMAX']]).toMatchObject([{ z: 0 }, { z: 0 }]);
});

describe('what is cut besides', () => {
  it('a plate washer for each nut: a square with a hole in its middle', () => {
    const far: Job['far'] = { kind: 'plate washer', metal: 'S275', thickness: mm(6), outside: mm(45) };
    const job = lopsidedJob((j) => ({ ...j, far }));
    const washer = cutParts(resolved(job))[1]!;
    expect([washer.id, washer.name, washer.count, washer.thickness]).toEqual(['plate-washer', 'plate washer', 5, 6]);
    const { on } = drawn(job, 'plate-washer');
    expect(extent(on('outline')[0]!.vertices!)).toEqual([-22.5, 22.5, -22.5, 22.5]);
    expect(on('holes').map((c) => [c.center!.x, c.center!.y, c.radius])).toEqual([[0, 0, 5.5]]);
    expect(cutParts(resolved(lopsidedJob((j) => ({ ...j, far: { kind: 'large washer' } })))).map((p) => p.id)).toEqual(['plate']);
  });
  it('a backing plate by itself, with what it reaches past', () => {
    const far: Job['far'] = { kind: 'plate', metal: 'S275', thickness: mm(5), past: 10 };
    const { on } = drawn(
      lopsidedJob((j) => ({ ...j, far })),
      'backing',
    );
    expect(extent(on('outline')[0]!.vertices!)).toEqual([-105, 150, -85, 120]);
    expect(on('holes')).toHaveLength(5);
    expect(on('base')).toHaveLength(0);
  });
  it('each strip with the holes that lie under it', () => {
    const far: Job['far'] = { kind: 'strips', metal: 'S275', thickness: mm(5), width: mm(60), along: 'x' };
    const r = resolved(lopsidedJob((j) => ({ ...j, far })));
    expect(cutParts(r).map((p) => [p.id, p.holes.map((h) => h.id)])).toEqual([
      ['plate', ['B1', 'B2', 'B3', 'B4', 'B5']],
      ['strip-1', ['B2', 'B4']],
      ['strip-2', ['B1', 'B3', 'B5']],
    ]);
    const { on } = drawn(r.job, 'strip-2');
    // Rows at 60, 80 and 85 lie under one strip, centred on them.
    expect(extent(on('outline')[0]!.vertices!)).toEqual([-95, 140, 42.5, 102.5]);
  });
  it('an adapter plate has both hole sets: its own bolts, and those of the fitting on it', () => {
    const adapter = lopsidedJob((j) => ({
      ...j,
      base: {
        ...j.base,
        holes: [
          { id: 'H1', x: 25, y: 15 },
          { id: 'H2', x: -25, y: -12 },
        ],
      },
    }));
    expect(
      drawn(adapter)
        .on('holes')
        .map((c) => [c.center!.x, c.center!.y, c.radius])
        .slice(5),
    ).toEqual([
      [25, 15, 4.5],
      [-25, -12, 4.5],
    ]);
    const welded = { ...adapter, welds: { ...adapter.welds, fitting: 'all round' as const } };
    expect(drawn(welded).on('holes')).toHaveLength(5);
  });
  it('a tapped backing is drilled for its tap: M10, 8.5 (ISO 2306, memory)', () => {
    const tapped = lopsidedJob((j) => ({
      ...j,
      far: { kind: 'plate', metal: 'S275', thickness: mm(12) },
      joint: { ...j.joint, holding: 'tapped', engagement: mm(10) },
    }));
    expect(
      drawn(tapped, 'backing')
        .on('holes')
        .map((c) => c.radius),
    ).toEqual([4.25, 4.25, 4.25, 4.25, 4.25]);
    expect(drawn(tapped).on('holes')[0]!.radius).toBe(5.5);
  });
});
