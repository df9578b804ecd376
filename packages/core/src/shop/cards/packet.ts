import { cautionsFor } from '../../chain/cautions';
import { onPaper } from '../../chain/on-paper';
import { fittingGoodFor } from '../../chain/feet';
import { times } from '../../chain/headline';
import type { WholeJob } from '../../job/whole-job';
import { assumedValues } from '../../job/values';
import type { ShopSettings } from '../../stock/shop-settings';
import { isRefusal, type Refusal } from '../../units/refusal';
import { buyList, type BarsCut } from '../buy-list';
import { calendarOf } from '../calendar';
import { madeOf, type MadeOf } from '../made-of';
import { routeOf } from '../route';
import { scheduled, type Schedule } from '../schedule';
import { sheetsWanted } from '../sheets-wanted';
import { beddingCards, bendCards, drillCards, torqueCards, weldCards } from './bench';
import { boundsOf } from '../../geometry/rects';
import { cornersOf } from '../../geometry/polygons';
import type { Point } from '../../geometry/points';
import { cutParts } from '../cut-parts';
import { head, loud, perFoot, words, type Block, type Card, type Picture, type Shape } from './card';
import { partPicture } from './plate-picture';
import { barsCard, sheetsCard } from './cut-plans';
import { partsCard } from './parts';
import { saidOf, type SaidOnPages } from './said';
import { laminateCards } from './laminate';
import { buyCard, liftCards, routeCard } from './plan';

/** What a packet is made from besides the job. */
export interface PacketFrom {
  readonly shop: ShopSettings;
  /** ISO day. */
  readonly today: string;
  readonly bars: readonly BarsCut[];
}

/** All cards of a job, in the order they are worked by. */
export interface Packet {
  readonly cards: readonly Card[];
  readonly said: SaidOnPages;
}

/** The route of a job on the shop’s days. */
export function planOf(of: MadeOf, shop: ShopSettings, today: string): Schedule | Refusal {
  const calendar = calendarOf(shop, of.whole.making, today);
  return isRefusal(calendar) ? calendar : scheduled(routeOf(of, shop), calendar);
}

/** Everything the bench needs, judged anew: up to some seconds on several feet. Refuses a job that cannot be made. */
export function packetOf(whole: WholeJob, { shop, today, bars }: PacketFrom): Packet | { readonly refusals: readonly Refusal[] } {
  const of = madeOf(whole);
  if ('refusals' in of) return of;
  const feet = of.feet.map((f) => ({ ...f, said: onPaper(f.job) }));
  const said = saidOf(whole, feet);
  return {
    said,
    cards: [coverCard(whole, feet, said.holds), ...workCards(of, { shop, today, bars })],
  };
}

/** All cards but the cover, which alone takes judging. */
export function workCards(of: MadeOf, { shop, today, bars }: PacketFrom): Card[] {
  const { whole } = of;
  const found = sheetsWanted(whole, shop.sheetCut, shop.offcuts);
  const sheets = 'wanted' in found ? found.wanted : [];
  return [
    partsCard(of),
    ...sheetsCard(sheets, whole.units),
    ...barsCard(bars, whole.units),
    ...bendCards(of),
    ...laminateCards(of),
    ...drillCards(of),
    ...weldCards(of),
    ...beddingCards(of),
    ...torqueCards(of),
    ...liftCards(whole),
    routeCard(planOf(of, shop, today), shop, whole.making),
    buyCard(buyList({ of, sheets, bars, shop }), whole, shop),
  ];
}

/** The plate, or where the plates of all feet stand. */
function keyPicture(feet: readonly Said[]): Picture {
  const [first] = feet;
  if (feet.length === 1) return partPicture(cutParts(first!.r)[0]!);
  const stands = first!.job.stands!.feet;
  const corner = (p: Point, i: number): Point => {
    const { x, y, turn } = stands[i]!;
    return { x: x + p.x * Math.cos(turn) - p.y * Math.sin(turn), y: y + p.x * Math.sin(turn) + p.y * Math.cos(turn) };
  };
  const plates = feet.map(({ r }, i) => cornersOf(r.plate).map((p) => corner(p, i)));
  const b = boundsOf(plates.flat());
  const size = Math.max(b.x1 - b.x0, b.y1 - b.y0);
  return {
    bounds: boundsOf(plates.flat(), size * 0.06),
    shapes: [
      ...plates.map((p): Shape => ({ region: { outer: p.map((v) => ({ ...v, bulge: 0 })), openings: [] }, look: 'metal' })),
      ...feet.map((f, i): Shape => {
        const high = boundsOf(plates[i]!);
        return { at: { x: (high.x0 + high.x1) / 2, y: high.y1 + size / 40 }, text: f.name, size: size / 40, dark: true };
      }),
    ],
  };
}

type Said = MadeOf['feet'][number] & { readonly said: ReturnType<typeof onPaper> };

function coverCard(whole: WholeJob, feet: readonly Said[], holds: boolean): Card {
  const least = feet.length > 1 ? fittingGoodFor(whole) : undefined;
  const cautions = [
    ...new Set(feet.flatMap((f) => cautionsFor(f.job).filter((c) => !/^Not judged|assumed, not measured/.test(c)))),
  ];
  const verdicts = perFoot(feet, 'cover', '', ({ said }) => [
    said.holds ? head(said.verdict) : loud(said.verdict),
    ...said.figures.map((f) => words(`${f}.`)),
    words(said.notJudged),
  ]);
  const assumed = perFoot(feet, 'cover', '', ({ job }): Block[] => {
    const open = assumedValues(job);
    return open.length === 0 ? [] : [{ kind: 'list', tick: true, items: open.map((a) => `${a.label}: ${a.value.text}`) }];
  });
  const named = (cards: readonly Card[]): Block[] => cards.flatMap((c) => [...(c.of ? [head(c.of)] : []), ...c.blocks]);
  return {
    id: 'cover',
    title: holds ? 'Packet' : 'Packet: DOES NOT HOLD AS IT IS',
    of: '',
    blocks: [
      ...(whole.note ? [words(whole.note)] : []),
      {
        kind: 'picture',
        picture: keyPicture(feet),
        says:
          feet.length > 1 ? 'The feet from above, x forward, y to port' : 'The mounting plate from above, x forward, y to port',
      },
      ...(least
        ? [head(least.known ? `The fitting is good for ${times(least.at)} × its load: ${least.link}` : least.because)]
        : []),
      ...named(verdicts),
      ...(assumed.length > 0 ? [head('ASSUMED, not measured: measure before cutting'), ...named(assumed)] : []),
      head('Cautions'),
      { kind: 'list', items: cautions },
      { kind: 'sign', text: 'Checked by' },
      { kind: 'sign', text: 'Made by' },
    ],
  };
}
