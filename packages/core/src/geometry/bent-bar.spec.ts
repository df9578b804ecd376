import { clearOrder, cornersOfBar, foulsPress, runsThroughItself } from './bent-bar';

const quarter = Math.PI / 2;
const square = (...legs: number[]) => ({ legs, turns: legs.slice(1).map(() => quarter) });
const all = () => true;

it('corners of a channel laid down (school geometry)', () => {
  expect(cornersOfBar(square(30, 40, 30)).map((p) => [Math.round(p.x), Math.round(p.y)])).toEqual([
    [0, 0],
    [30, 0],
    [30, 40],
    [0, 40],
  ]);
});

it('100, 50, 60 and 120 with a quarter each run through themselves; 100, 50, 60 and 40 do not', () => {
  // The last leg comes down 120 at 60 from the second one, through the first at 50.
  expect(runsThroughItself(square(100, 50, 60, 120), 6)).toBe(true);
  expect(runsThroughItself(square(100, 50, 60, 40), 6)).toBe(false);
  // A leg that ends 5 short of the first lies in its thickness of 6.
  expect(runsThroughItself(square(100, 50, 60, 45), 6)).toBe(true);
  // Up and down again never comes back.
  expect(runsThroughItself({ legs: [100, 50, 60, 120], turns: [quarter, -quarter, quarter] }, 6)).toBe(false);
});

describe('a press', () => {
  it('a U of 120, 40 and 120: the second bend swings a leg across the punch, whichever is first (by hand)', () => {
    // At half a quarter the floor’s end stands at 40·cos 45° = 28; its leg of 120 leans back by 85 of the 28 it has.
    const bar = square(120, 40, 120);
    expect(foulsPress(bar, 0, [false, false])).toBe(false);
    expect(foulsPress(bar, 1, [true, false])).toBe(true);
    expect(clearOrder(bar, [0, 1], all)).toBeUndefined();
  });
  it('a shallow one of 30, 100 and 30 goes, in the order wished for', () => {
    expect(clearOrder(square(30, 100, 30), [1, 0], all)).toEqual([1, 0]);
  });
  it('a leg as long as the floor just clears, half of it and the punch more does not', () => {
    // The leg’s end comes to x = (floor − leg)·cos 45°: clear where that is over 5.
    expect(foulsPress(square(50, 58, 50), 1, [true, false])).toBe(false);
    expect(foulsPress(square(50, 54, 50), 1, [true, false])).toBe(true);
  });
  it('a Z never comes to the punch: its legs go away from each other', () => {
    expect(clearOrder({ legs: [120, 40, 120], turns: [quarter, -quarter] }, [0, 1], all)).toEqual([0, 1]);
  });
  it('where the wished order fouls and another does not, that one; a bend of the vise fouls nothing', () => {
    // A hook on the end of a long leg: bent first it is in the way of nothing, last it is easy too; the long one before the floor fouls.
    const bar = { legs: [120, 40, 120], turns: [quarter, quarter] };
    expect(clearOrder(bar, [0, 1], (i) => i === 0)).toEqual([0, 1]);
    expect(clearOrder(bar, [1, 0], (i) => i === 0)).toEqual([0, 1]);
  });
  it('the ram hangs over it: a leg of 160 past a floor of 170 clears the punch and meets the ram', () => {
    expect(foulsPress(square(160, 170, 50), 1, [true, false])).toBe(true);
  });
});
