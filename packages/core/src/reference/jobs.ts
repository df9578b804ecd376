import { evaluate, type Link } from '../chain/evaluate';
import { withClass } from '../job/bolt-class';
import type { Joint, Welds } from '../job/joint';
import { newJob } from '../job/new-job';
import { isResolved, resolve, type Resolved } from '../job/resolve';
import type { Job, Skin } from '../job/schema';
import { newLoad } from '../loads/new-load';
import { fromSheet, type Quantity } from '../units/quantity';

/** A published figure, or one worked outside the program, and what the program makes of the same thing. */
export interface ReferenceValue {
  /** Id of the check it holds, or the method's name. */
  readonly of: string;
  readonly what: string;
  readonly source: string;
  readonly expected: number;
  /** Allowed relative error: the digits of the source. */
  readonly within: number;
  got(): number;
}

export type Change = (j: Job) => Job;
export const q = (v: number): Quantity => fromSheet(v, String(v));

type Axis = 'fx' | 'fy' | 'fz' | 'mx' | 'my' | 'mz';

/** One free load at the base centre, N and N·mm. */
export const loaded =
  (v: Partial<Record<Axis, number>>): Change =>
  (j) => {
    const fresh = newLoad('free', 'L1', 'Reference');
    const values = Object.fromEntries(Object.entries({ fz: 0, ...v }).map(([k, n]) => [k, q(n)]));
    return { ...j, loads: [{ ...fresh, values: { ...fresh.values, ...values } }] };
  };
export const joint =
  (x: Partial<Joint>): Change =>
  (j) => ({ ...j, joint: { ...j.joint, ...x } });
export const welds =
  (x: Partial<Welds>): Change =>
  (j) => ({ ...j, welds: { ...j.welds, ...x } });
/** Another skin, with the panel of the job. */
export const skin =
  (x: Record<string, unknown>): Change =>
  (j) => {
    const { thickness, spanX, spanY, aft, starboard, bedModulus } = j.skin;
    return { ...j, skin: { thickness, spanX, spanY, aft, starboard, bedModulus, ...x } as Skin };
  };
export const bolts =
  (size: string, grade: string, at?: readonly (readonly [number, number])[]): Change =>
  (j) => ({
    ...j,
    bolts: {
      ...withClass(j.bolts, grade),
      size,
      items: at ? at.map(([x, y], i) => ({ id: `B${i + 1}`, x, y })) : j.bolts.items,
    },
  });

/** Four M10 8.8 at ±135, ±120 in a plate of 400 × 400 × 8 S275, all factors 1, so that links give bare strengths. */
export function plainJob(...changes: readonly Change[]): Job {
  const job = newJob('r', 'Reference');
  const start: Job = {
    ...job,
    practice: { ...job.practice, school: 'working', onYield: 1, onBreak: 1 },
    plate: { ...job.plate, x0: -200, x1: 200, y0: -200, y1: 200 },
    bolts: { ...job.bolts, items: job.bolts.items.map((b) => ({ ...b, x: b.x * 1.5, y: b.y * 1.5 })) },
  };
  return changes.reduce((j, f) => f(j), loaded({ fx: 50, fz: 100 })(start));
}

export function linkIn(job: Job, id: string): Link {
  const v = evaluate(job);
  const l = v.links.find((x) => x.id === id);
  if (!l || l.state === 'refused' || l.state === 'not needed')
    throw new Error(`${id}: ${l?.state ?? 'missing'} ${l?.because ?? ''} ${v.refusals.map((r) => r.because).join('; ')}`);
  return l;
}

export function resolvedOf(job: Job): Resolved {
  const r = resolve(job);
  if (!isResolved(r)) throw new Error(r.map((x) => `${x.field}: ${x.because}`).join('; '));
  return r;
}

/** [what, source, expected, within, demand or capacity or utilisation, changes]: one figure of a link. */
export type LinkRow = readonly [
  of: string,
  what: string,
  source: string,
  expected: number,
  within: number,
  read: 'demand' | 'capacity' | 'utilisation',
  ...changes: readonly Change[],
];

export const linkValues = (rows: readonly LinkRow[]): ReferenceValue[] =>
  rows.map(([of, what, source, expected, within, read, ...changes]) => ({
    of,
    what,
    source,
    expected,
    within,
    got: () => linkIn(plainJob(...changes), of)[read],
  }));

/** The job on a solid bed: no skin that bends, so that bolts get what statics alone says. */
export const onBed: Change = skin({ kind: 'bed', strength: q(30), thickness: q(200) });
/** Bolts through the base, which then pries on nothing; holes of the base where they stand. */
export const throughBase: Change = (j) => ({
  ...j,
  base: {
    ...j.base,
    length: q(300),
    width: q(280),
    hole: q(11),
    holes: j.bolts.items.map((b, i) => ({ ...b, id: `H${i + 1}` })),
  },
});
/** A push along the plate at the height of the bed's face, so that it tips nothing: M_y takes out V·t. */
export const level = (v: { fx: number; fz: number }, t = 8): Change => loaded({ ...v, my: -v.fx * t });
