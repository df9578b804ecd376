import type { FootPlace, Stands } from '../standing/stands';
import { mirroredDesign } from './mirrored';
import { BETWEEN_BEARERS, panelOf } from './outlines';
import { DESIGN, OF_FITTING, OF_PLACE, type Job } from './schema';
import { USUAL_STANDING, type Design, type Foot, type Holds, type WholeJob } from './whole-job';

/** One key of each list of fields, taken from where it stands. */
const picked = <T extends object>(keys: readonly string[], from: object): T =>
  Object.fromEntries(keys.filter((k) => k in from).map((k) => [k, (from as Record<string, unknown>)[k]])) as T;
const FITTING_KEYS = Object.keys(OF_FITTING);
const DESIGN_KEYS = Object.keys(DESIGN);
const PLACE_KEYS = Object.keys(OF_PLACE);

/** What a foot holds until somebody says otherwise. */
export const USUAL_HOLDS: Holds = {
  restsOnly: false,
  takes: { mx: false, my: false, mz: false },
  stiffness: { x: 1, y: 1, z: 1 },
  part: 0,
};

/** A job at its one foot as the whole of it. */
export function oneFoot(job: Job): WholeJob {
  return {
    format: job.format,
    version: job.version,
    ...picked<Pick<WholeJob, keyof typeof OF_FITTING>>(FITTING_KEYS, job),
    standing: USUAL_STANDING,
    feet: [
      {
        id: 'F1',
        name: 'Foot',
        x: 0,
        y: 0,
        z: 0,
        turn: 0,
        design: picked<Design>(DESIGN_KEYS, job),
        ...picked<Pick<Foot, 'skin' | 'survey'>>(PLACE_KEYS, job),
      },
    ],
  };
}

export const footOf = (whole: WholeJob, id: string): Foot => whole.feet.find((f) => f.id === id) ?? whole.feet[0]!;
/** The foot whose design this one has: itself, or the one it is like. */
export const drawnBy = (whole: WholeJob, foot: Foot): Foot => (foot.like ? footOf(whole, foot.like.foot) : foot);

const mirrors = new WeakMap<Design, Design>();
/** How a foot is made, as it stands there. */
export function designOf(whole: WholeJob, foot: Foot): Design {
  const design = drawnBy(whole, foot).design!;
  if (!foot.like?.mirrored) return design;
  let other = mirrors.get(design);
  if (!other) mirrors.set(design, (other = mirroredDesign(design)));
  return other;
}

/** The highest packer or spacer under a foot's plate, mm; shims that were measured are not counted. */
const mostPacked = ({ joint, bolts }: Design): number =>
  joint.packing === 'none' ? 0 : Math.max(joint.packer.v, ...bolts.items.map((b) => b.packed?.v ?? 0));

const places = new WeakMap<readonly Foot[], readonly FootPlace[]>();
/** The feet as the fitting sees them. */
export function footPlaces(whole: WholeJob): readonly FootPlace[] {
  let all = places.get(whole.feet);
  if (!all)
    places.set(
      whole.feet,
      (all = whole.feet.map((f) => {
        const design = designOf(whole, f);
        const { base, bolts, plate } = design;
        const { id, name, x, y, z, turn, holds = USUAL_HOLDS } = f;
        return {
          ...{ id, name, x, y, z, turn, ...holds },
          ...{ length: base.length.v, width: base.width.v, bolts: bolts.items.length },
          plate: { x0: plate.x0, x1: plate.x1, y0: plate.y0, y1: plate.y1 },
          ...(BETWEEN_BEARERS.includes(f.skin.kind) ? { panel: panelOf(f) } : {}),
          height: plate.thickness.v * plate.layers + mostPacked(design),
        };
      })),
    );
  return all;
}

const standsAt = (whole: WholeJob, foot: string): Stands => ({ ...whole.standing, feet: footPlaces(whole), foot });

const known = new WeakMap<WholeJob, Map<string, Job>>();

/** The job as it stands at one foot; the same object each time it is asked. A fitting on one foot says nothing of standing. */
export function atFoot(whole: WholeJob, id: string): Job {
  const foot = footOf(whole, id);
  let jobs = known.get(whole);
  if (!jobs) known.set(whole, (jobs = new Map()));
  let job = jobs.get(foot.id);
  if (!job) {
    const { standing: _s, feet: _f, ...fitting } = whole;
    job = {
      ...fitting,
      ...designOf(whole, foot),
      skin: foot.skin,
      survey: foot.survey,
      ...(whole.feet.length > 1 ? { stands: standsAt(whole, foot.id) } : {}),
    };
    jobs.set(foot.id, job);
  }
  return job;
}

/** Every foot with the job as it stands there. */
export const atEachFoot = (whole: WholeJob): { readonly foot: Foot; readonly job: Job }[] =>
  whole.feet.map((foot) => ({ foot, job: atFoot(whole, foot.id) }));

const sameParts = (a: object, b: object): boolean => {
  const [one, other] = [new Map(Object.entries(a)), new Map(Object.entries(b))];
  return [...new Set([...one.keys(), ...other.keys()])].every((k) => one.get(k) === other.get(k));
};

/**
 * The whole with a changed job at one foot put back: what is said of the fitting is said of all feet, what is drawn is drawn for
 * every foot made like it, and what was measured stays at this one.
 */
export function putAtFoot(whole: WholeJob, id: string, job: Job): WholeJob {
  const foot = footOf(whole, id);
  if (job === atFoot(whole, foot.id)) return whole;
  const drawn = drawnBy(whole, foot);
  const here = picked<Design>(DESIGN_KEYS, job);
  const same = sameParts(here, designOf(whole, foot));
  const design = foot.like?.mirrored ? mirroredDesign(here) : here;
  const own = picked<Pick<Foot, 'skin' | 'survey'>>(PLACE_KEYS, job);
  const feet = whole.feet.map((f) => {
    const redrawn = f.id === drawn.id && !same ? { ...f, design } : f;
    return f.id === foot.id ? { ...redrawn, ...own } : redrawn;
  });
  return { ...whole, ...picked<Partial<WholeJob>>(FITTING_KEYS, job), feet };
}
