import type { Job } from '../job/schema';
import { mirrored } from '../job/mirrored';
import { asSolved, caseFile, linkOf } from '../testing/case-file';
import { turned } from '../testing/turned';

/** Base of 200 × 200 welded along y = ± 100 only, bolts at x = ± 130 beyond the edges that are not. */
const sides = caseFile('base-welded-on-side-edges-only');
const withWeld = (fitting: Job['welds']['fitting']): Job => ({ ...sides, welds: { ...sides.welds, fitting } });

describe('a plate bends from the edge of the base that is welded (statics)', () => {
  /** From (130, 0) to the corner of the weld at (100, 100), and to the base's own edge. */
  const [far, near] = [Math.hypot(30, 100), 30];
  it.each([
    ['as drawn', (j: Job) => j],
    ['mirrored', mirrored],
  ])('%s, by hand: over 104 mm, not over 30', (_way, change) => {
    const link = linkOf(change(sides), 'plate-bending');
    // Tab. 6.4: e along the line from weld to bolt to the plate's side at y 120, sides to the plate's end at x 155 and half way to the other bolt.
    const u = { x: 30 / far, y: 100 / far };
    const e = 120 / u.y;
    const l = Math.min(2 * far + 0.625 * e, 25 / u.y) + Math.min(2 * far + 0.625 * e, (260 * u.y) / 2);
    expect(link.capacity / ((2 * 0.25 * l * 100 * 275) / far)).toBeCloseTo(1, 6);
    expect(link.utilisation).toBeGreaterThan(1.6);
  });
  it('as solved: the base lifts where no weld holds it', () =>
    expect(linkOf(asSolved(sides), 'plate-bending').utilisation).toBeGreaterThan(1.5));
  it('welded all round, or on the edges beside the bolts, it bends over 30 mm', () => {
    for (const fitting of ['all round', 'fore and aft edges'] as const) {
      const own = linkOf(withWeld(fitting), 'plate-bending');
      expect(own.capacity).toBeGreaterThan(2 * linkOf(sides, 'plate-bending').capacity);
      expect(own.capacity).toBeLessThanOrEqual((2 * 0.25 * 240 * 100 * 275) / near);
      expect(linkOf(asSolved(withWeld(fitting)), 'plate-bending').utilisation).toBeLessThan(1);
    }
  });
  it('a turn moves no figure: side edges turned are fore and aft edges', () => {
    const round: Job = { ...turned(sides), welds: { ...sides.welds, fitting: 'fore and aft edges' } };
    for (const of of [(j: Job) => j, asSolved]) {
      const [a, b] = [sides, round].map((j) => linkOf(of(j), 'plate-bending').utilisation);
      expect(b! / a!).toBeCloseTo(1, of === asSolved ? 2 : 9);
    }
  });
});
