import { evaluate } from '../../chain/evaluate';
import { newLug } from '../../job/plain-joint';
import type { Job } from '../../job/schema';
import { fromSheet } from '../../job/values';
import { freeLoad, testJob } from '../../testing/test-job';

const mm = (v: number) => fromSheet(v, `${v} mm`);

/** A lug 80 × 20 of S355 on a sheet of steel, a crash taken as the last load: strength whole, bending plastic. */
const foot = (load: Parameters<typeof freeLoad>[0]) =>
  evaluate(
    testJob(
      load,
      (j) =>
        ({
          ...j,
          practice: { ...j.practice, school: 'ultimate' },
          skin: { ...j.skin, kind: 'sheet', metal: 'S355', thickness: mm(8) },
          lug: { ...newLug(), metal: 'S355', thickness: mm(20), width: mm(80), along: 'x' },
        }) as Job,
    ),
  ).links.find((l) => l.id === 'lug-foot')!;

it('pulled straight the foot has its yield and no more: bending alone goes on to 1.5 × (EN 1993-1-1 §6.2.3, §6.2.5)', () => {
  expect(foot({ fz: 80 * 20 * 355 }).utilisation).toBeCloseTo(1, 9);
  // 80²·20/4·355: the plastic modulus is 1.5 × the elastic one.
  expect(foot({ my: ((80 ** 2 * 20) / 4) * 355 }).utilisation).toBeCloseTo(1, 9);
  expect(foot({ mx: ((20 ** 2 * 80) / 4) * 355 }).utilisation).toBeCloseTo(1, 9);
  // Sheared along its face: A·f_y/√3.
  expect(foot({ fx: (80 * 20 * 355) / Math.sqrt(3) }).utilisation).toBeCloseTo(1, 9);
});

it('pulled and bent, the parts add up (EN 1993-1-1 §6.2.1(7))', () => {
  expect(foot({ fz: 0.4 * 80 * 20 * 355, my: 0.3 * ((80 ** 2 * 20) / 4) * 355 }).utilisation).toBeCloseTo(0.7, 9);
});
