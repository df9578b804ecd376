import type { Job, Load } from '@core/job/schema';
import type { LoadCase } from '@core/loads/load-case';
import { seen, type Spot, type View } from '@core/loads/sketch';

/** A piece of a view, mm: u to the right, w up. */
export interface Box {
  readonly u0: number;
  readonly u1: number;
  readonly w0: number;
  readonly w1: number;
}

/** A force as drawn: its shaft as a path and its head as corners, y down. */
export interface Arrow {
  readonly line: string;
  readonly head: string;
  readonly open: boolean;
}

/** How much skin is shown beside the plate, and how far the largest arrow reaches, as parts of plate and picture. */
const BESIDE = 0.35;
const REACH = 0.38;
const MARGIN = 0.05;

/** The largest force of the cases, N; never 0. */
export const largest = (cases: readonly LoadCase[]): number => Math.max(1, ...cases.map((c) => Math.hypot(c.fx, c.fy, c.fz)));

/** Plate and skin as seen from a side. */
export function structureIn(view: Pick<View, 'from'>, { plate, skin }: Job): { plate: Box; skin: Box } {
  const room = BESIDE * (plate.x1 - plate.x0);
  const corners = (grow: number, z0: number, z1: number) => {
    const spots = [plate.x0 - grow, plate.x1 + grow].flatMap((x) =>
      [plate.y0 - grow, plate.y1 + grow].flatMap((y) => [z0, z1].map((z) => seen(view.from, { x, y, z }))),
    );
    return around(spots);
  };
  const t = plate.thickness.v;
  return { plate: corners(0, -t, 0), skin: corners(room, -t - skin.thickness.v, -t) };
}

/** The frame that shows structure, fitting, handles, parts and every arrow whole. */
export function frameOf(view: View, job: Job, load: Load, cases: readonly LoadCase[]): Box {
  const { plate, skin } = structureIn(view, job);
  const spots: Spot[] = [
    [plate.u0, plate.w0],
    [plate.u1, plate.w1],
    [skin.u0, skin.w0],
    [skin.u1, skin.w1],
    ...view.shapes.flatMap((s): Spot[] =>
      s.kind === 'circle'
        ? [
            [s.at[0] - s.r, s.at[1] - s.r],
            [s.at[0] + s.r, s.at[1] + s.r],
          ]
        : [...s.points],
    ),
    ...view.handles.map((h) => h.at),
    ...load.parts.map((p) => seen(view.from, { x: p.x.v, y: p.y.v, z: p.z.v })),
  ];
  const b = around(spots);
  const size = Math.hypot(b.u1 - b.u0, b.w1 - b.w0);
  const most = largest(cases);
  const tips = cases.map((c): Spot => {
    const at = seen(view.from, c.at);
    const f = seen(view.from, { x: c.fx, y: c.fy, z: c.fz });
    return [at[0] + (f[0] * REACH * size) / most, at[1] + (f[1] * REACH * size) / most];
  });
  const all = around([...spots, ...tips]);
  const pad = size * MARGIN;
  return { u0: all.u0 - pad, u1: all.u1 + pad, w0: all.w0 - pad, w1: all.w1 + pad };
}

/** A case's force from where it acts, `scale` mm for each newton; nothing where it would be shorter than a letter. */
export function arrowOf(view: Pick<View, 'from'>, c: LoadCase, scale: number, text: number, open: boolean): Arrow | undefined {
  const [u, w] = seen(view.from, c.at);
  const f = seen(view.from, { x: c.fx, y: c.fy, z: c.fz });
  const [du, dw] = [f[0] * scale, -f[1] * scale];
  const long = Math.hypot(du, dw);
  if (long < text) return undefined;
  const [a, b] = [du / long, dw / long];
  const tip = [u + du, -w + dw] as const;
  const back = [tip[0] - a * text * 1.1, tip[1] - b * text * 1.1] as const;
  return {
    line: `M${u} ${-w}L${back[0]} ${back[1]}`,
    head: `${tip[0]},${tip[1]} ${back[0] - b * text * 0.45},${back[1] + a * text * 0.45} ${back[0] + b * text * 0.45},${back[1] - a * text * 0.45}`,
    open,
  };
}

function around(spots: readonly Spot[]): Box {
  const u = spots.map((s) => s[0]);
  const w = spots.map((s) => s[1]);
  return { u0: Math.min(...u), u1: Math.max(...u), w0: Math.min(...w), w1: Math.max(...w) };
}
