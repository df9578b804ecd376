import { oneFoot } from '@core/job/at-foot';
import { changedFoot, standingAs } from '@core/job/feet-edits';
import { newJob } from '@core/job/new-job';
import type { WholeJob } from '@core/job/whole-job';
import { assumed, fromSheet } from '@core/job/values';
import { angle, four, holes, kg, load, measured, mm, ZERO } from './shorthand';

/** Four feet on one deck: the aft pair is pulled when the hoist swings forward, and one of them stands on thinner laminate. */
export function aFrame(): WholeJob {
  const job = newJob('a-frame-four-feet', 'A-frame on four feet, afterdeck', 'mm');
  const one = oneFoot({
    ...job,
    family: 'davit',
    note: 'Hoists the sediment sampler over the stern; the frame stands on four welded feet, each bolted through the deck.',
    loads: [
      load('cantilever', 'L1', 'Sampler on the hoist', {
        mass: kg(260),
        reach: measured(750),
        height: measured(1650),
        swing: angle(20),
        lead: angle(8),
      }),
      load('free', 'L2', 'Frame and hoist', { fz: fromSheet(-900, '-900 N'), x: ZERO, z: measured(800) }),
    ],
    base: {
      length: measured(120),
      width: measured(90),
      thickness: measured(10),
      hole: measured(13),
      slot: ZERO,
      slotAlong: 'x',
      holes: holes(45, 30),
      holesFrom: 'measured',
    },
    skin: {
      kind: 'laminate',
      glass: fromSheet(0.35, '35 %'),
      thickness: measured(14),
      spanX: measured(520),
      spanY: measured(460),
      aft: measured(260),
      starboard: measured(230),
      bedModulus: assumed(8000, '8000 MPa'),
    },
    plate: { x0: -110, x1: 110, y0: -95, y1: 95, corner: 16, metal: 'S355', thickness: mm(10), layers: 1 },
    bolts: { size: 'M12', class: 'A4-70', nut: 'A4-70', fit: 'medium', items: four(85, 70) },
    far: { kind: 'plate', metal: 'S275', thickness: mm(6) },
  });
  const stood = standingAs(one, 'F1', 'four feet', { along: 600, across: 1300, count: 4 });
  const { skin } = stood.feet[3]!;
  // Measured at every foot; the aft starboard corner is laid up thinner.
  const laid = stood.feet
    .slice(1, 3)
    .reduce((w, f) => changedFoot(w, f.id, { skin: { ...f.skin, thickness: measured(14) } }), stood);
  return {
    ...changedFoot(laid, 'F4', { skin: { ...skin, thickness: measured(12) } }),
    // Set down by the harbour's crane, out of doors in March.
    making: {
      outdoors: true,
      daylight: { from: '08:30', to: '17:00' },
      temperature: 9,
      hired: { what: 'harbour crane', for: 'lift', perHour: 95, leastHours: 3 },
      lift: { mass: 310, x: 0, y: 0, z: 900, hook: 3200 },
    },
  };
}
