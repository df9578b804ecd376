import type { Rect } from '../geometry/points';
import { boundsOf, overlap } from '../geometry/rects';
import { placeInAxes, type Place } from '../geometry/vector';
import type { FootPlace } from '../standing/stands';
import { formatQuantity } from '../units/format-quantity';
import { refuse, type Refusal } from '../units/refusal';
import type { Resolved } from './resolved';

/** Two tapes laid to one bearer agree within so much, mm (common practice). */
const TAPE = 5;

const ORIGIN: Place = { x: 0, y: 0, z: 0 };

/** A rectangle of one foot's axes in another's, where the feet stand square to each other. */
function seenFrom(from: FootPlace, foot: FootPlace, rect: Rect): Rect | undefined {
  const turn = foot.turn - from.turn;
  if (Math.abs(Math.sin(2 * turn)) > 1e-9) return undefined;
  const at = placeInAxes(foot, from, from.turn);
  const corner = (x: number, y: number) => {
    const p = placeInAxes({ x, y, z: 0 }, ORIGIN, -turn);
    return { x: at.x + p.x, y: at.y + p.y };
  };
  return boundsOf([corner(rect.x0, rect.y0), corner(rect.x1, rect.y1)]);
}

const SIDES = [
  ['x0', 'aft'],
  ['x1', 'fore'],
  ['y0', 'starboard'],
  ['y1', 'port'],
] as const;

/**
 * Feet that are said to stand on one panel: each was measured to its own bearers, which must then be the same four; a foot whose plate
 * is nowhere on the panel bends another one.
 */
export function onePanelRefusals({ job, panel }: Pick<Resolved, 'job' | 'panel'>): Refusal[] {
  const { stands, units } = job;
  const here = stands?.feet.find((f) => f.id === stands.foot);
  if (!stands || stands.on !== 'one panel' || !here?.panel) return [];
  const mm = (v: number) => formatQuantity(v, 'length', units);
  return stands.feet.flatMap((f) => (f.id === here.id ? [] : (apart(here, f, panel, mm) ?? [])));
}

function apart(here: FootPlace, f: FootPlace, panel: Rect, mm: (v: number) => string): Refusal | undefined {
  const no = (because: string, allowed: string) => refuse('standing.on', because, allowed);
  if (!f.panel)
    return no(`${f.name} stands on no panel between bearers, and not on one with ${here.name}`, 'panels of their own');
  const [theirs, plate] = [seenFrom(here, f, f.panel), seenFrom(here, f, f.plate)];
  if (!theirs || !plate)
    return no(`${f.name} stands askew to ${here.name}: their bearers are not the same four`, 'feet square to each other');
  if (!overlap(plate, panel))
    return no(`${f.name} stands past the bearers of ${here.name}: not on one panel with it`, 'panels of their own, or its place');
  const most = SIDES.map(([k, name]) => ({ name, by: Math.abs(theirs[k] - panel[k]) })).reduce((a, b) => (b.by > a.by ? b : a));
  if (most.by <= TAPE) return undefined;
  return no(
    `the ${most.name} bearer of ${here.name} lies ${mm(most.by)} from where ${f.name} has it: they are not on one panel`,
    `bearers that meet within ${mm(TAPE)}, measured again, or panels of their own`,
  );
}
