import { oneFoot } from '../job/at-foot';
import { standingAs } from '../job/feet-edits';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { RATES } from '../stock/rates';
import { caseFile } from '../testing/case-file';
import { resolved, testJob, withJoint } from '../testing/test-job';
import { barsWanted } from './bars-wanted';
import { cutParts, partMass } from './cut-parts';
import { partList } from './part-list';
import { tubesRoundBolts } from './tubes-round-bolts';
import { massOf, roughCost } from './weight-and-cost';

const q = (v: number) => fromSheet(v, `${v} mm`);
const on = (x: Partial<Job['joint']>) => testJob({ fz: 900 }, withJoint(x));
const spaced = on({ packing: 'spacers', packer: q(30), tubeOutside: q(25), tubeWall: q(4) });
const ring = (outside: number, inside: number) => (Math.PI / 4) * (outside ** 2 - inside ** 2);
/** kg of steel, 7850 kg/m³. */
const steel = (mm3: number) => mm3 * 7850e-9;

it('spacers of one height are one part, a piece round each bolt', () => {
  const [only, ...others] = tubesRoundBolts(resolved(spaced));
  expect(others).toEqual([]);
  expect(only).toMatchObject({ name: 'spacer', count: 4, stock: 'round tube 25 × 4 mm', on: 'round B1, B2, B3, B4', sawn: true });
  expect(only!.bounds.x1 - only!.bounds.x0).toBe(30);
  expect(partMass(only!)).toBeCloseTo(4 * steel(ring(25, 17) * 30), 9);
});

it('sleeves as long as the skin is thick; a wall there is no room for leaves the tube solid', () => {
  const [sleeve] = tubesRoundBolts(resolved(on({ sleeve: 'sleeve', tubeOutside: q(20), tubeWall: q(3) })));
  expect(partMass(sleeve!)).toBeCloseTo(4 * steel(ring(20, 14) * 8), 9);
  const [solid] = tubesRoundBolts(resolved(on({ sleeve: 'sleeve', tubeOutside: q(20), tubeWall: q(15) })));
  expect(partMass(solid!)).toBeCloseTo(4 * steel(ring(20, 0) * 8), 9);
});

it('spacers of different height by their lengths', () => {
  const levelled: Job = {
    ...spaced,
    survey: { ...spaced.survey, shims: [{ bolt: 'B2', height: q(4) }] } as unknown as Job['survey'],
  };
  const r = resolved(levelled);
  const heights = [...new Set(r.bolts.map((b) => b.packed))];
  expect(tubesRoundBolts(r).map((p) => p.bounds.x1)).toEqual(heights);
  expect(tubesRoundBolts(r).reduce((n, p) => n + p.count, 0)).toBe(4);
});

it('nothing where there are none, and the job’s own parts stay last', () => {
  expect(tubesRoundBolts(resolved(testJob()))).toEqual([]);
  expect(cutParts(resolved(spaced)).map((p) => p.id)).toEqual(['plate', 'backing', 'spacer-B1']);
});

it('they stand in the parts list and are sawn from bars, over all feet', () => {
  const four = standingAs(oneFoot(spaced), 'F1', 'four feet', { along: 400, across: 300, count: 4 });
  const parts = partList(four);
  if ('refusals' in parts) throw new Error('refused');
  expect(parts.parts.filter((p) => p.name === 'spacer').map((p) => [p.count + p.mirrored, p.stock])).toEqual([
    [16, 'Steel S235, round tube 25 × 4 mm'],
  ]);
  const bars = barsWanted(four);
  if ('refusals' in bars) throw new Error('refused');
  expect(bars.wanted.find((w) => w.stock.startsWith('round tube'))!.pieces).toEqual([
    expect.objectContaining({ length: 30, count: 16 }),
  ]);
});

it('they are weighed once, and cost by the piece what they did', () => {
  const flat = on({ tubeOutside: q(25), tubeWall: q(4), packing: 'packer', packer: q(30) });
  expect(massOf(resolved(spaced)) - massOf(resolved(flat))).toBeCloseTo(4 * steel(ring(25, 17) * 30), 9);
  expect(roughCost(resolved(spaced)) - roughCost(resolved(flat))).toBeCloseTo(4 * RATES.perSleeve, 9);
});

it('a plate on spacers, as it was drawn with none of them on any list', () => {
  const list = partList(oneFoot(caseFile('spacers-on-no-list')));
  if ('refusals' in list) throw new Error('refused');
  const bolts = caseFile('spacers-on-no-list').bolts.items.length;
  expect(list.parts.filter((p) => p.part.roundBolts).reduce((n, p) => n + p.count, 0)).toBe(bolts);
});
