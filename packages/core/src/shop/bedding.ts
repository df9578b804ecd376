import { regionArea } from '../geometry/region';
import { productFor, USUAL_TEMPERATURE, type Making } from '../job/making';
import type { Resolved } from '../job/resolve';
import { COAT, USUAL_BED, type CureStep, type Product, type ProductUse } from '../stock/products';
import { isRefusal, type Refusal } from '../units/refusal';
import type { Step } from '../working/steps';
import { cureTime, degrees, potLifeAt } from './cure';
import { cutParts, holeArea } from './cut-parts';
import { batchFor, type Batch } from './mixing';

/** One thing that is filled, bedded, glued or painted at a foot. */
export interface BedJob {
  readonly use: ProductUse;
  readonly what: string;
  readonly product: Product;
  /** Nobody has put in the maker’s sheet. */
  readonly assumed: boolean;
  /** mm³ that stay, and how they come about. */
  readonly volume: number;
  readonly from: string;
  readonly batch: Batch | Refusal;
  /** Minutes in the pot at the temperature, and batches so that each is used in two thirds of them. */
  readonly pot: number;
  readonly steps: readonly string[];
  readonly cures: readonly { readonly step: CureStep; readonly hours: number | Refusal; readonly working: readonly Step[] }[];
}

/** Resin of a plug, less the bolt’s hole that is drilled again; and how deep. mm³. */
const plugVolume = (r: Resolved): number => r.bolts.length * (Math.PI / 4) * r.joint.tubeOutside ** 2 * r.skinThickness;

/** What a foot takes besides metal at a temperature, in the order it is done; nothing of one that is fitted dry and bare. */
export function beddingOf(r: Resolved, making: Making | undefined, celsius = making?.temperature ?? USUAL_TEMPERATURE): BedJob[] {
  return [...filled(r), ...painted(r), ...bedded(r)].map(({ use, ...job }) => {
    const { product, assumed } = productFor(making, use);
    return {
      ...job,
      use,
      product,
      assumed,
      batch: batchFor(product, job.volume),
      pot: potLifeAt(product, celsius),
      cures: product.cure.map(({ step, points }) => {
        const found = cureTime(product, points, celsius);
        return isRefusal(found) ? { step, hours: found, working: [] } : { step, hours: found.hours, working: found.steps };
      }),
    };
  });
}

type Wanted = Pick<BedJob, 'use' | 'what' | 'volume' | 'from' | 'steps'>;

function filled(r: Resolved): Wanted[] {
  if (r.joint.sleeve !== 'plug' || r.bolts.length === 0) return [];
  return [
    {
      use: 'filler',
      what: `${r.bolts.length} plugs round the bolts`,
      volume: plugVolume(r),
      from: 'n·π/4·D²·t, the holes full',
      steps: [
        'Overdrill, clear the core, vacuum; tape the far side shut.',
        'Wet the sides with unthickened resin, then fill from the bottom up.',
        'Let it cure for the time to drill, then drill again at the bolt’s size.',
      ],
    },
  ];
}

/** Steel in the weather is painted; stainless, alloy and laminate are left. */
function painted(r: Resolved): Wanted[] {
  const { place } = r.job.joint;
  const steel = cutParts(r).filter((p) => p.metal.group === 'steel');
  if ((place !== 'weather' && place !== 'salt') || steel.length === 0) return [];
  const area = paintedArea(r);
  return [
    {
      use: 'paint',
      what: `${COAT.coats} coats on ${(area / 1e6).toFixed(2)} m² of steel`,
      volume: (area * COAT.coats * COAT.film) / COAT.solids,
      from: 'area·coats·film over solids',
      steps: [
        'Abrade to bright metal, round every edge, degrease, and paint before it blooms.',
        'Keep faying faces that must not slip bare; mask threads.',
        'Next coat when the time is up, and no later than its sheet says.',
      ],
    },
  ];
}

/** Both faces of every steel part that is cut, mm². */
export const paintedArea = (r: Resolved): number =>
  cutParts(r)
    .filter((p) => p.metal.group === 'steel' && !p.roundBolts)
    .reduce((sum, p) => sum + 2 * p.count * (regionArea(p.region) - p.holes.reduce((a, h) => a + holeArea(h), 0)), 0);

function bedded(r: Resolved): Wanted[] {
  const { bedding } = r.joint;
  if (bedding === 'dry') return [];
  const area = regionArea(r.region) - r.bolts.length * (Math.PI / 4) * r.d0 ** 2;
  if (bedding === 'bonded') {
    const t = r.bond.line;
    return [
      {
        use: 'adhesive',
        what: `glue line of ${t} mm under the plate`,
        volume: area * t,
        from: 'area less its holes, times the glue line',
        steps: [
          'Both faces abraded, wiped one way with clean rags, dry, and warm before it is mixed.',
          'Spread on both, press down on spacers of the glue line, clamp evenly; no more than snug.',
          'Clamps stay on for their time at the temperature of the part, not of the room.',
        ],
      },
    ];
  }
  return [
    {
      use: 'sealant',
      what: 'bed under the plate and a ring in each hole’s bevel',
      volume: area * USUAL_BED,
      from: `area less its holes, times ${USUAL_BED} mm (common practice)`,
      steps: [
        'Bevel every hole in the skin for a ring of sealant; abrade, degrease, prime by its sheet.',
        'Bead round each hole and along the edges, none left open; bolts wetted.',
        'Draw down until it comes out all round; tighten fully when the rest has set, so that it is not all squeezed out.',
      ],
    },
  ];
}

/** "24 h at 18 °C" or why not. */
export const cureWords = (c: BedJob['cures'][number], celsius: number): string =>
  isRefusal(c.hours) ? `${c.hours.because}: ${c.hours.allowed}` : `${hoursWords(c.hours)} at ${degrees(celsius)}`;

/** To the half hour under a day, else to the hour; never down. */
export const hoursWords = (h: number): string => `${h < 24 ? Math.ceil(h * 2) / 2 : Math.ceil(h)} h`;
