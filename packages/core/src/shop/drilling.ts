import { CUTTING, FEEDS, HOLE_SAW_PART, LETTER_DRILLS, type Drilled } from '../stock/cutting-speeds';
import { inchFraction } from '../units/format-quantity';
import { INCH } from '../units/unit-table';
import { formula } from '../working/formula';
import { Working, type Step } from '../working/steps';

/** One tool that goes through a hole. */
export interface Bit {
  readonly kind: 'twist drill' | 'step drill' | 'hole saw';
  /** mm. */
  readonly d: number;
  /** As it is picked off the rack: "11 mm", "7/16 in", "F (0.257 in)". */
  readonly text: string;
  /** Spindle speed, 1/min, and feed, mm/min; a hole saw is fed by feel. */
  readonly rpm: number;
  readonly feed: number | undefined;
  readonly why: string;
}

export interface Drilling {
  readonly bits: readonly Bit[];
  readonly tool: string;
  readonly coolant: string;
  /** Minutes the drill turns in the metal; marking and clamping are the shop’s own. */
  readonly minutes: number;
  readonly steps: readonly Step[];
}

const SPINDLE = formula('n', '1000·v/(π·d)', '1/min');
const FEED = formula('v_f', 'n·f', 'mm/min');
const THROUGH = formula('t_c', '(t + 0.3·d)/v_f', 'min');

/** Past this a twist drill wants a smaller one before it: its chisel edge scrapes and does not cut (common practice), mm. */
export const PILOT_OVER = 6.5;
/** A pilot about as wide as the web of the drill after it: a third of it (common practice). */
const WEB = 0.35;
/** Past this a hole is sawn, as few small shops turn a larger drill; and in thin sheet sooner, where a drill grabs and tears. mm. */
export const SAW_OVER = 26;
const SAW_IN_SHEET = 16;
const SHEET = 3;
/** The pilot that hole saws carry, mm. */
const SAW_PILOT = 6.35;

/** What a drill may be short of and still makes the hole, mm; in inches more: 17/32 of 13.494 is the 13.5 of an M12 (common practice). */
const INCH_HAIR = 0.02;
const HAIR = 0.005;

/** Drills an inch shop has: 64ths to 1 in and letters; the smallest that is no smaller than asked. */
export function inchDrill(d: number): { d: number; text: string } {
  const sixtyFourths = Array.from({ length: 61 }, (_, i) => ((i + 4) / 64) * INCH).map((v) => ({
    d: v,
    text: inchFraction(v, 0.002)!,
  }));
  const letters = Object.entries(LETTER_DRILLS).map(([name, inches]) => ({
    d: inches * INCH,
    text: `${name} (${inches.toFixed(3)} in)`,
  }));
  const all = [...sixtyFourths, ...letters].filter((k) => k.d >= d - INCH_HAIR).sort((a, b) => a.d - b.d);
  return all[0] ?? { d, text: `${(d / INCH).toFixed(3)} in` };
}

/** Metric drills by 0.1 mm to 14 mm and by 0.25 above (DIN 338 ranges, from memory), the smallest that is no smaller. */
export function metricDrill(d: number): { d: number; text: string } {
  const step = d <= 14 ? 0.1 : 0.25;
  const v = Math.round(Math.ceil((d - HAIR) / step - 1e-9) * step * 100) / 100;
  return { d: v, text: `${v} mm` };
}

/**
 * Tools and speeds for a hole of `d` mm through `t` mm: n = 1000·v/(π·d) (Machinery’s Handbook). A large one is piloted, a larger one
 * sawn. Sawn holes keep their own diameter, as saws come in every one that bolts ask for.
 */
export function drilling(d: number, t: number, what: Drilled, units: 'mm' | 'inch'): Drilling {
  const { v, tool, coolant } = CUTTING[what];
  const w = new Working(true);
  const silent = new Working(false);
  const pick = (mm: number) => (units === 'inch' ? inchDrill(mm) : metricDrill(mm));
  const twist = (mm: number, why: string, write: Working): Bit => {
    const drill = pick(mm);
    const rpm = write.of(SPINDLE, { v, d: drill.d }, `v ${v} m/min, ${tool} drill in ${what}`);
    const f = FEEDS.find(([upTo]) => drill.d <= upTo)![1];
    return { kind: 'twist drill', ...drill, rpm: rounded(rpm), feed: write.of(FEED, { n: rpm, f }), why };
  };
  const sawn = d > SAW_OVER || (t <= SHEET && d > SAW_IN_SHEET);
  const pilots: Bit[] = [];
  if (sawn) pilots.push(twist(SAW_PILOT, 'the saw’s pilot', silent));
  else if (d > PILOT_OVER) pilots.push(twist(pilotFor(d, units), 'pilot, as wide as the web of the next', silent));
  const last = sawn
    ? saw(d, v, t, w)
    : twist(d, t <= SHEET && d > PILOT_OVER ? 'or a step drill: a plain one grabs in thin sheet' : '', w);
  const minutes = [...pilots, last].reduce(
    (sum, b) => sum + (b.feed === undefined ? t / SAW_BY_FEEL : silent.of(THROUGH, { t, d: b.d, v_f: b.feed })),
    0,
  );
  return { bits: [...pilots, last], tool, coolant, minutes, steps: w.steps };
}

/** To a whole millimetre or a 32nd of an inch, as pilots are kept. */
function pilotFor(d: number, units: 'mm' | 'inch'): number {
  const step = units === 'inch' ? INCH / 32 : 1;
  return Math.max(Math.round(3 / step), Math.round((WEB * d) / step)) * step;
}

/** Millimetres a minute that a saw is pushed by hand in metal (common practice). */
const SAW_BY_FEEL = 4;

function saw(d: number, v: number, t: number, w: Working): Bit {
  const rpm = w.of(SPINDLE, { v: v * HOLE_SAW_PART, d }, 'hole saw: half the speed of a drill (common practice)');
  const relief = t > 4 ? 'drill two relief holes through on its rim, so that chips fall out' : '';
  return { kind: 'hole saw', d, text: `${Math.round(d * 10) / 10} mm hole saw`, rpm: rounded(rpm), feed: undefined, why: relief };
}

/** As a drill press is set: by 5 where it turns slowly, by 50 where fast. */
const rounded = (n: number): number => {
  const step = n < 200 ? 5 : n < 1000 ? 10 : 50;
  return Math.max(step, Math.round(n / step) * step);
};
