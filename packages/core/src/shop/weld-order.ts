import type { Point } from '../geometry/points';
import { cutLength, loopPoints } from '../geometry/region';
import { distance } from '../geometry/points';
import { between } from '../geometry/slots';
import { edgeName } from '../job/weld-lines';
import type { Resolved } from '../job/resolve';
import { heldThickness } from '../checks/skin-parts';
import { leastLeg } from '../checks/weld/weld-size';
import { runsAround, type Run } from '../sharing/weld-group';
import type { Metal } from '../stock/metals';
import { formatQuantity } from '../units/format-quantity';
import { formula } from '../working/formula';
import { Working, type Step } from '../working/steps';

/** One run of weld, as it is numbered on the drawing. mm. */
export interface WeldRun {
  readonly mark: string;
  /** Turn in which it is welded, from 1. */
  readonly turn: number;
  readonly where: string;
  /** Throat and leg, both mm. */
  readonly throat: number;
  readonly leg: number;
  readonly length: number;
  /** Stitches of a broken run: each so long, with so much between. */
  readonly stitch?: { readonly long: number; readonly gap: number; readonly count: number };
  /** On the plan, where it is on the plate. */
  readonly line?: readonly Point[];
  readonly says: string;
}

export interface WeldCard {
  readonly runs: readonly WeldRun[];
  readonly preheat: string;
  readonly between: string;
  /** Before, while and after, in order. */
  readonly order: readonly string[];
  readonly protect: readonly string[];
  /** Runs over something that hides behind the skin, by name. */
  readonly over: readonly string[];
  /** Holes nearer to a weld than its heat leaves true: drilled after. */
  readonly drillAfter: readonly string[];
}

/** Longer runs are welded back in steps (common practice), mm. */
const STEP_OVER = 150;
const STEP = 75;
/** Tacks: apart by so many thicknesses, at most (common practice). */
const TACKS = { thicknesses: 30, most: 150 } as const;
/** A hole nearer to a bead than this draws out of place (common practice), mm past twice the leg. */
const HEAT = 10;
const SQRT2 = Math.SQRT2;

type Show = (mm: number) => string;
type Unplaced = Omit<WeldRun, 'mark' | 'turn' | 'says'> & { readonly middle: Point };

const lengthOf = (line: readonly Point[]): number => line.slice(1).reduce((sum, p, i) => sum + distance(line[i]!, p), 0);
const middleOf = (line: readonly Point[]): Point => line[Math.floor(line.length / 2)]!;
const straight = (run: Run): Unplaced => ({
  where: '',
  throat: 0,
  leg: 0,
  length: distance(run.from, run.to),
  line: [run.from, run.to],
  middle: { x: (run.from.x + run.to.x) / 2, y: (run.from.y + run.to.y) / 2 },
});

const SIDES = ['fore edge', 'aft edge', 'starboard edge', 'port edge'] as const;
/** Names of `runsAround`, in its order. */
const sideNames = (which: string): readonly string[] =>
  which === 'all round' ? SIDES : which === 'side edges' ? SIDES.slice(2) : SIDES.slice(0, 2);

function fittingRuns(r: Resolved): Unplaced[] {
  const { fitting, fittingThroat } = r.welds;
  if (fitting === 'none') return [];
  return runsAround(r.base, fitting).map((run, i) => ({
    ...straight(run),
    where: `base to plate, ${sideNames(fitting)[i]}`,
    throat: fittingThroat,
    leg: SQRT2 * fittingThroat,
  }));
}

function doublerSeams(r: Resolved): Unplaced[] {
  const { doubler, doublerThroat, stitch, gap, plug } = r.welds;
  const of = (where: string, line: readonly Point[]): Unplaced => ({
    where,
    throat: doublerThroat,
    leg: SQRT2 * doublerThroat,
    length: lengthOf(line),
    line,
    middle: middleOf(line),
  });
  if (doubler === 'none') return [];
  if (doubler === 'plugs')
    return r.bolts.length === 0
      ? []
      : [
          {
            where: `plug welds ${formatQuantity(plug, 'length', r.job.units)}`,
            throat: doublerThroat,
            leg: plug,
            length: 0,
            middle: r.bolts[0]!,
          },
        ];
  if (doubler === 'lines')
    return r.weldLines.flatMap((line, i) =>
      line.length > 1 ? [of(`plate to skin, ${edgeName(r.job, r.job.welds.lines![i]!.edge)}`, line)] : [],
    );
  const ring = [...loopPoints(r.outline.outer)];
  const edges = r.shaped
    ? [{ ...of('plate to skin, all round', [...ring, ring[0]!]), length: cutLength({ outer: r.outline.outer, openings: [] }) }]
    : runsAround(r.plate, 'all round').map((run, i) => of(`plate to skin, ${SIDES[i]}`, [run.from, run.to]));
  if (doubler === 'all round') return edges;
  return edges.map((e) => ({
    ...e,
    stitch: { long: stitch, gap, count: Math.max(1, Math.ceil((e.length + gap) / (stitch + gap) - 1e-9)) },
  }));
}

/** Kerfs welded back and tabs that stand on their welds. */
function partRuns(r: Resolved): Unplaced[] {
  return r.freeParts.flatMap(({ part }) => {
    const s = part.stock;
    const kerfs =
      s.form === 'flat bar'
        ? s.bends.flatMap((b, i): Unplaced[] =>
            b.made === 'kerf' && b.throat
              ? [
                  {
                    where: `${part.name}, kerf of bend ${i + 1}`,
                    throat: b.throat,
                    leg: b.throat,
                    length: s.width,
                    middle: r.bolts[0] ?? { x: 0, y: 0 },
                  },
                ]
              : [],
          )
        : [];
    const throat = part.eye?.height !== undefined ? part.eye.throat : undefined;
    const wide = s.form === 'plate' ? 0 : s.form === 'flat bar' ? s.width : 0;
    const tab: Unplaced[] = throat
      ? [1, 2].map((n) => ({
          where: `${part.name} to what it stands on, face ${n}`,
          throat,
          leg: SQRT2 * throat,
          length: wide,
          middle: { x: 0, y: 0 },
        }))
      : [];
    return [...kerfs, ...tab];
  });
}

/** Every weld of a foot, its order, what it needs first and what must be kept from it; nothing of a foot that is not welded. */
export function weldOrder(r: Resolved): WeldCard | undefined {
  const all = [...fittingRuns(r), ...doublerSeams(r), ...partRuns(r)];
  if (all.length === 0) return undefined;
  const mm: Show = (v) => formatQuantity(v, 'length', r.job.units);
  const turns = skipAbout(all);
  const runs = all.map((run, i): WeldRun => {
    const { middle: _m, ...rest } = run;
    return { ...rest, mark: `W${i + 1}`, turn: turns.indexOf(i) + 1, says: stepsOf(run) };
  });
  const thick = Math.max(r.plateThickness, r.welds.doubler === 'none' ? r.baseThickness : heldThickness(r));
  const thin = Math.min(r.plateThickness, r.welds.doubler === 'none' ? r.baseThickness : heldThickness(r));
  return {
    runs: [...runs].sort((a, b) => a.turn - b.turn),
    preheat: preheat(r.plateMetal, thick),
    between: BETWEEN[r.plateMetal.group] ?? 'let each run cool until a hand can lie beside it',
    order: orderWords(thin, runs, mm),
    protect: protect(r),
    over: overHidden(r, runs),
    drillAfter: tooNear(r, all),
  };
}

/** The next run is the one furthest from the last: heat comes in all round and not from one side. */
function skipAbout(runs: readonly Unplaced[]): number[] {
  const left = runs.map((_r, i) => i);
  const out = [left.shift()!];
  while (left.length > 0) {
    const from = runs[out.at(-1)!]!.middle;
    const next = left.reduce((a, b) => (distance(runs[b]!.middle, from) > distance(runs[a]!.middle, from) + 1e-9 ? b : a));
    out.push(next);
    left.splice(left.indexOf(next), 1);
  }
  return out;
}

const stepsOf = ({ length, stitch }: Unplaced): string =>
  stitch
    ? `${stitch.count} stitches, every other one first`
    : length > STEP_OVER
      ? `${Math.ceil(length / STEP)} steps, each welded back towards the last`
      : 'in one run';

/** Common practice for plain thicknesses; the welding procedure of the job goes first. */
function preheat({ group, fy }: Metal, t: number): string {
  if (group === 'steel') {
    if (fy > 500) return 'by its maker’s sheet: high-strength steel cracks without it';
    return t > 20 ? 'to 75 °C (over 20 mm: common practice)' : 'none over 5 °C; dry, and warmed by hand when colder';
  }
  if (group === 'aluminium') return t > 10 ? 'to 100 °C, no more: it softens' : 'none; dry and free of oxide';
  return 'none';
}

const BETWEEN: Partial<Record<Metal['group'], string>> = {
  stainless: 'under 150 °C between runs',
  aluminium: 'under 100 °C between runs: heat softens it',
  titanium: 'gas on both sides until it is cold',
};

function orderWords(thin: number, runs: readonly WeldRun[], mm: Show): string[] {
  const small =
    Math.SQRT2 * Math.min(...runs.map((w) => w.throat)) < leastLeg(thin)
      ? ' A fillet here is smaller than its metal likes: practise on an offcut.'
      : '';
  const apart = Math.min(TACKS.most, TACKS.thicknesses * thin);
  return [
    `Fit dry and clamp; bare metal where the bead goes, ${mm(20)} each way.`,
    `Tack at the corners and every ${mm(apart)}, from the middle of each side out.`,
    'Check square, place and height again; break tacks and move it now if it is out.',
    `Weld in the order numbered; runs over ${mm(STEP_OVER)} in steps of about ${mm(STEP)}, each back towards the last.${small}`,
    'Let it cool in still air. Check again, then clean to bright metal and look at every end and crater.',
  ];
}

const NUT_HOLE = formula('d', 's/cos(30) + 2·z + c', 'mm');
/** Bead round a nut, by its leg, and what it may stand off its place; mm (common practice). */
const NUT_BEAD = 3;
const NUT_SLOP = 2;

/** Hole that a nut welded to the near face of its plate needs in what it passes through: over its corners, its bead and its slop. */
export function nutHole(acrossFlats: number): { readonly d: number; readonly steps: readonly Step[] } {
  const w = new Working(true);
  const d = w.of(
    NUT_HOLE,
    { s: acrossFlats, z: NUT_BEAD, c: NUT_SLOP },
    'over the corners, a bead all round, and slop: common practice',
  );
  return { d, steps: w.steps };
}

/** What a weld’s heat and spatter must not reach, by what this foot is of. */
function protect(r: Resolved): string[] {
  const { skinKind, joint, job } = r;
  return [
    ...(r.bolts.length > 0 ? ['Threads and nuts: out, or a copper bolt and anti-spatter in them.'] : []),
    ...(joint.holding === 'weld nut'
      ? [
          'Weld nuts: a bolt of copper or oiled steel through them, taken out warm.',
          `Where a nut stands on the near face of its plate, the skin’s hole over it is ${formatQuantity(nutHole(r.size.acrossFlats).d, 'length', r.job.units)}: corners, bead and slop.`,
        ]
      : []),
    ...(joint.bedding !== 'dry' ? ['Sealant and glue: none within reach until all welds are cold.'] : []),
    ...(skinKind === 'laminate' || skinKind === 'sandwich' || skinKind === 'plywood' || skinKind === 'timber'
      ? ['The skin burns: weld off the job, never in place.']
      : []),
    ...(skinKind === 'hollow' ? ['Closed sections: a vent hole, and never one that held fuel.'] : []),
    ...(job.joint.place === 'salt' || job.joint.place === 'weather'
      ? ['Zinc: grind it off round the weld, two fingers wide, and keep out of its smoke; make it good afterwards.']
      : []),
    ...job.survey.hidden.map((h) => `Behind the skin: ${h.what} ${h.id}${h.note ? `, ${h.note}` : ''}.`),
    'Cables, hoses and linings behind: moved or covered with a wet blanket, and watched for half an hour after.',
  ];
}

/** A run that passes over a cable, a pipe or a tank, with the clearance it asks for. */
function overHidden(r: Resolved, runs: readonly WeldRun[]): string[] {
  return r.job.survey.hidden.flatMap((h) => {
    const room = (p: Point) =>
      p.x > h.x0 - h.clear.v && p.x < h.x1 + h.clear.v && p.y > h.y0 - h.clear.v && p.y < h.y1 + h.clear.v;
    const over = runs.filter((w) => (w.line ?? []).slice(1).some((b, i) => along(w.line![i]!, b).some(room)));
    return over.length > 0 ? [`${over.map((w) => w.mark).join(', ')} over ${h.what} ${h.id}`] : [];
  });
}

/** Points along a line, two millimetres apart at most. */
function along(a: Point, b: Point): Point[] {
  const n = Math.max(1, Math.ceil(distance(a, b) / 2));
  return Array.from({ length: n + 1 }, (_, i) => ({ x: a.x + ((b.x - a.x) * i) / n, y: a.y + ((b.y - a.y) * i) / n }));
}

/** Holes whose edge stands nearer to a bead than twice its leg and 10 mm. */
function tooNear(r: Resolved, runs: readonly Unplaced[]): string[] {
  const near = (p: Point, d: number, run: Unplaced) =>
    (run.line ?? []).slice(1).some((b, i) => between([p, p], [run.line![i]!, b]) - d / 2 < 2 * run.leg + HEAT);
  const holes = [...r.bolts.map((b) => ({ ...b, d: r.d0 })), ...r.plateHoles];
  return holes.filter((h) => runs.some((run) => near(h, h.d, run))).map((h) => h.id);
}
