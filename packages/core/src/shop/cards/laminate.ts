import { formatQuantity } from '../../units/format-quantity';
import { LAYUP } from '../../stock/products';
import { laminateSchedules } from '../laminate-schedule';
import type { MadeOf } from '../made-of';
import { loud, words, type Card } from './card';
import { stepWords } from './report';

/** Parts laid up in the shop: plies, their size, cloth and resin. */
export function laminateCards(of: MadeOf): Card[] {
  const all = laminateSchedules(of);
  if (all.length === 0) return [];
  const mm = (v: number) => formatQuantity(v, 'length', of.whole.units);
  return [
    {
      id: 'laminate',
      title: 'Lay up',
      of: '',
      blocks: [
        loud(
          `ASSUMED: cloth of ${LAYUP.cloth} g/m², glass ${100 * LAYUP.glass} % by mass, by hand. Bought laminate needs none of this; another cloth, other plies.`,
        ),
        {
          kind: 'table',
          head: ['Mark', 'Part', 'Pieces', 'Thick', 'Plies', 'Each cut', 'Cloth', 'Resin, mixed'],
          right: [2, 3, 4, 6, 7],
          tick: true,
          rows: all.map((s) => [
            s.mark,
            s.name,
            `${s.pieces}`,
            mm(s.thickness),
            `${s.plies}`,
            `${mm(s.size[0])} × ${mm(s.size[1])}`,
            `${Math.ceil(s.cloth)} g`,
            `${Math.ceil(s.resin)} g`,
          ]),
        },
        { kind: 'list', items: all[0]!.steps.map(stepWords) },
        words(
          'Turn every second ply; wet the mould first, roll air out of each, no more at a time than goes on in the pot’s life. Measure it when it is cured: the checks count the thickness drawn.',
        ),
      ],
    },
  ];
}
