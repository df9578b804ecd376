/**
 * Proof stress and yield of bolts for tightening, MPa, for d up to 16 mm and over: ISO 898-1 Tab. 3 (S_p, R_p0.2),
 * SAE J429 (85 and 120 ksi, 55 ksi up to 3/4 in; yields memory), ASTM F3125 (85 and 120 ksi). Stainless has no proof load, and at its R_p0.2 it is past its
 * elastic limit: nine tenths of that stand for one, as of 8.8 (580 of 640; common practice).
 */
export interface BoltProof {
  readonly proof: readonly [upTo16: number, over16: number];
  readonly yield: readonly [upTo16: number, over16: number];
}

const both = (proof: number, y: number): BoltProof => ({ proof: [proof, proof], yield: [y, y] });
/** Of a stainless by its R_p0.2. */
const stainless = (y: number): BoltProof => both(0.9 * y, y);

/** Weaker in large sizes: Gr 2 over 3/4 in proof 33 and yield 36 ksi (SAE J429), F593 from 3/4 in yield 45 ksi. */
const LARGE: Readonly<Record<string, BoltProof & { readonly from: number }>> = {
  'Gr 2': { from: 0.7501 * 25.4, ...both(228, 248) },
  F593: { from: 0.75 * 25.4 - 1e-6, ...stainless(310) },
};

export const BOLT_PROOF: Readonly<Record<string, BoltProof>> = {
  '4.6': both(225, 240),
  '5.8': both(380, 420),
  '8.8': { proof: [580, 600], yield: [640, 660] },
  '10.9': both(830, 940),
  '12.9': both(970, 1100),
  'A2-50': stainless(210),
  'A4-50': stainless(210),
  'A2-70': stainless(450),
  'A4-70': stainless(450),
  'A4-80': stainless(600),
  'Gr 2': both(379, 393),
  'Gr 5': both(586, 634),
  'Gr 8': both(827, 896),
  A325: both(586, 634),
  A490: both(827, 896),
  F593: stainless(448),
};

const at = (id: string, d: number): BoltProof => {
  const weaker = LARGE[id];
  return weaker && d >= weaker.from ? weaker : BOLT_PROOF[id]!;
};

export const proofOf = (id: string, d: number): number => at(id, d).proof[d <= 16 ? 0 : 1];
export const yieldOf = (id: string, d: number): number => at(id, d).yield[d <= 16 ? 0 : 1];
