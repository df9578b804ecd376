import { withClass } from '@core/job/bolt-class';
import type { Job } from '@core/job/schema';
import { classesFor } from '@core/stock/fastener-classes';
import { fastenerSize } from '@core/stock/fasteners';
import type { Edge } from '../job/desk';

/** Edits of the layout: each a job in and a job out. */

const tenth = (v: number) => Math.round(v * 10) / 10;

export function moveBolt(job: Job, id: string, x: number, y: number): Job {
  return {
    ...job,
    bolts: { ...job.bolts, items: job.bolts.items.map((b) => (b.id === id ? { ...b, x: tenth(x), y: tenth(y) } : b)) },
  };
}

export function moveEdge(job: Job, edge: Edge, to: number): Job {
  return { ...job, plate: { ...job.plate, [edge]: tenth(to) } };
}

/** Another size, with the class carried over where the family has it, else the family's first of like strength. */
export function withSize(job: Job, id: string): Job {
  const family = fastenerSize(id)?.family ?? 'metric';
  const classes = classesFor(family);
  const grade = classes.some((c) => c.id === job.bolts.class) ? job.bolts.class : family === 'inch' ? 'Gr 5' : '8.8';
  return { ...job, bolts: { ...withClass(job.bolts, grade), size: id } };
}

export interface Snapped {
  readonly x: number;
  readonly y: number;
  /** Lines to draw, in plan coordinates. */
  readonly guides: readonly { readonly axis: 'x' | 'y'; readonly at: number; readonly why: string }[];
}

/**
 * Where a dragged bolt falls: in line with or mirrored to other bolts, half way between two, on the base's holes or the
 * centre lines, within `reach` mm; otherwise on the 1 mm grid (0.1 mm when `fine`).
 */
export function snapBolt(job: Job, id: string, x: number, y: number, reach: number, fine: boolean): Snapped {
  const others = job.bolts.items.filter((b) => b.id !== id);
  const lines = (axis: 'x' | 'y'): { at: number; why: string }[] => {
    const at = others.map((b) => b[axis]);
    const spaced = [...new Set(at)].sort((a, b) => a - b);
    return [
      { at: 0, why: 'centre' },
      ...at.map((v) => ({ at: v, why: 'in line' })),
      ...at.map((v) => ({ at: -v, why: 'mirrored' })),
      ...job.base.holes.map((h) => ({ at: h[axis], why: 'base hole' })),
      ...spaced.slice(1).map((v, i) => ({ at: (v + spaced[i]!) / 2, why: 'half way' })),
    ];
  };
  const guides: { axis: 'x' | 'y'; at: number; why: string }[] = [];
  const fall = (axis: 'x' | 'y', v: number): number => {
    const best = lines(axis).reduce<{ at: number; why: string } | undefined>(
      (b, l) => (Math.abs(l.at - v) <= reach && (!b || Math.abs(l.at - v) < Math.abs(b.at - v) - 1e-9) ? l : b),
      undefined,
    );
    if (best && !fine) {
      guides.push({ axis, ...best });
      return best.at;
    }
    return fine ? tenth(v) : Math.round(v);
  };
  return { x: fall('x', x), y: fall('y', y), guides };
}

/** Where a dragged plate edge falls: mirrored to the opposite edge, an even margin past the outer bolts, else the grid. */
export function snapEdge(job: Job, edge: Edge, to: number, reach: number, fine: boolean): number {
  if (fine) return tenth(to);
  const opposite = { x0: 'x1', x1: 'x0', y0: 'y1', y1: 'y0' } as const;
  const mirror = -job.plate[opposite[edge]];
  return Math.abs(mirror - to) <= reach ? mirror : Math.round(to);
}
