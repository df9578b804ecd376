import { contains, rectAbout } from '../geometry/rects';
import { asCounted, weakestSound } from '../chain/evaluate';
import { loaded, type UnderLoad } from '../checks/demand/loaded';
import { CHECKS } from '../checks/registry';
import { casesOf } from '../loads/cases';
import type { LoadCase } from '../loads/load-case';
import { isResolved, resolve, type Resolved } from '../job/resolve';
import { withClass } from '../job/bolt-class';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { massOf, roughCost } from '../shop/weight-and-cost';
import { commonClasses } from '../stock/fastener-classes';
import { commonSizes, fastenerSize } from '../stock/fasteners';
import { INCH_PLATE, MM_PLATE, type PlateThickness } from '../stock/plate-thicknesses';
import { isRefusal } from '../units/refusal';
import { RING_COUNTS, withPattern } from './patterns';

/** What is tried, each list from stock. */
export interface Axes {
  readonly thicknesses: readonly PlateThickness[];
  readonly sizes: readonly string[];
  readonly classes: readonly string[];
  readonly counts: readonly number[];
  readonly pitches: readonly number[];
}

/** One combination, named so that it can be made again from the job it started from. */
export interface Combination {
  readonly thickness: PlateThickness;
  readonly size: string;
  readonly grade: string;
  readonly count: number;
  readonly pitch: number;
}

/** A combination that holds every link in every case. */
export interface SoundOption extends Combination {
  readonly mass: number;
  readonly cost: number;
  readonly utilisation: number;
  readonly weakest: string;
  readonly caseName: string;
}

export interface Tally {
  readonly tried: number;
  readonly total: number;
  readonly sound: readonly SoundOption[];
}

const PITCHES = [0.8, 0.9, 1, 1.1, 1.25, 1.4];

/** True where a bolt passes through the base: its holes then fix number and place. */
export function heldByBase(job: Job): boolean {
  const base = rectAbout({ x: 0, y: 0 }, job.base.length.v, job.base.width.v);
  return job.bolts.items.some((b) => contains(base, b));
}

export function axesFor(job: Job): Axes {
  // An inch shop has inch bolts, whatever the job was begun with.
  const family = job.units === 'inch' ? 'inch' : (fastenerSize(job.bolts.size)?.family ?? 'metric');
  // Bolts stay where they are on a plate that is drawn round them, and where each is of its own kind or height.
  const unlike = job.bolts.items.some((b) => b.kind !== undefined || b.packed !== undefined);
  const fixed = heldByBase(job) || job.plate.outline !== undefined || unlike;
  const n = job.bolts.items.length;
  return {
    thicknesses: (job.units === 'inch' ? INCH_PLATE : MM_PLATE).filter((t) => t.thickness >= 3 && t.thickness <= 20),
    sizes: commonSizes(family)
      .filter((s) => s.d >= 6 && s.d <= 20)
      .map((s) => s.id),
    classes: commonClasses(family).map((c) => c.id),
    counts: fixed ? [n] : [...new Set([...RING_COUNTS, n])].sort((a, b) => a - b),
    pitches: fixed ? [1] : PITCHES,
  };
}

export const totalOf = (a: Axes): number =>
  a.thicknesses.length * a.sizes.length * a.classes.length * a.counts.length * a.pitches.length;

/** The job as it would be with a combination; what hover previews and a press applies. */
export function applyCombination(job: Job, c: Combination): Job {
  const placed = withPattern(job, c.count, c.pitch, c.size);
  return {
    ...placed,
    plate: { ...placed.plate, thickness: fromSheet(c.thickness.thickness, c.thickness.text) },
    bolts: withClass(placed.bolts, c.grade),
  };
}

/**
 * Tries every combination against every link and case. Yields after each pattern, size and class so the caller can stop,
 * report or breathe.
 */
export function* tryStock(job: Job, axes: Axes): Generator<Tally, Tally> {
  const total = totalOf(axes);
  const counted = casesOf(job).map((c) => asCounted(c, job.practice));
  const sound: SoundOption[] = [];
  let tried = 0;
  for (const count of axes.counts) {
    for (const pitch of axes.pitches) {
      for (const size of axes.sizes) {
        const placed = withPattern(job, count, pitch, size);
        for (const grade of axes.classes) {
          const r = resolve({ ...placed, bolts: withClass(placed.bolts, grade) });
          tried += axes.thicknesses.length;
          if (isResolved(r))
            for (const thickness of axes.thicknesses)
              sound.push(...soundIn(r, counted, thickness, { size, grade, count, pitch }));
          yield { tried, total, sound };
        }
      }
    }
  }
  return { tried, total, sound };
}

/** The combination in one thickness, where it holds: every pull goes with it, by its height and by what it pries. */
function soundIn(
  r: Resolved,
  counted: readonly LoadCase[],
  thickness: PlateThickness,
  named: Omit<Combination, 'thickness'>,
): SoundOption[] {
  const one: Resolved = { ...r, plateThickness: thickness.thickness };
  const under: UnderLoad[] = [];
  for (const c of counted) {
    const s = loaded(one, c);
    if (isRefusal(s)) return [];
    under.push(s);
  }
  const weakest = weakestSound(CHECKS, under);
  if (!weakest) return [];
  const { utilisation, name, caseName } = weakest;
  return [{ ...named, thickness, mass: massOf(one), cost: roughCost(one), utilisation, weakest: name, caseName }];
}

/** Those no other option beats in both mass and cost, lightest first. */
export function frontier(options: readonly SoundOption[]): SoundOption[] {
  const out: SoundOption[] = [];
  let cheapest = Infinity;
  for (const o of [...options].sort((a, b) => a.mass - b.mass || a.cost - b.cost)) {
    if (o.cost < cheapest - 1e-9) {
      out.push(o);
      cheapest = o.cost;
    }
  }
  return out;
}
