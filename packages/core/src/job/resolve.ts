import { collinear } from '../geometry/points';
import { contains, rectAbout } from '../geometry/rects';
import { regionOf } from '../geometry/outline';
import { roundedRect } from '../geometry/region';
import { slotLoop } from '../geometry/slots';
import { stressArea } from '../stock/fasteners';
import type { Metal } from '../stock/metals';
import { timberRow } from '../stock/timber';
import { plain } from '../units/quantity';
import type { Refusal } from '../units/refusal';
import { factorsOf } from './factors';
import { boltHoles } from './bolt-holes';
import { jobOfKind, kindsUsed, waysThrough, type Through } from './fastener-kinds';
import { baseHoleFor, keptOut, layoutRefusals } from './layout-refusals';
import { lookUp, type Fastener, type LookedUp } from './look-up';
import { eyeOf } from './eyes';
import { freePartRefusals } from './free-part-refusals';
import { asPlate, farHeightOf, farLayersOf, farOutlineOf, outlineOf, panelOf } from './outlines';
import { endsOf, holeCut } from './made-hole';
import { packedUnder } from './packed-under';
import { partBlank } from './part-blank';
import { USUAL_BOND } from './plain-joint';
import type { FarSide, KindOfFastener, Resolved, SkinThere } from './resolved';
import type { Job } from './schema';
import { EDGES, spreadRulesOf } from './spread-rules';
import { weldLines } from './weld-lines';
import { workingPart } from './working-part';
import { skinOfZone, zoneRefusals } from './zones';

export { isResolved, weldedOnly, type Factors, type FarSide, type PlacedBolt, type Resolved } from './resolved';

/** Looks everything up, places it, and refuses what cannot be made or computed; every refusal, not only the first. */
export function resolve(job: Job): Resolved | readonly Refusal[] {
  const found = lookUp(job);
  if (isRefused(found)) return found;
  const r = placed(job, found);
  const no = [...layoutRefusals(r), ...keptOut(r), ...zoneRefusals(r), ...freePartRefusals(job, r.freeParts)];
  return no.length > 0 ? no : r;
}

const isRefused = (x: LookedUp | readonly Refusal[]): x is readonly Refusal[] => Array.isArray(x);

/** The job with its parts in their places, before anybody asked whether it can be made. */
function placed(job: Job, { farMetal, fasteners, partMetals, zoneSkins, ...found }: LookedUp): Resolved {
  const used = kindsUsed(job);
  const { ways, at: kindAt } = waysThrough(job);
  const kinds = ways.map((way): KindOfFastener => {
    const there = way.zone ? zoneSkins.get(way.zone.id)! : found;
    const skin = way.zone ? skinOfZone(job, way.zone) : job.skin;
    return { ...kindOf(job, way, fasteners[used.indexOf(way.kind)]!, farMetal), ...skinThere(job, skin, there) };
  });
  const base = rectAbout({ x: 0, y: 0 }, job.base.length.v, job.base.width.v);
  const plate = outlineOf(job);
  const outline = job.plate.outline ? regionOf(job.plate.outline) : roundedRect(plate, job.plate.corner);
  const plateHoles = (job.plate.holes ?? []).map((h) => holeCut(plain(h)));
  const under = packedUnder(job);
  const { base: fitting, joint } = job;
  return {
    ...found,
    ...kinds[0]!,
    kinds,
    kind: 0,
    rules: job.practice.rules,
    bolts: job.bolts.items.map(({ id, x, y }, i) => ({
      id,
      x,
      y,
      throughBase: contains(base, { x, y }),
      packed: under(job.bolts.items[i]!),
      kind: kindAt[i]!,
      baseHole: (baseHoleFor(job, { x, y }, kinds[kindAt[i]!]!.d)?.d ?? fitting.hole).v,
    })),
    base,
    baseThickness: fitting.thickness.v,
    baseMetalSaid: fitting.metal !== undefined,
    baseHole: { slot: fitting.slot.v, along: fitting.slotAlong },
    plate,
    outline,
    plateHoles,
    region: {
      ...outline,
      openings: [...outline.openings, ...plateHoles.map((h) => slotLoop(endsOf(h), h.d))],
    },
    shaped: job.plate.outline !== undefined,
    plateThickness: job.plate.thickness.v,
    plateLayers: job.plate.layers,
    fold: job.plate.fold && plain(job.plate.fold),
    welds: plain(job.welds),
    weldLines: job.welds.doubler === 'lines' ? weldLines(job) : [],
    bond: { line: (joint.bondLine ?? USUAL_BOND.bondLine).v, modulus: (joint.bondModulus ?? USUAL_BOND.bondModulus).v },
    lug: job.lug && plain(job.lug),
    ...madeParts(job, partMetals),
    rated: (job.rated ?? []).map((x) => plain(x)),
    limits: plain(job.limits),
    countsFriction: spreadRulesOf(job).friction === 'counted',
    packs: job.packs,
    access: job.survey.access,
    seatShare: seatShareOf(job),
    serviceClass: joint.place === 'weather' || joint.place === 'salt' ? 3 : 2,
    panel: panelOf(job),
    unheld: EDGES.filter((e) => spreadRulesOf(job).edges[e] === 'free'),
    bedModulus: job.skin.bedModulus.v,
    allInLine: collinear(job.bolts.items),
    job,
  };
}

/** The job's own parts laid flat, and those of them that take a pin. */
function madeParts(job: Job, metals: LookedUp['partMetals']): Pick<Resolved, 'freeParts' | 'eyes' | 'working'> {
  const freeParts = (job.parts ?? []).map((p, i) => ({ part: plain(p), metal: metals[i]!.metal }));
  const eyes = freeParts.flatMap(({ part, metal }, i) => {
    if (!part.eye) return [];
    const at = partBlank(part);
    const hole = at.holes.find((h) => h.id === part.eye!.hole);
    return hole ? [eyeOf(part, at, hole, { metal, pinGrade: metals[i]!.pinGrade })] : [];
  });
  const working = freeParts.flatMap(({ part, metal }) => {
    const { works, holes } = part;
    const whole = !works || works.as === 'block' || [works.from, works.to].every((id) => holes.some((h) => h.id === id));
    return whole ? (workingPart(part, metal) ?? []) : [];
  });
  return { freeParts, eyes, working };
}

const skinThere = (job: Job, s: Job['skin'], { skin, skinMetal }: Pick<LookedUp, 'skin' | 'skinMetal'>): SkinThere => ({
  substrate: plain(s),
  skin,
  skinKind: s.kind,
  skinThickness: s.thickness.v,
  skinMetal,
  timber: s.kind === 'timber' ? timberRow(s.grade) : undefined,
  factors: factorsOf(job.practice, skin),
});

/** One kind of fastener with what lies under its head and its nut, and its holes. */
function kindOf(
  whole: Job,
  { kind: name, holes: own }: Through,
  f: Fastener,
  farMetal: Metal | undefined,
): Omit<KindOfFastener, keyof SkinThere> {
  const job = jobOfKind(whole, name);
  const { size } = f;
  const { plate, slot, skin, backing } = boltHoles(size.hole[job.bolts.fit], own);
  return {
    ...f,
    kindName: name ?? '',
    d: size.d,
    d0: plate,
    ...(slot ? { slot } : {}),
    skinHole: skin,
    backingHole: backing,
    As: stressArea(size),
    joint: plain(job.joint),
    washerOutside: size.washer.outside,
    far: farOf(job, f, farMetal),
  };
}

/** Part of a seat that this plate holds: its part of all bolts where the fitting stands on several feet, else the least its seat loads say; 1 without one. */
function seatShareOf(job: Job): number {
  const feet = job.stands?.feet;
  if (feet && job.bolts.items.length > 0)
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

function farOf(job: Job, { size }: Pick<Fastener, 'size'>, m: Metal | undefined): FarSide {
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
        region: asPlate(job) ? regionOf(job.plate.outline!) : roundedRect(farOutlineOf(job), job.plate.corner),
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
