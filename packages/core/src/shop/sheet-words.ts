import { heightOf, widthOf } from '../geometry/rects';
import type { Resolved } from '../job/resolve';
import { assumedValues } from '../job/values';
import { boltLines, tightenWords } from './bolt-words';
import type { CutPart } from './cut-parts';
import { sizeWords } from './hole-words';
import { OTHER_HAND } from './on-sheet';
import { formatQuantity } from '../units/format-quantity';
import { cautionsFor } from '../chain/cautions';
import { onPaper } from '../chain/on-paper';

/** Which state of the job a sheet was made from, and when. */
export interface Issue {
  readonly version: number;
  /** ISO date, YYYY-MM-DD. */
  readonly on: string;
}

/** What stands on every sheet and in every file of one part. */
export interface SheetWords {
  readonly job: string;
  /** "version 7, 2026-03-04" */
  readonly issue: string;
  readonly part: string;
  readonly holes: string;
  /** The bolt list and what they are tightened to. */
  readonly bolts: string;
  readonly holds: boolean;
  readonly verdict: string;
  readonly kept: string;
  readonly notJudged: string;
  /** Empty where everything was measured. */
  readonly assumed: string;
  readonly cautions: readonly string[];
}

/** What is said of a piece of the other hand: its stamp has a stroke, and the hand is named. */
export const ofOtherHand = (said: SheetWords): SheetWords => ({
  ...said,
  part: `${said.part.replace(/^Stamp ([^:]+)/, (_s, mark: string) => `Stamp ${mark.endsWith(OTHER_HAND) ? mark.slice(0, -1) : mark + OTHER_HAND}`)}: OTHER HAND, mirrored`,
});

/** Judges the job anew: up to a second or two. */
export function sheetWords(
  r: Resolved,
  issue: Issue,
  markOf: (part: CutPart) => string | undefined = () => undefined,
): (part: CutPart) => SheetWords {
  const { job } = r;
  const said = onPaper(job);
  const foot = job.stands?.feet.find((f) => f.id === job.stands?.foot);
  const n = assumedValues(job).length;
  const mm = (v: number) => formatQuantity(v, 'length', job.units);
  const bolts = `${boltLines(r)
    .map((b) => `${b.ids.length} ${b.words} (${b.ids.join(', ')})`)
    .join('; ')}. Tighten to ${tightenWords(r)}`;
  return (part) => ({
    job: foot ? `${job.name}, ${foot.name}` : job.name,
    issue: `version ${issue.version}, ${issue.on}`,
    part: [markOf(part) === undefined ? '' : `Stamp ${markOf(part)}`, partWords(r, part, mm)].filter(Boolean).join(': '),
    holes: holeWords(part, mm),
    // A part no bolt goes through has nothing to tighten.
    bolts: part.holes.some((h) => h.takes === 'bolt') ? bolts : '',
    holds: said.holds,
    verdict: said.verdict,
    kept: said.figures.join('. '),
    notJudged: said.notJudged,
    assumed: n > 0 ? `${n} ${n === 1 ? 'value is' : 'values are'} ASSUMED, not measured: measure before cutting.` : '',
    cautions: cautionsFor(job),
  });
}

function partWords(r: Resolved, p: CutPart, mm: (v: number) => string): string {
  const { corner, fold } = r.job.plate;
  const thickness = p.id === 'plate' ? r.job.plate.thickness.text : p.sawn && p.stock ? p.stock : mm(p.thickness);
  const count = p.count > 1 ? `${p.count} × ` : '';
  const shaped = r.shaped && p.id === 'plate' ? ', outline as drawn' : '';
  const round = !shaped && corner > 0 && p.region.outer.some((v) => v.bulge !== 0) ? `, corners R ${mm(corner)}` : '';
  const bent =
    p.bends.length > 0 && fold
      ? `, flat blank; bend the ${fold.edge} edge square, inside radius ${mm(fold.radius.v)}, leg ${mm(fold.height.v)} outside`
      : '';
  const size = `${mm(widthOf(p.bounds))} × ${mm(heightOf(p.bounds))}`;
  return `${count}${p.name} ${size}, ${thickness} ${p.metal.name}${shaped}${round}${bent}`;
}

/** "4 holes ø 11 mm; 2 holes ø 13 mm for the fitting" */
function holeWords(p: CutPart, mm: (v: number) => string): string {
  const groups = new Map<string, number>();
  for (const h of p.holes) {
    const words = `${sizeWords(h, mm)}${h.takes === 'fitting' ? ' for the fitting’s own bolts' : h.takes === 'bolt' ? '' : `, ${h.takes}`}${h.takes === 'bolt' && h.then ? `, ${h.then}` : ''}`;
    groups.set(words, (groups.get(words) ?? 0) + 1);
  }
  return [...groups].map(([words, n]) => `${n} ${n === 1 ? 'hole' : 'holes'} ${words}`).join('; ');
}
