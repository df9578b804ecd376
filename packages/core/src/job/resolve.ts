import { collinear } from '../geometry/points';
import { contains, rectAbout } from '../geometry/rects';
import { regionOf } from '../geometry/outline';
import { roundedRect } from '../geometry/region';
import { stressArea } from '../stock/fasteners';
import type { Metal } from '../stock/metals';
import { timberRow } from '../stock/timber';
import { plain } from '../units/quantity';
import type { Refusal } from '../units/refusal';
import { factorsOf } from './factors';
import { keptOut, layoutRefusals } from './layout-refusals';
import { lookUp, type LookedUp } from './look-up';
import { farHeightOf, farLayersOf, farOutlineOf, outlineOf, panelOf } from './outlines';
import { packedUnder } from './packed-under';
import { USUAL_BOND } from './plain-joint';
import type { FarSide, Resolved } from './resolved';
import type { Job } from './schema';
import { spreadRulesOf } from './spread-rules';

export { isResolved, type Factors, type FarSide, type PlacedBolt, type Resolved } from './resolved';

/** Looks everything up, places it, and refuses what cannot be made or computed; every refusal, not only the first. */
export function resolve(job: Job): Resolved | readonly Refusal[] {
  const found = lookUp(job);
  if (isRefused(found)) return found;
  const r = placed(job, found);
  const no = [...layoutRefusals(r), ...keptOut(job, r.d0)];
  return no.length > 0 ? no : r;
}

const isRefused = (x: LookedUp | readonly Refusal[]): x is readonly Refusal[] => Array.isArray(x);

/** The job with its parts in their places, before anybody asked whether it can be made. */
function placed(job: Job, { farMetal, ...found }: LookedUp): Resolved {
  const { size } = found;
  const base = rectAbout({ x: 0, y: 0 }, job.base.length.v, job.base.width.v);
  const plate = outlineOf(job);
  const under = packedUnder(job);
  const { base: fitting, joint } = job;
  return {
    ...found,
    rules: job.practice.rules,
    factors: factorsOf(job.practice, found.skin),
    bolts: job.bolts.items.map((b) => ({ ...b, throughBase: contains(base, b), packed: under(b) })),
    d: size.d,
    d0: size.hole[job.bolts.fit],
    As: stressArea(size),
    base,
    baseThickness: fitting.thickness.v,
    baseMetalSaid: fitting.metal !== undefined,
    baseHole: { d: fitting.hole.v, slot: fitting.slot.v, along: fitting.slotAlong },
    plate,
    region: job.plate.outline ? regionOf(job.plate.outline) : roundedRect(plate, job.plate.corner),
    shaped: job.plate.outline !== undefined,
    plateThickness: job.plate.thickness.v,
    plateLayers: job.plate.layers,
    fold: job.plate.fold && plain(job.plate.fold),
    joint: plain(joint),
    welds: plain(job.welds),
    bond: { line: (joint.bondLine ?? USUAL_BOND.bondLine).v, modulus: (joint.bondModulus ?? USUAL_BOND.bondModulus).v },
    lug: job.lug && plain(job.lug),
    limits: plain(job.limits),
    countsFriction: spreadRulesOf(job).friction === 'counted',
    packs: job.packs,
    access: job.survey.access,
    seatShare: seatShareOf(job),
    substrate: plain(job.skin),
    skinKind: job.skin.kind,
    skinThickness: job.skin.thickness.v,
    timber: job.skin.kind === 'timber' ? timberRow(job.skin.grade) : undefined,
    serviceClass: joint.place === 'weather' || joint.place === 'salt' ? 3 : 2,
    panel: panelOf(job),
    bedModulus: job.skin.bedModulus.v,
    washerOutside: size.washer.outside,
    far: farOf(job, found, farMetal),
    allInLine: collinear(job.bolts.items),
    job,
  };
}

/** Part of a seat that this plate holds: its part of all bolts where the fitting stands on several feet, else the least its seat loads say; 1 without one. */
function seatShareOf(job: Job): number {
  const feet = job.stands?.feet;
  if (feet)
    return (
      job.bolts.items.length /
      Math.max(
        1,
        feet.reduce((n, f) => n + f.bolts, 0),
      )
    );
  const shares = job.loads.flatMap((l) => (l.kind.endsWith('seat') && l.values['share'] ? [l.values['share'].v] : []));
  return Math.min(1, ...shares.filter((s) => s > 0));
}

/** Plain steel washers, 200 HV (ISO 7089; yield about 2·HV: common practice), MPa. */
const WASHER_FY = 400;

function farOf(job: Job, { size }: Pick<LookedUp, 'size'>, m: Metal | undefined): FarSide {
  const { far } = job;
  switch (far.kind) {
    case 'plate':
    case 'strips':
      return {
        kind: 'plate',
        thickness: far.thickness.v,
        layers: farLayersOf(far),
        height: farHeightOf(far),
        outline: farOutlineOf(job),
        metal: m!,
        ...(far.kind === 'strips' ? { strips: { width: far.width.v, along: far.along } } : {}),
      };
    case 'plate washer': {
      const t = far.thickness.v;
      return { kind: 'washer', outside: far.outside.v, thickness: t, height: t, fy: m!.fy, metal: m! };
    }
    default: {
      const washer = far.kind === 'large washer' ? size.largeWasher : size.washer;
      return { kind: 'washer', ...washer, height: washer.thickness, fy: WASHER_FY };
    }
  }
}
