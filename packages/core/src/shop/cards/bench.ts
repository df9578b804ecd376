import type { Point } from '../../geometry/points';
import { boundsOf, centreOf } from '../../geometry/rects';
import { eachKind } from '../../job/of-kind';
import type { Resolved } from '../../job/resolve';
import { formatQuantity } from '../../units/format-quantity';
import { isRefusal, refusalText } from '../../units/refusal';
import { USUAL_TEMPERATURE } from '../../job/making';
import { bendOrder } from '../bend-order';
import { beddingOf, cureWords } from '../bedding';
import { boltLines, torqueWords } from '../bolt-words';
import { degrees } from '../cure';
import { cutParts, type CutHole } from '../cut-parts';
import { bitTable, drillList } from '../drill-list';
import { drilling } from '../drilling';
import type { MadeFoot, MadeOf } from '../made-of';
import { torqueCard } from '../torque-card';
import { weldOrder } from '../weld-order';
import { head, loud, perFoot, words, type Block, type Card, type Picture, type Shape } from './card';
import { partPicture } from './plate-picture';

const show = (f: MadeFoot) => (v: number) => formatQuantity(v, 'length', f.job.units);
const angle = (rad: number): string => `${Number(((rad * 180) / Math.PI).toFixed(1))}°`;

/** A card is of one foot: where several are alike, or both hands are made, it says how often it is done. */
const howOften = (alike: readonly MadeFoot[]): Block[] => [
  ...(alike.length > 1 ? [words(`The same at each of ${alike.length} feet: counts and amounts are of one.`)] : []),
  ...(alike[0]?.hands === 2
    ? [words('Of a pair: the same again for the other hand, mirrored. Counts and amounts are of one.')]
    : []),
];
const atBench = (feet: readonly MadeFoot[], id: string, title: string, blocksOf: (foot: MadeFoot) => readonly Block[]): Card[] =>
  perFoot(feet, id, title, blocksOf, howOften);

/** Holes with their bits and speeds, and what to lay out first. */
export const drillCards = ({ feet }: MadeOf): Card[] =>
  atBench(feet, 'drill', 'Drill', ({ job, r }): Block[] => {
    const mm = (v: number | null) => (v === null ? '' : formatQuantity(v, 'length', job.units));
    const rows = drillList(job, r);
    if (rows.length === 0) return [];
    const tools = rows.map((h) =>
      h.through && h.diameter !== null ? drilling(h.diameter, h.through.t, h.through.what, job.units) : undefined,
    );
    const relief = [...new Set(tools.flatMap((t) => t?.bits.filter((b) => b.why).map((b) => `${b.text}: ${b.why}.`) ?? []))];
    const minutes = Math.ceil(tools.reduce((sum, t) => sum + (t?.minutes ?? 0), 0));
    return [
      head('Bits to lay out'),
      {
        kind: 'list',
        tick: true,
        items: bitTable(rows, job.units).map((b) => `${b.text}, ${b.rpm} /min in ${b.what} (${b.holes})`),
      },
      head('Holes, from the aft starboard corner of the blank; x forward, y to port'),
      {
        kind: 'table',
        head: ['Part', 'Hole', 'x', 'y', 'ø', 'Bits', '1/min', 'For', 'How'],
        right: [2, 3, 4, 6],
        tick: true,
        rows: rows.map((h, i) => [
          h.part,
          h.hole,
          mm(h.x),
          mm(h.y),
          mm(h.diameter),
          tools[i]?.bits.map((b) => b.text).join(', then ') ?? '',
          tools[i] ? `${tools[i]!.bits.at(-1)!.rpm}` : '',
          h.fastener,
          h.note,
        ]),
      },
      ...relief.map(words),
      words(
        `Centre punch, clamp, pilot, final size, burrs off both sides. The drill turns for about ${minutes} min. Order of a stack: clamp all, drill as one, mark the faces that lay together.`,
      ),
    ];
  });

/** Bends in their order, with where the line goes and how far to turn it. */
export const bendCards = ({ feet }: MadeOf): Card[] =>
  atBench(feet, 'bends', 'Bends', (f): Block[] => {
    const mm = show(f);
    const rows = bendOrder(f.r);
    if (rows.length === 0) return [];
    const short = rows.filter((b) => b.made === 'press' && b.leg < b.leastLeg);
    return [
      {
        kind: 'table',
        head: ['Turn', 'Part', 'Bend', 'Angle', 'Turn to', 'Inside R', 'Starts', 'Ends', 'K', 'How'],
        right: [3, 4, 5, 6, 7, 8],
        tick: true,
        rows: rows.map((b) => [
          `${b.turn}`,
          b.part,
          `${b.bend}`,
          angle(b.angle),
          angle(b.turnTo),
          mm(b.radius),
          mm(b.from),
          mm(b.to),
          b.K.toFixed(2),
          `${b.made}: ${b.says}`,
        ]),
      },
      ...cutParts(f.r)
        .filter((p) => p.bends.length > 0)
        .flatMap((p): Block[] => [
          head(p.name),
          { kind: 'picture', picture: partPicture(p), says: 'Flat: bends start and end at the dashed lines' },
          ...(p.side && p.side.length > 0
            ? [{ kind: 'picture' as const, picture: sidePicture(p.side), says: 'From the side, as bent' }]
            : []),
        ]),
      ...short.map((b) =>
        loud(
          `${b.part}, bend ${b.bend}: its leg of ${mm(b.leg)} is shorter than ${mm(b.leastLeg)}, what a die eight thicknesses wide holds. Vise, or a narrower die.`,
        ),
      ),
      words(
        'Starts and ends are from the blank’s first end (of the mounting plate from the edge that stays flat). Bend across the rolling direction. How far to turn is guidance: try it on an offcut of the same batch.',
      ),
    ];
  });

/** Numbered runs on the drawing and their order, what must be kept from the heat. */
export const weldCards = ({ feet }: MadeOf): Card[] =>
  atBench(feet, 'welds', 'Welding', (f): Block[] => {
    const mm = show(f);
    const card = weldOrder(f.r);
    if (!card) return [];
    const [plate] = cutParts(f.r);
    const size = Math.max(plate!.bounds.x1 - plate!.bounds.x0, plate!.bounds.y1 - plate!.bounds.y0) / 26;
    const centre = centreOf(plate!.bounds);
    // Marks stand beside their runs, towards the middle of the plate: on its metal.
    const lines = card.runs.flatMap((w): Shape[] => {
      if (!w.line) return [];
      const k = Math.max(1, Math.floor(w.line.length / 2));
      const [a, b] = [w.line[k - 1]!, w.line[k]!];
      const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
      const off = Math.hypot(centre.x - middle.x, centre.y - middle.y) || 1;
      const at = { x: middle.x + ((centre.x - middle.x) / off) * size, y: middle.y + ((centre.y - middle.y) / off) * size };
      return [
        { line: w.line, look: 'weld' },
        { at, text: w.mark, size },
      ];
    });
    return [
      { kind: 'picture', picture: partPicture(plate!, lines, false), says: 'Numbered runs on the plate' },
      {
        kind: 'table',
        head: ['Turn', 'Run', 'Where', 'Throat', 'Leg', 'Long', 'How'],
        right: [3, 4, 5],
        tick: true,
        rows: card.runs.map((w) => [
          `${w.turn}`,
          w.mark,
          w.where,
          mm(w.throat),
          mm(w.leg),
          w.stitch ? `${w.stitch.count} × ${mm(w.stitch.long)}, ${mm(w.stitch.gap)} between` : w.length > 0 ? mm(w.length) : '',
          w.says,
        ]),
      },
      { kind: 'list', tick: true, items: card.order },
      words(`Preheat: ${card.preheat}. Between runs: ${card.between}.`),
      ...(card.over.length > 0
        ? [loud(`Not in place: ${card.over.join('; ')}. Weld these runs off the job, or move what is behind.`)]
        : []),
      head('Keep from the heat'),
      { kind: 'list', tick: true, items: card.protect },
      ...(card.drillAfter.length > 0
        ? [loud(`Drill after welding, as the heat draws them out of place: ${card.drillAfter.join(', ')}.`)]
        : []),
      { kind: 'sign', text: 'Square and in place before welding' },
    ];
  });

/** Rounds of tightening, kind by kind, with the order of the bolts. */
export const torqueCards = ({ feet }: MadeOf): Card[] =>
  atBench(feet, 'torque', 'Tighten', (f): Block[] => {
    const { r, job } = f;
    if (r.bolts.length === 0) return [];
    const nm = (v: number) => formatQuantity(v, 'moment', job.units);
    const [plate] = cutParts(r);
    return [
      head('Bolts to take along'),
      { kind: 'list', tick: true, items: boltLines(r).map((b) => `${b.ids.length} × ${b.words} (${b.ids.join(', ')})`) },
      ...eachKind(r).flatMap((k): Block[] => {
        const card = torqueCard(k);
        if (!card) return [];
        return [
          head(`${card.size}: tighten to ${torqueWords(k)}`),
          {
            kind: 'picture',
            picture: partPicture({ ...plate!, holes: inTurn(plate!.holes, card.order) }),
            says: `In this order, ${card.pattern}: ${card.order.join(', ')}`,
          },
          ...(card.passes.length > 0
            ? [
                {
                  kind: 'table' as const,
                  head: ['Round', 'Torque', 'How'],
                  right: [1],
                  tick: true as const,
                  rows: card.passes.map((p, i) => [`${i + 1}`, nm(p.torque), p.says]),
                },
              ]
            : []),
        ];
      }),
      words(
        [
          nutted(r) ? `${lockWords(r.joint.nutKind)} ` : '',
          isLagOf(r) ? 'A witness mark over head and plate' : 'Threads lightly oiled; a witness mark over nut or head and plate',
          ' when it is done. Tighten again after first use.',
        ].join(''),
      ),
      { kind: 'sign', text: 'Tightened and marked' },
    ];
  });

/** Both faces of a bent part from its side. */
function sidePicture(side: readonly Point[]): Picture {
  const size = boundsOf(side);
  const room = Math.max(size.x1 - size.x0, size.y1 - size.y0) * 0.05 + 4;
  return {
    bounds: boundsOf(side, room),
    shapes: [{ region: { outer: side.map((p) => ({ ...p, bulge: 0 })), openings: [] }, look: 'metal' }],
  };
}

/** The bolts’ holes, each by its turn and its name. */
const inTurn = (holes: readonly CutHole[], order: readonly string[]): CutHole[] =>
  holes.flatMap((h) => (order.includes(h.id) ? [{ ...h, id: `${order.indexOf(h.id) + 1} (${h.id})` }] : []));

const isLagOf = ({ joint }: Pick<Resolved, 'joint'>): boolean => joint.holding === 'lag screw';
/** Turned by a loose nut; a weld nut, a thread in the plate or a screw has none to choose. */
const nutted = ({ joint }: Pick<Resolved, 'joint'>): boolean => joint.holding === 'nut';

/** What keeps the nut, by its kind (common practice). */
const lockWords = (nut: string): string =>
  nut === 'nylon insert'
    ? 'Nylon insert nuts once only, and not near heat.'
    : nut === 'jam'
      ? 'Thin nut first, the full nut over it held while the thin one is turned back.'
      : nut === 'plain'
        ? 'Plain nuts: thread lock where it shakes.'
        : 'Locking nut as named.';

/** What is filled, painted, bedded and glued: grams, batches, cures. */
export const beddingCards = ({ feet, whole }: MadeOf): Card[] => {
  const celsius = whole.making?.temperature ?? USUAL_TEMPERATURE;
  return atBench(feet, 'bedding', 'Fill, paint, bed', ({ r }): Block[] =>
    beddingOf(r, whole.making).flatMap((b): Block[] => [
      head(`${b.product.name}: ${b.what}`),
      ...(b.assumed ? [loud('Figures of its kind, ASSUMED: put in the maker’s sheet before mixing.')] : []),
      isRefusal(b.batch)
        ? loud(refusalText(b.batch))
        : words(
            b.batch.cartridges > 0
              ? `${(b.volume / 1000).toFixed(0)} cm³ (${b.from}): ${b.batch.cartridges} ${b.batch.cartridges === 1 ? 'cartridge' : 'cartridges'}.`
              : `${(b.volume / 1000).toFixed(0)} cm³ (${b.from}), ${b.batch.mixed.toFixed(0)} with what stays in the pot: ${b.batch.resin.toFixed(0)} g resin and ${b.batch.hardener.toFixed(0)} g hardener, weighed.`,
          ),
      words(
        `Worked within ${Math.round(b.pot)} min at ${degrees(celsius)}${b.product.mix ? '; mix no more than goes on in two thirds of that' : ''}.`,
      ),
      { kind: 'list', tick: true, items: b.steps },
      { kind: 'table', head: ['Wait', 'Time'], rows: b.cures.map((c) => [c.step, cureWords(c, celsius)]) },
    ]),
  );
};
