import { oneFoot } from '../job/at-foot';
import { resolved, testJob } from '../testing/test-job';
import { logOf, type Written } from '../testing/log-lines';
import { torqueCard } from '../shop/torque-card';
import type { Signature } from './log-entry';
import { tighteningOf } from './tightening-round';

const whole = oneFoot(testJob());
const card = torqueCard(resolved(testJob()))!;
const turn = (bolt: string, round: number, reads: Signature = 'good', torque = card.passes[round - 1]!.torque): Written => ({
  about: { foot: 'F1', bolt },
  body: { kind: 'tightened', round, target: card.passes[round - 1]!.torque, torque, reads, because: '', with: 'wrench stand-in' },
});
const on = (bolt: string, body: Written['body']): Written => ({ about: { foot: 'F1', bolt }, body });
const state = (entries: readonly Written[]) => tighteningOf(whole, 'F1', logOf(entries));
const rounds = (to: number) => Array.from({ length: to }, (_, i) => card.order.map((b) => turn(b, i + 1))).flat();

it('the next bolt is the first of the sequence, then the next of it, then the next round', () => {
  expect(state([]).next).toMatchObject({ bolt: card.order[0], round: 1, of: card.passes.length });
  expect(state([turn(card.order[0]!, 1)]).next).toMatchObject({ bolt: card.order[1], round: 1 });
  expect(state(rounds(1)).next).toMatchObject({ bolt: card.order[0], round: 2, target: card.passes[1]!.torque });
  expect(state(rounds(card.passes.length)).next).toBeUndefined();
});
it('a bolt that shows no good turn is next again, at that round', () => {
  const bad = state([...rounds(1), turn(card.order[0]!, 2, 'cross thread')]);
  expect(bad.next).toMatchObject({ bolt: card.order[0], round: 2 });
  expect(bad.missed).toContain(`${card.order[0]}: cross thread`);
  const again = state([
    ...rounds(1),
    turn(card.order[0]!, 2, 'cross thread'),
    on(card.order[0]!, { kind: 'released', reason: 'new bolt' }),
  ]);
  expect(again.next).toMatchObject({ bolt: card.order[0], round: 1 });
  expect(again.bolts.find((b) => b.bolt === card.order[0])).toMatchObject({ done: 0, released: true, bad: '' });
});
it('what was missed is listed until it is done: torque, witness marks, nut class, lubrication', () => {
  const done = rounds(card.passes.length);
  expect(state([]).missed).toEqual([
    `not at the full torque: ${card.order.join(', ')}`,
    'bolts fitted not confirmed',
    'nut class not confirmed',
    'lubrication not confirmed',
  ]);
  expect(state(done).missed[0]).toBe(`no witness mark: ${card.order.join(', ')}`);
  const all = [
    ...done,
    ...card.order.map((b) => on(b, { kind: 'witness mark' })),
    { body: { kind: 'confirmed', what: 'bolts fitted', is: 'four M10, 8.8' } } as const,
    { body: { kind: 'confirmed', what: 'nut class', is: '8' } } as const,
    { body: { kind: 'confirmed', what: 'lubrication', is: 'lightly oiled' } } as const,
  ];
  expect(state(all).missed).toEqual([]);
  // Turned again, the mark is of before.
  expect(state([...all, on(card.order[1]!, { kind: 'released', reason: 'shim' })]).missed).toEqual([
    `not at the full torque: ${card.order[1]}`,
  ]);
});
it('bolts that are others than drawn are not tightened by this card; words that name none confirm nothing', () => {
  const fitted = (is: string) =>
    state([{ body: { kind: 'confirmed', what: 'bolts fitted', is } }]).missed.filter((m) => m.startsWith('bolts fitted'));
  expect(fitted('M10 8.8')).toEqual([]);
  expect(fitted('m10  class 8.8, plated')).toEqual([]);
  expect(fitted('M10 10.9')).toEqual(['bolts fitted: M10 10.9, drawn M10 8.8: this torque is not theirs']);
  expect(fitted('M10x1.25 8.8').concat(fitted('the usual'), fitted('M10'))).toEqual(
    ['M10x1.25 8.8', 'the usual', 'M10'].map(
      (is) => `bolts fitted: “${is}” names no size and class of the list: write M10 8.8, or what they are`,
    ),
  );
});
it('a round of another torque card is no round of this one; a missing bolt is not waited for', () => {
  const other: Written = {
    about: { foot: 'F1', bolt: card.order[0]! },
    body: { kind: 'tightened', round: 1, target: 1000, torque: 1000, reads: 'good', because: '', with: 'typed' },
  };
  expect(state([other]).bolts.find((b) => b.bolt === card.order[0])!.done).toBe(0);
  const gone = state([on(card.order[0]!, { kind: 'bolt missing', reason: 'no room' })]);
  expect(gone.next!.bolt).toBe(card.order[1]);
  expect(gone.missed).toContain(`missing: ${card.order[0]}`);
});
