import { notJudged } from '../../chain/ways-to-fail';
import { whenWords } from '../../shop/calendar';
import { head, loud, words, type Block, type Card } from '../../shop/cards/card';
import { pieceWords } from '../../shop/cards/parts';
import { madeOf } from '../../shop/made-of';
import type { ShopSettings } from '../../stock/shop-settings';
import type { WholeJob } from '../../job/whole-job';
import { formatQuantity } from '../../units/format-quantity';
import { byDue, dueOf, inUseFrom } from '../due';
import { isOf, isReadable, standing, type Line } from '../log-entry';
import { holdPoints, openPoints, type OpenPoint, type SideBySide, type StandsAs } from '../stamp';
import { tasksOf } from '../tasks';
import { tighteningOf } from '../tightening-round';
import { clockWords, didWords, entryWords, fine, placeOf, torqueFine } from '../words';
import { verifyChain } from '../chain';
import { proofPicture } from './proof-picture';

/** What a record is made of. */
export interface Recorded {
  readonly whole: WholeJob;
  readonly version: number;
  readonly lines: readonly Line[];
  readonly side: SideBySide;
  readonly shop: ShopSettings;
  /** ISO day. */
  readonly today: string;
}

export const NO_APPROVAL =
  'This is a record of what was made, found and done. It is no approval: the local code, a licensed engineer or an approved test decide where people depend on it.';

/** The record of a job for the customer’s file, card by card. */
export function recordCards(of: Recorded): Card[] {
  return [
    coverCard(of),
    madeCard(of),
    ...fitUpCards(of),
    ...torqueCards(of),
    ...proofCards(of),
    ...photoCards(of),
    dueCard(of),
    logCard(of),
  ];
}

const when = (at: string, zone: string): string => {
  const minute = Date.parse(at) / 60_000;
  return `${whenWords(minute, zone)} ${new Date(at).getUTCFullYear()}`;
};
const footNamer =
  ({ whole }: Pick<Recorded, 'whole'>) =>
  (id: string) =>
    whole.feet.length > 1 ? (whole.feet.find((f) => f.id === id)?.name ?? id) : '';
const STATES: Readonly<Record<StandsAs['state'], string>> = {
  sound: 'holds',
  tight: 'holds, tight',
  fails: 'DOES NOT HOLD',
  refused: 'not shown to hold',
};
const standsRow = (what: string, s: StandsAs): string[] => [
  what,
  STATES[s.state],
  s.weakest ? s.utilisation.toFixed(2) : '–',
  [s.foot, s.weakest].filter(Boolean).join(': '),
];

function coverCard(of: Recorded): Card {
  const { whole, side, lines, shop } = of;
  const bad = side.built.state === 'fails' || side.built.state === 'refused';
  const stamp = standing(lines)
    .filter(isOf('signed'))
    .filter((l) => l.entry.body.operation === 'stamp')
    .at(-1);
  const open = openPoints(whole, shop, lines, side);
  const chain = verifyChain(whole.id, lines);
  const blocks: Block[] = [
    loud(NO_APPROVAL),
    bad
      ? loud(`As built it ${side.built.state === 'fails' ? 'does not hold' : 'is not shown to hold'}.`)
      : words('As built it holds by its load path.'),
    {
      kind: 'table',
      head: ['', 'State', 'Used', 'Weakest'],
      right: [2],
      rows: [standsRow('As drawn', side.design), standsRow('As built', side.built)],
    },
    ...(side.asBuilt.deviations.length > 0
      ? [head('Other than drawn'), { kind: 'list' as const, items: side.asBuilt.deviations }]
      : [words('Nothing was found other than drawn, of what was measured.')]),
    loud(`Not judged: ${[...side.asBuilt.notCounted, ...new Set(side.feet.flatMap((f) => notJudged(f.job)))].join('; ')}.`),
    ...(stamp
      ? [
          words(
            `Stamped ${when(stamp.entry.at, shop.zone)} by ${stamp.entry.body.name} (${stamp.entry.by}) at version ${stamp.entry.version}${stamp.entry.version === of.version ? '' : `; the job is at version ${of.version} now`}.`,
          ),
        ]
      : [loud(`Not stamped: ${open.length} ${open.length === 1 ? 'point is' : 'points are'} open.`)]),
    chain.whole
      ? words(`Logbook: whole, ${lines.length} lines, SHA-256 of the last ${chain.head}.`)
      : loud(`LOGBOOK BROKEN at line ${chain.seq}: ${chain.because}.`),
  ];
  return { id: 'record', title: 'Record', of: '', blocks };
}

function madeCard({ whole }: Recorded): Card {
  const of = madeOf(whole);
  const mm = (v: number) => formatQuantity(v, 'length', whole.units);
  const rows =
    'refusals' in of
      ? []
      : of.parts.map((p) => [
          p.mark,
          p.name,
          pieceWords(p),
          p.stock,
          `${mm(p.length)} × ${mm(p.width)}`,
          formatQuantity(p.mass, 'mass', whole.units),
        ]);
  return {
    id: 'made',
    title: 'What was made',
    of: '',
    blocks: [{ kind: 'table', head: ['Mark', 'Part', 'Pieces', 'From', 'Blank', 'Each'], right: [4, 5], rows }],
  };
}

function fitUpCards(of: Recorded): Card[] {
  const { whole, side, shop } = of;
  const named = footNamer(of);
  return whole.feet.map((f): Card => {
    const mine = side.asBuilt.found.filter((x) => x.dimension.about.foot === f.id);
    const measured = mine.filter((x) => x.line);
    const left = mine.length - measured.length;
    const blocks: Block[] = [
      {
        kind: 'table',
        head: ['Dimension', 'Drawn', 'Found', 'Out by', 'Decided', 'By', 'When'],
        right: [1, 2, 3],
        rows: measured.map((x) => [
          x.dimension.name,
          fine(x.dimension.nominal, whole.units),
          fine(x.value!, whole.units),
          x.out === 0 ? 'within' : fine(x.out, whole.units),
          x.decision ? `${x.decision.decide}: ${x.decision.reason}` : '',
          x.line!.entry.by,
          when(x.line!.entry.at, shop.zone),
        ]),
      },
      ...(left > 0 ? [loud(`${left} ${left === 1 ? 'dimension was' : 'dimensions were'} not measured.`)] : []),
    ];
    return { id: 'fit-up', title: 'Fit-up', of: named(f.id), blocks };
  });
}

function torqueCards(of: Recorded): Card[] {
  const { whole, lines, shop } = of;
  const named = footNamer(of);
  return whole.feet.flatMap((f): Card[] => {
    const t = tighteningOf(whole, f.id, lines);
    if (t.bolts.length === 0) return [];
    const blocks: Block[] = [
      {
        kind: 'table',
        head: ['Bolt', 'Size', 'Rounds', 'Last torque', 'For', 'Reads', 'Mark', 'By', 'When'],
        right: [2, 3, 4],
        rows: t.bolts.map((b) => {
          const x = b.last?.entry;
          return [
            b.bolt,
            b.size,
            b.missing ? 'missing' : `${b.done} of ${b.of}`,
            x ? torqueFine(x.body.torque, whole.units) : '',
            x ? torqueFine(x.body.target, whole.units) : '',
            x?.body.reads ?? '',
            b.marked ? 'marked' : '',
            x?.by ?? '',
            x ? when(x.at, shop.zone) : '',
          ];
        }),
      },
      ...Object.entries(t.confirmed).map(([what, is]) => words(`${what}: ${is}.`)),
      ...(t.missed.length > 0 ? [loud(`Missed: ${t.missed.join('; ')}.`)] : []),
    ];
    return [{ id: 'tightened', title: 'Tightened', of: named(f.id), blocks }];
  });
}

function proofCards(of: Recorded): Card[] {
  const { whole, lines, shop } = of;
  const counted = standing(lines);
  return counted.filter(isOf('proof')).map((l): Card => {
    const { body } = l.entry;
    const samples = counted
      .filter(isOf('samples'))
      .filter((s) => s.entry.body.pull === body.pull)
      .flatMap((s) => s.entry.body.samples);
    const says = `${body.caseName}, ${formatQuantity(body.load, 'force', whole.units)}, held ${body.holdSeconds} s`;
    return {
      id: 'proof',
      title: 'Proof',
      of: footNamer(of)(l.entry.about.foot ?? ''),
      blocks: [
        body.result === 'passed' ? words(`Passed: ${says}.`) : loud(`${body.result.toUpperCase()}: ${says}. ${body.because}`),
        {
          kind: 'picture',
          picture: proofPicture(body.curve, samples, whole.units),
          says: 'Load over movement at the dial: thick as read, thin as reckoned, dashed its band',
        },
        ...(body.set.length > 0
          ? [
              words(
                `Left with the load off: ${body.set.map((s) => fine(s, whole.units)).join(', ')}; ${fine(body.setLimit, whole.units)} may be.`,
              ),
            ]
          : []),
        ...(body.remarks ? [words(body.remarks)] : []),
        words(`${when(l.entry.at, shop.zone)}, ${l.entry.by}, ${body.with}.`),
      ],
    };
  });
}

function photoCards({ lines, shop, ...of }: Recorded): Card[] {
  const photos = standing(lines).filter(isOf('photo'));
  if (photos.length === 0) return [];
  const named = footNamer(of);
  return [
    {
      id: 'photos',
      title: 'Photographs',
      of: '',
      blocks: photos.map(({ entry }) => ({
        kind: 'photo',
        sha256: entry.body.sha256,
        says: [entry.body.caption, placeOf(entry, named), entry.by, when(entry.at, shop.zone)].filter(Boolean).join(', '),
      })),
    },
  ];
}

function dueCard({ whole, lines, side, shop, today }: Recorded): Card {
  const of = madeOf(whole);
  const tasks =
    'refusals' in of
      ? []
      : tasksOf(
          of,
          side.feet.map((f) => f.judged.verdict),
        );
  const due = dueOf(tasks, lines, today, shop.zone).sort(byDue);
  const from = inUseFrom(lines, shop.zone);
  return {
    id: 'after',
    title: 'After',
    of: '',
    blocks: [
      words(from ? `In use from ${from}.` : 'Not in use yet: what follows starts when it is.'),
      {
        kind: 'table',
        head: ['What', 'How', 'Due', 'Source'],
        rows: due.map((d) => [d.task.name, d.task.what, d.on || d.says, d.task.source]),
      },
    ],
  };
}

function logCard(of: Recorded): Card {
  const { whole, lines, shop } = of;
  const named = footNamer(of);
  const gone = new Set(lines.map((l) => l.seq));
  for (const l of standing(lines)) gone.delete(l.seq);
  return {
    id: 'log',
    title: 'Logbook',
    of: '',
    blocks: [
      words('Each line hashes the one before it; lines are never changed. What was corrected stands here too, and says so.'),
      {
        kind: 'table',
        head: ['Line', 'When', 'By', 'At', 'What', 'Hash'],
        right: [0],
        rows: lines.map((l, i) =>
          !isReadable(l)
            ? [`${l.seq}`, '', '', '', 'THIS LINE CANNOT BE READ', l.hash.slice(0, 10)]
            : [
                `${l.seq}`,
                when(l.entry.at, shop.zone),
                l.entry.by,
                placeOf(l.entry, named),
                [
                  gone.has(l.seq) ? 'CORRECTED LATER' : '',
                  `${didWords(l.entry)}: ${entryWords(l.entry, whole.units)}`,
                  l.entry.corrects ? `corrects line ${lines.find((x) => x.entry.id === l.entry.corrects)?.seq ?? '?'}` : '',
                  clockWords(l, lines[i - 1]),
                ]
                  .filter(Boolean)
                  .join('; '),
                l.hash.slice(0, 10),
              ],
        ),
      },
    ],
  };
}

/** The open points of a job to hand over, with who did what on a day. */
export function handoverCards(
  of: Recorded,
  open: readonly OpenPoint[] = openPoints(of.whole, of.shop, of.lines, of.side),
): Card[] {
  const named = footNamer(of);
  const { whole, lines, shop, today } = of;
  const day = new Intl.DateTimeFormat('en-CA', { timeZone: shop.zone });
  const done = lines.filter((l) => isReadable(l) && day.format(new Date(l.entry.at)) === today);
  const hands = [...new Set(done.map((l) => l.entry.by))].sort();
  const nameOf = (initials: string) => shop.hands.find((h) => h.initials === initials)?.name ?? initials;
  return [
    {
      id: 'open',
      title: 'Open points',
      of: '',
      blocks:
        open.length === 0
          ? [words('Nothing is open.')]
          : [{ kind: 'list', tick: true, items: open.map((o) => `${o.foot ? `${o.foot}: ` : ''}${o.about}: ${o.text}`) }],
    },
    {
      id: 'day',
      title: `Done on ${today}`,
      of: '',
      blocks: hands.flatMap((h): Block[] => [
        head(`${nameOf(h)} (${h})`),
        {
          kind: 'list',
          items: done
            .filter((l) => l.entry.by === h)
            .map((l) => [placeOf(l.entry, named), entryWords(l.entry, whole.units)].filter(Boolean).join(': ')),
        },
      ]),
    },
    {
      id: 'signed',
      title: 'Hold points',
      of: '',
      blocks: holdPoints(whole, shop, lines).map((h): Block =>
        h.signed
          ? words(`${h.name}: ${h.text}: signed by ${h.signed.name} (${h.signed.by}), ${when(h.signed.at, shop.zone)}.`)
          : { kind: 'sign', text: `${h.name}: ${h.text}` },
      ),
    },
  ];
}
