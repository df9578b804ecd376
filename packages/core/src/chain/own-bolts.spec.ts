import type { Job } from '../job/schema';
import { mirrored } from '../job/mirrored';
import { asSolved, caseFile, linkOf } from '../testing/case-file';
import { reordered, turned } from '../testing/turned';
import { freeLoad } from '../testing/test-job';

/** Four M10 8.8 through the base at ± 40, four more through the plate alone. EN 1993-1-8 Tab. 3.4: 0.9·800·58.0/1.25 (stress area of ISO 898-1). */
const F_T = (0.9 * 800 * 58) / 1.25;
const pulled = caseFile('base-on-four-of-eight-bolts');
const sheared = caseFile('base-on-four-of-eight-bolts-shear');
const loaded = (job: Job, load: Parameters<typeof freeLoad>[0]): Job => ({ ...job, loads: [freeLoad(load)] });
const ways = { 'as drawn': (j: Job) => j, turned, mirrored, reordered };

describe('a base that is held by its own bolts gives all of its load to those (statics)', () => {
  it.each(Object.entries(ways))('140 kN on four of eight, %s: 35 kN each, by hand and as solved', (_way, change) => {
    for (const job of [change(pulled), asSolved(change(pulled))]) {
      const link = linkOf(job, 'bolt-tension');
      expect(link.demand / 35_000).toBeCloseTo(1, 3);
      expect(link.utilisation).toBeCloseTo(35_000 / F_T, 2);
    }
  });
  it.each(Object.entries(ways))(
    '120 kN along it, %s: 30 kN each where base and plate slide, whoever found the pulls',
    (_way, change) => {
      for (const job of [change(sheared), asSolved(change(sheared))])
        expect(linkOf(job, 'bolt-shear').demand).toBeCloseTo(30_000, 6);
    },
  );
  it('a moment goes over their spacing, not over that of the others: at least M over twice 80 mm and the edge beyond', () => {
    const { demand } = linkOf(loaded(pulled, { my: 6e6 }), 'bolt-tension');
    // Two bolts with the pressed edge no further from them than the base reaches, 40 + 60.
    expect(demand).toBeGreaterThan(6e6 / (2 * 100));
    expect(demand).toBeLessThan(6e6 / (2 * 80));
  });
  it('a twist too: M over the sum of the squares of their four distances', () => {
    const r = Math.hypot(40, 40);
    expect(linkOf(loaded(pulled, { mz: 4e6 }), 'bolt-shear').demand).toBeCloseTo((4e6 * r) / (4 * r * r), 3);
  });
  it('welded besides, all eight hold it', () => {
    const welded: Job = { ...pulled, welds: { ...pulled.welds, fitting: 'all round' } };
    expect(linkOf(welded, 'bolt-tension').demand).toBeLessThan(20_000);
  });
  it('the others are judged as well: an odd bolt of the plate still takes its part of what slides on the skin', () =>
    expect(linkOf(sheared, 'net-section').demand).toBeGreaterThan(0));
  it('held by one bolt alone it spins: refused by name', () => {
    const one: Job = {
      ...pulled,
      bolts: { ...pulled.bolts, items: pulled.bolts.items.filter((b) => Math.abs(b.x) > 50 || b.id === 'B1') },
    };
    expect(() => linkOf(loaded(one, { fz: 1000, fx: 5000 }), 'bolt-shear')).toThrow(/base’s own bolts/);
  });
});
