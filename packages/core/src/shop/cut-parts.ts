import { contains } from '../geometry/rects';
import { type Point, type Rect } from '../geometry/points';
import { cutLength, regionArea, roundedRect, type Region } from '../geometry/region';
import { baseHoleFor } from '../job/layout-refusals';
import { atBolt, eachKind, ofThisKind } from '../job/of-kind';
import type { Resolved } from '../job/resolve';
import type { FreePart, StockForm } from '../job/free-part';
import { partBlank, sideView } from '../job/part-blank';
import { stripsOf } from '../job/strips';
import type { Plain } from '../units/quantity';
import { headDepth } from '../stock/heads';
import type { Metal } from '../stock/metals';
import { tapDrill, weldNutHole } from '../stock/tap-drills';
import { blankOf } from './bend-allowance';
import { tubesRoundBolts } from './tubes-round-bolts';

/** A hole of a part, mm, in plan coordinates: round, or a slot with round ends. */
export interface CutHole extends Point {
  readonly id: string;
  /** Diameter, or width of a slot. */
  readonly d: number;
  /** Whole length of a slot, and its turn from x to y, rad. */
  readonly slot?: { readonly long: number; readonly turn: number };
  /** For the job's own bolts, for those of the fitting that is bolted on, or what a hole of the job's own parts is for. */
  readonly takes: 'bolt' | 'fitting' | FreePart['holes'][number]['purpose'];
  /** Cut to this size and then worked on: tapped, countersunk. */
  readonly then: string;
}

/** A line on the flat blank: where the bend starts, its middle and where it ends. */
export interface BendLine {
  readonly what: 'starts' | 'middle' | 'ends';
  readonly from: Point;
  readonly to: Point;
}

/** Something that is cut from plate: its flat outline with its holes, in plan coordinates, mm. */
export interface CutPart {
  readonly id: string;
  readonly name: string;
  /** Of the flat blank, before it is bent. */
  readonly region: Region;
  readonly bounds: Rect;
  readonly holes: readonly CutHole[];
  readonly bends: readonly BendLine[];
  readonly metal: Metal;
  readonly thickness: number;
  /** Alike. */
  readonly count: number;
  /** The stock it is cut from, where that is no plate; its side is then drawn. */
  readonly stock?: string;
  /** Sawn to length from a bar or tube, along x. */
  readonly sawn?: true;
  /** Metal of one piece before its holes, mm³, and what each hole goes through, mm, where it is no plate of one thickness. */
  readonly volume?: number;
  readonly through?: number;
  /** As bent, from the side. */
  readonly side?: readonly Point[];
  readonly on?: string;
  /** A spacer or sleeve: what it costs to cut and fit is reckoned by the bolt it stands round. */
  readonly roundBolts?: true;
}

/** The plate's rectangle and what the leg takes past its bent edge, mm. */
export function blankRect(r: Pick<Resolved, 'plate' | 'fold' | 'plateThickness'>): Rect {
  const { plate, fold } = r;
  if (!fold) return plate;
  const { added } = blankOf({ t: r.plateThickness, r: fold.radius, leg: fold.height });
  switch (fold.edge) {
    case 'fore':
      return { ...plate, x1: plate.x1 + added };
    case 'aft':
      return { ...plate, x0: plate.x0 - added };
    case 'port':
      return { ...plate, y1: plate.y1 + added };
    case 'starboard':
      return { ...plate, y0: plate.y0 - added };
  }
}

/** The lines of the bend on the blank, from edge to edge; none on a flat plate. */
export function bendLines(r: Pick<Resolved, 'plate' | 'fold' | 'plateThickness'>): BendLine[] {
  const { plate: p, fold } = r;
  if (!fold) return [];
  const { allowance } = blankOf({ t: r.plateThickness, r: fold.radius, leg: fold.height });
  const at = { starts: 0, middle: allowance / 2, ends: allowance } as const;
  const line = (off: number): Pick<BendLine, 'from' | 'to'> => {
    const along = (x: number) => ({ from: { x, y: p.y0 }, to: { x, y: p.y1 } });
    const across = (y: number) => ({ from: { x: p.x0, y }, to: { x: p.x1, y } });
    return {
      fore: () => along(p.x1 + off),
      aft: () => along(p.x0 - off),
      port: () => across(p.y1 + off),
      starboard: () => across(p.y0 - off),
    }[fold.edge]();
  };
  return (['starts', 'middle', 'ends'] as const).map((what) => ({ what, ...line(at[what]) }));
}

/** Holes of the base that none of the bolts goes through: the fitting is bolted to the plate there, unless it is welded on. */
export function fittingHoles(r: Resolved): CutHole[] {
  const { job } = r;
  if (job.welds.fitting !== 'none') return [];
  const taken = new Set(r.bolts.map((b, i) => baseHoleFor(job, b, atBolt(r, i).d)?.id));
  const slot = r.baseHole.slot > 0 ? `under the middle of a slot ${r.baseHole.slot} mm longer than it is wide` : '';
  return (
    job.base.holes
      // What stands outside the base's metal is no hole of it, and nothing is drilled under it.
      .filter((h) => !taken.has(h.id) && contains(r.base, h))
      .map((h) => ({ id: h.id, x: h.x, y: h.y, d: (h.d ?? job.base.hole).v, takes: 'fitting' as const, then: slot }))
  );
}

/** The part a thread or a nut is made in: the backing, else the skin. */
const madeIn = (r: Resolved): 'backing' | 'skin' => (r.far.kind === 'plate' ? 'backing' : 'skin');

/** Hole of a bolt in its backing, and what is done there. */
function backingHole(r: Resolved): Pick<CutHole, 'd' | 'then'> {
  const { holding } = r.joint;
  if (madeIn(r) !== 'backing') return { d: r.backingHole, then: '' };
  if (holding === 'tapped') return { d: tapDrill(r.size).d, then: `drill ${tapDrill(r.size).text}, tap ${r.size.id}` };
  if (holding === 'weld nut') return { d: weldNutHole(r.size), then: 'for the collar of the weld nut' };
  return { d: r.backingHole, then: '' };
}

/** Every part that is cut, the mounting plate first; the job's own parts last. */
export function cutParts(r: Resolved): CutPart[] {
  const { corner } = r.job.plate;
  const blank = blankRect(r);
  const sunk = (i: number) => headDepth(atBolt(r, i).joint.head, atBolt(r, i).size) > 0;
  const mine: CutHole[] = r.bolts.map((b, i) => ({
    id: b.id,
    x: b.x,
    y: b.y,
    d: atBolt(r, i).d0,
    ...(atBolt(r, i).slot ? { slot: atBolt(r, i).slot! } : {}),
    takes: 'bolt',
    then: sunk(i) && !b.throughBase ? 'countersink 90° for the head' : '',
  }));
  const own = r.plateHoles.map(({ purpose, ...h }): CutHole => ({ ...h, takes: purpose, then: '' }));
  const plate: CutPart = {
    id: 'plate',
    name: 'mounting plate',
    region: r.shaped ? r.outline : roundedRect(blank, corner),
    bounds: blank,
    holes: [...mine, ...fittingHoles(r), ...own],
    bends: bendLines(r),
    metal: r.plateMetal,
    thickness: r.plateThickness,
    count: r.plateLayers,
  };
  return [plate, ...backingParts(r), ...tubesRoundBolts(r), ...r.freeParts.map(madePart)];
}

function backingParts(r: Resolved): CutPart[] {
  const { far, job } = r;
  if (far.kind !== 'plate') {
    if (job.far.kind !== 'plate washer' || far.metal === undefined) return [];
    if (r.bolts.length === 0) return [];
    return eachKind(r).map((k) => plateWasher(k, far.metal!));
  }
  const under = (o: Rect) =>
    r.bolts
      .flatMap((b, i) => {
        const at = atBolt(r, i);
        // A stud is welded to it.
        return at.joint.holding === 'stud' ? [] : [{ id: b.id, x: b.x, y: b.y, ...backingHole(at), takes: 'bolt' as const }];
      })
      .filter((b) => b.x >= o.x0 && b.x <= o.x1 && b.y >= o.y0 && b.y <= o.y1);
  const cut = (id: string, name: string, o: Rect, corner: number): CutPart => ({
    id,
    name,
    region: roundedRect(o, corner),
    bounds: o,
    holes: under(o),
    bends: [],
    metal: far.metal,
    thickness: far.thickness,
    count: far.layers,
  });
  if (far.strips) return stripsOf(job).map((o, i) => cut(`strip-${i + 1}`, `strip ${i + 1}`, o, 0));
  return [{ ...cut('backing', 'backing plate', far.outline, job.plate.corner), region: far.region }];
}

/** A square of plate with a hole in its middle, one under each nut. */
function plateWasher(r: Resolved, metal: Metal): CutPart {
  const { outside, thickness } = r.far as Extract<Resolved['far'], { kind: 'washer' }>;
  const o: Rect = { x0: -outside / 2, x1: outside / 2, y0: -outside / 2, y1: outside / 2 };
  return {
    id: r.kind > 0 ? `plate-washer-${r.kind + 1}` : 'plate-washer',
    name: r.kinds.length > 1 ? `plate washer, ${r.size.id}` : 'plate washer',
    region: roundedRect(o, 0),
    bounds: o,
    holes: [{ id: 'W', x: 0, y: 0, d: r.backingHole, takes: 'bolt', then: '' }],
    bends: [],
    metal,
    thickness,
    count: ofThisKind(r).length,
  };
}

/** A part of the job's own, laid flat or seen from its side. */
function madePart({ part, metal }: Resolved['freeParts'][number]): CutPart {
  const blank = partBlank(part);
  const { y0, y1 } = blank.bounds;
  const at = (x: number) => ({ from: { x, y: y0 }, to: { x, y: y1 } });
  const bends = blank.bends.flatMap((b): BendLine[] => [
    { what: 'starts', ...at(b.from) },
    { what: 'middle', ...at((b.from + b.to) / 2) },
    { what: 'ends', ...at(b.to) },
  ]);
  const side = sideView(part);
  return {
    id: part.id,
    name: part.name,
    region: blank.region,
    bounds: blank.bounds,
    holes: blank.holes.map(({ purpose, ...h }) => ({ ...h, takes: purpose, then: '' })),
    bends,
    metal,
    thickness: blank.thickness,
    count: part.count,
    stock: stockWords(part.stock),
    ...(part.stock.form === 'plate' ? {} : { sawn: true as const }),
    volume: blank.volume,
    through: blank.through,
    ...(side.length > 0 ? { side } : {}),
    ...(part.on ? { on: part.on } : {}),
  };
}

/** "flat bar 50 × 6 mm", "round tube 48.3 × 3.2 mm". */
function stockWords(s: Plain<StockForm>): string {
  switch (s.form) {
    case 'plate':
      return `plate ${s.thickness} mm`;
    case 'flat bar':
      return `flat bar ${s.width} × ${s.thickness} mm`;
    case 'angle':
      return `angle ${s.leg} × ${s.other} × ${s.thickness} mm`;
    case 'square tube':
      return `tube ${s.width} × ${s.depth} × ${s.wall} mm`;
    case 'round tube':
      return `round tube ${s.outside} × ${s.wall} mm`;
    case 'round bar':
      return `round bar ${s.diameter} mm`;
  }
}

/** Metal of one piece before its holes, mm³. */
const volumeOf = (p: CutPart): number => p.volume ?? regionArea(p.region) * p.thickness;

/** What a hole takes out of the face, mm². */
export const holeArea = (h: Pick<CutHole, 'd' | 'slot'>): number =>
  (Math.PI / 4) * h.d ** 2 + (h.slot ? Math.max(0, h.slot.long - h.d) * h.d : 0);

const holesOf = (p: CutPart): number => p.holes.reduce((sum, h) => sum + holeArea(h), 0);

/** All pieces of a part together, kg. */
export const partMass = (p: CutPart): number =>
  (volumeOf(p) - holesOf(p) * (p.through ?? p.thickness)) * p.metal.density * 1e-9 * p.count;

/** Metal bought for all its pieces, kg: holes are paid for. */
export const boughtMass = (p: CutPart): number => volumeOf(p) * p.metal.density * 1e-9 * p.count;

/** Outline of one piece, m. */
export const outlineLength = (p: CutPart): number => cutLength(p.region) / 1000;
