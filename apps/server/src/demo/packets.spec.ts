import { barsCut } from '@core/shop/bars-cut';
import { workCards } from '@core/shop/cards/packet';
import { madeOf, type MadeOf } from '@core/shop/made-of';
import { USUAL_SHOP } from '@core/stock/shop-settings';
import { packetPdf } from '@paper/packet-pdf';
import { DEMO_RACK } from './lake-sorrow';

const says = { job: 'x', issue: 'version 1', holds: true, verdict: 'Checked', notJudged: '', caution: '', paper: 'a4' } as const;

it.each(DEMO_RACK.map((j) => [j.id, j] as const))('%s gives every card of its packet', async (_id, job) => {
  const of = madeOf(job) as MadeOf;
  // By first-fit alone: the programme is asked elsewhere.
  const cut = await barsCut(job, USUAL_SHOP, async () => undefined);
  if ('refusals' in cut) throw new Error('refused');
  const cards = workCards(of, { shop: USUAL_SHOP, today: '2026-03-04', bars: cut.bars });
  const ids = cards.map((c) => c.id);
  for (const id of ['parts', 'route', 'buy']) expect(ids).toContain(id);
  expect(ids.includes('drill')).toBe(of.feet.some(({ r }) => r.bolts.length > 0));
  expect(ids.includes('torque')).toBe(of.feet.some(({ r }) => r.bolts.length > 0));
  expect(ids.includes('bars')).toBe(cut.bars.length > 0);
  expect(ids.includes('lift')).toBe(job.making?.lift !== undefined);
  // Nothing is refused: the scenario can be made.
  const loud = cards.flatMap((c) => c.blocks.flatMap((b) => (b.kind === 'words' && b.loud ? [b.text] : [])));
  expect(loud.filter((t) => t.includes('— allowed:'))).toEqual([]);
  // On paper the one with most to say: setting every one of them takes long.
  if (job.id === 'rail-on-three-pads') expect((await packetPdf(cards, says)).subarray(0, 5).toString()).toBe('%PDF-');
});
