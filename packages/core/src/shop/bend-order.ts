import type { BEND_WAYS } from '../job/free-part';
import { clearOrder, foulsPress } from '../geometry/bent-bar';
import { insideRadius, partBlank } from '../job/part-blank';
import type { Resolved } from '../job/resolve';
import { kFactor, setback } from '../stock/bends';
import type { Metal } from '../stock/metals';
import { formatQuantity, type UnitSystem } from '../units/format-quantity';
import { formula } from '../working/formula';
import { Working, type Step } from '../working/steps';
import { blankOf } from './bend-allowance';

/** One bend of one part, as it is set up at the press or the vise. mm, rad. */
export interface BendRow {
  readonly part: string;
  /** Turn in which it is made, from 1. */
  readonly turn: number;
  /** Which bend of the part, from its first end. */
  readonly bend: number;
  readonly made: (typeof BEND_WAYS)[number];
  readonly angle: number;
  readonly up: boolean;
  readonly radius: number;
  /** From the blank’s first end or the edge that stays: where the bend starts and ends. */
  readonly from: number;
  readonly to: number;
  /** Turn it to this, as it springs back. */
  readonly turnTo: number;
  readonly K: number;
  /** Shorter outside leg beside it, and the shortest a die of eight thicknesses takes. */
  readonly leg: number;
  readonly leastLeg: number;
  readonly says: string;
  readonly steps: readonly Step[];
}

const X = formula('x', 'R_i·f_y/(E·t)', '–');
const RATIO = formula('R_f', 'R_i/(4·x^3 − 3·x + 1)', 'mm');
const TO = formula('α_i', 'α·(2·R_f/t + 1)/(2·R_i/t + 1)', '°');
const KERF_DEEP = formula('h', 't − t_left', 'mm');
const KERFS = formula('w', '(α·π/180)·h', 'mm');

/** Opening of the die over the thickness, and what a leg needs of half of it to stay on the die (common practice). */
const DIE = 8;
/** What a kerf leaves, of the thickness and at least, mm (common practice). */
const LEFT = { part: 0.2, least: 1 } as const;

/**
 * How far to turn a bend so that it springs back to `angle`: R_i/R_f = 4x³ − 3x + 1, x = R_i·f_y/(E·t) (Kalpakjian & Schmid, sheet
 * bending, from memory), and the neutral line keeps its length. Guidance: f_y of the batch is seldom the table’s.
 */
export function springback(angle: number, radius: number, t: number, metal: Pick<Metal, 'fy' | 'E'>, w: Working): number {
  const x = w.of(X, { R_i: radius, f_y: metal.fy, E: metal.E, t });
  // Past a quarter the sheet is so thin for its radius that it hardly stays bent.
  const back = Math.min(x, 0.25);
  const R_f = w.of(RATIO, { R_i: radius, x: back });
  const α = (angle * 180) / Math.PI;
  return (w.of(TO, { α, R_f, R_i: radius, t }, 'guidance: try it on an offcut of the same batch') * Math.PI) / 180;
}

const WORDS = {
  press: 'middle line under the punch',
  vise: 'bend starts level with the top of a jaw rounded to the radius; hammer over a block, a little each time along the line',
  rolled: 'between start and end, a little more each pass',
} as const;

/** Said of a bend that no order of bends makes room for. */
const NO_ORDER = '; FOULS the punch or the ram in every order: bend it in a vise, or weld it of two pieces';

/** Every bend of a foot, part by part: what is outside goes first, so that the legs clear the tool (common practice). */
export function bendOrder(r: Resolved): BendRow[] {
  return [...plateBend(r), ...r.freeParts.flatMap(({ part, metal }) => partBends(part, metal, r.job.units))];
}

function plateBend(r: Resolved): BendRow[] {
  const { fold, plateThickness: t, plateMetal, plate } = r;
  if (!fold) return [];
  const w = new Working(true);
  const { allowance, K } = blankOf({ t, r: fold.radius, leg: fold.height });
  const athwart = fold.edge === 'fore' || fold.edge === 'aft';
  const flat = athwart ? plate.x1 - plate.x0 : plate.y1 - plate.y0;
  const turnTo = springback(Math.PI / 2, fold.radius, t, plateMetal, w);
  return [
    {
      part: 'mounting plate',
      turn: 1,
      bend: 1,
      made: 'press',
      angle: Math.PI / 2,
      up: true,
      radius: fold.radius,
      from: flat,
      to: flat + allowance,
      turnTo,
      K,
      leg: fold.height,
      leastLeg: leastLeg(t, fold.radius),
      says: `${fold.edge} edge up; ${WORDS.press}`,
      steps: w.steps,
    },
  ];
}

const leastLeg = (t: number, radius: number): number => (DIE * t) / 2 + radius + t;

function partBends(part: Resolved['freeParts'][number]['part'], metal: Metal, units: UnitSystem): BendRow[] {
  const { stock } = part;
  if (stock.form !== 'flat bar') return [];
  const t = stock.thickness;
  const blank = partBlank(part);
  const n = stock.bends.length;
  // From both ends in, the shorter end first.
  const legAt = (i: number) => Math.min(stock.legs[i]!, stock.legs[i + 1]!);
  const wished = stock.bends
    .map((_b, i) => i)
    .sort((a, b) => Math.min(a, n - 1 - a) - Math.min(b, n - 1 - b) || legAt(a) - legAt(b));
  const bar = { legs: stock.legs, turns: stock.bends.map((b) => (b.up ? b.angle : -b.angle)) };
  const pressed = (i: number) => (stock.bends[i]!.made ?? 'press') === 'press';
  const order = clearOrder(bar, wished, pressed);
  const before = (k: number) => stock.bends.map((_b, i) => wished.indexOf(i) < k);
  return (order ?? wished).map((i, k): BendRow => {
    const b = stock.bends[i]!;
    const fouls = !order && pressed(i) && foulsPress(bar, i, before(k)) ? NO_ORDER : '';
    const flat = blank.bends[i]!;
    const w = new Working(true);
    const made = b.made ?? 'press';
    const radius = insideRadius(b);
    const sawn = made === 'kerf' ? kerfWords(b.angle, t, b.throat, units, w) : '';
    return {
      part: part.name,
      turn: k + 1,
      bend: i + 1,
      made,
      angle: b.angle,
      up: b.up,
      radius,
      from: flat.from - blank.bounds.x0,
      to: flat.to - blank.bounds.x0,
      turnTo: made === 'kerf' ? b.angle : springback(b.angle, radius, t, metal, w),
      K: made === 'kerf' ? 1 : kFactor(radius, t),
      leg: legAt(i),
      leastLeg: made === 'press' ? leastLeg(t, radius) : setback(b.angle, radius, t),
      says: `${b.up ? 'up' : 'down'}; ${made === 'kerf' ? sawn : WORDS[made]}${fouls}`,
      steps: w.steps,
    };
  });
}

function kerfWords(angle: number, t: number, throat: number | undefined, units: UnitSystem, w: Working): string {
  const mm = (v: number) => formatQuantity(v, 'length', units);
  const t_left = Math.max(LEFT.least, LEFT.part * t);
  const h = w.of(KERF_DEEP, { t, t_left }, 'a fifth of the thickness, at least 1 mm, is left: common practice');
  const wide = w.of(KERFS, { α: (angle * 180) / Math.PI, h }, 'cuts together so wide that they close at that angle');
  const weld = throat ? `weld back, throat ${mm(throat)}: the weld holds it` : 'weld back: the weld holds it';
  return `saw from the inside ${mm(h)} deep, cuts ${mm(wide)} wide together; close; ${weld}`;
}
