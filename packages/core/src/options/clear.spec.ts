import fc from 'fast-check';
import { goodFor } from '../chain/multiple';
import { evaluate } from '../chain/evaluate';
import { CHECKS } from '../checks/registry';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { testJob } from '../testing/test-job';
import { whatClears, withClearing } from './clear';

const link = (j: Job, id: string) => evaluate(j).links.find((l) => l.id === id)!;
const thin = (fz: number) => testJob({ fz, z: 0 }, (j) => ({ ...j, plate: { ...j.plate, thickness: fromSheet(5, '5 mm') } }));

it('a plate that bends too far is thickened to the next stock that holds, and no further (by trying each stock)', () => {
  const job = thin(16_000);
  expect(link(job, 'plate-bending').state).toBe('fails');
  const offered = whatClears(job, 'plate-bending').find((c) => c.kind === 'plate')!;
  const first = [6, 8, 10, 12, 15].find(
    (t) => link({ ...job, plate: { ...job.plate, thickness: fromSheet(t, `${t} mm`) } }, 'plate-bending').utilisation <= 1,
  )!;
  expect(offered.words).toBe(`plate 5 mm to ${first} mm`);
});

it('every offer, taken, clears its link and makes nothing else let go; its figures are those of the job it makes', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 500, max: 16_000 }),
      fc.integer({ min: 500, max: 12_000 }),
      fc.constantFrom('washer' as const, 'plate' as const),
      (fz, fx, far) => {
        const job = testJob({ fz, fx, z: 110 }, (j) => ({
          ...j,
          far: far === 'plate' ? j.far : { kind: 'washer' },
        }));
        const before = evaluate(job);
        for (const l of before.links.filter((x) => x.state === 'fails' || x.state === 'tight')) {
          const offers = whatClears(job, l.id);
          expect(offers.length).toBeLessThanOrEqual(4);
          expect(new Set(offers.map((o) => o.kind)).size).toBe(offers.length);
          for (const o of offers) {
            const now = evaluate(withClearing(job, o));
            const cleared = now.links.find((x) => x.id === l.id)!;
            expect(cleared.utilisation).toBeLessThanOrEqual(l.state === 'fails' ? 1 : 0.9);
            expect(cleared.utilisation).toBeCloseTo(o.utilisation, 9);
            const means = goodFor(withClearing(job, o), now);
            expect(o.goodFor).toBeCloseTo(means.known ? means.at : 0, 9);
            for (const x of now.links.filter((y) => y.state === 'fails')) {
              const was = before.links.find((y) => y.id === x.id)!;
              expect([x.id, was.state]).toEqual([x.id, 'fails']);
              expect(x.utilisation).toBeLessThanOrEqual(was.utilisation + 1e-9);
            }
          }
        }
      },
    ),
    { numRuns: 12 },
  );
});

it('cheapest first, and thicker metal is heavier by its volume (by hand)', () => {
  const job = thin(16_000);
  const offers = whatClears(job, 'plate-bending');
  expect(offers.map((o) => o.cost)).toEqual([...offers.map((o) => o.cost)].sort((a, b) => a - b));
  const o = offers.find((x) => x.kind === 'plate')!;
  // Outline 230 × 210 less corners of 12 mm, four 11 mm holes and the fitting’s own four, S275 at 7850 kg/m³; the bolts grow by the same length.
  const face = 230 * 210 - (4 - Math.PI) * 144 - 2 * Math.PI * 121;
  const more = o.job.plate.thickness.v - 5;
  const bolts = 4 * (Math.PI / 4) * 100 * more * 7850e-9;
  expect(o.mass).toBeCloseTo(face * more * 7850e-9 + bolts, 6);
});

it('nothing is offered for a link that is sound, not needed, refused or unknown', () => {
  const job = testJob({ fz: 100 });
  for (const c of CHECKS) expect([c.id, whatClears(job, c.id)]).toEqual([c.id, []]);
  expect(whatClears(job, 'no such link')).toEqual([]);
});

it('bolts through the base stand where its holes are: no more of them, none further apart', () => {
  const job = testJob({ fz: 45_000 }, (j) => ({
    ...j,
    bolts: { ...j.bolts, size: 'M8', items: j.base.holes.map((h, i) => ({ id: `B${i + 1}`, x: h.x, y: h.y })) },
  }));
  const failing = evaluate(job).links.filter((l) => l.state === 'fails');
  expect(failing.length).toBeGreaterThan(0);
  for (const l of failing) for (const o of whatClears(job, l.id)) expect(['count', 'spread']).not.toContain(o.kind);
});
