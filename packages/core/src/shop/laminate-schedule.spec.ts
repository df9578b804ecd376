import { oneFoot } from '../job/at-foot';
import { METALS } from '../stock/metals';
import { testJob } from '../testing/test-job';
import { laminateSchedules } from './laminate-schedule';
import { madeOf, type MadeOf } from './made-of';

const laminate = METALS.find((m) => m.group === 'laminate')!;
const made = (metal: string, t: number) =>
  madeOf(
    oneFoot(
      testJob(undefined, (j) => ({
        ...j,
        plate: { ...j.plate, metal, thickness: { v: t, text: `${t} mm`, from: 'sheet' } },
        far: { kind: 'large washer' },
      })),
    ),
  ) as MadeOf;

it('plies of 600 g/m² at half glass are 0.734 mm (0.6/3.072·(2.56/0.5 − 1.36)): seventeen for 12 mm, as much resin as cloth', () => {
  const [s] = laminateSchedules(made(laminate.id, 12));
  expect(s!.ply).toBeCloseTo(0.7344, 4);
  expect(s!.plies).toBe(17);
  expect(s!.plies * s!.ply).toBeGreaterThanOrEqual(12);
  const { x0, x1, y0, y1 } = testJob().plate;
  const area = ((x1 - x0 + 40) * (y1 - y0 + 40)) / 1e6;
  expect(s!.cloth).toBeCloseTo(17 * area * 600, 6);
  expect(s!.resin).toBeCloseTo(s!.cloth, 6);
});
it('metal has no plies', () => expect(laminateSchedules(made('S355', 12))).toEqual([]));
