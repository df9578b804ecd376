import { areaOf, heightOf, widthOf } from '../geometry/rects';
import { besides } from './besides';
import type { Resolved } from '../job/resolve';
import { stripsOf } from '../job/strips';
import { RATES } from '../stock/rates';
import type { Job } from '../job/schema';

const STEEL_DENSITY = 7850e-9;

/** Height of packer or spacer between plate and skin, mm. */
const packingOf = (r: Resolved): number => (r.job.joint.packing === 'none' ? 0 : r.job.joint.packer.v);

/** Clamped thickness under the head, mm: washer, base where the bolt passes it, plates, packing, skin, far side. */
export function gripOf(r: Resolved, throughBase: boolean): number {
  const near = r.size.washer.thickness;
  const far = r.far.height + (r.far.kind === 'plate' ? r.size.washer.thickness : 0);
  return near + (throughBase ? r.baseThickness : 0) + packingOf(r) + r.plateThickness * r.plateLayers + r.skinThickness + far;
}

/** Mass of plates, bolts, nuts and washers in kg: outline less corners and holes; bolts as rod of grip + nut + two threads, with head and nut as hexagons. */
export function massOf(r: Resolved, corner: number): number {
  const n = r.bolts.length;
  const face = areaOf(r.plate) - (4 - Math.PI) * corner ** 2 - (n * Math.PI * r.d0 ** 2) / 4;
  const plate = face * r.plateThickness * r.plateLayers * r.plateMetal.density * 1e-9;
  const backing = r.far.kind === 'plate' ? backingFace(r, face) * r.far.height * r.far.metal.density * 1e-9 : 0;
  const hexagon = (Math.sqrt(3) / 2) * r.size.acrossFlats ** 2;
  const bolts = r.bolts.reduce((sum, b) => {
    const rod = (Math.PI / 4) * r.d ** 2 * (gripOf(r, b.throughBase) + 2 * r.size.pitch);
    return sum + (rod + hexagon * (r.size.headHeight + r.size.nutHeight)) * STEEL_DENSITY;
  }, 0);
  const ring = (outside: number, t: number) => (Math.PI / 4) * (outside ** 2 - r.d ** 2) * t * STEEL_DENSITY;
  const far = r.far.kind === 'plate' ? r.size.washer : r.far;
  const washers = n * (ring(r.size.washer.outside, r.size.washer.thickness) + ring(far.outside, far.thickness));
  return plate + backing + bolts + washers + besides(r).mass;
}

/** Face of the backing: the plate's own and what it reaches past it, or that of strips under each row of bolts, mm². */
function backingFace(r: Resolved, face: number): number {
  if (r.far.kind === 'plate' && !r.far.strips) return face + areaOf(r.far.outline) - areaOf(r.plate);
  const strips = stripsOf(r.job);
  return strips.length === 0 ? face : strips.reduce((sum, s) => sum + areaOf(s), 0);
}

/** Rough cost in the shop's money, for comparing only (rates: common practice). */
export function roughCost(r: Resolved, corner: number): number {
  const sheets = r.plateLayers + (r.far.kind === 'plate' ? r.far.layers : 0);
  const face = areaOf(r.plate) - (4 - Math.PI) * corner ** 2;
  const metalCost =
    face * r.plateThickness * r.plateLayers * r.plateMetal.density * 1e-9 * RATES.perKg[r.plateMetal.group] +
    (r.far.kind === 'plate'
      ? backingFace(r, face) * r.far.height * r.far.metal.density * 1e-9 * RATES.perKg[r.far.metal.group]
      : 0);
  const cut = ((widthOf(r.plate) + heightOf(r.plate)) / 500) * RATES.perMetreCut * sheets;
  const holes = r.bolts.length * RATES.perHole * (sheets + 1);
  const dear = r.grade.stainless ? RATES.stainlessBolt : r.grade.fub > 850 ? RATES.strongBolt : 1;
  const large = r.far.kind === 'washer' && r.far.outside > r.size.washer.outside ? r.bolts.length * RATES.largeWasher : 0;
  return besides(r).cost + metalCost + cut + holes + large + r.bolts.length * RATES.perBolt * (r.d ** 2 / 100) * dear;
}

/** Rough minutes to make and fit it, for comparing only (rates: common practice): thicker metal drills and cuts slower. */
export function roughMinutes(r: Resolved): number {
  const slow = (t: number) => 0.5 + t / 12;
  const behind = r.far.kind === 'plate' ? Array<number>(r.far.layers).fill(r.far.thickness) : [];
  const sheets = [...Array<number>(r.plateLayers).fill(r.plateThickness), ...behind];
  const edge = (2 * (widthOf(r.plate) + heightOf(r.plate))) / 1000;
  const made = sheets.reduce(
    (sum, t) => sum + slow(t) * (edge * RATES.minutesPerMetreCut + r.bolts.length * RATES.minutesPerHole),
    0,
  );
  return besides(r).minutes + made + r.bolts.length * (RATES.minutesPerBolt + RATES.minutesPerHole);
}

/** Mass of a whole job, or undefined while it is refused. */
export const massOfJob = (job: Job, r: Resolved): number => massOf(r, job.plate.corner);
