import { formatQuantity } from '../../units/format-quantity';
import type { MadeOf } from '../made-of';
import type { ListedPart } from '../part-list';
import { head, words, type Block, type Card } from './card';
import { partPicture } from './plate-picture';

/** "2 + 2 mirrored"; of a part at several feet "1 a foot, 4 in all: 2 + 2 mirrored". */
export function pieceWords(p: Pick<ListedPart, 'count' | 'mirrored' | 'feet'>): string {
  const all = p.count + p.mirrored;
  const hands = p.mirrored === 0 ? '' : p.count > 0 ? `${p.count} + ${p.mirrored} mirrored` : `${p.mirrored} mirrored`;
  if (p.feet.length < 2) return hands || `${all}`;
  return `${all / p.feet.length} a foot, ${all} in all${hands ? `: ${hands}` : ''}`;
}

/** Where no table says that it is pieces: "1 off", else as above. */
export const offWords = (p: Pick<ListedPart, 'count' | 'mirrored' | 'feet'>): string =>
  p.feet.length < 2 && p.mirrored === 0 ? `${p.count} off` : pieceWords(p);

/** Where a part goes, where that says something. */
export const placeWords = ({ whole }: MadeOf, p: ListedPart): string =>
  [whole.feet.length > 1 ? p.feet.map((id) => whole.feet.find((f) => f.id === id)!.name).join(', ') : '', p.part.on ?? '']
    .filter(Boolean)
    .join('; ');

/** Every part with its picture, stock, blank and mass; the trial part first where one is made. */
export function partsCard(of: MadeOf): Card {
  const { whole, parts } = of;
  const mm = (v: number) => formatQuantity(v, 'length', whole.units);
  const kg = (v: number) => formatQuantity(v, 'mass', whole.units);
  const total = parts.reduce((sum, p) => sum + (p.count + p.mirrored) * p.mass, 0);
  const trial = whole.making?.trial;
  const blocks: Block[] = [
    ...(trial && trial !== 'none'
      ? [words(`First a trial part in ${trial}, by the template; tried in place before metal is cut.`)]
      : []),
    {
      kind: 'table',
      head: ['Mark', 'Part', 'Pieces', 'From', 'Blank', 'Each', 'Where'],
      right: [4, 5],
      tick: true,
      rows: parts.map((p) => [
        p.mark,
        p.name,
        pieceWords(p),
        p.stock,
        `${mm(p.length)} × ${mm(p.width)}`,
        kg(p.mass),
        placeWords(of, p),
      ]),
      foot: ['', 'In all', `${parts.reduce((n, p) => n + p.count + p.mirrored, 0)}`, '', '', kg(total), ''],
    },
    words('Stamp each piece with its mark on the face that shows; pieces of the other hand with a stroke beside it.'),
    ...parts.flatMap((p): Block[] => [
      head(`${p.mark} ${p.name}`),
      { kind: 'picture', picture: partPicture(p.part), says: `${p.name}, flat, ${p.holes.length} holes, as drawn` },
    ]),
  ];
  return { id: 'parts', title: 'Parts', of: '', blocks };
}
