import { newJob } from '@core/job/new-job';
import type { Job } from '@core/job/schema';
import { wrappedRound } from '@core/job/shaped';
import { assumed, fromSheet } from '@core/job/values';
import { at, load, measured, mm, ZERO } from './shorthand';

/**
 * The case holes stand where the maker put them, of two sizes and on bosses of five heights: the plate is the hull round them, and
 * a spacer of its own length stands under it at each.
 */
export function pumpPlate(): Job {
  const job = newJob('sampling-pump-brace', 'Brace plate, sampling pump', 'mm');
  return wrappedRound(
    {
      ...job,
      family: 'suspension',
      note: 'Five holes of the pump’s case, none in line, two of them M10, on bosses of five heights; wrapped round them at 18 mm.',
      loads: [
        load('free', 'L1', 'Brace pulls, engine running', {
          fx: fromSheet(900, '900 N'),
          fy: fromSheet(-350, '-350 N'),
          fz: fromSheet(400, '400 N'),
          z: assumed(45, '45 mm'),
        }),
      ],
      base: {
        length: measured(60),
        width: measured(44),
        thickness: measured(6),
        hole: measured(9),
        slot: ZERO,
        slotAlong: 'x',
        holes: [],
        holesFrom: 'measured',
      },
      skin: {
        kind: 'sheet',
        metal: 'S235',
        thickness: measured(6),
        spanX: measured(420),
        spanY: measured(380),
        aft: measured(210),
        starboard: measured(190),
        bedModulus: assumed(30_000, '30000 MPa'),
      },
      plate: { ...job.plate, metal: 'S355', thickness: mm(8) },
      bolts: {
        size: 'M8',
        class: '8.8',
        nut: '8',
        fit: 'medium',
        items: [
          { ...at('B1', 86, 38), kind: 'case-M10', packed: measured(16) },
          { ...at('B2', 62, -58), packed: measured(14.5, '14.5 mm') },
          { ...at('B3', -50, -52), packed: measured(18) },
          { ...at('B4', -88, 20), kind: 'case-M10', packed: measured(19.5, '19.5 mm') },
          { ...at('B5', -12, 66), packed: measured(17.2, '17.2 mm') },
        ],
        kinds: [{ id: 'case-M10', size: 'M10', class: '8.8', nut: '8', fit: 'medium' }],
      },
      far: { kind: 'washer' },
      joint: { ...job.joint, packing: 'spacers', tubeOutside: mm(18), tubeWall: mm(3.5) },
      welds: { ...job.welds, fitting: 'all round' },
    },
    18,
  );
}
