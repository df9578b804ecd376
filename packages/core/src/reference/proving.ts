import { fromSheet } from '../job/values';
import { boltLife } from '../prove/bolt-life';
import { boltSpring, coneResilience } from '../prove/bolt-spring';
import { ofReadings } from '../prove/readings';
import type { ReferenceValue } from './jobs';
import { evaluate } from '../chain/evaluate';
import { isResolved, resolve } from '../job/resolve';
import { plainJob } from './jobs';

const M12 = { d: 12, pitch: 1.75, E: 205_000, dw: 16.6, hole: 13.5, shank: 0, layers: [{ t: 40, E: 205_000 }] } as const;

/** VDI 2230 Part 1 eq. (39), one material, through bolt: 2·ln[(d_w + d_h)(d_w + l·tan φ − d_h)/((d_w − d_h)(d_w + l·tan φ + d_h))]/(E·π·d_h·tan φ). */
const CONE =
  (2 * Math.log(((16.6 + 13.5) * (16.6 + 40 * 0.45 - 13.5)) / ((16.6 - 13.5) * (16.6 + 40 * 0.45 + 13.5)))) /
  (205_000 * Math.PI * 13.5 * 0.45);

/** A bolt pulled so that its stress is that of the category over γ_Mf. */
function lifeAt(stress: number): number {
  const job = plainJob((j) => ({ ...j, plate: { ...j.plate, thickness: fromSheet(8, '8 mm') } }));
  const r = resolve(job);
  const [shared] = evaluate(job).shared;
  if (!isResolved(r) || !shared) return NaN;
  const pulls = r.bolts.map((_, i) => (i === 0 ? stress * r.As : 0));
  return boltLife(r, { shared: [{ ...shared, pulls }] })?.times ?? NaN;
}

/** What Prove rests on, against what was worked outside: methods and `npm run methods`. */
export const PROVING_VALUES: readonly ReferenceValue[] = [
  {
    of: 'bolt spring',
    what: 'M12, 40 mm of steel: the bolt, 10⁻⁶ mm/N',
    source: 'VDI 2230 Part 1 §5.1.1 by hand (memory)',
    // Head and nut 0.9·12 over 113.1 mm², thread 40 + 6 over 76.2 mm², 205 GPa.
    expected: (10.8 / 113.097 + 46 / ((Math.PI / 4) * 9.8529 ** 2)) / 0.205,
    within: 1e-4,
    got: () => boltSpring(M12).bolt * 1e6,
  },
  {
    of: 'bolt spring',
    what: 'M12, 40 mm of steel, tan φ 0.45: the plates, 10⁻⁶ mm/N',
    source: 'VDI 2230 Part 1 eq. (39) (memory)',
    expected: CONE * 1e6,
    within: 1e-6,
    got: () => coneResilience(M12, 0.45) * 1e6,
  },
  {
    of: 'bolt life',
    what: 'category 50 at Δσ_C/γ_Mf: loads',
    source: 'EN 1993-1-9 Fig. 7.1 (memory)',
    expected: 2e6,
    within: 1e-6,
    got: () => lifeAt(50 / 1.35),
  },
  {
    of: 'readings',
    what: 'standard deviation of 8.00, 8.07, 8.02 mm',
    source: 'by hand: √0.0013',
    expected: Math.sqrt(0.0013),
    within: 1e-9,
    got: () => ofReadings([8, 8.07, 8.02]).s!,
  },
];
