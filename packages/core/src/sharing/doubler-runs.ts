import { loopPoints } from '../geometry/region';
import type { Resolved } from '../job/resolve';
import { runsAlong, runsAround, runsOn, type Run } from './weld-group';

/** The fillets that hold the plate to the skin, along its edges. */
export function doublerRuns(r: Resolved): Run[] {
  const { doubler, stitch, gap } = r.welds;
  if (doubler === 'lines') return runsOn(r.weldLines);
  const part = doubler === 'stitched' ? stitch / (stitch + gap) : 1;
  return r.shaped ? runsAlong(loopPoints(r.region.outer), part) : runsAround(r.plate, 'all round', part);
}
