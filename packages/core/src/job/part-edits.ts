import { SHAPES } from '../geometry/shapes';
import { leastBend } from '../stock/bends';
import { metal } from '../stock/metals';
import { formatQuantity, type UnitSystem } from '../units/format-quantity';
import { fromSheet, type Quantity } from '../units/quantity';
import type { FreePart, StockForm } from './free-part';
import type { Job } from './schema';

/** Edits of the parts a shop makes besides: each a job in and a job out. */

/** What a part can be begun as: a stock form, or a link or a tab with its pin. */
export const BEGUN_AS = ['plate', 'flat bar', 'angle', 'square tube', 'round tube', 'round bar', 'link', 'tab'] as const;
export type BegunAs = (typeof BEGUN_AS)[number];

const outlineFrom = (id: 'strap' | 'lug' | 'gusset', length: number, width: number, part = 15) => {
  const { corners, openings } = SHAPES.find((s) => s.id === id)!.of({ length, width, part });
  return { corners: [...corners], openings: openings.map((ring) => [...ring]) };
};

/** A fresh part with sizes to start from, in the job's own unit; none of them is more than a start. */
export function newPart(as: BegunAs, id: string, metal: string, units: UnitSystem): FreePart {
  const q = (v: number): Quantity => fromSheet(v, formatQuantity(v, 'length', units));
  const part = (name: string, use: FreePart['use'], stock: StockForm, more: Partial<FreePart> = {}): FreePart => ({
    id,
    name,
    use,
    metal,
    count: 1,
    stock,
    holes: [],
    ...more,
  });
  const pin = (hole: string, carries: number): NonNullable<FreePart['eye']> => ({
    rules: 'EN',
    hole,
    carries: fromSheet(carries, String(carries)),
    pin: q(15.5),
    pinClass: '8.8',
    shear: 'double',
    fork: q(6),
    gap: q(1),
    Nd: 3,
  });
  const eye = (hole: string, x: number) => ({ id: hole, x, y: 0, d: q(16), purpose: 'eye' as const });
  const bar = (width: number, thickness: number, long: number, rounded?: true): StockForm => ({
    form: 'flat bar',
    width: q(width),
    thickness: q(thickness),
    legs: [q(long)],
    bends: [],
    ...(rounded ? { rounded } : {}),
  });
  switch (as) {
    case 'plate':
      return part('Gusset', 'gusset', { form: 'plate', thickness: q(6), outline: outlineFrom('gusset', 80, 80) });
    case 'flat bar':
      return part('Rail', 'rail', bar(40, 6, 300));
    case 'angle':
      return part('Angle bracket', 'bracket', { form: 'angle', leg: q(50), other: q(50), thickness: q(5), length: q(120) });
    case 'square tube':
      return part('Brace', 'brace', { form: 'square tube', width: q(40), depth: q(40), wall: q(3), length: q(500) });
    case 'round tube':
      return part('Post brace', 'brace', { form: 'round tube', outside: q(48.3), wall: q(3.2), length: q(600) });
    case 'round bar':
      return part('Inner bar', 'inner bar', { form: 'round bar', diameter: q(20), length: q(120) });
    case 'link':
      return part('Link', 'link', bar(50, 8, 250, true), {
        count: 2,
        holes: [eye('E1', -100), eye('E2', 100)],
        eye: pin('E1', 0.5),
      });
    case 'tab':
      return part(
        'Support tab',
        'tab',
        { form: 'plate', thickness: q(8), outline: outlineFrom('lug', 70, 50) },
        {
          holes: [eye('E1', 10)],
          eye: { ...pin('E1', 0.5), height: q(45), throat: q(4) },
        },
      );
  }
}

/** An id that no part of the job has yet. */
export function freePartId(job: Pick<Job, 'parts'>): string {
  const used = new Set((job.parts ?? []).map((p) => p.id));
  let n = 1;
  while (used.has(`P${n}`)) n++;
  return `P${n}`;
}

export const withPart = (job: Job, as: BegunAs): Job => ({
  ...job,
  parts: [...(job.parts ?? []), newPart(as, freePartId(job), job.plate.metal, job.units)],
});

export const changedPart = (job: Job, id: string, f: (p: FreePart) => FreePart): Job => ({
  ...job,
  parts: (job.parts ?? []).map((p) => (p.id === id ? f(p) : p)),
});

export function withoutPart(job: Job, id: string): Job {
  const { parts: all = [], ...rest } = job;
  const parts = all.filter((p) => p.id !== id);
  return parts.length > 0 ? { ...rest, parts } : rest;
}

/** A bar with one more leg: bent square, up, at the least inside radius its metal bears (common practice). */
export function withBend(p: FreePart, units: UnitSystem, own: Job['ownStock']['metals'] = []): FreePart {
  if (p.stock.form !== 'flat bar') return p;
  const q = (v: number): Quantity => fromSheet(v, formatQuantity(v, 'length', units));
  const t = p.stock.thickness.v;
  const m = metal(p.metal, own);
  const r = Math.ceil(Math.max(3, (m ? leastBend(m) : 1) * t));
  const { rounded: _no, ...stock } = p.stock;
  return {
    ...p,
    stock: {
      ...stock,
      legs: [...stock.legs, q(Math.max(60, 2 * r + 8 * t))],
      bends: [...stock.bends, { angle: fromSheet(Math.PI / 2, '90°'), radius: q(r), up: true }],
    },
  };
}

/** A bar without its last leg; a straight one stays. */
export function withoutBend(p: FreePart): FreePart {
  if (p.stock.form !== 'flat bar' || p.stock.bends.length === 0) return p;
  const legs = p.stock.legs.slice(0, -1);
  const holes = p.holes.filter((h) => (h.leg ?? 0) < legs.length);
  return { ...p, holes, stock: { ...p.stock, legs, bends: p.stock.bends.slice(0, -1) } };
}
