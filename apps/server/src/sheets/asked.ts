import * as z from 'zod';
import { WIDEST_KERF } from '@core/shop/cut-shape';
import { PAPERS, type PaperName } from '@core/shop/template-pages';

/** One of some words, or a refusal that names them. */
const oneOf = <const T extends readonly [string, ...string[]]>(name: string, values: T) =>
  z.enum(values, `${name}: not known — allowed: ${values.join(', ')}`);

const Part = z.string().max(40).default('plate');
/** The first where left out. */
const Foot = z.string().max(40).optional();
const Hand = oneOf('hand', ['drawn', 'other']).default('drawn');
const kerfWords = `kerf: not a width there — allowed: 0 to ${WIDEST_KERF} mm`;
const Kerf = z.coerce.number(kerfWords).gte(0, kerfWords).lte(WIDEST_KERF, kerfWords).default(0);
const Numbers = oneOf('numbers', ['point', 'comma']).default('point');
const Paper = oneOf('paper', ['a4', 'letter']).default('a4');
const paperNames = Object.keys(PAPERS) as [PaperName, ...PaperName[]];

const template = z.object({
  paper: oneOf('paper', paperNames).default('a4'),
  part: Part,
  foot: Foot,
  hand: Hand,
  /** One of the shop's, by its name. */
  printer: z.string().max(80).optional(),
  correct: oneOf('correct', ['yes', 'no']).default('yes'),
  as: oneOf('as', ['template', 'stencil']).default('template'),
});
const With = oneOf('with', ['words']).optional();
const cut = z.object({ part: Part, foot: Foot, hand: Hand, kerf: Kerf, with: With });
const lists = z.object({ numbers: Numbers });
const pages = z.object({ paper: Paper });
const sheet = z.object({ stock: z.string().max(120), sheet: z.coerce.number().int().min(1).default(1), kerf: Kerf, with: With });

/** Everything that is made of a job, by its address under the job, with what can be asked of it. */
export const ASKED = {
  'template.pdf': template,
  'plate.dxf': cut,
  'part.svg': cut,
  'drill-list.csv': z.object({ foot: Foot, numbers: Numbers }),
  'packet.pdf': z.object({ paper: Paper, card: z.string().max(20).optional() }),
  'report.pdf': pages,
  'labels.pdf': pages,
  'parts.csv': lists,
  'buy.csv': lists,
  'route.ics': z.object({}),
  'sheet.dxf': sheet,
  'sheet.svg': sheet,
  'cut-plan.json': z.object({}),
  'record.pdf': pages,
  'record.html': z.object({}),
  'handover.pdf': pages,
};
export type SheetName = keyof typeof ASKED;
export type Asked<N extends SheetName> = z.infer<(typeof ASKED)[N]>;
