import type { WholeJob } from '@core/job/whole-job';
import { barsCut } from '@core/shop/bars-cut';
import { packetOf, type Packet } from '@core/shop/cards/packet';
import { reportCards } from '@core/shop/cards/report';
import { saidOf } from '@core/shop/cards/said';
import { solveProgramme } from '@core/shop/solve-programme';
import type { ShopSettings } from '@core/stock/shop-settings';
import type { Refusal } from '@core/units/refusal';
import { packetPdf, type CARD_PAPERS } from './packet-pdf';

/** Which state of a job is printed, for which shop, on what. */
export interface PrintedAs {
  readonly shop: ShopSettings;
  readonly version: number;
  /** ISO day. */
  readonly today: string;
  readonly paper: keyof typeof CARD_PAPERS;
}

const issueOf = (as: Pick<PrintedAs, 'version' | 'today'>): string => `version ${as.version}, ${as.today}`;

/** Every foot’s verdict in a line, for the rows of a list. */
export const verdictWords = (whole: WholeJob): string => saidOf(whole).verdict;

/** The calculation report as PDF. */
export function jobReport(whole: WholeJob, as: PrintedAs): Promise<Buffer> {
  return packetPdf(
    reportCards(whole),
    { job: whole.name, issue: issueOf(as), paper: as.paper, ...saidOf(whole) },
    'calculation report',
  );
}

/** The packet’s cards, its bars planned. Some seconds on a large job. */
export async function cardsOf(
  whole: WholeJob,
  { shop, today }: Pick<PrintedAs, 'shop' | 'today'>,
): Promise<Packet | { readonly refusals: readonly Refusal[] }> {
  const found = await barsCut(whole, shop, solveProgramme);
  return 'refusals' in found ? found : packetOf(whole, { shop, today, bars: found.bars });
}

/** The whole packet as PDF, or the cards of one name alone; undefined where the job has none of that name. */
export async function jobPacket(
  whole: WholeJob,
  as: PrintedAs,
  only?: string,
): Promise<Buffer | undefined | { readonly refusals: readonly Refusal[] }> {
  const packet = await cardsOf(whole, as);
  if ('refusals' in packet) return packet;
  const cards = only ? packet.cards.filter((c) => c.id === only) : packet.cards;
  if (cards.length === 0) return undefined;
  return packetPdf(
    cards,
    { ...packet.said, job: whole.name, issue: issueOf(as), paper: as.paper },
    only ? cards[0]!.title : 'packet',
  );
}
