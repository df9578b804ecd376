import { oneFoot } from '@core/job/at-foot';
import { changedFoot, madeItsOwn, standingAs } from '@core/job/feet-edits';
import { newJob } from '@core/job/new-job';
import type { Job } from '@core/job/schema';
import type { WholeJob } from '@core/job/whole-job';
import { sharp } from '@core/geometry/outline';
import { assumed, fromSheet } from '@core/job/values';
import { bareBase, four, load, measured, mm } from './shorthand';

/** Half length of the plate and of its pad at each of the three feet, mm: the beams below are not evenly spaced. */
const HALF = [130, 95, 110] as const;

/** A rail on three pads of laminate, each as long as the beam under it allows. */
export function railPads(): WholeJob {
  const job = newJob('rail-on-three-pads', 'Rail under the A-frame, three laminate pads', 'mm');
  const plate = (half: number): Job['plate'] => ({
    x0: -half,
    x1: half,
    y0: -70,
    y1: 70,
    corner: 10,
    metal: 'S355',
    thickness: mm(10),
    layers: 1,
  });
  const pad = (half: number, k: number): Job['parts'] => [
    {
      id: `pad-${k}`,
      name: `Pad ${k}, ${2 * half} long`,
      use: 'strap',
      metal: 'G-10',
      count: 1,
      on: 'between plate and deck, bedded both sides',
      stock: {
        form: 'plate',
        thickness: mm(12),
        outline: { corners: [sharp(-half, -70), sharp(half, -70), sharp(half, 70), sharp(-half, 70)], openings: [] },
      },
      holes: four(half - 22, 48).map(({ id, x, y }) => ({ id, x, y, d: mm(13.5), purpose: 'fastener' as const })),
    },
  ];
  const made = (half: number, k: number) => ({
    plate: plate(half),
    bolts: { ...job.bolts, size: 'M12', class: 'A4-70', nut: 'A4-70', items: four(half - 22, 48) },
    parts: pad(half, k)!,
  });
  const one = oneFoot({
    ...job,
    family: 'davit',
    note: 'Pads of glass-epoxy plate under a rail; each foot has a plate and a pad of its own length.',
    loads: [
      load('free', 'L1', 'Frame leans aft', {
        fx: fromSheet(-2500, '-2500 N'),
        fz: fromSheet(-6000, '-6000 N'),
        my: fromSheet(-700_000, '-700 N·m'),
        z: measured(60),
      }),
    ],
    base: bareBase(120, 70, 10),
    skin: {
      kind: 'laminate',
      glass: fromSheet(0.35, '35 %'),
      thickness: measured(14),
      spanX: measured(560),
      spanY: measured(460),
      aft: measured(280),
      starboard: measured(230),
      bedModulus: assumed(8000, '8000 MPa'),
    },
    ...made(HALF[0], 1),
    far: { kind: 'plate', metal: 'S275', thickness: mm(6) },
    joint: { ...job.joint, packing: 'packer', packer: mm(12), bedding: 'bedded' },
    welds: { ...job.welds, fitting: 'all round' },
  });
  const stood = standingAs(one, 'F1', 'row', { along: 520, across: 0, count: 3 });
  const laid = [2, 3].reduce((w, k) => {
    const own = madeItsOwn(w, `F${k}`);
    const { design } = own.feet.find((f) => f.id === `F${k}`)!;
    return changedFoot(own, `F${k}`, { design: { ...design!, ...made(HALF[k - 1]!, k) } });
  }, stood);
  // A trial pad in card, and the sealant by its tin: a cool boathouse.
  return {
    ...laid,
    making: {
      trial: 'card',
      temperature: 14,
      products: {
        sealant: {
          name: 'Boathouse bedding sealant',
          cartridge: 290,
          potLife: { at: 20, minutes: 40 },
          from: 5,
          to: 35,
          cure: [
            {
              step: 'load',
              points: [
                { at: 10, hours: 96 },
                { at: 20, hours: 48 },
              ],
            },
          ],
        },
      },
    },
  };
}
