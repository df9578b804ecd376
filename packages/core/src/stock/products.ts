/** What is bedded, glued and filled with, until the maker’s own sheet is put in. Invented round figures of their kind; always marked as assumed. */

/** When a mix may be asked something of. */
export const CURE_STEPS = ['clamps off', 'drill', 'load', 'next coat'] as const;
export type CureStep = (typeof CURE_STEPS)[number];

/** So long at so many °C. */
export interface CurePoint {
  readonly at: number;
  readonly hours: number;
}

export interface Product {
  readonly name: string;
  /** Resin to hardener; nothing of a product that comes ready from its cartridge. */
  readonly mix?: {
    readonly resin: number;
    readonly hardener: number;
    readonly by: 'weight' | 'volume';
    /** Of each, g/cm³. */
    readonly resinDensity: number;
    readonly hardenerDensity: number;
  };
  /** ml in one cartridge, of what comes in them. */
  readonly cartridge?: number;
  /** Minutes that it can be worked. */
  readonly potLife: { readonly at: number; readonly minutes: number };
  /** °C it may be used at. */
  readonly from: number;
  readonly to: number;
  readonly cure: readonly { readonly step: CureStep; readonly points: readonly CurePoint[] }[];
}

/** How far a batch goes: it heats itself in the pot, so no more is mixed than is used in two thirds of its life (common practice). */
export const POT_PART = 2 / 3;

/** Of what is mixed: left in pots, brushes and squeezed out (common practice). */
export const MIX_WASTE = 0.15;

/** A two-part epoxy of the common kind: weighed two to one. */
const EPOXY = {
  mix: { resin: 100, hardener: 50, by: 'weight', resinDensity: 1.15, hardenerDensity: 1.0 },
  from: 10,
  to: 35,
} as const;
/** Set, and hard through: between the two temperatures by the makers' usual day against a half. */
const SET = [
  { at: 15, hours: 24 },
  { at: 25, hours: 10 },
] as const;
const HARD = [
  { at: 15, hours: 96 },
  { at: 25, hours: 48 },
] as const;

export const USUAL_PRODUCTS = {
  adhesive: {
    ...EPOXY,
    name: 'epoxy adhesive',
    potLife: { at: 20, minutes: 40 },
    cure: [
      { step: 'clamps off', points: SET },
      { step: 'load', points: HARD },
    ],
  },
  filler: {
    ...EPOXY,
    name: 'thickened epoxy',
    potLife: { at: 20, minutes: 25 },
    cure: [
      { step: 'drill', points: SET },
      { step: 'load', points: HARD },
    ],
  },
  sealant: {
    name: 'polyurethane sealant',
    cartridge: 310,
    potLife: { at: 20, minutes: 45 },
    from: 5,
    to: 40,
    cure: [{ step: 'load', points: [{ at: 20, hours: 72 }] }],
  },
  paint: {
    name: 'two-pack primer',
    mix: { resin: 4, hardener: 1, by: 'volume', resinDensity: 1.4, hardenerDensity: 1.0 },
    potLife: { at: 20, minutes: 240 },
    from: 10,
    to: 35,
    cure: [
      { step: 'next coat', points: [{ at: 20, hours: 6 }] },
      { step: 'load', points: [{ at: 20, hours: 24 }] },
    ],
  },
} as const satisfies Readonly<Record<string, Product>>;
export type ProductUse = keyof typeof USUAL_PRODUCTS;
export const PRODUCT_USES = Object.keys(USUAL_PRODUCTS) as ProductUse[];

/** Dry film of a coat, mm, what of the pot stays on the part, and coats on bare metal (common practice). */
export const COAT = { film: 0.06, solids: 0.5, coats: 2 } as const;
/** A bed of sealant squeezed down, where the job says no thickness, mm; and a bead round a bolt's hole. */
export const USUAL_BED = 1.5;

/** Cloth of a hand lay-up, g/m²; its glass content by mass, and what is cut larger all round, mm (common practice). */
export const LAYUP = { cloth: 600, glass: 0.5, spare: 20 } as const;
