import { oneFoot } from '../../job/at-foot';
import { standingAs } from '../../job/feet-edits';
import type { Making } from '../../job/making';
import type { Job } from '../../job/schema';
import type { WholeJob } from '../../job/whole-job';
import { fromSheet } from '../../job/values';
import { USUAL_SHOP } from '../../stock/shop-settings';
import { eightFeet } from '../../testing/eight-feet';
import { lopsidedJob } from '../../testing/lopsided-job';
import { freeLoad, testJob, withJoint, withWelds } from '../../testing/test-job';
import { barsCut } from '../bars-cut';
import { madeOf, type MadeOf } from '../made-of';
import { beddingCards, bendCards, drillCards, torqueCards, weldCards } from './bench';
import { perFoot, type Block, type Card } from './card';
import { packetOf, workCards, type Packet } from './packet';
import { reportCards, stepWords } from './report';

const q = (v: number) => fromSheet(v, `${v} mm`);
const made = (whole: WholeJob | Job) => madeOf('feet' in whole ? whole : oneFoot(whole)) as MadeOf;
const table = (c: Card, n = 0) => c.blocks.filter((b): b is Extract<Block, { kind: 'table' }> => b.kind === 'table')[n]!;
const texts = (c: Card) => c.blocks.flatMap((b) => ('text' in b ? [b.text] : b.kind === 'list' ? b.items : []));
const loudOf = (c: Card) => c.blocks.flatMap((b) => (b.kind === 'words' && b.loud ? [b.text] : []));
const pictures = (c: Card) => c.blocks.flatMap((b) => (b.kind === 'picture' ? [b.picture] : []));
const labels = (c: Card, n = 0) => pictures(c)[n]!.shapes.flatMap((s) => ('text' in s ? [s.text] : []));
const from = { shop: { ...USUAL_SHOP, zone: 'UTC' }, today: '2026-03-02' };
async function cardsOf(whole: WholeJob) {
  const cut = await barsCut(whole, from.shop, async () => undefined);
  const cards = workCards(made(whole), { ...from, bars: 'bars' in cut ? cut.bars : [] });
  return (id: string) => cards.find((c) => c.id === id)!;
}

describe('feet that say the same', () => {
  it('are on one card under their names; all of them need none', () => {
    const feet = ['A', 'B', 'C'].map((name) => ({ name }));
    const by = (f: (name: string) => string) =>
      perFoot(feet, 'x', 'X', ({ name }) => [{ kind: 'head', text: f(name) }]).map((c) => c.of);
    expect(by(() => 'same')).toEqual(['']);
    expect(by((n) => (n === 'B' ? 'other' : 'same'))).toEqual(['A, C', 'B']);
    expect(perFoot(feet, 'x', 'X', () => [])).toEqual([]);
  });
});

describe('cards of the bench', () => {
  it('bends: a square bend is 90° and turned past it; a leg too short for its die is said', () => {
    const bent = (leg: number) =>
      bendCards(
        made(testJob(undefined, (j) => ({ ...j, plate: { ...j.plate, fold: { edge: 'fore', radius: q(6), height: q(leg) } } }))),
      )[0]!;
    const [row] = table(bent(80)).rows;
    expect(row!.slice(0, 4)).toEqual(['1', 'mounting plate', '1', '90°']);
    expect(parseFloat(row![4]!)).toBeGreaterThan(90);
    expect(loudOf(bent(80))).toEqual([]);
    expect(loudOf(bent(20))[0]).toMatch(/leg of 20 mm is shorter than/);
    expect(pictures(bent(80))).toHaveLength(1);
  });
  it('welds: each run has its mark on the plate, inside its outline', () => {
    const [card] = weldCards(made(testJob(undefined, withWelds({ fitting: 'all round', fittingThroat: q(4) }))));
    expect(labels(card!)).toEqual(expect.arrayContaining(['W1', 'W2', 'W3', 'W4']));
    const { plate } = testJob();
    for (const s of pictures(card!)[0]!.shapes)
      if ('text' in s) {
        expect(s.at.x > plate.x0 && s.at.x < plate.x1 && s.at.y > plate.y0 && s.at.y < plate.y1).toBe(true);
        expect(s.size).toBeLessThan((plate.x1 - plate.x0) / 10);
      }
    expect(table(card!).rows.map((r) => r[3])).toEqual(['4 mm', '4 mm', '4 mm', '4 mm']);
  });
  it('tightening: bolts bear their turn, and the nut says what keeps it', () => {
    const of = (nutKind: Job['joint']['nutKind']) => torqueCards(made(testJob(undefined, withJoint({ nutKind }))))[0]!;
    const turns = labels(of('plain'))
      .map((t) => Number(/^(\d)/.exec(t)![1]))
      .sort();
    expect(turns).toEqual([1, 2, 3, 4]);
    expect(texts(of('plain')).join(' ')).toContain('thread lock where it shakes');
    expect(texts(of('jam')).join(' ')).toContain('Thin nut first');
    expect(table(of('plain')).rows.map((r) => r[0])).toEqual(['1', '2', '3', '4']);
  });
  it('drilling: as many rows as holes, every bit to lay out once', () => {
    const [card] = drillCards(made(lopsidedJob()));
    expect(table(card!).rows.filter((r) => r[0] === 'plate')).toHaveLength(5);
    const bits = card!.blocks.find((b) => b.kind === 'list') as Extract<Block, { kind: 'list' }>;
    expect(new Set(bits.items).size).toBe(bits.items.length);
  });
  it('bedding: one cartridge or grams of two parts, assumed until its sheet is put in', () => {
    const sealant = texts(beddingCards(made(testJob(undefined, withJoint({ bedding: 'bedded' }))))[0]!).join(' ');
    expect(sealant).toMatch(/: 1 cartridge\./);
    expect(sealant).toContain('ASSUMED');
    const plugs = texts(beddingCards(made(eightFeet()))[0]!).join(' ');
    // Five plugs of 28 through 26: 80 cm³; at two to one by weight.
    const [, resin, hardener] = /: (?:.*?)(\d+) g resin and (\d+) g hardener/.exec(plugs)!;
    expect(plugs).toContain('80 cm³');
    expect(Number(resin) / Number(hardener)).toBeCloseTo(2, 1);
  });
});

describe('cards of the whole', () => {
  it('parts: pieces of both hands and their mass add up', async () => {
    const parts = (await cardsOf(eightFeet()))('parts');
    const { rows, foot } = table(parts);
    expect(rows[0]!.slice(0, 3)).toEqual(['1', 'mounting plate', '1 a foot, 8 in all: 4 + 4 mirrored']);
    const of = made(eightFeet());
    const mass = of.parts.reduce((sum, p) => sum + (p.count + p.mirrored) * p.mass, 0);
    expect(parseFloat(foot![5]!)).toBeCloseTo(mass, 0);
    expect(pictures(parts)).toHaveLength(of.parts.length);
  });
  it('sheets and bars: every piece is drawn by its mark, every cut has its stop', async () => {
    const at = await cardsOf(eightFeet());
    const marks = pictures(at('sheets')).flatMap((_p, i) => labels(at('sheets'), i));
    expect(marks.filter((m) => m === '1')).toHaveLength(4);
    expect(marks.filter((m) => m === '1′')).toHaveLength(4);
    const stops = at('bars').blocks.flatMap((b) => (b.kind === 'table' ? b.rows.map((r) => r[1]!) : []));
    expect(stops).toHaveLength(8 + 8 + 40);
    expect(stops.every((s) => parseFloat(s) > 0)).toBe(true);
  });
  it('route: one row an operation, what the finish hangs on is starred; a refusal is said in its place', async () => {
    const route = (await cardsOf(oneFoot(testJob())))('route');
    const { rows } = table(route);
    expect(rows.map((r) => r[1])).toEqual([
      'Measure *',
      'Mark out and cut *',
      'Drill *',
      'Fit dry *',
      'Clean *',
      'Tighten *',
      'Prove *',
      'Tighten again *',
    ]);
    const cold: Making = { temperature: -20 };
    const refused = (await cardsOf({ ...oneFoot(testJob(undefined, withJoint({ bedding: 'bedded' }))), making: cold }))('route');
    expect(loudOf(refused)[0]).toContain('polyurethane sealant at −20 °C');
  });
  it('a hired machine has its window: from when, for how long it is paid, and what must be ready', async () => {
    const hired = { what: 'yard crane', for: 'lift', perHour: 100, leastHours: 2 };
    const route = (await cardsOf({ ...oneFoot(testJob()), making: { hired } }))('route');
    const [says] = loudOf(route);
    expect(says).toMatch(
      /^yard crane: from \S+ \d+ \S+, \d\d:\d\d, for lift into place; 2 h at €100\.00, €200\.00\. Ready before it comes: Clean\.$/,
    );
  });
  it('buying: the sum stands beside the budget, over or under', async () => {
    const says = async (budget: number) => texts((await cardsOf({ ...oneFoot(testJob()), making: { budget } }))('buy')).join(' ');
    expect(await says(1)).toMatch(/Budget €1\.00: this is €[\d.,]+ over\./);
    expect(await says(1e6)).toMatch(/under\./);
  });
  it('a lift: tensions at the feet, and who decides; one that tips is refused', async () => {
    const lift = { mass: 300, x: 0, y: 0, z: 500, hook: 4000 };
    const card = async (x: number) => {
      const four = eightFeet();
      const feet = four.feet.slice(0, 4).map((f, i) => ({ ...f, x: i < 2 ? -800 : 800, y: i % 2 === 0 ? -500 : 500 }));
      return (await cardsOf({ ...four, feet, making: { lift: { ...lift, x } } }))('lift');
    };
    expect(table(await card(0)).rows).toHaveLength(4);
    expect(loudOf(await card(0)).join(' ')).toContain('a competent person decide');
    expect(loudOf(await card(3000))[0]).toMatch(/tip|flatter/);
  });
});

describe('cover and report', () => {
  it('a job that holds says so; one that does not says so in its title, with the link', () => {
    const packet = (fz: number) =>
      packetOf(oneFoot(lopsidedJob((j) => ({ ...j, loads: [freeLoad({ fz, z: 60 })] }))), { ...from, bars: [] }) as Packet;
    const [good] = packet(900).cards;
    expect(good!.title).toBe('Packet');
    expect(packet(900).said.holds).toBe(true);
    const [bad] = packet(400_000).cards;
    expect(bad!.title).toContain('DOES NOT HOLD');
    expect(loudOf(bad!)[0]).toMatch(/^DOES NOT HOLD/);
    expect(packet(400_000).said.verdict).toMatch(/^DOES NOT HOLD/);
  });
  it('a job that cannot be made is refused', () => {
    const none = oneFoot(testJob());
    const empty = {
      ...none,
      feet: [{ ...none.feet[0]!, design: { ...none.feet[0]!.design!, bolts: { ...none.feet[0]!.design!.bolts, items: [] } } }],
    };
    expect(packetOf(empty, { ...from, bars: [] })).toHaveProperty('refusals');
  });
  it('the report’s table has each link with its use; its working has formula, numbers and result', () => {
    const [foot] = reportCards(oneFoot(lopsidedJob()));
    const links = table(foot!, 2);
    expect(links.head.slice(0, 3)).toEqual(['Link', 'Used', 'State']);
    for (const row of links.rows) expect(row[2]).toMatch(/^(holds|holds, tight|not shown)$/);
    expect(
      texts(foot!).some((t) => /= 0\.9·f_ub·A_s\/γ_M2 = 0\.9·800·58\.0\/\S+ = \d+ N/.test(t) || /= .*·.* = .* N/.test(t)),
    ).toBe(true);
    expect(foot!.blocks.find((b) => b.kind === 'head')).toMatchObject({ text: expect.stringMatching(/^holds/) });
  });
  it('a step is symbol, formula, numbers, result, note; what was found is said as found', () => {
    expect(
      stepWords({ symbol: 'T', text: 'K·d·F', inputs: { K: 0.2, d: 10, F: 1000 }, value: 2000, unit: 'N·mm', note: 'why' }),
    ).toBe('T = K·d·F = 0.200·10.00·1000 = 2000 N·mm (why)');
    expect(stepWords({ symbol: 'x', text: 'by a series', inputs: {}, value: 1.5, unit: '–' })).toBe('x = 1.50 (by a series)');
  });
});

it('what the drill turns is the sum of its holes, to the minute above (n·t by the feed, drill card)', () => {
  const [card] = drillCards(made(lopsidedJob()));
  const minutes = Number(/about (\d+) min/.exec(texts(card!).join(' '))![1]);
  // Five holes of 11 through 6 mm of steel: a pilot of 4 and 11 mm each turn well under a minute.
  expect(minutes).toBeGreaterThan(0);
  expect(minutes).toBeLessThan(8);
});

it('a hole’s name stands above it, clear of its edge and near it', () => {
  const [card] = torqueCards(made(testJob()));
  const { shapes } = pictures(card!)[0]!;
  const holes = shapes.flatMap((s) => ('hole' in s ? [s] : []));
  const names = shapes.flatMap((s) => ('text' in s ? [s] : []));
  names.forEach((n, i) => {
    const h = holes[i]!;
    expect(n.at.y).toBeGreaterThan(h.hole.y + h.d / 2);
    expect(n.at.y).toBeLessThan(h.hole.y + h.d / 2 + 2 * n.size);
  });
});
it('a bed’s volume is its area less its holes times its thickness: cm³ on the card (by hand)', () => {
  const job = lopsidedJob(withJoint({ bedding: 'bedded' }));
  const cm3 = ((235 * 185 - (4 - Math.PI) * 64 - 5 * (Math.PI / 4) * 121) * 1.5) / 1000;
  expect(texts(beddingCards(made(job))[0]!).join(' ')).toContain(`${cm3.toFixed(0)} cm³`);
});

describe('a card of one foot says how often it is done', () => {
  const first = (whole: WholeJob) => {
    const [card] = torqueCards(madeOf(whole) as MadeOf);
    return 'text' in card!.blocks[0]! ? card!.blocks[0].text : '';
  };
  const job = testJob({ fz: 900 });
  it('at each of the feet that are alike; of a pair for the other hand', () => {
    expect(first(oneFoot(job))).toBe('Bolts to take along');
    const four = standingAs(oneFoot(job), 'F1', 'four feet', { along: 400, across: 300, count: 4 });
    // The two of the other hand are tightened in the other order.
    expect(first(four)).toBe('The same at each of 2 feet: counts and amounts are of one.');
    const pair: Job = { ...job, survey: { ...job.survey, sides: 'pair' } };
    expect(first(oneFoot(pair))).toMatch(/^Of a pair: the same again for the other hand/);
  });
});
