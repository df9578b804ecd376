/** Kinds of nuts and lock washers, how hot they may get and how often they may be used again (common practice; makers' sheets go first). */
export interface LockingKind {
  readonly id: string;
  readonly name: string;
  /** Hottest they hold, °C. */
  readonly upTo: number;
  readonly again: string;
  /** Height over the nominal diameter; a full nut's own where undefined (ISO 7040, 7042, 4161; memory). */
  readonly height?: number;
  readonly says: string;
}

export const NUT_KIND_IDS = ['plain', 'nylon', 'all-metal', 'flange', 'jam'] as const;

export const NUT_KINDS: readonly LockingKind[] = [
  {
    id: 'plain',
    name: 'plain hexagon',
    upTo: 300,
    again: 'while the thread runs free',
    says: 'Holds by preload; check it after first use.',
  },
  {
    id: 'nylon',
    name: 'prevailing torque, nylon insert',
    upTo: 120,
    again: 'once or twice',
    height: 1.25,
    says: 'Not near heat or welds; a new one when the insert no longer grips.',
  },
  {
    id: 'all-metal',
    name: 'prevailing torque, all metal',
    upTo: 300,
    again: 'a few times',
    height: 1.15,
    says: 'For heat; grease stainless ones, they gall.',
  },
  {
    id: 'flange',
    name: 'flange, serrated',
    upTo: 300,
    again: 'bites the paint each time',
    height: 1,
    says: 'Needs no washer; the bite breaks zinc and paint.',
  },
  {
    id: 'jam',
    name: 'jam nut pair',
    upTo: 300,
    again: 'as plain',
    says: 'Thin nut first, full nut on it; the full nut carries.',
  },
];

export const WASHER_KINDS: readonly LockingKind[] = [
  { id: 'plain', name: 'plain, ISO 7089', upTo: 300, again: 'always', says: 'Under whatever turns.' },
  { id: 'large', name: 'large, ISO 7093', upTo: 300, again: 'while flat', says: 'Soft skins: but see Washer dishing.' },
  {
    id: 'structural',
    name: 'structural, hardened, EN 14399-6',
    upTo: 300,
    again: 'always',
    says: 'With preloaded structural bolts, chamfer to the head.',
  },
  { id: 'spherical', name: 'spherical pair', upTo: 300, again: 'always', says: 'Takes a face out of square up to 3°.' },
  {
    id: 'plate',
    name: 'plate washer, cut',
    upTo: 300,
    again: 'always',
    says: 'As large and thick as the skin asks: far side, plate washers.',
  },
  {
    id: 'spring',
    name: 'spring lock',
    upTo: 300,
    again: 'never counted',
    says: 'Flattens at low clamping and locks nothing on structure.',
  },
  {
    id: 'wedge',
    name: 'wedge lock pair',
    upTo: 300,
    again: 'several times',
    says: 'Locks by preload under vibration; both faces hard.',
  },
];
