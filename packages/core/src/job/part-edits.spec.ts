import { evaluate } from '../chain/evaluate';
import { testJob } from '../testing/test-job';
import { FreePart } from './free-part';
import { BEGUN_AS, changedPart, freePartId, newPart, withBend, withoutBend, withoutPart, withPart } from './part-edits';

it.each(BEGUN_AS)('a %s is begun as something that can be made, in either unit', (as) => {
  for (const units of ['mm', 'inch'] as const) {
    const part = newPart(as, 'P1', 'S275', units);
    expect(FreePart.safeParse(part).error?.issues).toBeUndefined();
    expect(evaluate({ ...testJob(), parts: [part] }).refusals).toEqual([]);
  }
});
it('is added under a free id, changed and taken out, and the job is then as it was', () => {
  const job = testJob();
  const two = withPart(withPart(job, 'plate'), 'link');
  expect(two.parts!.map((p) => p.id)).toEqual(['P1', 'P2']);
  expect(freePartId(withoutPart(two, 'P1'))).toBe('P1');
  expect(changedPart(two, 'P2', (p) => ({ ...p, count: 4 })).parts!.map((p) => p.count)).toEqual([1, 4]);
  expect(withoutPart(withoutPart(two, 'P1'), 'P2')).toEqual(job);
});
it('a bar gets a leg more and one less, and its holes stay on what is left', () => {
  const bar = newPart('flat bar', 'P1', 'S275', 'mm');
  const bent = withBend(withBend(bar, 'mm'), 'mm');
  expect(evaluate({ ...testJob(), parts: [bent] }).refusals).toEqual([]);
  const holed = { ...bent, holes: [{ ...newPart('link', 'x', 'S275', 'mm').holes[0]!, x: 40, leg: 2 }] };
  expect(withoutBend(holed).holes).toEqual([]);
  expect(withoutBend(withoutBend(bent))).toEqual({ ...bar, stock: { ...bar.stock } });
  expect(withoutBend(newPart('plate', 'P1', 'S275', 'mm')).stock.form).toBe('plate');
});
