import { collinear, type Point, type Rect } from '../geometry/points';
import { contains, rectAbout } from '../geometry/rects';
import { FASTENER_CLASSES, fastenerClass, type FastenerClass } from '../stock/fastener-classes';
import { fastenerSize, stressArea, type FastenerSize } from '../stock/fasteners';
import { metal, type Metal } from '../stock/metals';
import { NUT_CLASSES, nutClass, type NutClass } from '../stock/nuts';
import { bed, hollowWall, laminate, plywood, sandwich, sheet, timber, type SkinStrength } from '../stock/skins';
import { refuse, type Refusal } from '../units/refusal';
import { keptOut, layoutRefusals } from './layout-refusals';
import { farHeightOf, farLayersOf, farOutlineOf, outlineOf, panelOf } from './outlines';
import type { Job } from './schema';

/** One bolt as the checks see it. `throughBase`: it clamps the base itself, so the plate is not bent by it. */
export interface PlacedBolt extends Point {
  readonly id: string;
  readonly throughBase: boolean;
}

/** Divisors and the load factor of the school the job names. */
export interface Factors {
  readonly school: Job['practice']['school'];
  /** On yield of metal. */
  readonly onYield: number;
  /** On break of metal and of fasteners. */
  readonly onBreak: number;
  /** On break of the skin material. */
  readonly onSkin: number;
  /** Plastic over elastic section modulus of a flat plate: 1.5 where plastic bending is allowed (proof), else 1. */
  readonly plastic: number;
}

/** The job with every name looked up and every cross-check passed: all the checks read. */
export interface Resolved {
  readonly rules: Job['practice']['rules'];
  readonly factors: Factors;
  readonly bolts: readonly PlacedBolt[];
  readonly size: FastenerSize;
  readonly grade: FastenerClass;
  readonly nut: NutClass;
  readonly d: number;
  readonly d0: number;
  readonly As: number;
  readonly base: Rect;
  readonly baseThickness: number;
  readonly plate: Rect;
  readonly plateThickness: number;
  readonly plateMetal: Metal;
  /** Loose plates of that thickness on each other. */
  readonly plateLayers: number;
  readonly job: Job;
  readonly lugMetal: Metal | undefined;
  readonly pinGrade: FastenerClass | undefined;
  readonly skin: SkinStrength;
  readonly skinKind: Job['skin']['kind'];
  readonly skinThickness: number;
  readonly panel: Rect;
  readonly bedModulus: number;
  readonly washerOutside: number;
  readonly far:
    | {
        readonly kind: 'washer';
        readonly outside: number;
        readonly thickness: number;
        readonly height: number;
        /** Yield of the washer, MPa. */ readonly fy: number;
      }
    | {
        readonly kind: 'plate';
        readonly thickness: number;
        /** Loose plates of that thickness on each other, and their height together. */
        readonly layers: number;
        readonly height: number;
        /** What it covers, apart from strips. */
        readonly outline: Rect;
        readonly metal: Metal;
        /** One plate under all nuts where undefined. */
        readonly strips?: { readonly width: number; readonly along: 'x' | 'y' };
      };
  readonly allInLine: boolean;
}

export const isResolved = (r: Resolved | readonly Refusal[]): r is Resolved => !Array.isArray(r);

/** Looks everything up and refuses what cannot be made or computed; every refusal, not only the first. */
export function resolve(job: Job): Resolved | readonly Refusal[] {
  const no: Refusal[] = [];
  const own = job.ownStock.metals;
  const size =
    fastenerSize(job.bolts.size) ??
    no.push(
      refuse('bolts.size', `"${job.bolts.size}" is not in the stock list`, 'M5 to M24 coarse and fine, 1/4 to 1 in UNC and UNF'),
    );
  const grade =
    fastenerClass(job.bolts.class) ??
    no.push(refuse('bolts.class', `"${job.bolts.class}" is not in the stock list`, FASTENER_CLASSES.map((c) => c.id).join(', ')));
  const nut =
    nutClass(job.bolts.nut) ??
    no.push(refuse('bolts.nut', `"${job.bolts.nut}" is not in the stock list`, NUT_CLASSES.map((n) => n.id).join(', ')));
  const plateMetal =
    metal(job.plate.metal, own) ??
    no.push(refuse('plate.metal', `"${job.plate.metal}" is not in the stock list`, 'a metal of the stock list'));
  const farMetal =
    'metal' in job.far
      ? (metal(job.far.metal, own) ??
        no.push(refuse('far.metal', `"${job.far.metal}" is not in the stock list`, 'a metal of the stock list')))
      : undefined;
  const lug = lugPartsOf(job, no);
  const skin =
    skinOf(job) ??
    no.push(
      refuse(
        job.skin.kind === 'plywood' || job.skin.kind === 'timber' ? 'skin.grade' : 'skin.metal',
        'the skin material is not in the stock list',
        'a sheet metal, laminate or plywood of the stock list',
      ),
    );
  if (
    typeof size === 'number' ||
    typeof grade === 'number' ||
    typeof nut === 'number' ||
    typeof plateMetal === 'number' ||
    typeof farMetal === 'number' ||
    typeof lug === 'number' ||
    typeof skin === 'number'
  )
    return no;
  if (size.family !== grade.family)
    no.push(
      refuse(
        'bolts.class',
        `class ${grade.id} is not made in ${size.id}`,
        size.family === 'metric' ? '4.6 to 12.9, A2, A4 with metric bolts' : 'Gr 2, 5, 8, A325, A490, F593 with inch bolts',
      ),
    );
  if (size.family !== nut.family)
    no.push(
      refuse(
        'bolts.nut',
        `a class ${nut.id} nut is not made in ${size.id}`,
        size.family === 'metric' ? '5, 8, 10, 12, A2, A4' : 'Gr 2, 5, 8, A563-DH, F594',
      ),
    );
  const d0 = size.hole[job.bolts.fit];
  const base = rectAbout({ x: 0, y: 0 }, job.base.length.v, job.base.width.v);
  const panel = panelOf(job);
  no.push(...layoutRefusals(job, d0, size, base, panel));
  no.push(...keptOut(job, d0));
  if (no.length > 0) return no;
  const normal = size.washer;
  return {
    rules: job.practice.rules,
    factors: factorsOf(job.practice, skin),
    bolts: job.bolts.items.map((b) => ({ id: b.id, x: b.x, y: b.y, throughBase: contains(base, b) })),
    size,
    grade,
    nut,
    d: size.d,
    d0,
    As: stressArea(size),
    base,
    baseThickness: job.base.thickness.v,
    plate: outlineOf(job),
    plateThickness: job.plate.thickness.v,
    plateMetal,
    plateLayers: job.plate.layers,
    job,
    lugMetal: lug?.metal,
    pinGrade: lug?.pin,
    skin,
    skinKind: job.skin.kind,
    skinThickness: job.skin.thickness.v,
    panel,
    bedModulus: job.skin.bedModulus.v,
    washerOutside: normal.outside,
    far: farOf(job, size, farMetal),
    allInLine: collinear(job.bolts.items),
  };
}

/** Plain steel washers, 200 HV (ISO 7089; yield about 2·HV: common practice), MPa. */
const WASHER_FY = 400;

function farOf(job: Job, size: FastenerSize, m: Metal | undefined): Resolved['far'] {
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
    case 'plate washer':
      return { kind: 'washer', outside: far.outside.v, thickness: far.thickness.v, height: far.thickness.v, fy: m!.fy };
    default: {
      const washer = far.kind === 'large washer' ? size.largeWasher : size.washer;
      return { kind: 'washer', ...washer, height: washer.thickness, fy: WASHER_FY };
    }
  }
}

/** Metal of the lug and class of its pin; a number where either is refused, undefined where there is no lug. */
function lugPartsOf(job: Job, no: Refusal[]): { readonly metal: Metal; readonly pin: FastenerClass } | number | undefined {
  if (!job.lug) return undefined;
  const pin = fastenerClass(job.lug.pinClass);
  const found = metal(job.lug.metal, job.ownStock.metals);
  if (!found) no.push(refuse('lug.metal', `"${job.lug.metal}" is not in the stock list`, 'a metal of the stock list'));
  if (!pin) no.push(refuse('lug.pinClass', `"${job.lug.pinClass}" is not in the stock list`, 'a bolt class of the stock list'));
  return found && pin ? { metal: found, pin } : no.length;
}

/** The divisors of the school the job names. Proof takes strength whole and lets a flat plate bend plastically. */
function factorsOf(p: Job['practice'], skin: SkinStrength): Factors {
  if (p.school === 'proof')
    return { school: p.school, onYield: 1, onBreak: 1, onSkin: 1, plastic: skin.basis === 'yield' ? 1.5 : 1 };
  const working = p.school === 'working';
  const [onYield, onBreak] = working ? [p.onYield, p.onBreak] : [p.gammaM0, p.gammaM2];
  const onSkin = skin.basis === 'yield' ? onYield : working ? p.onBreak : skin.gammaM;
  return { school: p.school, onYield, onBreak, onSkin, plastic: 1 };
}

function skinOf(job: Job): SkinStrength | undefined {
  const s = job.skin;
  const own = job.ownStock.metals;
  switch (s.kind) {
    case 'sheet':
      return sheet(s.metal, own);
    case 'plywood':
      return plywood(s.grade);
    case 'laminate':
      return laminate(s.glass.v);
    case 'sandwich':
      return sandwich(s.glass.v, { crush: s.coreCrush.v });
    case 'timber':
      return timber(s.grade);
    case 'hollow':
      return hollowWall(s.metal, own);
    case 'bed':
      return bed(s.strength.v);
  }
}
