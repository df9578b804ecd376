import { Colors, DxfWriter, LWPolylineFlags, point2d, point3d, Units } from '@tarikjabiri/dxf';
import { cornersOf } from '../geometry/polygons';
import { loopBounds, type Loop } from '../geometry/region';
import type { Rect } from '../geometry/points';
import { slotLoop } from '../geometry/slots';
import { endsOf } from '../job/made-hole';
import type { CutShape } from './cut-shape';
import type { CutPart } from './cut-parts';
import type { Offcut } from './sheet-nesting';

/** Layers of the drawing; the origin is the base centre, x forward, y to port, millimetres. Only the first two are cut. */
export const DXF_LAYERS = {
  outline: 'PLATE_OUTLINE',
  holes: 'HOLES',
  bend: 'BEND',
  centres: 'HOLE_CENTRES',
  base: 'BASE',
  caution: 'CAUTION',
} as const;

const COLOURS = {
  outline: Colors.White,
  holes: Colors.White,
  bend: Colors.Green,
  centres: Colors.Cyan,
  base: Colors.Blue,
  caution: Colors.Red,
} as const;

const TEXT = 4;
const LINE = 7;

/** What is written beside the part. */
export interface DxfWords {
  /** Each on a line of its own. */
  readonly lines: readonly string[];
  /** The fitting's base, for the mounting plate. */
  readonly base?: Rect;
  /** Outline, openings and holes alone, for a cutter that cuts all it is given. */
  readonly cutOnly?: boolean;
}

const newDrawing = (): DxfWriter => {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  dxf.setVariable('$MEASUREMENT', { 70: 1 });
  return dxf;
};

/** One part as DXF: closed outlines with arcs as bulges, holes as circles, UTF-8 (AC1021), extents and metric measure set. */
export function partDxf(part: CutPart, { lines, base, cutOnly = false }: DxfWords): string {
  const dxf = newDrawing();
  const shown = cutOnly ? (['outline', 'holes'] as const) : (Object.keys(DXF_LAYERS) as (keyof typeof DXF_LAYERS)[]);
  for (const layer of shown) dxf.addLayer(DXF_LAYERS[layer], COLOURS[layer], 'Continuous');
  addCut(dxf, part);
  if (!cutOnly) addWords(dxf, part, lines, base);
  const { x0, y0, x1, y1 } = cutOnly ? part.bounds : extents(part, lines);
  dxf.setVariable('$EXTMIN', { 10: x0, 20: y0, 30: 0 });
  dxf.setVariable('$EXTMAX', { 10: x1, 20: y1, 30: 0 });
  return `${comments(lines)}${dxf.stringify()}`;
}

/** Layers of a whole sheet: what is cut, what is only written. */
export const SHEET_LAYERS = { sheet: 'SHEET', text: 'TEXT' } as const;

/**
 * A sheet with all its pieces where they lie, in the sheet’s own corner. With words the sheet’s edge and the marks stand on layers of
 * their own; `cutOnly` leaves nothing but what is cut, and the words in the head of the file.
 */
export function sheetDxf(
  size: Offcut,
  pieces: readonly (CutShape & { readonly mark: string })[],
  lines: readonly string[],
  cutOnly = false,
): string {
  const dxf = newDrawing();
  dxf.addLayer(DXF_LAYERS.outline, COLOURS.outline, 'Continuous');
  dxf.addLayer(DXF_LAYERS.holes, COLOURS.holes, 'Continuous');
  for (const p of pieces) addCut(dxf, p);
  if (!cutOnly) addSheetWords(dxf, size, pieces, lines);
  dxf.setVariable('$EXTMIN', { 10: 0, 20: cutOnly ? 0 : -12 - LINE * lines.length, 30: 0 });
  dxf.setVariable('$EXTMAX', { 10: size.long, 20: size.wide, 30: 0 });
  return `${comments(lines)}${dxf.stringify()}`;
}

/** The sheet’s edge, a mark on each piece, and the words below. */
function addSheetWords(
  dxf: DxfWriter,
  size: Offcut,
  pieces: readonly (CutShape & { readonly mark: string })[],
  lines: readonly string[],
): void {
  dxf.addLayer(SHEET_LAYERS.sheet, Colors.Blue, 'Continuous');
  dxf.addLayer(SHEET_LAYERS.text, Colors.Red, 'Continuous');
  const edge: Rect = { x0: 0, y0: 0, x1: size.long, y1: size.wide };
  addLoop(
    dxf,
    cornersOf(edge).map((p) => ({ ...p, bulge: 0 })),
    SHEET_LAYERS.sheet,
  );
  for (const p of pieces) {
    const { x0, y0, x1, y1 } = loopBounds(p.region.outer);
    dxf.addText(point3d((x0 + x1) / 2, (y0 + y1) / 2, 0), TEXT * 2, p.mark, { layerName: SHEET_LAYERS.text });
  }
  lines.forEach((line, i) => dxf.addText(point3d(0, -12 - LINE * i, 0), TEXT, line, { layerName: SHEET_LAYERS.text }));
}

/** Outline, openings and holes: what a cutter follows. */
function addCut(dxf: DxfWriter, { region, holes }: CutShape): void {
  for (const loop of [region.outer, ...region.openings]) addLoop(dxf, loop, DXF_LAYERS.outline);
  for (const h of holes)
    if (h.slot) addLoop(dxf, slotLoop(endsOf(h), h.d), DXF_LAYERS.holes);
    else dxf.addCircle(point3d(h.x, h.y, 0), h.d / 2, { layerName: DXF_LAYERS.holes });
}

/** What the file is, where a reader of the text finds it and no cutter cuts it (group 999). */
const comments = (lines: readonly string[]): string => lines.map((l) => `999\n${l.replace(/[\r\n]+/g, ' ')}\n`).join('');

function addLoop(dxf: DxfWriter, loop: Loop, layerName: string): void {
  dxf.addLWPolyline(
    loop.map((v) => ({ point: point2d(v.x, v.y), ...(v.bulge === 0 ? {} : { bulge: v.bulge }) })),
    { flags: LWPolylineFlags.Closed, layerName },
  );
}

/** The first line of text starts so far below the part. */
const below = (part: CutPart): number => part.bounds.y0 - 12;

function addWords(dxf: DxfWriter, part: CutPart, lines: readonly string[], base: Rect | undefined): void {
  if (base)
    dxf.addLWPolyline(
      cornersOf(base).map((c) => ({ point: point2d(c.x, c.y) })),
      { flags: LWPolylineFlags.Closed, layerName: DXF_LAYERS.base },
    );
  for (const h of part.holes) {
    const arm = h.d / 2 + 3;
    const layerName = DXF_LAYERS.centres;
    dxf.addLine(point3d(h.x - arm, h.y, 0), point3d(h.x + arm, h.y, 0), { layerName });
    dxf.addLine(point3d(h.x, h.y - arm, 0), point3d(h.x, h.y + arm, 0), { layerName });
    dxf.addText(point3d(h.x + h.d / 2 + 2, h.y + 2, 0), TEXT, h.then ? `${h.id}: ${h.then}` : h.id, { layerName });
  }
  for (const l of part.bends)
    dxf.addLine(point3d(l.from.x, l.from.y, 0), point3d(l.to.x, l.to.y, 0), { layerName: DXF_LAYERS.bend });
  lines.forEach((line, i) =>
    dxf.addText(point3d(part.bounds.x0, below(part) - LINE * i, 0), TEXT, line, { layerName: DXF_LAYERS.caution }),
  );
}

/** The part with its text: letters are taken as wide as high. */
function extents(part: CutPart, lines: readonly string[]): Rect {
  const { x0, x1, y0, y1 } = part.bounds;
  const longest = Math.max(0, ...lines.map((l) => l.length));
  return { x0, x1: Math.max(x1, x0 + longest * TEXT), y0: lines.length === 0 ? y0 : below(part) - LINE * lines.length, y1 };
}
