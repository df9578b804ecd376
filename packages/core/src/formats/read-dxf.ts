import type { Point } from '../geometry/points';
import { isRefusal, refuse, type Refusal } from '../units/refusal';
import { sectionsOf, type Pair } from './dxf-pairs';

export const MAX_DXF = 2_000_000;
/** Parts of a drawing that are read at most. */
const MAX_PARTS = 50_000;
/** Farthest a point may lie from the origin, mm. */
const FARTHEST = 100_000;
const ROUNDEST = 100;

/** Millimetres to a drawing unit, by $INSUNITS (DXF reference: 1 inch, 2 foot, 4 mm, 5 cm, 6 m). */
const UNITS: Readonly<Record<number, number>> = { 1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000 };

/** A part of a drawing as it stands in the file: lengths in the drawing's unit, angles in radians. What is not read has its type and layer only. */
export interface Entity {
  readonly type: string;
  readonly layer: string;
  /** Of lines and polylines. */
  readonly vertices?: readonly (Point & { readonly bulge: number })[];
  readonly closed?: boolean;
  /** Of circles and arcs. */
  readonly center?: Point;
  readonly radius?: number;
  readonly startAngle?: number;
  readonly endAngle?: number;
}

/** A drawing that was read: its parts, millimetres to its unit, and what was taken for granted. */
export interface Drawing {
  readonly entities: readonly Entity[];
  readonly per: number;
  readonly said: readonly string[];
}

/** Opens a DXF in text form. `plain` is millimetres to a unit the file does not name. Refusals name the line. */
export function readDxf(text: string, plain: number): Drawing | Refusal {
  if (text.length > MAX_DXF) return refuse('file', `it is ${(text.length / 1e6).toFixed(1)} MB`, `up to ${MAX_DXF / 1e6} MB`);
  if (text.trim() === '') return refuse('file', 'there is nothing in it', 'a DXF in text form');
  const sections = sectionsOf(text);
  if (isRefusal(sections)) return sections;
  const header = sections.get('HEADER') ?? [];
  const named = header.findIndex((p) => p.code === 9 && p.value === '$INSUNITS');
  const code = named < 0 ? 0 : Number(header[named + 1]?.value);
  const known = UNITS[code];
  if (code !== 0 && known === undefined) return refuse('$INSUNITS', `unit ${code} is not read here`, 'inches, feet, mm, cm or m');
  const said = known === undefined ? [`The drawing names no unit; read as ${plain === 1 ? 'mm' : 'inches'}, the job’s own.`] : [];
  const per = known ?? plain;
  const entities = entitiesOf(sections.get('ENTITIES') ?? [], FARTHEST / per);
  return isRefusal(entities) ? entities : { entities, per, said };
}

/** What a part says, from its type to the next. */
interface Part {
  readonly head: Pair;
  readonly pairs: readonly Pair[];
}

function partsOf(pairs: readonly Pair[]): Part[] {
  const parts: { head: Pair; pairs: Pair[] }[] = [];
  for (const p of pairs) {
    if (p.code === 0) parts.push({ head: p, pairs: [] });
    else parts.at(-1)?.pairs.push(p);
  }
  return parts;
}

function entitiesOf(pairs: readonly Pair[], farthest: number): Entity[] | Refusal {
  const parts = partsOf(pairs);
  if (parts.length > MAX_PARTS) return refuse('file', `it has ${parts.length} parts`, `up to ${MAX_PARTS}`);
  const entities: Entity[] = [];
  for (let i = 0; i < parts.length; i++) {
    const part = parts[i]!;
    const inside: Part[] = [];
    if (part.head.value === 'POLYLINE') {
      while (parts[i + 1]?.head.value === 'VERTEX') inside.push(parts[++i]!);
      if (parts[i + 1]?.head.value !== 'SEQEND')
        return refuse(`line ${part.head.line}`, 'a polyline without its SEQEND, as if cut off', 'a whole polyline');
      i++;
    }
    const read = entityOf(part, inside, farthest);
    if (isRefusal(read)) return read;
    entities.push(read);
  }
  return entities;
}

function entityOf(part: Part, inside: readonly Part[], farthest: number): Entity | Refusal {
  const { head, pairs } = part;
  const plain = { type: head.value, layer: pairs.find((p) => p.code === 8)?.value ?? '0' };
  const no = (because: string, allowed: string) => refuse(`line ${head.line}`, `${plain.type}: ${because}`, allowed);
  let wrong: Refusal | undefined;
  /** The number at a code; NaN, and the refusal kept, where there is none that can be. */
  const at = (code: number, among = pairs, most = farthest, usual?: number): number => {
    const found = among.find((p) => p.code === code);
    if (!found && usual !== undefined) return usual;
    const v = found && found.value !== '' ? Number(found.value) : NaN;
    if (!(Math.abs(v) <= most))
      wrong ??= found
        ? refuse(`line ${found.line}`, `${plain.type}: "${found.value.slice(0, 30)}"`, `a number from ${-most} to ${most}`)
        : no(`code ${code} is missing`, 'a whole part');
    return v;
  };
  const flags = Number(pairs.find((p) => p.code === 70)?.value ?? 0);
  switch (plain.type) {
    case 'LINE': {
      const vertices = [
        { x: at(10), y: at(20), bulge: 0 },
        { x: at(11), y: at(21), bulge: 0 },
      ];
      return wrong ?? { ...plain, vertices };
    }
    case 'CIRCLE':
    case 'ARC': {
      const round = { ...plain, center: { x: at(10), y: at(20) }, radius: at(40) };
      if (!wrong && !(round.radius > 0)) return no(`a radius of ${round.radius}`, 'over 0');
      const arc =
        plain.type === 'ARC' ? { startAngle: radians(at(50, pairs, 3600)), endAngle: radians(at(51, pairs, 3600)) } : {};
      return wrong ?? fromAbove(part) ?? { ...round, ...arc };
    }
    case 'LWPOLYLINE': {
      const corners = cornersIn(pairs);
      const said = pairs.find((p) => p.code === 90)?.value;
      if (said !== undefined && Number(said) !== corners.length)
        return no(`it says ${said} corners and has ${corners.length}`, 'as many as it says');
      const vertices = corners.map((c) => ({ x: at(10, c), y: at(20, c), bulge: at(42, c, ROUNDEST, 0) }));
      return wrong ?? fromAbove(part) ?? { ...plain, vertices, closed: (flags & 1) === 1 };
    }
    case 'POLYLINE': {
      // Meshes and fitted curves are not what is cut.
      if (flags & ~(1 | 8 | 128)) return { ...plain, type: flags & 6 ? 'SPLINE' : 'MESH' };
      const vertices = inside.map(({ pairs: c }) => ({ x: at(10, c), y: at(20, c), bulge: at(42, c, ROUNDEST, 0) }));
      return wrong ?? fromAbove(part) ?? { ...plain, vertices, closed: (flags & 1) === 1 };
    }
    default:
      return plain;
  }
}

/** Pairs of a light polyline dealt to its corners; each starts with its x. */
function cornersIn(pairs: readonly Pair[]): Pair[][] {
  const corners: Pair[][] = [];
  for (const p of pairs) {
    if (p.code === 10) corners.push([p]);
    else corners.at(-1)?.push(p);
  }
  return corners;
}

const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** Flat parts carry the direction they are looked at from; seen from behind they would come in mirrored. */
function fromAbove({ head, pairs }: Part): Refusal | undefined {
  const [x, y, z] = [210, 220, 230].map((code, i) => Number(pairs.find((p) => p.code === code)?.value ?? (i === 2 ? 1 : 0)));
  if (x === 0 && y === 0 && z === 1) return undefined;
  return refuse(
    `line ${head.line}`,
    `${head.value}: drawn on a plane facing ${x}, ${y}, ${z}`,
    'drawn flat, seen from above (0, 0, 1)',
  );
}
