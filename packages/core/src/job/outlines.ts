import type { Rect } from '../geometry/points';
import type { Job } from './schema';
import { spreadRulesOf } from './spread-rules';

export const outlineOf = (job: Pick<Job, 'plate'>): Rect => ({
  x0: job.plate.x0,
  x1: job.plate.x1,
  y0: job.plate.y0,
  y1: job.plate.y1,
});

/** The clear panel between bearers, in plate axes (base centre at 0, 0). */
export function panelOf(job: Pick<Job, 'skin'>): Rect {
  const { spanX, spanY, aft, starboard } = job.skin;
  return { x0: -aft.v, x1: spanX.v - aft.v, y0: -starboard.v, y1: spanY.v - starboard.v };
}

/** Loose plates behind the skin, and how high they stand together, mm. */
export const farLayersOf = (far: Job['far']): number => (far.kind === 'plate' ? (far.layers ?? 1) : 1);
export const farHeightOf = (far: Job['far']): number =>
  far.kind === 'plate' || far.kind === 'strips' ? far.thickness.v * farLayersOf(far) : 0;

/** The mounting plate's outline, and what a backing plate reaches past it. */
export function farOutlineOf(job: Job): Rect {
  const { x0, x1, y0, y1 } = outlineOf(job);
  const past = job.far.kind === 'plate' ? (job.far.past ?? 0) : 0;
  return { x0: x0 - past, x1: x1 + past, y0: y0 - past, y1: y1 + past };
}

/** A backing plate cut as the mounting plate is drawn: where that is no rectangle, and it reaches no further. */
export const asPlate = (job: Job): boolean =>
  job.plate.outline !== undefined && job.far.kind === 'plate' && (job.far.past ?? 0) === 0;

/** The skins that stand between bearers, with nothing but those behind. */
export const BETWEEN_BEARERS: readonly Job['skin']['kind'][] = ['sheet', 'laminate', 'plywood', 'sandwich', 'timber'];

/** Where nothing is behind the skin: up to each bearer, and without end where there is none. Undefined where no bearers are asked for. */
export function clearBehind(job: Job): Rect | undefined {
  if (!BETWEEN_BEARERS.includes(job.skin.kind)) return undefined;
  const panel = panelOf(job);
  const { edges } = spreadRulesOf(job);
  return {
    x0: edges.aft === 'free' ? -Infinity : panel.x0,
    x1: edges.fore === 'free' ? Infinity : panel.x1,
    y0: edges.starboard === 'free' ? -Infinity : panel.y0,
    y1: edges.port === 'free' ? Infinity : panel.y1,
  };
}

/** How far a backing plate may reach past the mounting plate before a bearer, mm; under 0 where the mounting plate lies over one already. */
export function roomBehind(job: Job): number {
  const [o, p] = [outlineOf(job), clearBehind(job)];
  return p ? Math.min(o.x0 - p.x0, p.x1 - o.x1, o.y0 - p.y0, p.y1 - o.y1) : Infinity;
}
