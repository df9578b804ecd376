import type { Resolved } from '../job/resolve';
import { weldedAlongEdges } from '../job/resolved';
import { RATES } from '../stock/rates';
import { doublerRuns } from '../sharing/doubler-runs';
import { lineGroup, runsAround } from '../sharing/weld-group';

const STEEL_DENSITY = 7850e-9;
const EPOXY_DENSITY = 1200e-9;

interface Amount {
  /** kg, the shop's money, minutes. */
  readonly mass: number;
  readonly cost: number;
  readonly minutes: number;
}

/** What cutting and fitting sleeves, plugs and spacers round every bolt takes; the tubes themselves are among the parts that are cut. */
function roundBolts(r: Resolved): Amount[] {
  const { sleeve, packing, tubeOutside } = r.job.joint;
  const n = r.bolts.length;
  const one = (mass: number, cost: number, minutes: number): Amount => ({ mass: n * mass, cost: n * cost, minutes: n * minutes });
  const out: Amount[] = [];
  if (sleeve === 'sleeve') out.push(one(0, RATES.perSleeve, RATES.minutesPerSleeve));
  if (sleeve === 'plug')
    out.push(
      one((Math.PI / 4) * (tubeOutside.v ** 2 - r.d ** 2) * r.skinThickness * EPOXY_DENSITY, RATES.perPlug, RATES.minutesPerPlug),
    );
  if (packing === 'spacers') out.push(one(0, RATES.perSleeve, RATES.minutesPerSleeve));
  return out;
}

/** Fillets by their length and the square of their throat against 4 mm. */
function welds(r: Resolved): Amount[] {
  const { fitting, fittingThroat, doublerThroat } = r.job.welds;
  const run = (length: number, a: number): Amount => {
    const k = (length / 1000) * (a / 4) ** 2;
    return { mass: length * a ** 2 * STEEL_DENSITY, cost: k * RATES.perMetreWeld, minutes: k * RATES.minutesPerMetreWeld };
  };
  return [
    ...(fitting === 'none' ? [] : [run(lineGroup(runsAround(r.base, fitting)).length, fittingThroat.v)]),
    ...(weldedAlongEdges(r) ? [run(lineGroup(doublerRuns(r)).length, doublerThroat.v)] : []),
  ];
}

/** The lug by its face down to one width below the hole, with its pin, cheeks and support tab. */
function lug(r: Resolved): Amount[] {
  const { lug: l } = r.job;
  if (!l || !r.lugMetal) return [];
  const face = l.width.v * (l.end.v + l.hole.v / 2 + l.width.v / 2);
  const plates =
    face * l.thickness.v + 2 * 0.7 * face * l.cheek.v + (l.shear === 'single with support tab' ? face * l.thickness.v * 0.5 : 0);
  const mass = plates * r.lugMetal.density * 1e-9;
  const pin = (Math.PI / 4) * l.pin.v ** 2 * (l.thickness.v + 2 * (l.cheek.v + l.gap.v + l.fork.v)) * STEEL_DENSITY;
  const tabs = (l.shear === 'single with support tab' ? 1 : 0) + (l.cheek.v > 0 ? 2 : 0);
  return [
    {
      mass: mass + pin,
      cost: mass * RATES.perKg[r.lugMetal.group] + pin * 2 * RATES.perKg.steel + tabs * RATES.perTab,
      minutes: tabs * RATES.minutesPerTab,
    },
  ];
}

/** What a joint has besides plates, bolts and washers: mass by volume, cost and minutes by rough rates (common practice). */
export function besides(r: Resolved): Amount {
  return [...roundBolts(r), ...welds(r), ...lug(r)].reduce(
    (a, b) => ({ mass: a.mass + b.mass, cost: a.cost + b.cost, minutes: a.minutes + b.minutes }),
    { mass: 0, cost: 0, minutes: 0 },
  );
}
