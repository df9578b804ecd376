import { oneFoot } from '@core/job/at-foot';
import { standingAs } from '@core/job/feet-edits';
import { newJob } from '@core/job/new-job';
import type { WholeJob } from '@core/job/whole-job';
import { assumed } from '@core/job/values';
import { angle, bareBase, kg, load, measured, mm, partHole, sheetFloor } from './shorthand';

/** Two rails of flat bar, bent up at both ends to catch the skid: each is a foot that takes what pitches it, and none that rolls it. */
export function generatorSkid(): WholeJob {
  const job = newJob('generator-skid-rails', 'Generator skid on two rails, lorry floor', 'mm');
  const one = oneFoot({
    ...job,
    family: 'stowage',
    note: 'Each rail is one flat bar, bent up at its ends; the skid is bolted to the turned-up ends.',
    loads: [load('cradle', 'L1', 'Generator, lorry braking', { mass: kg(120), height: measured(330) })],
    base: { ...bareBase(420, 44, 6), stiff: 'rail of 60 × 10 on a plate of 8, plug-welded from above', entry: measured(420) },
    skin: sheetFloor('S355', 6, 700, 260),
    plate: { x0: -300, x1: 300, y0: -32, y1: 32, corner: 6, metal: 'S355', thickness: mm(8), layers: 1 },
    bolts: {
      ...job.bolts,
      size: 'M10',
      class: '8.8',
      nut: '8',
      items: [-265, -240, 240, 265].map((x, i) => ({ id: `B${i + 1}`, x, y: i % 2 === 0 ? -12 : 12 })),
    },
    far: { kind: 'plate', metal: 'S275', thickness: mm(6) },
    welds: { ...job.welds, fitting: 'all round' },
    parts: [
      {
        id: 'rail',
        name: 'Skid rail, ends turned up',
        use: 'rail',
        metal: 'S355',
        count: 1,
        on: 'the mounting plate, plug-welded from above',
        stock: {
          form: 'flat bar',
          width: mm(60),
          thickness: mm(10),
          legs: [mm(90), mm(432), mm(90)],
          bends: [
            { angle: angle(90), radius: mm(12), up: true },
            { angle: angle(90), radius: mm(12), up: true },
          ],
        },
        holes: [
          partHole('S1', 30, 0, 13, 'fastener', 0),
          partHole('W1', 80, 0, 14, 'base', 1),
          partHole('W2', 352, 0, 14, 'base', 1),
          partHole('S2', 60, 0, 13, 'fastener', 2),
        ],
        works: { as: 'arm', carries: assumed(0.5, '0.5'), from: 'S1', to: 'W1', pinned: true },
      },
    ],
  });
  return { ...standingAs(one, 'F1', 'two rails', { along: 0, across: 560, count: 2 }), making: { boughtIn: 540, budget: 400 } };
}
