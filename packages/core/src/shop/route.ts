import { productFor, type Making } from '../job/making';
import { assumedValues } from '../job/values';
import type { ShopSettings } from '../stock/shop-settings';
import { COAT, type CureStep } from '../stock/products';
import { beddingOf, paintedArea } from './bedding';
import { bendOrder } from './bend-order';
import { drillList } from './drill-list';
import { drilling } from './drilling';
import type { MadeOf } from './made-of';
import type { ListedPart } from './part-list';
import type { Operation } from './schedule';
import { tightenTo } from './tightening';
import { weldOrder, type WeldCard } from './weld-order';

/** Minutes of work on what a job is made of, by the shop’s own rates. */
export interface Work {
  readonly cut: number;
  readonly saw: number;
  readonly mark: number;
  readonly drill: number;
  readonly bend: number;
  readonly weld: number;
  readonly tack: number;
  readonly coat: number;
  readonly bolts: number;
  readonly measure: number;
  /** m of edge; pieces. */
  readonly edge: number;
  readonly pieces: number;
  readonly bolted: number;
  /** m of 4 mm throat. */
  readonly welded: number;
  /** m². */
  readonly painted: number;
}

/** Thicker metal cuts slower: 1 in 6 mm (common practice). */
const slow = (t: number): number => 0.5 + t / 12;
const pieces = (p: ListedPart): number => p.count + p.mirrored;

const weldedMetres = (w: WeldCard): number =>
  w.runs.reduce(
    (sum, x) => sum + ((x.stitch ? x.stitch.count * x.stitch.long : x.length) / 1000) * Math.max(1, (x.throat / 4) ** 2),
    0,
  );

export function workOf({ whole, parts, feet }: MadeOf, { rates }: Pick<ShopSettings, 'rates'>): Work {
  const flat = parts.filter((p) => !p.part.sawn);
  const sawn = parts.filter((p) => p.part.sawn);
  const edge = flat.reduce((sum, p) => sum + (pieces(p) * p.perimeter) / 1000, 0);
  // Of a pair both hands are made and fitted.
  const each = feet.flatMap((f) => Array.from({ length: f.hands }, () => f));
  const welds = each.flatMap(({ r }) => weldOrder(r) ?? []);
  const welded = welds.reduce((sum, w) => sum + weldedMetres(w), 0);
  const coated = each.filter(({ r }) => beddingOf(r, whole.making).some((b) => b.use === 'paint'));
  const painted = coated.reduce((sum, { r }) => sum + paintedArea(r), 0) / 1e6;
  const holes = each.flatMap(({ job, r }) => drillList(job, r)).filter((h) => h.diameter !== null && h.through);
  const bends = each.reduce((sum, { r }) => sum + bendOrder(r).length, 0);
  const bolted = each.reduce((sum, { r }) => sum + r.bolts.length, 0);
  const turning = holes.reduce((sum, h) => sum + drilling(h.diameter!, h.through!.t, h.through!.what, whole.units).minutes, 0);
  return {
    cut: flat.reduce((sum, p) => sum + ((pieces(p) * p.perimeter) / 1000) * slow(p.part.thickness) * rates.cutMinutes, 0),
    saw: sawn.reduce((sum, p) => sum + pieces(p) * rates.sawMinutes, 0),
    mark: parts.reduce((sum, p) => sum + pieces(p), 0) * rates.markMinutes,
    drill: turning + holes.length * rates.holeMinutes,
    bend: bends * rates.bendMinutes,
    weld: welded * rates.weldMinutes,
    tack: welds.reduce((sum, w) => sum + 5 + 2 * w.runs.length, 0),
    coat: painted * COAT.coats * rates.coatMinutes,
    bolts: bolted * rates.boltMinutes,
    measure:
      feet.reduce((sum, { job }) => sum + assumedValues(job).filter((a) => a.stage === 'measure').length, 0) *
      rates.measureMinutes,
    edge,
    pieces: parts.reduce((sum, p) => sum + pieces(p), 0),
    bolted,
    welded,
    painted,
  };
}

/** Fit a foot dry, and check it; tidy up. Minutes (common practice). */
const FIT = 25;
const CHECK = 10;
const CLEAN = 12;
const PROOF = 45;
const LIFT = 60;
/** Hours until a welded part is handled. */
const COOL = 0.5;
/** Bedding goes on and is pressed within its pot life. */
const BED = 20;

/** What is known while a route is written. */
interface Told {
  readonly making: Making | undefined;
  readonly work: Work;
  readonly shop: Pick<ShopSettings, 'rates'>;
  readonly of: MadeOf;
  readonly uses: ReadonlySet<string>;
}

type Unlinked = Omit<Operation, 'after' | 'hands'> & { readonly after?: readonly string[]; readonly hands?: 2 };

/** Operations one after another, as they are added. */
class Route {
  readonly operations: Operation[] = [];
  last: readonly string[] = [];
  constructor(private readonly told: Told) {}

  /** After those before it, where it is there. */
  add(there: boolean, { after = this.last, hands, ...o }: Unlinked): void {
    if (!there) return;
    const notBefore = this.told.making?.notBefore?.[o.id];
    this.operations.push({ ...o, hands: hands ?? 1, after: [...after], ...(notBefore ? { notBefore } : {}) });
    this.last = [o.id];
  }

  /** Beside each other, all after those before them. */
  beside(strands: readonly (readonly [there: boolean, o: Unlinked])[]): void {
    const start = this.last;
    const there = strands.filter(([is]) => is);
    for (const [, o] of there) this.add(true, { ...o, after: start });
    this.last = there.length > 0 ? there.map(([, o]) => o.id) : start;
  }
}

/**
 * The route of a job from measuring to its proof, with only the operations it has. Names of the trade; minutes by the shop’s rates;
 * what must be signed before going on.
 */
export function routeOf(of: MadeOf, shop: Pick<ShopSettings, 'rates'>): Operation[] {
  const { making } = of.whole;
  const uses = new Set(of.feet.flatMap(({ r }) => beddingOf(r, making)).map((b) => b.use));
  const told: Told = { making, work: workOf(of, shop), shop, of, uses };
  const route = new Route(told);
  before(route, told);
  inShop(route, told);
  fitted(route, told);
  inPlace(route, told);
  return hired(route.operations, making);
}

function before(route: Route, { work, making }: Told): void {
  route.add(work.measure > 0, {
    id: 'measure',
    name: 'Measure',
    says: 'what is still assumed, both sides',
    minutes: work.measure,
    hold: 'every assumed value measured',
  });
  route.add(making?.trial !== undefined && making.trial !== 'none', {
    id: 'trial',
    name: 'Trial part',
    says: `in ${making?.trial}, by the 1:1 template, tried in place`,
    minutes: work.mark / Math.max(1, work.pieces) + 20,
    hold: 'trial part fits',
  });
}

function inShop(route: Route, { work, making, shop, of, uses }: Told): void {
  const { parts } = of;
  const start = route.last;
  route.beside([
    [
      parts.some((p) => !p.part.sawn),
      {
        id: 'cut',
        name: 'Mark out and cut',
        says: 'plates from the sheets',
        minutes: work.cut + work.mark,
        machine: 'plasma or guillotine',
      },
    ],
    [
      parts.some((p) => p.part.sawn),
      { id: 'saw', name: 'Saw', says: 'bars and tubes to their stops', minutes: work.saw, machine: 'saw' },
    ],
  ]);
  route.add(work.drill > 0, {
    id: 'drill',
    name: 'Drill',
    says: `${work.bend > 0 ? 'flat, along the blank, before it is bent; ' : ''}stacks clamped and drilled as one, burrs off both sides`,
    minutes: work.drill,
    machine: 'drill press',
  });
  route.add(work.bend > 0, {
    id: 'bend',
    name: 'Bend',
    says: 'in the order of the bend card',
    minutes: work.bend,
    machine: 'press or vise',
  });
  if (!uses.has('filler')) return;
  const made = route.last;
  const filler = productFor(making, 'filler').product;
  route.add(true, {
    id: 'fill',
    name: 'Overdrill and fill',
    says: 'clear the core, fill with thickened resin',
    minutes: 15 + 6 * work.bolted,
    whole: true,
    after: start,
    ...cureAs(filler, 'drill'),
  });
  route.add(true, {
    id: 'redrill',
    name: 'Drill again',
    says: 'through the cured plugs, by the plate',
    minutes: shop.rates.holeMinutes * work.bolted,
    after: [...new Set(['fill', ...made])],
  });
}

const outside = (making: Making | undefined): Pick<Operation, 'outdoors'> => (making?.outdoors ? { outdoors: true } : {});

/** What is tried when a job is fitted dry: what is put under it, and both hands where there are two. */
function fitWords({ feet }: MadeOf): string {
  const packed = (spacers: boolean) =>
    feet.some(({ r }) => (r.joint.packing === 'spacers') === spacers && r.bolts.some((b) => b.packed > 0));
  return [
    feet.length > 1 ? 'every foot' : feet.some((f) => f.hands === 2) ? 'both hands' : 'in its place',
    packed(true) ? 'on its spacers' : '',
    packed(false) ? 'with its packers' : '',
    'gaps measured',
  ]
    .filter(Boolean)
    .join(', ');
}

function fitted(route: Route, { work, making, of, uses }: Told): void {
  const n = of.feet.reduce((sum, f) => sum + f.hands, 0);
  route.add(true, {
    id: 'fit',
    name: 'Fit dry',
    says: fitWords(of),
    minutes: FIT * n,
    hands: 2,
    hold: 'it fits, square and in place',
    ...outside(making),
  });
  route.add(work.weld > 0, {
    id: 'tack',
    name: 'Tack',
    says: 'from the middle of each side out',
    minutes: work.tack,
    machine: 'welder',
  });
  route.add(work.weld > 0, {
    id: 'check',
    name: 'Check before welding',
    says: 'square, height, both hands',
    minutes: CHECK * n,
    hold: 'square and in place before welding',
  });
  route.add(work.weld > 0, {
    id: 'weld',
    name: 'Weld',
    says: 'in the order of the weld card',
    minutes: work.weld,
    machine: 'welder',
    waitHours: COOL,
  });
  route.add(true, { id: 'clean', name: 'Clean', says: 'bright metal, edges rounded, degreased', minutes: CLEAN * n });
  if (!uses.has('paint')) return;
  const paint = productFor(making, 'paint').product;
  for (let i = 1; i <= COAT.coats; i++)
    route.add(true, {
      id: `coat-${i}`,
      name: `Coat ${i}`,
      says: paint.name,
      minutes: work.coat / COAT.coats,
      whole: true,
      ...cureAs(paint, i < COAT.coats ? 'next coat' : 'load'),
    });
}

function inPlace(route: Route, { work, making, of, uses }: Told): void {
  const glued = uses.has('adhesive');
  const glue = glued ? 'adhesive' : uses.has('sealant') ? 'sealant' : undefined;
  route.add(making?.lift !== undefined || making?.hired?.for === 'lift', {
    id: 'lift',
    name: 'Lift into place',
    says: 'trial lift a hand high first; nobody under it',
    minutes: LIFT,
    hands: 2,
    whole: true,
    hold: 'slings and hook looked at by whoever lifts',
    ...outside(making),
  });
  if (glue) {
    const { product } = productFor(making, glue);
    route.add(true, {
      id: 'bed',
      name: glued ? 'Glue and clamp' : 'Bed',
      says: `${product.name}, drawn down until it comes out all round`,
      minutes: BED * of.feet.reduce((sum, f) => sum + f.hands, 0) + work.bolts / 2,
      hands: 2,
      whole: true,
      ...cureAs(product, glued ? 'clamps off' : 'load'),
    });
  }
  route.add(work.bolted > 0, {
    id: 'tighten',
    name: 'Tighten',
    says: 'by the torque card, witness marks',
    minutes: work.bolts,
    ...(glued ? cureAs(productFor(making, 'adhesive').product, 'load') : {}),
  });
  route.add(true, {
    id: 'proof',
    name: 'Prove',
    says: 'proof pull or trial use, before it goes into service',
    minutes: PROOF,
    hands: 2,
    whole: true,
    hold: 'proof passed and written down',
    ...outside(making),
  });
  route.add(
    of.feet.some(({ r }) => r.bolts.length > 0 && tightenTo(r).torque !== undefined),
    {
      id: 're-torque',
      name: 'Tighten again',
      says: 'after first use, then as the inspection says',
      minutes: work.bolts / 2,
    },
  );
}

function cureAs(product: ReturnType<typeof productFor>['product'], step: CureStep): Pick<Operation, 'cure'> {
  const found = product.cure.find((c) => c.step === step) ?? product.cure.at(-1);
  return found ? { cure: { product, points: found.points, step: found.step } } : {};
}

/** The operation that a machine is hired for bears its name. */
const hired = (route: readonly Operation[], making: Making | undefined): Operation[] =>
  route.map((o) => (making?.hired?.for === o.id ? { ...o, machine: making.hired.what, whole: true as const } : o));
