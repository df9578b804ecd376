import { handoverCards, recordCards, type Recorded } from '@core/prove/cards/record';
import { saidOf } from '@core/shop/cards/said';
import { onPaper } from '@core/chain/on-paper';
import { packetPdf, type CARD_PAPERS } from './packet-pdf';
import type { Photos } from './card-pages';
import { recordHtml } from './record-html';

/** What every page of a record says: of the job as it was built. */
function pageSays({ whole, side, version, today }: Recorded) {
  const feet = side.feet.map((f) => ({ name: whole.feet.length > 1 ? f.name : '', job: f.job, said: onPaper(f.job) }));
  const said = saidOf(side.asBuilt.whole, feet);
  const { notCounted } = side.asBuilt;
  const beside = notCounted.length > 0 ? `${said.notJudged} Found and not counted: ${notCounted.join('; ')}.` : said.notJudged;
  return { job: whole.name, issue: `version ${version} as built, ${today}`, ...said, notJudged: beside };
}

/** The record sheet as PDF. */
export const recordPdf = (of: Recorded, paper: keyof typeof CARD_PAPERS, photos: Photos): Promise<Buffer> =>
  packetPdf(recordCards(of), { ...pageSays(of), paper }, 'record', photos);

/** The record as a page that opens from a file. */
export const recordPage = (of: Recorded, photos: Photos): string => recordHtml(recordCards(of), pageSays(of), 'record', photos);

/** Open points and the day’s work, to hand over. */
export const handoverPdf = (of: Recorded, paper: keyof typeof CARD_PAPERS): Promise<Buffer> =>
  packetPdf(handoverCards(of), { ...pageSays(of), paper }, 'handover');
