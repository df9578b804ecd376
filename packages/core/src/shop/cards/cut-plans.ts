import { formatQuantity } from '../../units/format-quantity';
import { isRefusal, refusalText } from '../../units/refusal';
import type { UnitSystem } from '../../units/format-quantity';
import { roundedRect } from '../../geometry/region';
import type { BarsCut } from '../buy-list';
import { OTHER_HAND, outlineOn, sizeOf, type SheetsWanted } from '../on-sheet';
import type { PlacedPiece } from '../sheet-nesting';
import { head, loud, words, type Block, type Card, type Picture, type Shape } from './card';

/** Where each flat part lies, sheet by sheet, offcuts first. */
export function sheetsCard(wanted: readonly SheetsWanted[], units: UnitSystem): Card[] {
  if (wanted.length === 0) return [];
  const mm = (v: number) => formatQuantity(v, 'length', units);
  const blocks = wanted.flatMap((s): Block[] => {
    const { plan } = s;
    if (isRefusal(plan)) return [head(s.stock), loud(refusalText(plan))];
    const least = plan.bought > plan.atLeast ? `By area ${plan.atLeast} would do.` : 'No fewer would do.';
    return [
      head(s.stock),
      words(
        `${plan.bought === 0 ? 'Nothing to buy: all from offcuts.' : `Buy ${plan.bought} × ${mm(plan.long)} × ${mm(plan.wide)}. ${least}`} ${(100 * plan.waste).toFixed(0)} % of what is cut from is waste.`,
      ),
      ...plan.sheets.map((sheet, i): Block => {
        const size = sizeOf(plan, sheet);
        return {
          kind: 'picture',
          picture: sheetPicture(s, sheet.pieces, size),
          says: `${sheet.offcut ? 'Offcut' : 'Sheet'} ${i + 1}, ${mm(size.long)} × ${mm(size.wide)}; ${mm(sheet.remnant)} left over the whole width`,
        };
      }),
    ];
  });
  return [
    {
      id: 'sheets',
      title: 'Sheets',
      of: '',
      blocks: [
        ...blocks,
        words(`Numbers are the parts’ marks; those with a stroke (${OTHER_HAND.trim()}) are of the other hand.`),
      ],
    },
  ];
}

function sheetPicture(s: SheetsWanted, pieces: readonly PlacedPiece[], { long, wide }: { long: number; wide: number }): Picture {
  const laid = pieces.map((p) => ({ p, region: outlineOn(s, p, wide) }));
  return {
    bounds: { x0: -8, x1: long + 8, y0: -8, y1: wide + 8 },
    shapes: [
      { region: roundedRect({ x0: 0, x1: long, y0: 0, y1: wide }, 0), look: 'sheet' },
      ...laid.map(({ region }): Shape => ({ region, look: 'metal' })),
      ...laid.map(({ p, region }): Shape => {
        const xs = region.outer.map((v) => v.x);
        const ys = region.outer.map((v) => v.y);
        const at = { x: (Math.min(...xs) + Math.max(...xs)) / 2, y: (Math.min(...ys) + Math.max(...ys)) / 2 };
        return { at, text: p.id, size: Math.max(12, Math.min(long / 40, (Math.max(...xs) - Math.min(...xs)) / 2)) };
      }),
    ],
  };
}

/** Bars in the order they are sawn, with where the stop goes. */
export function barsCard(bars: readonly BarsCut[], units: UnitSystem): Card[] {
  if (bars.length === 0) return [];
  const mm = (v: number) => formatQuantity(v, 'length', units);
  const blocks = bars.flatMap(({ stock, plan }): Block[] => {
    if (isRefusal(plan)) return [head(stock), loud(refusalText(plan))];
    const sure = plan.proven ? 'No plan buys less.' : `Not proven the least; at least ${mm(plan.lowerBound)} is needed.`;
    return [
      head(stock),
      words(`${plan.bought} to buy, ${(100 * plan.waste).toFixed(0)} % of it not in a piece. ${sure}`),
      {
        kind: 'table',
        head: ['Bar', 'Stop', 'Piece', 'Long'],
        right: [1, 3],
        tick: true,
        rows: plan.bars.flatMap((b, i) =>
          b.pieces.map((p, k) => [
            k === 0 ? `${i + 1}: ${b.bar.onHand === undefined ? '' : 'offcut '}${mm(b.bar.length)}` : '',
            mm(b.stops[k]!),
            p.mark,
            mm(p.length),
          ]),
        ),
      },
    ];
  });
  return [
    {
      id: 'bars',
      title: 'Bars',
      of: '',
      blocks: [...blocks, words('The stop is from the bar’s own end, its waste cut off first; every piece loses one cut more.')],
    },
  ];
}
