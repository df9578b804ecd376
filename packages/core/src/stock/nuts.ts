import type { FastenerClass } from './fastener-classes';
import type { ThreadFamily } from './fasteners';

/**
 * Nut classes. `fub` is the strongest bolt each may go with (ISO 898-2 Tab. 1: the nut's number is the bolt's first;
 * ISO 3506-2; SAE J995). Proof stress of the thread in MPa by nominal diameter: ISO 898-2 style 1, coarse thread
 * (from memory, held to M8 and M12 of its table of proof loads), ISO 3506-2, SAE J995 (memory: 90, 120, 150 ksi).
 */
export interface NutClass {
  readonly id: string;
  readonly family: ThreadFamily;
  readonly fub: number;
  readonly stainless: boolean;
  /** Proof stress for d up to 10, up to 16, and over 16 mm. */
  readonly proof: readonly [upTo10: number, upTo16: number, over16: number];
  readonly source: string;
}

const same = (v: number) => [v, v, v] as const;

export const NUT_CLASSES: readonly NutClass[] = [
  { id: '5', family: 'metric', fub: 500, stainless: false, proof: [580, 610, 630], source: 'ISO 898-2 (memory)' },
  { id: '8', family: 'metric', fub: 800, stainless: false, proof: [855, 870, 920], source: 'ISO 898-2 (memory)' },
  { id: '10', family: 'metric', fub: 1000, stainless: false, proof: [1040, 1050, 1060], source: 'ISO 898-2 (memory)' },
  { id: '12', family: 'metric', fub: 1200, stainless: false, proof: [1160, 1190, 1200], source: 'ISO 898-2 (memory)' },
  { id: 'A2-50', family: 'metric', fub: 500, stainless: true, proof: same(500), source: 'ISO 3506-2' },
  { id: 'A4-50', family: 'metric', fub: 500, stainless: true, proof: same(500), source: 'ISO 3506-2' },
  { id: 'A2-70', family: 'metric', fub: 700, stainless: true, proof: same(700), source: 'ISO 3506-2' },
  { id: 'A4-70', family: 'metric', fub: 700, stainless: true, proof: same(700), source: 'ISO 3506-2' },
  { id: 'A4-80', family: 'metric', fub: 800, stainless: true, proof: same(800), source: 'ISO 3506-2' },
  { id: 'Gr 2', family: 'inch', fub: 510, stainless: false, proof: same(620), source: 'SAE J995 (memory)' },
  { id: 'Gr 5', family: 'inch', fub: 827, stainless: false, proof: same(827), source: 'SAE J995 (memory)' },
  { id: 'Gr 8', family: 'inch', fub: 1034, stainless: false, proof: same(1034), source: 'SAE J995 (memory)' },
  { id: 'A563-DH', family: 'inch', fub: 1034, stainless: false, proof: same(1034), source: 'ASTM A563 DH heavy hex: 150 ksi' },
  { id: 'F594', family: 'inch', fub: 690, stainless: true, proof: same(690), source: 'ASTM F594 group 1 CW: 100 ksi' },
];

export const nutClass = (id: string): NutClass | undefined => NUT_CLASSES.find((n) => n.id === id);

/** The classes that come in a thread family. */
export const nutsFor = (family: ThreadFamily): readonly NutClass[] => NUT_CLASSES.filter((n) => n.family === family);

/** F594 nuts of group 1 from 3/4 in on are of 85 ksi metal (ASTM F594). */
const LARGE_F594 = { from: 0.75 * 25.4 - 1e-6, proof: 586 };

/** Proof stress of a nut's thread, MPa. */
export const proofStress = (n: NutClass, d: number): number =>
  n.id === 'F594' && d >= LARGE_F594.from ? LARGE_F594.proof : n.proof[d <= 10 ? 0 : d <= 16 ? 1 : 2];

/** The nut sold with a bolt class: the same stainless or inch grade, else the weakest that may go with it. */
export function matchingNut(c: Pick<FastenerClass, 'id' | 'family' | 'fub' | 'stainless'>): NutClass {
  const own = NUT_CLASSES.find((n) => n.id === c.id || (c.id === 'F593' && n.id === 'F594'));
  const found = own ?? NUT_CLASSES.find((n) => n.family === c.family && n.stainless === c.stainless && n.fub >= c.fub);
  if (!found) throw new RangeError(`no nut for class ${c.id}`);
  return found;
}
