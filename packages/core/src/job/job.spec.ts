import { isRefusal } from '../units/refusal';
import { testJob } from '../testing/test-job';
import { newLoad } from '../loads/new-load';
import type { Load } from '../loads/schema';
import { newJob } from './new-job';
import { RANGES, type RangeName } from './ranges';
import { baseHoleFor } from './layout-refusals';
import { panelOf } from './outlines';
import { resolve, isResolved } from './resolve';
import { Job } from './schema';
import { assumed, assumedValues, fromSheet, namedValues, readValue, skinGauges } from './values';

const ZERO = fromSheet(0, '0 mm');

describe('a new job', () => {
  it('is a whole document, all measured values assumed, and computes once it has a load', () => {
    const job = newJob('a', 'A');
    expect(Job.parse(job)).toEqual(job);
    expect(namedValues(job).every((n) => n.value.from === 'assumed')).toBe(true);
    expect(isResolved(resolve(job))).toBe(true);
  });
});

describe('ranges are the same for the form and the file', () => {
  const path: Partial<Record<RangeName, (job: Job, v: number) => unknown>> = {
    skinThickness: (j, v) => ({ ...j, skin: { ...j.skin, thickness: fromSheet(v, '') } }),
    plateThickness: (j, v) => ({ ...j, plate: { ...j.plate, thickness: fromSheet(v, '') } }),
    corner: (j, v) => ({ ...j, plate: { ...j.plate, corner: v } }),
    baseLength: (j, v) => ({ ...j, base: { ...j.base, length: fromSheet(v, '') } }),
    baseSlot: (j, v) => ({ ...j, base: { ...j.base, slot: fromSheet(v, '') } }),
    spanX: (j, v) => ({ ...j, skin: { ...j.skin, spanX: fromSheet(v, '') } }),
    bedModulus: (j, v) => ({ ...j, skin: { ...j.skin, bedModulus: fromSheet(v, '') } }),
    position: (j, v) => ({ ...j, bolts: { ...j.bolts, items: [{ id: 'B1', x: v, y: 0 }] } }),
  };
  it.each(Object.keys(path) as RangeName[])('%s: at the limits both read it, past them both refuse', (name) => {
    const range = RANGES[name] as (typeof RANGES)[RangeName] & { above?: number; min?: number };
    const inside = [range.max, range.above === undefined ? range.min! : range.above + 0.001];
    const outside = [range.max * 1.001 + 0.001, range.above ?? range.min! - 0.001];
    const form = (v: number) =>
      !isRefusal(readValue(`${v} ${range.dimension === 'length' ? 'mm' : 'MPa'}`, name, 'mm', 'measured'));
    const file = (v: number) => Job.safeParse(path[name]!(testJob(), v)).success;
    for (const v of inside) expect([v, form(v), file(v)]).toEqual([v, true, true]);
    for (const v of outside) expect([v, form(v), file(v)]).toEqual([v, false, false]);
  });
  it('NaN and Infinity are no numbers', () => {
    for (const v of [NaN, Infinity])
      expect(Job.safeParse({ ...testJob(), plate: { ...testJob().plate, x0: v } }).success).toBe(false);
  });
});

describe('provenance', () => {
  const job = newJob('a', 'A');
  it('a measured value leaves the list of assumed ones', () => {
    const read = readValue('6', 'skinThickness', 'mm', 'measured', '2026-03-14T09:30:00.000Z');
    if (isRefusal(read)) throw new Error('refused');
    const next = { ...job, skin: { ...job.skin, thickness: read } };
    expect(assumedValues(next)).toHaveLength(assumedValues(job).length - 1);
    expect(read).toEqual({ v: 6, text: '6', from: 'measured', at: '2026-03-14T09:30:00.000Z' });
  });
  it('the time belongs to measuring only', () => {
    expect(readValue('6', 'skinThickness', 'mm', 'sheet', '2026-03-14T09:30:00.000Z')).not.toHaveProperty('at');
    expect(assumed(6, '6')).toEqual({ v: 6, text: '6', from: 'assumed' });
  });
  it('counts the hole pattern as one, the glass content only where there is glass, winch values under load', () => {
    const paths = namedValues(job).map((n) => n.path);
    expect(paths).toContain('base.holes');
    expect(paths).not.toContain('skin.glass');
    const winch = newLoad('winch', 'W');
    const cleat = newLoad('mooring', 'M');
    const load = (l: Load) => namedValues({ ...job, loads: [l] }).filter((n) => n.stage === 'load');
    expect(load(winch)).toHaveLength(Object.keys(winch.values).length);
    expect(assumedValues({ ...job, loads: [winch] }).some((n) => n.path === 'loads.W.values.pull')).toBe(true);
    // Sized by the line: the wind has no say. With a take-off: its lines stand in for the mass and the centroid.
    expect(load(cleat).map((n) => n.path)).not.toContain('loads.M.values.wind');
    const line = { id: 'a', name: 'Water', kind: 'water', mass: assumed(40, '40 kg'), x: ZERO, y: ZERO, z: ZERO } as const;
    const paths2 = load({ ...newLoad('cradle', 'C'), parts: [line] }).map((n) => n.path);
    expect(paths2).not.toContain('loads.C.values.mass');
    expect(paths2).toContain('loads.C.parts.a.mass');
  });
  it('knows the gauge table of a sheet skin, and none of the others', () => {
    expect(skinGauges(job)).toBe('steel');
    expect(skinGauges({ ...job, skin: { ...job.skin, kind: 'sheet', metal: '6082-T6' } as Job['skin'] })).toBe('aluminium');
  });
});

describe('bolts and base holes', () => {
  const job = testJob();
  const at = (x: number, y: number, d = 10) => baseHoleFor(job, { x, y }, d)?.id;
  it('a bolt goes through a hole within its clearance: 11 mm round an M10 gives 0.5 mm', () => {
    expect(at(45, 35)).toBe('H1');
    expect(at(45.4, 35)).toBe('H1');
    expect(at(45.6, 35)).toBeUndefined();
  });
  it('not through a hole smaller than itself', () => expect(at(45, 35, 12)).toBeUndefined());
  it('along a slot anywhere in its length, across it only within the clearance', () => {
    const slotted = { ...job, base: { ...job.base, slot: fromSheet(20, '20 mm') } };
    expect(baseHoleFor(slotted, { x: 54, y: 35 }, 10)?.id).toBe('H1');
    expect(baseHoleFor(slotted, { x: 56, y: 35 }, 10)).toBeUndefined();
    expect(baseHoleFor(slotted, { x: 45, y: 36 }, 10)).toBeUndefined();
  });
});

it('the panel lies round the base as the bearers were measured', () => {
  expect(panelOf(testJob())).toEqual({ x0: -250, x1: 250, y0: -200, y1: 200 });
});
