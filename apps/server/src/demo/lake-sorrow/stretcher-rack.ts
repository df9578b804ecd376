import { sharp } from '@core/geometry/outline';
import { oneFoot } from '@core/job/at-foot';
import { standingAs } from '@core/job/feet-edits';
import { newJob } from '@core/job/new-job';
import type { WholeJob } from '@core/job/whole-job';
import { at, bareBase, kg, load, measured, mm, partHole, sheetFloor } from './shorthand';

/** Four end plates and four counter plates in mirrored pairs: an ear of each reaches to an old hole, and the top is cut on the slant. */
export function stretcherRack(): WholeJob {
  const job = newJob('stretcher-rack-ends', 'Stretcher rack, end and counter plates', 'mm');
  const one = oneFoot({
    ...job,
    family: 'stowage',
    note: 'The ear to port goes out to the hole of the old rack, which is used again.',
    loads: [load('cradle', 'L1', 'Stretcher and patient', { mass: kg(150), height: measured(240) })],
    base: bareBase(90, 60, 6),
    skin: sheetFloor('S355', 6, 320, 300),
    plate: {
      x0: -80,
      x1: 80,
      y0: -62,
      y1: 110,
      corner: 0,
      metal: 'S275',
      thickness: mm(8),
      layers: 1,
      outline: {
        corners: [
          { ...sharp(-80, -62), make: 'round', size: 10 },
          { ...sharp(80, -62), make: 'round', size: 10 },
          // Cut on the slant to clear the frame.
          { ...sharp(80, 36), make: 'round', size: 8 },
          sharp(28, 62),
          { ...sharp(28, 110), make: 'round', size: 12 },
          { ...sharp(-22, 110), make: 'round', size: 12 },
          sharp(-22, 62),
          { ...sharp(-80, 62), make: 'round', size: 10 },
        ],
        openings: [],
      },
    },
    bolts: {
      ...job.bolts,
      size: 'M8',
      class: '8.8',
      nut: '8',
      items: [at('B1', 60, -44), at('B2', -60, -44), at('B3', -60, 44), at('B4', 58, 32), at('B5', 3, 90)],
    },
    far: { kind: 'plate', metal: 'S275', thickness: mm(5) },
    welds: { ...job.welds, fitting: 'all round' },
    parts: [
      {
        id: 'gusset',
        name: 'Gusset under the arm',
        use: 'gusset',
        metal: 'S275',
        count: 2,
        on: 'plate and upright, fillets both sides',
        stock: {
          form: 'plate',
          thickness: mm(6),
          outline: { corners: [sharp(-35, -35), sharp(35, -35), sharp(35, -23), sharp(-23, 35), sharp(-35, 35)], openings: [] },
        },
        holes: [partHole('L', -14, -14, 16, 'lightening')],
      },
    ],
  });
  return standingAs(one, 'F1', 'four feet', { along: 1750, across: 460, count: 4 });
}
