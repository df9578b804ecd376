import fc from 'fast-check';
import { isRefusal } from '../units/refusal';
import { barPlan, type BarPlan, type Piece, type Saw, type StockBar } from './bar-cutting';
import { solveWithin } from './solve-programme';

/** Longer than on the server, so that a slow machine proves what a quick one does. */
const solve = solveWithin(20);
const SAW: Saw = { kerf: 3, endWaste: 0 };
const bought = (length: number): StockBar => ({ name: `${length}`, length });
async function plan(pieces: readonly Piece[], bars: readonly StockBar[], saw = SAW, within = solve): Promise<BarPlan> {
  const p = await barPlan(pieces, bars, saw, within);
  if (isRefusal(p)) throw new Error(p.because);
  return p;
}
const of = (...rows: (readonly [count: number, length: number])[]): Piece[] =>
  rows.map(([count, length], i) => ({ mark: `P${i + 1}`, length, count }));

describe('known optima', () => {
  it('6,000 mm bars, kerf 3: 4×1480, 7×1130, 9×845, 11×612, 14×333 take 6 bars (the engineering sheet’s example)', async () => {
    const p = await plan(of([4, 1480], [7, 1130], [9, 845], [11, 612], [14, 333]), [bought(6000)]);
    expect(p).toMatchObject({ bought: 6, lowerBound: 36_000, proven: true });
  });
  it('5600 mm, 13 lengths, no kerf: 73 rolls (the textbook instance of the paper trade, from memory)', async () => {
    const p = await plan(
      of(
        [22, 1380],
        [25, 1520],
        [12, 1560],
        [14, 1710],
        [18, 1820],
        [18, 1880],
        [20, 1930],
        [10, 2000],
        [12, 2050],
        [14, 2100],
        [16, 2140],
        [18, 2150],
        [20, 2200],
      ),
      [bought(5600)],
      { kerf: 0, endWaste: 0 },
    );
    expect(p).toMatchObject({ bought: 73, proven: true });
    // 0.401 % is wasted.
    expect(p.waste).toBeCloseTo(0.00401, 5);
  });
  it('100 long, 97 × 45, 610 × 36, 395 × 31, 211 × 14: 453 rolls (Chvátal, Linear Programming, ch. 13, from memory)', async () => {
    const p = await plan(of([97, 45], [610, 36], [395, 31], [211, 14]), [bought(100)], { kerf: 0, endWaste: 0 });
    expect(p).toMatchObject({ bought: 453, proven: true });
  });
});

it('a programme that finds nothing in its time leaves the plan to first-fit: whole, and only proven where it meets the bound', async () => {
  const none = () => Promise.resolve(undefined);
  const p = await barPlan(of([4, 1480], [7, 1130], [9, 845], [11, 612], [14, 333]), [bought(6000)], SAW, none);
  if (isRefusal(p)) throw new Error(p.because);
  expect(p.bars.flatMap((b) => b.pieces)).toHaveLength(45);
  expect(p.proven).toBe(p.boughtLength === p.lowerBound);
  expect(p.bought).toBeLessThanOrEqual(7);
});

it('of more lengths than all ways can be written down for, it comes within two bars in a hundred of the bound, or one', async () => {
  let seed = 3;
  const random = () => (seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647;
  for (const [kinds, shortest, longest] of [
    [25, 150, 2000],
    [40, 60, 900],
  ] as const) {
    const many = Array.from({ length: kinds }, (_, i) => ({
      mark: `P${i}`,
      length: Math.round(shortest + random() * (longest - shortest)),
      count: 1 + Math.floor(random() * 8),
    }));
    const p = await barPlan(many, [bought(6000)], { kerf: 3, endWaste: 10 }, solveWithin(1));
    if (isRefusal(p)) throw new Error(p.because);
    const least = p.lowerBound / 6000;
    expect(p.bought - least).toBeLessThanOrEqual(Math.max(1, 0.02 * least));
    expect(p.proven).toBe(p.bought === least);
  }
});

describe('every plan', () => {
  const rows = fc.array(fc.record({ length: fc.integer({ min: 150, max: 2800 }), count: fc.integer({ min: 1, max: 6 }) }), {
    minLength: 1,
    maxLength: 5,
  });
  it('cuts each piece once, never past a bar’s end, and buys no less than the bound', async () => {
    await fc.assert(
      fc.asyncProperty(rows, fc.integer({ min: 0, max: 5 }), fc.integer({ min: 0, max: 40 }), async (list, kerf, endWaste) => {
        const pieces = list.map((p, i) => ({ ...p, mark: `P${i}` }));
        // Whole and within its bars whether or not it is proven the least.
        const p = await plan(pieces, [bought(6000)], { kerf, endWaste }, solveWithin(0.2));
        for (const { mark, count, length } of pieces) {
          const mine = p.bars.flatMap((b) => b.pieces).filter((x) => x.mark === mark);
          expect(mine).toHaveLength(count);
          mine.forEach((x) => expect(x.length).toBe(length));
        }
        for (const b of p.bars) {
          let at = endWaste;
          b.pieces.forEach((x, i) => {
            expect(b.stops[i]).toBeCloseTo(at + x.length, 9);
            at = b.stops[i]! + kerf;
          });
          expect(b.stops.at(-1)!).toBeLessThanOrEqual(6000);
        }
        expect(p.boughtLength).toBeGreaterThanOrEqual(p.lowerBound);
      }),
      { numRuns: 25 },
    );
  }, 60_000);
  it('a wider kerf never buys less', async () => {
    const pieces = of([6, 1190], [5, 800], [9, 395]);
    const at = async (kerf: number) => (await plan(pieces, [bought(6000)], { kerf, endWaste: 20 })).bought;
    expect(await at(10)).toBeGreaterThanOrEqual(await at(0));
  });
  it('offcuts on hand go first, and are no more than there are; a long piece still wants a new bar', async () => {
    const p = await plan(of([3, 900], [1, 2500]), [bought(6000), { name: 'offcut', length: 1000, onHand: 2 }]);
    expect(p.bars.filter((b) => b.bar.name === 'offcut')).toHaveLength(2);
    expect(p.bought).toBe(1);
  });
  it('of two lengths it buys the shorter where that is enough', async () => {
    expect((await plan(of([2, 1400]), [bought(6000), bought(3000)])).boughtLength).toBe(3000);
  });
});

describe('refused by name', () => {
  const no = async (pieces: Piece[], bars: StockBar[], saw = SAW) => {
    const p = await barPlan(pieces, bars, saw, solve);
    return isRefusal(p) ? `${p.field}: ${p.because}; ${p.allowed}` : 'planned';
  };
  it('a piece longer than every bar, a kerf below nothing, an end waste past all sense, too little on hand', async () => {
    expect(await no(of([1, 6200]), [bought(6000)])).toBe(
      'bars: P1 is 6200 mm and its cut 3 mm, longer than any bar gives; bars of 6203 mm at least',
    );
    expect(await no(of([1, 500]), [bought(6000)], { kerf: -1, endWaste: 0 })).toContain('saw.kerf');
    expect(await no(of([1, 500]), [bought(6000)], { kerf: 3, endWaste: 900 })).toContain('saw.endWaste');
    expect(await no(of([3, 900]), [{ name: 'offcut', length: 1000, onHand: 2 }])).toContain('do not fit');
  });
});
