import fc from 'fast-check';
import { isRefusal } from '../units/refusal';
import { criticalPath, inOrder, type Activity, type CriticalPath } from './critical-path';

const net = (...rows: readonly [string, number, string][]): Activity[] =>
  rows.map(([id, takes, after]) => ({ id, takes, after: [...after] }));
const path = (a: readonly Activity[]) => criticalPath(a) as CriticalPath;

describe('critical path', () => {
  const network = net(
    ['A', 2, ''],
    ['B', 3, ''],
    ['C', 2, 'A'],
    ['D', 4, 'B'],
    ['E', 4, 'C'],
    ['F', 3, 'C'],
    ['G', 5, 'DE'],
    ['H', 2, 'FG'],
  );
  it('the textbook network of eight activities A 2, B 3, C 2, D 4, E 4, F 3, G 5, H 2: 15, by A C E G H (from memory: Heizer & Render, ch. 3)', () => {
    const p = path(network);
    expect(p.takes).toBe(15);
    expect(p.critical).toEqual(['A', 'C', 'E', 'G', 'H']);
    const slack = Object.fromEntries(p.activities.map((a) => [a.id, a.slack]));
    expect(slack).toEqual({ A: 0, B: 1, C: 0, D: 1, E: 0, F: 6, G: 0, H: 0 });
  });
  it('is the longest way through, whatever the order they are named in (every way through, one by one)', () => {
    const made = fc.array(fc.tuple(fc.integer({ min: 0, max: 9 }), fc.array(fc.boolean(), { minLength: 7, maxLength: 7 })), {
      minLength: 1,
      maxLength: 7,
    });
    fc.assert(
      fc.property(made, (rows) => {
        const a = rows.map(([takes, after], i) => ({
          id: `${i}`,
          takes,
          after: rows.flatMap((_r, j) => (j < i && after[j] ? [`${j}`] : [])),
        }));
        const longest = (id: string): number => {
          const x = a.find((o) => o.id === id)!;
          return x.takes + Math.max(0, ...x.after.map(longest));
        };
        expect(path(a).takes).toBe(Math.max(...a.map((x) => longest(x.id))));
        expect(path([...a].reverse()).takes).toBe(path(a).takes);
      }),
      { numRuns: 100 },
    );
  });
  it('refuses a circle by the names in it, and one that nobody named', () => {
    const circle = inOrder(net(['A', 1, 'C'], ['B', 1, 'A'], ['C', 1, 'B'], ['D', 1, '']));
    expect(isRefusal(circle) && circle.because).toBe('A, B, C wait for each other');
    const gone = criticalPath(net(['A', 1, 'Z']));
    expect(isRefusal(gone) && gone.because).toBe('A waits for Z, which is not there');
  });
});
