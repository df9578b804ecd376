import { besides } from './besides';
import { boltNeeds } from './bolt-length';
import { boughtMass, cutParts, outlineLength, partMass } from './cut-parts';
import { atBolt, eachKind, ofThisKind } from '../job/of-kind';
import type { Resolved } from '../job/resolve';
import { RATES } from '../stock/rates';

const STEEL_DENSITY = 7850e-9;

/** Mass in kg of what is cut (as flat blanks less their holes), of bolts by their length with hexagons for head and nuts, of washers, and of what the joint has besides. */
export function massOf(r: Resolved): number {
  const parts = cutParts(r).reduce((sum, p) => sum + partMass(p), 0);
  return parts + eachKind(r).reduce((sum, k) => sum + fastenersMass(k), 0) + besides(r).mass;
}

/** Bolts, nuts and washers of one kind, kg. */
function fastenersMass(r: Resolved): number {
  const mine = ofThisKind(r);
  if (mine.length === 0) return 0;
  const hexagon = (Math.sqrt(3) / 2) * r.size.acrossFlats ** 2;
  const bolts = mine.reduce((sum, i) => {
    const { needed, nuts } = boltNeeds(r, i);
    const head = nuts === 2 ? 0 : hexagon * r.size.headHeight;
    return (
      sum +
      ((Math.PI / 4) * r.d ** 2 * needed + head + nuts * (hexagon - (Math.PI / 4) * r.d ** 2) * r.size.nutHeight) * STEEL_DENSITY
    );
  }, 0);
  const ring = (outside: number, t: number) => (Math.PI / 4) * (outside ** 2 - r.d ** 2) * t * STEEL_DENSITY;
  const near = ring(r.size.washer.outside, r.size.washer.thickness);
  // A plate washer is among the parts.
  const far =
    boltNeeds(r, mine[0]!).farWasher === 0 || (r.far.kind === 'washer' && r.far.metal)
      ? 0
      : ring(farRing(r).outside, farRing(r).thickness);
  return bolts + mine.length * (near + far);
}

const farRing = (r: Resolved) => (r.far.kind === 'plate' ? r.size.washer : r.far);

/** Rough cost in the shop's money, for comparing only (rates: common practice). */
export function roughCost(r: Resolved): number {
  const parts = cutParts(r).filter((p) => !p.roundBolts);
  const metalCost = parts.reduce((sum, p) => sum + boughtMass(p) * RATES.perKg[p.metal.group], 0);
  const cut = parts.reduce((sum, p) => sum + outlineLength(p) * p.count * RATES.perMetreCut, 0);
  const holes = (r.bolts.length + parts.reduce((sum, p) => sum + p.holes.length * p.count, 0)) * RATES.perHole;
  const bolts = r.bolts.reduce((sum, _b, i) => sum + boltCost(atBolt(r, i)), 0);
  return besides(r).cost + metalCost + cut + holes + bolts;
}

const boltCost = ({ grade, far, size, d }: Resolved): number => {
  const dear = grade.stainless ? RATES.stainlessBolt : grade.fub > 850 ? RATES.strongBolt : 1;
  const large = far.kind === 'washer' && far.outside > size.washer.outside ? RATES.largeWasher : 0;
  return large + RATES.perBolt * (d ** 2 / 100) * dear;
};

/** Rough minutes to make and fit it, for comparing only (rates: common practice): thicker metal drills and cuts slower. */
export function roughMinutes(r: Resolved): number {
  const slow = (t: number) => 0.5 + t / 12;
  const made = cutParts(r).reduce(
    (sum, p) =>
      p.roundBolts
        ? sum
        : sum +
          p.count * slow(p.thickness) * (outlineLength(p) * RATES.minutesPerMetreCut + p.holes.length * RATES.minutesPerHole),
    0,
  );
  return besides(r).minutes + made + r.bolts.length * (RATES.minutesPerBolt + RATES.minutesPerHole);
}
