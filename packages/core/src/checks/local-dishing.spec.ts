import { evaluate, workingOf } from '../chain/evaluate';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { testJob, withWelds } from '../testing/test-job';

const mm = (v: number) => fromSheet(v, `${v} mm`);

/** A steel sheet of 3 between bearers 500 × 400, washers under the nuts of a plate 260 × 220, pulled. */
const sheet = (more: (j: Job) => Job) =>
  testJob({ fz: 2000 }, (j) =>
    more({
      ...j,
      skin: { ...j.skin, kind: 'sheet', metal: 'S355', thickness: mm(3), spanX: mm(500), spanY: mm(400) } as Job['skin'],
      plate: { ...j.plate, x0: -130, x1: 130, y0: -110, y1: 110, corner: 0 },
      far: { kind: 'washer' },
    }),
  );
const λ = (j: Job) => {
  const { links, refusals } = evaluate(j);
  expect(refusals).toEqual([]);
  const { caseId } = links.find((l) => l.id === 'local-dishing')!;
  return workingOf(j, 'local-dishing', caseId)!.steps.findLast((s) => s.symbol === 'λ')!.value;
};
const welded = (doubler: Job['welds']['doubler']) => sheet(withWelds({ doubler, doublerThroat: mm(3) }));

it('welded to the plate all round, the sheet dimples between the welds, not between the bearers: ln(2·220/(π·r_0)) for ln(2·400/(π·r_0))', () => {
  expect(λ(welded('all round')) - λ(sheet((j) => j))).toBeCloseTo(Math.log(220 / 400), 9);
});

it('plugs and stitches hold the sheet here and there, and are not counted', () => {
  for (const doubler of ['plugs', 'stitched'] as const) expect(λ(welded(doubler))).toBeCloseTo(λ(sheet((j) => j)), 9);
});
