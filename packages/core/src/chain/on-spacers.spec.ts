import type { Job } from '../job/schema';
import { mirrored } from '../job/mirrored';
import { fromSheet } from '../job/values';
import { asSolved, caseFile, linkOf } from '../testing/case-file';
import { freeLoad, withJoint } from '../testing/test-job';
import { turned } from '../testing/turned';

const mm = (v: number) => fromSheet(v, `${v} mm`);
const pressed = caseFile('plate-on-spacers-pressed');
const pulled = caseFile('plate-on-spacers-pulled-no-prying-paid');

/** Bolt at (130, 130) off the corner of a base of 60: m = 100·√2; plate of 160 half: end and edge distance 30·√2 (EN 1993-1-8 fig. 6.2, Tab. 6.4). */
const m = 100 * Math.SQRT2;
const end = 30 * Math.SQRT2;
const lEff = 2 * Math.min(2 * m + 0.625 * end, end);
/** Tab. 6.2, modes 1 and 2 without prying forces, for one bolt of the pair: M_pl.1/m. */
const lone = (t: number, fy: number) => (0.25 * lEff * t ** 2 * fy) / m;

describe('a plate that stands at its bolts alone', () => {
  it.each([
    ['as drawn', (j: Job) => j],
    ['turned', turned],
    ['mirrored', mirrored],
  ])('%s: 40 kN on four spacers bend 6 mm of plate, 10 kN each over 141 mm: not the third of it', (_way, change) => {
    const link = linkOf(change(pressed), 'plate-bending');
    expect(link.demand).toBeCloseTo(10_000, 0);
    expect(link.capacity).toBeCloseTo(lone(6, 275), 3);
    expect(1 / link.utilisation).toBeLessThan(0.3);
  });
  it('the solver finds the same: a third of the load bends the plate right through', () => {
    const link = linkOf(asSolved(pressed), 'plate-bending');
    expect(1 / link.utilisation).toBeLessThan(0.4);
    // Elastic plate of 320 on four corners, pressed in its middle over 60: no less than a strip of all its width, 6·(P/2)·100/(320·t²).
    expect(link.demand).toBeGreaterThan((6 * 20_000 * 100) / (320 * 36));
  });
  it('its spacers press their own rings on the skin, all of the load together', () => {
    const { tubeOutside: D, tubeWall: t } = pressed.joint;
    const ring = Math.PI * (D.v - t.v) * t.v;
    expect(linkOf(pressed, 'base-bearing').demand).toBeCloseTo(10_000 / ring, 6);
    expect(linkOf(asSolved(pressed), 'base-bearing').demand).toBeCloseTo(10_000 / ring, -1);
  });
  it('pulled, no hinge forms at a bolt that pries on nothing: half of mode 1', () => {
    const link = linkOf(pulled, 'plate-bending');
    expect(link.demand).toBeCloseTo(13_500, 0);
    expect(link.capacity).toBeCloseTo(lone(15, 275), 3);
    expect(link.state).toBe('fails');
  });
  it('by AISC Part 9: p·F_u·t²/(4·b′), φ 0.90', () => {
    const link = linkOf({ ...pulled, practice: { ...pulled.practice, rules: 'AISC' } }, 'plate-bending');
    expect(link.capacity).toBeCloseTo((0.9 * 2 * end * 430 * 15 ** 2) / (4 * (m - 5)), 3);
  });
});

describe('levelling packers under the bolts', () => {
  const gap = (id: string, x: number, y: number, g: number) => ({ id, x, y, gap: mm(g) });
  const shims = [gap('S1', 130, 130, 4), gap('S2', -130, 130, 1), gap('S3', -130, -130, 1), gap('S4', 130, -130, 4)];
  const level: Job = { ...pressed, joint: { ...pressed.joint, packing: 'none' }, survey: { ...pressed.survey, shims } };

  it('the plate spans from one to the next as on spacers', () => {
    const link = linkOf(level, 'plate-bending');
    expect(link.demand).toBeCloseTo(10_000, -2);
    expect(link.capacity).toBeCloseTo(lone(6, 275), 3);
    expect(linkOf(asSolved(level), 'plate-bending').state).toBe('fails');
  });
  it('unless glue fills what is left under it, or they are alike within what the bedding takes up', () => {
    expect(linkOf(withJoint({ bedding: 'bonded' })(level), 'plate-bending').demand).toBe(0);
    const even = { ...level, survey: { ...level.survey, shims: shims.map((s) => ({ ...s, gap: mm(1 + s.gap.v / 10) })) } };
    expect(linkOf(even, 'plate-bending').demand).toBe(0);
  });
  it('pulled, whichever way of standing pulls harder counts: never less than on an even bed', () => {
    const tipped = { ...level, loads: [freeLoad({ fz: 8000, my: 1.5e6 })] };
    const bedded = { ...tipped, survey: { ...tipped.survey, shims: [] } };
    expect(linkOf(tipped, 'bolt-tension').demand).toBeGreaterThanOrEqual(linkOf(bedded, 'bolt-tension').demand * 0.999);
  });
});
