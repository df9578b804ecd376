import { piecesBeyond } from './beyond-cut';
import type { Ring } from './cross-cuts';

const ring = (...at: readonly (readonly [number, number])[]): Ring => at.map(([s, y]) => ({ s, y }));
const square = ring([0, 0], [100, 0], [100, 60], [0, 60]);
/** A body 40 long with two arms of 20 and 10 across, 60 long. */
const fork = ring([0, 0], [100, 0], [100, 20], [40, 20], [40, 50], [100, 50], [100, 60], [0, 60]);
/** The same whose arms are joined again at their far end, open to one side on the way: a hook. */
const hook = ring([0, 0], [100, 0], [100, 60], [50, 60], [50, 50], [90, 50], [90, 20], [40, 20], [40, 60], [0, 60]);

it('a plain plate has one piece beyond a cut, joined all across', () => {
  const [piece, ...more] = piecesBeyond(square, 30);
  expect(more).toEqual([]);
  expect(piece!.joins).toEqual([[0, 60]]);
  expect([piece!.has({ s: 60, y: 30 }), piece!.has({ s: 20, y: 30 }), piece!.has({ s: 60, y: 70 })]).toEqual([
    true,
    false,
    false,
  ]);
});
it('two arms are two pieces, each joined over its own width and holding its own bolts', () => {
  const pieces = piecesBeyond(fork, 60).sort((a, b) => a.joins[0]![0] - b.joins[0]![0]);
  expect(pieces.map((p) => p.joins)).toEqual([[[0, 20]], [[50, 60]]]);
  expect(pieces.map((p) => p.has({ s: 80, y: 10 }))).toEqual([true, false]);
  expect(pieces.map((p) => p.has({ s: 80, y: 55 }))).toEqual([false, true]);
  // Nearer than their root they are one.
  expect(piecesBeyond(fork, 30)).toHaveLength(1);
});
it('what hangs together beyond is one piece, joined where the cut meets it', () => {
  const pieces = piecesBeyond(hook, 60);
  expect(pieces.map((p) => p.joins)).toEqual([
    [
      [0, 20],
      [50, 60],
    ],
  ]);
  expect(pieces[0]!.has({ s: 95, y: 40 })).toBe(true);
});
it('written down from another corner, or seen from the other side, the same', () => {
  const turned = [...fork.slice(3), ...fork.slice(0, 3)];
  const flipped = fork.map(({ s, y }) => ({ s, y: -y })).reverse();
  for (const r of [turned, flipped]) expect(piecesBeyond(r, 60).map((p) => p.joins.length)).toEqual([1, 1]);
});
