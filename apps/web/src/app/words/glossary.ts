import { CHECKS } from '@core/checks/registry';
import { WHY_DRAWINGS } from '../load-path/why-drawings';
import { TERMS_OF_BOLTS } from './terms-bolts';
import { TERMS_OF_LOADS } from './terms-loads';
import { TERMS_OF_PLATES } from './terms-plates';
import { TERMS_OF_SKINS } from './terms-skins';
import { TERMS_OF_THE_SHOP } from './terms-shop';
import { term, type Term } from './term';

const LINKS: readonly Term[] = CHECKS.map((c) =>
  term(`link-${c.id}`, [c.name, ''], `${c.says} ${c.why}`, [c.name.toLowerCase()], WHY_DRAWINGS[c.id] ?? []),
);

/** The words of the trade by what they are about, and every link of the load path. */
export const CHAPTERS: readonly { readonly name: string; readonly terms: readonly Term[] }[] = [
  { name: 'Loads', terms: TERMS_OF_LOADS },
  { name: 'Plates and holes', terms: TERMS_OF_PLATES },
  { name: 'Bolts, pins and welds', terms: TERMS_OF_BOLTS },
  { name: 'What it stands on', terms: TERMS_OF_SKINS },
  { name: 'The job and the shop', terms: TERMS_OF_THE_SHOP },
  { name: 'Links of the load path', terms: LINKS },
];

const BY_WORDS = new Map<string, Term>();
for (const t of CHAPTERS.flatMap((c) => c.terms)) for (const k of t.known) BY_WORDS.set(k, t);
/** Longer ones first: “edge distance” before “edge”. Short words are taken only where they stand alone. */
const INSIDE = [...BY_WORDS.keys()].filter((k) => k.length >= 4).sort((a, b) => b.length - a.length);
const LONGEST = 60;

/** The term a label, heading or name on the screen is about; null where it is none of the trade's words. */
export function wordFor(text: string): Term | null {
  const plain = text.split(':')[0]!.toLowerCase().replace(/\s+/g, ' ').replaceAll('◇', '').trim();
  if (plain === '' || plain.length > LONGEST) return null;
  const whole = BY_WORDS.get(plain);
  if (whole) return whole;
  const padded = ` ${plain.replace(/[,.()]/g, ' ').replace(/\s+/g, ' ')} `;
  const inside = INSIDE.find((k) => padded.includes(` ${k} `));
  return inside ? BY_WORDS.get(inside)! : null;
}
