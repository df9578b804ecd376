import { Colors, DxfWriter, LWPolylineFlags, point2d, point3d, Units } from '@tarikjabiri/dxf';
import type { Resolved } from '../job/resolve';
import type { Job } from '../job/schema';
import { cornersOf } from '../geometry/polygons';

/** Layers of the drawing; the origin is the base centre, x forward, y to port, millimetres. */
export const DXF_LAYERS = {
  outline: 'PLATE_OUTLINE',
  holes: 'HOLES',
  centres: 'HOLE_CENTRES',
  base: 'BASE',
  caution: 'CAUTION',
} as const;

/** Bulge of a quarter circle, tan(90°/4). */
const QUARTER = Math.tan(Math.PI / 8);

export function plateDxf(job: Job, r: Resolved, cautions: readonly string[]): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  dxf.addLayer(DXF_LAYERS.outline, Colors.White, 'Continuous');
  dxf.addLayer(DXF_LAYERS.holes, Colors.White, 'Continuous');
  dxf.addLayer(DXF_LAYERS.centres, Colors.White, 'Continuous');
  dxf.addLayer(DXF_LAYERS.base, Colors.White, 'Continuous');
  dxf.addLayer(DXF_LAYERS.caution, Colors.White, 'Continuous');
  dxf.addLWPolyline(outlineVertices(job), { flags: LWPolylineFlags.Closed, layerName: DXF_LAYERS.outline });
  dxf.addLWPolyline(
    cornersOf(r.base).map((c) => ({ point: point2d(c.x, c.y) })),
    { flags: LWPolylineFlags.Closed, layerName: DXF_LAYERS.base },
  );
  const arm = r.d0 / 2 + 3;
  for (const b of job.bolts.items) {
    dxf.addCircle(point3d(b.x, b.y, 0), r.d0 / 2, { layerName: DXF_LAYERS.holes });
    dxf.addLine(point3d(b.x - arm, b.y, 0), point3d(b.x + arm, b.y, 0), { layerName: DXF_LAYERS.centres });
    dxf.addLine(point3d(b.x, b.y - arm, 0), point3d(b.x, b.y + arm, 0), { layerName: DXF_LAYERS.centres });
    dxf.addText(point3d(b.x + r.d0 / 2 + 2, b.y + 2, 0), 4, b.id, { layerName: DXF_LAYERS.centres });
  }
  const lines = [
    `${job.name}: ${r.plateMetal.name}, ${job.plate.thickness.text}, ${r.bolts.length} holes ${r.d0.toFixed(1)} mm`,
    ...cautions,
  ];
  lines.forEach((line, i) =>
    dxf.addText(point3d(r.plate.x0, r.plate.y0 - 12 - 7 * i, 0), 4, ascii(line), { layerName: DXF_LAYERS.caution }),
  );
  return dxf.stringify();
}

/** DXF text in the older file version is single-byte; what does not fit is spelt out rather than garbled. */
function ascii(s: string): string {
  return s
    .replaceAll('×', 'x')
    .replaceAll('’', "'")
    .replaceAll('γ', 'gamma')
    .replaceAll('−', '-')
    .normalize('NFKD')
    .replace(/[^\x20-\x7e]/g, '?');
}

/** Rectangle with its corner arcs as bulges, anticlockwise. */
function outlineVertices(job: Job): { point: ReturnType<typeof point2d>; bulge?: number }[] {
  const { x0, x1, y0, y1, corner: c } = job.plate;
  if (c === 0) return cornersOf({ x0, x1, y0, y1 }).map((p) => ({ point: point2d(p.x, p.y) }));
  return [
    { point: point2d(x0 + c, y0) },
    { point: point2d(x1 - c, y0), bulge: QUARTER },
    { point: point2d(x1, y0 + c) },
    { point: point2d(x1, y1 - c), bulge: QUARTER },
    { point: point2d(x1 - c, y1) },
    { point: point2d(x0 + c, y1), bulge: QUARTER },
    { point: point2d(x0, y1 - c) },
    { point: point2d(x0, y0 + c), bulge: QUARTER },
  ];
}
