import type { Resolved } from '../job/resolve';
import type { Job } from '../job/schema';
import { withSkinKind } from '../job/skin-kinds';
import { fromSheet } from '../job/values';
import { lopsidedJob } from '../testing/lopsided-job';
import { resolved, testJob } from '../testing/test-job';
import { boltSpring, clampedBy, coneResilience, type Clamped } from './bolt-spring';
import { torqueSlope } from './tightening-round';

const mm = (v: number) => fromSheet(v, `${v} mm`);

/** M12, class 8.8, steel plates of 40 mm together. */
const m12: Clamped = { d: 12, pitch: 1.75, E: 205_000, dw: 16.6, hole: 13.5, shank: 0, layers: [{ t: 40, E: 205_000 }] };

/** VDI 2230 Part 1 (2015) eq. (39), through bolt (w = 1), one material: from memory, written out anew. */
function vdiCone({ dw, hole, layers }: Clamped, tan: number): number {
  const [{ t: lK, E }] = layers as [{ t: number; E: number }];
  const top = (dw + hole) * (dw + lK * tan - hole);
  const below = (dw - hole) * (dw + lK * tan + hole);
  return (2 * Math.log(top / below)) / (E * Math.PI * hole * tan);
}

it('the cone in one material is the closed form of VDI 2230', () => {
  for (const tan of [0.3, 0.45, 0.6]) expect(coneResilience(m12, tan) / vdiCone(m12, tan)).toBeCloseTo(1, 10);
});

it('a stack cut into layers is the same stack, whichever way up; a soft layer as a numerical integral has it', () => {
  const tan = 0.45;
  const cut = (layers: Clamped['layers']) => coneResilience({ ...m12, layers }, tan);
  expect(cut([10, 12, 18].map((t) => ({ t, E: 205_000 })))).toBeCloseTo(coneResilience(m12, tan), 12);
  const soft = [
    { t: 6, E: 205_000 },
    { t: 25, E: 900 },
    { t: 9, E: 70_000 },
  ];
  expect(cut(soft) / cut([...soft].reverse())).toBeCloseTo(1, 10);
  // Midpoint rule over the grip.
  const n = 40_000;
  let sum = 0;
  for (let i = 0; i < n; i++) {
    const z = ((i + 0.5) / n) * 40;
    const D = m12.dw + 2 * Math.min(z, 40 - z) * tan;
    const E = z < 6 ? 205_000 : z < 31 ? 900 : 70_000;
    sum += 40 / n / (E * (Math.PI / 4) * (D * D - m12.hole ** 2));
  }
  expect(cut(soft) / sum).toBeCloseTo(1, 5);
});

it('the bolt: lengths of head, thread and nut over their areas, by hand (VDI 2230 Part 1 §5.1.1, from memory)', () => {
  const d3 = 12 - 1.2269 * 1.75;
  const A = (x: number) => (Math.PI / 4) * x * x;
  const byHand =
    (0.5 * 12) / (205e3 * A(12)) + 40 / (205e3 * A(d3)) + (0.5 * 12) / (205e3 * A(d3)) + (0.4 * 12) / (205e3 * A(12));
  const spring = boltSpring(m12);
  expect(spring.bolt / byHand).toBeCloseTo(1, 10);
  // A turn of the nut stretches and squeezes by one pitch.
  expect(spring.perDegree * 360 * (spring.bolt + spring.plates)).toBeCloseTo(1.75, 9);
});

it('torque for a degree is K·d times the pull for a degree; a softer skin takes more degrees', () => {
  const r = resolved(testJob());
  const c = clampedBy(r, 0);
  expect(torqueSlope(r, 0)).toBeCloseTo(0.2 * r.d * boltSpring(c).perDegree, 6);
  const soft = resolved(
    testJob({ fz: 1000 }, (j) => ({ ...j, skin: { ...j.skin, bedModulus: { ...j.skin.bedModulus, v: 50 } } })),
  );
  const metal = r.skinMetal !== undefined;
  expect(torqueSlope(soft, 0) < torqueSlope(r, 0) || metal).toBe(true);
  expect(clampedBy(resolved(lopsidedJob()), 0).layers.every((l) => l.t > 0 && l.E > 0)).toBe(true);
});

it('a sandwich is squeezed face, core and face: 2·G·(1 + ν) of its core, and not the modulus of what is under the base', () => {
  const sandwich = (change: (j: Job) => Job = (j) => j) =>
    resolved(testJob({ fz: 1000 }, (j) => change(withSkinKind({ ...j, skin: { ...j.skin, thickness: mm(30) } }, 'sandwich'))));
  const layers = (r: Resolved) => clampedBy(r, 0).layers.map(({ t, E }) => [t, Math.round(E)]);
  const own = sandwich((j) => ({
    ...j,
    skin: { ...j.skin, nearFace: mm(3), farFace: mm(2), coreModulus: fromSheet(40, '40 MPa') } as Job['skin'],
  }));
  const t = own.skinThickness - 5;
  expect(layers(own)).toContainEqual([t, 104]);
  // A stiffer bed under the base makes no bolt stiffer.
  const bed = sandwich((j) => ({ ...j, skin: { ...own.job.skin, bedModulus: fromSheet(30_000, '') } as Job['skin'] }));
  expect(torqueSlope(bed, 0)).toBe(torqueSlope(own, 0));
  const filled = (sleeve: 'plug' | 'sleeve') =>
    sandwich((j) => ({ ...j, skin: own.job.skin, joint: { ...j.joint, sleeve, tubeOutside: mm(20), tubeWall: mm(3) } }));
  // The nut turns far less where it squeezes a plug, and least where a tube keeps the faces apart.
  expect(torqueSlope(filled('plug'), 0) / torqueSlope(own, 0)).toBeGreaterThan(5);
  expect(torqueSlope(filled('sleeve'), 0)).toBeGreaterThan(torqueSlope(filled('plug'), 0));
  // A foam ten times as soft as its plug: the core alone is most of the spring, by hand t/(E·A) of the cone’s least area.
  const { plates } = boltSpring(clampedBy(own, 0));
  const least = t / (104 * (Math.PI / 4) * (clampedBy(own, 0).dw ** 2 - own.d0 ** 2));
  expect(plates).toBeLessThan(least);
  expect(plates).toBeGreaterThan(0.1 * least);
});
