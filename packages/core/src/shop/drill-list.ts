import type { Point } from '../geometry/points';
import { heldThickness } from '../checks/skin-parts';
import { baseHoleFor } from '../job/layout-refusals';
import { lagAt } from '../job/lag';
import { packersFor, surfaceOf } from '../job/packers';
import { atBolt, eachKind, ofThisKind } from '../job/of-kind';
import type { Resolved } from '../job/resolve';
import type { Job } from '../job/schema';
import type { Drilled } from '../stock/cutting-speeds';
import { headDepth } from '../stock/heads';
import { LAG_PILOT, rivetNutHole, tapDrill, weldNutHole } from '../stock/tap-drills';
import { formatQuantity } from '../units/format-quantity';
import { isRefusal } from '../units/refusal';
import { cutParts, fittingHoles, type CutPart } from './cut-parts';
import { drilling } from './drilling';
import { sizeWords } from './hole-words';

/** One hole of the drill list, or a line to scribe. x and y in mm from the aft starboard corner of the mounting plate's blank. */
export interface DrillRow {
  readonly part: string;
  readonly hole: string;
  readonly x: number | null;
  readonly y: number | null;
  /** Drill, mm; null for a line. */
  readonly diameter: number | null;
  readonly fastener: string;
  readonly note: string;
  /** What it goes through, and how much of it, mm; none of a line, nor in a bed. */
  readonly through?: { readonly what: Drilled; readonly t: number };
}

const round2 = (v: number) => Math.round(v * 100) / 100;

/** Packers under the bolts, where gaps were measured: what the fitter takes along. */
function packerNotes(job: Job): ReadonlyMap<string, string> {
  const { shims } = job.survey;
  const surface = surfaceOf(shims);
  if (isRefusal(surface)) return new Map();
  return new Map(
    packersFor(job, surface)
      .filter((p) => p.thickness >= 0.05)
      .map((p) => [p.id, `packer ${formatQuantity(p.thickness, 'length', job.units)}${p.read ? '' : ' by the plane'}`]),
  );
}

/** What is drilled together with the plate, and where it does not end with it. */
function stackWords(r: Resolved): string {
  const { far, units } = r.job;
  if (far.kind === 'strips') return 'drill on through the strip behind';
  if (far.kind !== 'plate' || ownHole(r)) return '';
  const n = far.layers ?? 1;
  const past = far.past ?? 0;
  const plates = n > 1 ? `${n} backing plates` : 'backing plate';
  return `stack-drill with ${plates}${past > 0 ? `, ${formatQuantity(past, 'length', units)} past this one all round` : ''}`;
}

/** The backing's holes are not the plate's: a thread is tapped in it or a nut welded to it. */
const ownHole = (r: Resolved): boolean =>
  r.far.kind === 'plate' &&
  eachKind(r).some(
    (k) =>
      k.joint.holding === 'stud' ||
      k.joint.holding === 'tapped' ||
      k.joint.holding === 'weld nut' ||
      k.backingHole !== k.d0 ||
      k.slot,
  );

/** What is drilled in the skin itself where it is not simply the bolt's hole, in the order it is done. */
function skinSteps(r: Resolved): { readonly diameter: number; readonly note: string }[] {
  const mm = (v: number) => formatQuantity(v, 'length', r.job.units);
  const { holding, sleeve, tubeOutside } = r.joint;
  if (r.skinKind === 'bed') return [{ diameter: r.d0, note: 'spot through the plate; the hole is by the anchor’s own sheet' }];
  if (holding === 'lag screw') {
    const lags = ofThisKind(r).map((i) => lagAt(r, i));
    const [shank, depth] = [Math.max(0, ...lags.map((x) => x.shank)), Math.max(0, ...lags.map((x) => x.depth))];
    return [
      ...(shank > 0
        ? [
            {
              diameter: r.d,
              note: `for the shank, ${mm(shank)} deep: as far as the plain part of the screw reaches into the wood`,
            },
          ]
        : []),
      {
        diameter: LAG_PILOT * r.d,
        note: `pilot, ${mm(depth)} deep and not through; hard wood wider, soft wood narrower`,
      },
    ];
  }
  // A bolt in a solid zone goes through no core.
  if (sleeve === 'plug' && r.skinKind === 'sandwich')
    return [
      { diameter: tubeOutside, note: 'overdrill, clear the core, fill with thickened epoxy and let it cure' },
      { diameter: r.skinHole, note: 'drill again through the cured plug' },
    ];
  if (sleeve === 'sleeve' && (r.skinKind === 'sandwich' || r.skinKind === 'hollow'))
    return [{ diameter: tubeOutside, note: 'for the sleeve' }];
  if (holding === 'rivet nut')
    return [{ diameter: rivetNutHole(r.size), note: 'for the body of the rivet nut, by its maker’s sheet; without a burr' }];
  if (r.far.kind !== 'plate' && holding === 'tapped')
    return [{ diameter: tapDrill(r.size).d, note: `drill ${tapDrill(r.size).text}, tap ${r.size.id}` }];
  if (r.far.kind !== 'plate' && holding === 'weld nut')
    return [{ diameter: weldNutHole(r.size), note: 'for the collar of the weld nut' }];
  if (r.skinHole !== r.d0) return [{ diameter: r.skinHole, note: 'its own hole, not the plate’s' }];
  return [];
}

/** Every hole and line, part by part: the mounting plate, then skin and backing where their holes are not simply the plate's. */
export function drillList(job: Job, r: Resolved): DrillRow[] {
  const parts = cutParts(r);
  const plate = parts[0]!;
  const corner = { x: plate.bounds.x0, y: plate.bounds.y0 };
  const from = (p: Point) => ({ x: round2(p.x - corner.x), y: round2(p.y - corner.y) });
  return [
    ...plateRows(job, r, from),
    ...bendRows(job, plate),
    ...skinRows(r, from),
    ...backingRows(r, parts, from),
    ...madeRows(r, parts),
  ];
}

/** Holes of the job's own parts and their bends, each from the aft starboard corner of its own blank. */
function madeRows(r: Resolved, parts: readonly CutPart[]): DrillRow[] {
  return parts.slice(parts.length - r.freeParts.length).flatMap((p) => {
    const x0 = p.bounds.x0;
    const note = 'from its own end and lower edge';
    const holes = p.holes.map((h): DrillRow => ({
      part: p.name,
      hole: h.id,
      x: round2(h.x - x0),
      y: round2(h.y - p.bounds.y0),
      diameter: round2(h.d),
      through: { what: p.metal.group, t: p.through ?? p.thickness },
      fastener: h.takes,
      note: [note, h.slot ? sizeWords(h, (v) => formatQuantity(v, 'length', r.job.units)) : '', h.then]
        .filter(Boolean)
        .join('; '),
    }));
    const bends = p.bends.map((b): DrillRow => ({
      part: p.name,
      hole: `bend, ${b.what}`,
      x: round2(b.from.x - x0),
      y: null,
      diameter: null,
      fastener: '',
      note: 'scribe square across',
    }));
    return [...holes, ...bends];
  });
}

type From = (p: Point) => { x: number; y: number };

function plateRows(job: Job, r: Resolved, from: From): DrillRow[] {
  const packers = packerNotes(job);
  const behind = stackWords(r);
  const mm = (v: number) => formatQuantity(v, 'length', job.units);
  const through = { what: r.plateMetal.group, t: r.plateThickness * r.plateLayers };
  const mine = r.bolts.map((b, i): DrillRow => {
    const at = atBolt(r, i);
    const sunk = headDepth(at.joint.head, at.size) > 0;
    const hole = baseHoleFor(job, b, at.d);
    const asTemplate = b.throughBase && hole ? `through base hole ${hole.id}` : '';
    const notes = [
      at.slot ? sizeWords({ d: at.d0, slot: at.slot }, mm) : '',
      asTemplate,
      asTemplate || at.backingHole !== at.d0 ? '' : behind,
      sunk && !asTemplate ? 'countersink 90° for the head' : '',
      packers.get(b.id) ?? '',
    ];
    return {
      part: 'plate',
      hole: b.id,
      ...from(b),
      diameter: round2(at.d0),
      through,
      fastener: `${at.size.id} ${at.grade.id}`,
      note: notes.filter(Boolean).join('; '),
    };
  });
  const fitting = fittingHoles(r).map((h): DrillRow => ({
    part: 'plate',
    hole: h.id,
    ...from(h),
    diameter: round2(h.d),
    through,
    fastener: 'fitting’s bolt',
    note: ['plate only; its nut or head needs room below', h.then].filter(Boolean).join('; '),
  }));
  const own = r.plateHoles.map((h): DrillRow => ({
    part: 'plate',
    hole: h.id,
    ...from(h),
    diameter: round2(h.d),
    through,
    fastener: h.purpose,
    note: h.slot ? sizeWords(h, mm) : 'plate only',
  }));
  return [...mine, ...fitting, ...own];
}

/** Where the bend is scribed on the flat blank. */
function bendRows(job: Job, plate: CutPart): DrillRow[] {
  return plate.bends.map((l): DrillRow => {
    const upright = l.from.x === l.to.x;
    const words = { starts: 'the bend starts', middle: 'middle of the bend', ends: 'the bend ends' }[l.what];
    return {
      part: 'plate',
      hole: `bend, ${l.what}`,
      x: upright ? round2(l.from.x - plate.bounds.x0) : null,
      y: upright ? null : round2(l.from.y - plate.bounds.y0),
      diameter: null,
      fastener: '',
      note: `scribe: ${words}; inside radius ${formatQuantity(job.plate.fold!.radius.v, 'length', job.units)}, square`,
    };
  });
}

/** What the drill meets in the skin: its metal, wood, or the faces of a laminate; a bed is drilled by the anchor’s own sheet. */
function skinDrilled(r: Resolved): DrillRow['through'] {
  const t = r.skinThickness;
  switch (r.skinKind) {
    case 'bed':
      return undefined;
    case 'timber':
    case 'plywood':
      return { what: 'wood', t };
    case 'laminate':
    case 'sandwich':
      return { what: 'laminate', t };
    default:
      return r.skinMetal && { what: r.skinMetal.group, t: heldThickness(r) };
  }
}

function skinRows(r: Resolved, from: From): DrillRow[] {
  return r.bolts.flatMap((b, n) => {
    const at = atBolt(r, n);
    const steps = skinSteps(at);
    return steps.map((s, i): DrillRow => ({
      part: r.skinKind === 'timber' ? 'timber' : 'skin',
      hole: b.id,
      ...from(b),
      diameter: round2(s.diameter),
      ...(skinDrilled(at) ? { through: skinDrilled(at)! } : {}),
      fastener: `${at.size.id} ${at.grade.id}`,
      note: steps.length > 1 ? `${i + 1}: ${s.note}` : s.note,
    }));
  });
}

const fastenerAt = (r: Resolved, id: string): string => {
  const { size, grade } = atBolt(
    r,
    r.bolts.findIndex((b) => b.id === id),
  );
  return `${size.id} ${grade.id}`;
};

function backingRows(r: Resolved, parts: readonly CutPart[], from: From): DrillRow[] {
  if (!ownHole(r)) return [];
  return parts.slice(1, parts.length - r.freeParts.length).flatMap((p) =>
    p.holes.map((h): DrillRow => ({
      part: p.name,
      hole: h.id,
      ...from(h),
      diameter: round2(h.d),
      through: { what: p.metal.group, t: p.thickness },
      fastener: fastenerAt(r, h.id),
      note: h.then,
    })),
  );
}

/** One bit that is laid out before drilling starts: at which speed, in what, for how many holes. */
export interface BitRow {
  readonly key: string;
  readonly text: string;
  readonly rpm: number;
  readonly what: Drilled;
  readonly holes: number;
}

/** Every bit the list asks for once for each metal, the smallest first. */
export function bitTable(rows: readonly DrillRow[], units: 'mm' | 'inch'): BitRow[] {
  const all = new Map<string, BitRow & { readonly d: number }>();
  for (const { diameter, through } of rows) {
    if (diameter === null || !through) continue;
    for (const b of drilling(diameter, through.t, through.what, units).bits) {
      const key = `${b.text} ${through.what}`;
      const before = all.get(key);
      all.set(key, { key, text: b.text, rpm: b.rpm, what: through.what, d: b.d, holes: (before?.holes ?? 0) + 1 });
    }
  }
  return [...all.values()].sort((a, b) => a.d - b.d).map(({ d: _d, ...row }) => row);
}
