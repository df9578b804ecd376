import { oneFoot } from '../../job/at-foot';
import { fromSheet } from '../../job/values';
import type { Block, Card } from '../../shop/cards/card';
import { USUAL_SHOP } from '../../stock/shop-settings';
import { allDone } from '../../testing/done-log';
import { found, logOf, type Written } from '../../testing/log-lines';
import { testJob } from '../../testing/test-job';
import type { Body, BodyOf, Line } from '../log-entry';
import { sideBySide } from '../stamp';
import { handoverCards, recordCards, type Recorded } from './record';

const job = testJob({ fz: 900 }, (j) => ({ ...j, plate: { ...j.plate, thickness: fromSheet(8, '8 mm') } }));
const whole = oneFoot(job);
const shop = { ...USUAL_SHOP, zone: 'UTC', hands: [{ initials: 'AM', name: 'Anna Marsh' }] } as Recorded['shop'];
const of = (written: readonly Written[], lines: readonly Line[] = logOf(written)): Recorded => ({
  whole,
  version: 1,
  lines,
  side: sideBySide(whole, lines),
  shop,
  today: '2026-05-02',
});
const done = allDone(job);

/** All a card says, row by row. */
const said = (blocks: readonly Block[]): string =>
  blocks
    .flatMap((b): string[] => {
      if (b.kind === 'table') return [b.head.join(' | '), ...b.rows.map((r) => r.join(' | '))];
      if (b.kind === 'list') return [...b.items];
      if ('text' in b) return [b.text];
      return 'says' in b ? [String(b.says)] : [];
    })
    .join('\n');
const cardOf = (cards: readonly Card[], id: string) => cards.find((c) => c.id === id)!;
const card = (written: readonly Written[], id: string) => said(cardOf(recordCards(of(written)), id).blocks);
const loudIn = (written: readonly Written[], id: string) =>
  said(cardOf(recordCards(of(written)), id).blocks.filter((b) => b.kind === 'words' && 'loud' in b && b.loud === true));
const proofOf = (change: Partial<BodyOf<'proof'>>): Written[] =>
  done.map((w) => (w.body.kind === 'proof' ? { ...w, body: { ...w.body, ...change } as Body } : w));

describe('the cover', () => {
  it('says that it is no approval, how it holds drawn and built, and what stays open', () => {
    const words = card([], 'record');
    expect(words).toContain('It is no approval');
    expect(words).toContain('As built it holds by its load path.');
    expect(words).toMatch(/As drawn \| holds(, tight)? \| 0\.\d\d \| \w/);
    expect(words).toMatch(/Not stamped: \d\d points are open\./);
    expect(words).toContain('Logbook: whole, 0 lines');
    expect(words).toMatch(/^Not judged: /m);
    expect(card(done, 'record')).not.toContain('Other than drawn');
  });
  it('says loudly that as built it does not hold, and what is other than drawn', () => {
    const thin: Written[] = [
      { body: found('plate/thickness', 1, 8) },
      { body: { kind: 'decision', key: 'plate/thickness', decide: 'accept', reason: 'in a hurry' } },
    ];
    expect(loudIn([...done, ...thin], 'record')).toContain('As built it does not hold.');
    expect(card([...done, ...thin], 'record')).toMatch(/As built \| DOES NOT HOLD \| \d+\.\d\d/);
    expect(card([...done, ...thin], 'record')).toContain('Other than drawn');
    expect(card([...done, ...thin], 'fit-up')).toContain(
      // Half a millimetre of the seven it may be.
      'Mounting plate, thickness | 8 mm | 1 mm | −6.5 mm | accept: in a hurry | AM | ',
    );
  });
  it('names who stamped it, and that the job went on since', () => {
    const stamp: Written = { about: {}, body: { kind: 'signed', operation: 'stamp', text: 'as built', name: 'Anna Marsh' } };
    const lines = logOf([...done, stamp]);
    const words = (version: number) => said(cardOf(recordCards({ ...of([], lines), version }), 'record').blocks);
    expect(words(1)).toMatch(/Stamped .* 2026 by Anna Marsh \(AM\) at version 1\./);
    expect(words(2)).toContain('at version 1; the job is at version 2 now.');
  });
  it('says where the book is broken', () => {
    const lines = logOf(done);
    const forged = lines.map((l, i) => (i === 3 ? { ...l, entry: { ...l.entry, by: 'XX' } } : l));
    expect(said(cardOf(recordCards(of([], forged)), 'record').blocks)).toContain('LOGBOOK BROKEN at line 4');
  });
});

it('what was made: each part with its pieces, stock and mass', () => {
  const rows = card(done, 'made').split('\n');
  expect(rows[0]).toBe('Mark | Part | Pieces | From | Blank | Each');
  expect(rows.length).toBeGreaterThan(1);
  for (const row of rows.slice(1)) expect(row.split(' | ')[5]).toMatch(/\d/);
});

it('fit-up: what was measured, and how many dimensions were not', () => {
  const some = done.filter((w) => w.body.kind === 'dimension');
  expect(card(done, 'fit-up')).not.toContain('not measured');
  expect(loudIn(some.slice(1), 'fit-up')).toContain('1 dimension was not measured.');
  expect(loudIn(some.slice(2), 'fit-up')).toContain('2 dimensions were not measured.');
  expect(card(some.slice(0, 1), 'fit-up')).toContain(' | within | ');
});

it('tightened: each bolt by its rounds and last torque, and what was left out', () => {
  const words = card(done, 'tightened');
  const rounds = done.filter((w) => w.body.kind === 'tightened' && w.about?.bolt === 'B1').length;
  expect(words).toMatch(
    new RegExp(`B1 \\| M\\d+ .*\\| ${rounds} of ${rounds} \\| [\\d.]+ N·m \\| [\\d.]+ N·m \\| good \\| marked \\| AM`),
  );
  expect(words).toContain('nut class: 8.');
  const missing: Written[] = [{ about: { foot: 'F1', bolt: 'B1' }, body: { kind: 'bolt missing', reason: 'fouls a rib' } }];
  expect(card(missing, 'tightened')).toMatch(/B1 \| .* \| missing \| /);
});

describe('proof', () => {
  it('passed in plain words only where it passed', () => {
    expect(card(done, 'proof')).toContain('Passed: Case L1, 0.90 kN, held 60 s.');
    expect(loudIn(done, 'proof')).toBe('');
    for (const result of ['failed', 'aborted'] as const) {
      const words = proofOf({ result, because: 'it moved past its band' });
      expect(loudIn(words, 'proof')).toBe(`${result.toUpperCase()}: Case L1, 0.90 kN, held 60 s. it moved past its band`);
      expect(card(words, 'proof')).not.toContain('Passed');
    }
  });
  it('what was left with the load off, the remarks, and with what it was pulled', () => {
    expect(card(proofOf({ set: [0.04, 0.1], setLimit: 0.1 }), 'proof')).toContain(
      'Left with the load off: 0.04 mm, 0.1 mm; 0.1 mm may be.',
    );
    expect(card(proofOf({ set: [] }), 'proof')).not.toContain('Left with');
    expect(card(proofOf({ remarks: 'wind from aft' }), 'proof')).toContain('wind from aft');
    expect(card(done, 'proof')).toMatch(/2026, AM, load cell stand-in\.$/);
  });
});

it('photographs are told by their words, place and hand; none, and there is no card', () => {
  const photo: Written = {
    about: { foot: 'F1', bolt: 'B2' },
    body: {
      kind: 'photo',
      sha256: 'a'.repeat(64),
      caption: 'nut side',
      bytes: 10,
      width: 4,
      height: 3,
      type: 'image/jpeg',
    } as never,
  };
  expect(card([photo], 'photos')).toMatch(/^nut side, B2, AM, .* 2026$/);
  expect(recordCards(of([])).some((c) => c.id === 'photos')).toBe(false);
});

it('after: from when it is in use, and what falls due', () => {
  expect(card([], 'after')).toContain('Not in use yet');
  expect(card([{ about: {}, body: { kind: 'used', from: '2026-05-01' } as never }], 'after')).toContain(
    'In use from 2026-05-01.',
  );
  expect(card([], 'after').split('\n').length).toBeGreaterThan(3);
});

it('the book whole: every line, what was corrected since, and what it corrects', () => {
  const first: Written = { body: found('plate/thickness', 7.1, 8) };
  const lines = logOf([first]);
  const again = logOf([first, { body: found('plate/thickness', 8, 8), corrects: lines[0]!.entry.id }]);
  const rows = said(cardOf(recordCards(of([], again)), 'log').blocks)
    .split('\n')
    .slice(2);
  expect(rows[0]).toMatch(/^1 \| .* \| AM \| {2}\| CORRECTED LATER; measured: plate\/thickness: 7\.1 mm for 8 mm/);
  expect(rows[1]).toMatch(/^2 \| .*corrects line 1/);
  expect(rows[1]).not.toContain('CORRECTED LATER');
  const late = again.map((l, i) =>
    i === 1 ? { ...l, received: new Date(Date.parse(l.received) + 3 * 3_600_000).toISOString() } : l,
  );
  expect(said(cardOf(recordCards(of([], late)), 'log').blocks)).toContain('came in 3 h later');
});

describe('handed over at the end of a day', () => {
  const cards = (written: readonly Written[], today = '2026-05-02') => handoverCards({ ...of(written), today });
  it('open points to tick, or that nothing is open', () => {
    expect(said(cardOf(cards(done), 'open').blocks)).toBe('Nothing is open.');
    const open = cardOf(cards([]), 'open').blocks[0]!;
    expect(open).toMatchObject({ kind: 'list', tick: true });
    expect(said([open])).toMatch(/tightening: /);
  });
  it('what each hand did that day, and nothing of another', () => {
    const day = cardOf(cards(done), 'day');
    expect(day.title).toBe('Done on 2026-05-02');
    expect(said(day.blocks)).toContain('Anna Marsh (AM)');
    expect(said(day.blocks).split('\n').length).toBe(done.length + 1);
    expect(cardOf(cards(done, '2026-05-03'), 'day').blocks).toEqual([]);
  });
  it('hold points signed with name and time, others with a line to sign', () => {
    const words = (written: readonly Written[]) => cardOf(cards(written), 'signed').blocks;
    expect(said(words(done))).toMatch(/: signed by A\. Marsh \(AM\), .* 2026\./);
    expect(words([]).every((b) => b.kind === 'sign')).toBe(true);
  });
});
