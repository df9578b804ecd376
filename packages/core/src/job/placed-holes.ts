import type { MiddleLine } from '../geometry/slots';
import { between } from '../geometry/slots';
import { distance } from '../geometry/points';
import { edgeDistance } from '../geometry/region';
import { endsOf } from './made-hole';
import { atBolt } from './of-kind';
import type { Resolved } from './resolved';

/** Centres of the round ends of bolt i's hole in the plate; twice its own place where it is round. */
export function holeEnds(r: Resolved, i: number): MiddleLine {
  const { d0, slot } = atBolt(r, i);
  return endsOf({ ...r.bolts[i]!, d: d0, ...(slot ? { slot } : {}) });
}

const round = (r: Resolved, i: number): boolean => r.kinds[r.bolts[i]!.kind]!.slot === undefined;

/** From the middle line of bolt i's hole to the plate's edge or a hole of the plate's own, mm; under 0 outside it. */
export const edgeOf = (r: Resolved, i: number): number =>
  round(r, i) ? edgeDistance(r.region, r.bolts[i]!) : Math.min(...holeEnds(r, i).map((p) => edgeDistance(r.region, p)));

/** Between the middle lines of two bolts' holes, mm; between centres where both are round. */
export const apart = (r: Resolved, i: number, j: number): number =>
  round(r, i) && round(r, j) ? distance(r.bolts[i]!, r.bolts[j]!) : between(holeEnds(r, i), holeEnds(r, j));
