import { newJob } from '../job/new-job';
import { isResolved, resolve, type Resolved } from '../job/resolve';
import { fromSheet } from '../job/values';
import type { Job } from '../job/schema';
import { newLoad } from '../loads/new-load';
import type { Load } from '../loads/schema';

/** A free load case for tests, N and N·mm at the datum. */
export function freeLoad(v: Partial<Record<'fx' | 'fy' | 'fz' | 'mx' | 'my' | 'mz' | 'x' | 'y' | 'z', number>>, id = 'L1'): Load {
  const fresh = newLoad('free', id, `Case ${id}`);
  const given = Object.fromEntries(Object.entries({ fz: 0, ...v }).map(([k, n]) => [k, fromSheet(n, String(n))]));
  return { ...fresh, values: { ...fresh.values, ...given } };
}

/** The new job under one load, so each test changes only what it is about. */
export function testJob(
  load: Parameters<typeof freeLoad>[0] = { fx: 3000, fz: 2000, z: 120 },
  change: (j: Job) => Job = (j) => j,
): Job {
  const skin = { ...newJob('t', 'Test').skin, thickness: fromSheet(8, '8 mm') };
  return change({ ...newJob('t', 'Test'), skin, loads: [freeLoad(load)] });
}

export function resolved(job: Job): Resolved {
  const r = resolve(job);
  if (!isResolved(r)) throw new Error(r.map((x) => `${x.field}: ${x.because}`).join('; '));
  return r;
}

/** The job with something else said of its joint, or of its welds. */
export const withJoint =
  (x: Partial<Job['joint']>) =>
  (j: Job): Job => ({ ...j, joint: { ...j.joint, ...x } });
export const withWelds =
  (x: Partial<Job['welds']>) =>
  (j: Job): Job => ({ ...j, welds: { ...j.welds, ...x } });

/** The job on a solid bed 200 mm thick, in place of its panel. */
export function onSolidBed(j: Job): Job {
  const { spanX, spanY, aft, starboard } = j.skin;
  const skin = {
    strength: fromSheet(20, '20 MPa'),
    thickness: fromSheet(200, '200 mm'),
    bedModulus: fromSheet(30_000, '30000 MPa'),
  };
  return { ...j, skin: { kind: 'bed', ...skin, spanX, spanY, aft, starboard } };
}

/** The job with another plate thickness, mm. */
export const plateThickness =
  (t: number) =>
  (j: Job): Job => ({ ...j, plate: { ...j.plate, thickness: fromSheet(t, `${t} mm`) } });
