import type { Builder } from './builder';
import { beltedSeat } from './builders/belted-seat';
import { cantilever } from './builders/cantilever';
import { chainplate } from './builders/chainplate';
import { competitionSeat } from './builders/competition-seat';
import { cradle } from './builders/cradle';
import { free } from './builders/free';
import { gate } from './builders/gate';
import { ladder } from './builders/ladder';
import { lifting } from './builders/lifting';
import { mastFoot } from './builders/mast-foot';
import { mooring } from './builders/mooring';
import { recoveryPoint } from './builders/recovery-point';
import { roofUnit } from './builders/roof-unit';
import { seat } from './builders/seat';
import { suspension } from './builders/suspension';
import { towPoint } from './builders/tow-point';
import { winch } from './builders/winch';

/** Builders with their tables' names forgotten, in the order they are offered. */
export const BUILDERS = [
  seat,
  beltedSeat,
  competitionSeat,
  winch,
  towPoint,
  recoveryPoint,
  chainplate,
  mastFoot,
  mooring,
  ladder,
  cradle,
  cantilever,
  roofUnit,
  lifting,
  suspension,
  gate,
  free,
] as unknown as readonly Builder[];

export const FAMILIES = [
  'seat',
  'competition',
  'winch',
  'towing',
  'recovery',
  'rigging',
  'mast',
  'mooring',
  'ladder',
  'stowage',
  'davit',
  'roof',
  'lifting',
  'suspension',
  'gate',
  'general',
] as const;
export type Family = (typeof FAMILIES)[number];

const BY_KIND = new Map(BUILDERS.map((b) => [b.kind, b]));

/** The builder of a load. Throws on a kind the schema would not have let in. */
export function builderOf(kind: string): Builder {
  const found = BY_KIND.get(kind);
  if (!found) throw new RangeError(`no builder of kind "${kind}"`);
  return found;
}
