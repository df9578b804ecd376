import fc from 'fast-check';
import type { Link } from '@core/chain/evaluate';
import { EDGE_ON, WHOLE, wholeLinks } from './fit-chain';

const PARTS = ['lug', 'weld', 'base', 'fastener', 'plate', 'far side', 'skin', 'joint'] as const;
const link = (id: number, part: number, utilisation: number, state: Link['state'] = 'sound') =>
  ({ id: `l${id}`, element: PARTS[part]!, utilisation, state }) as Link;

it('with room enough every link is whole', () => {
  const links = [link(1, 0, 0.3), link(2, 0, 0.2), link(3, 1, 0.1)];
  expect(wholeLinks(links, 3 * WHOLE, []).size).toBe(3);
});

it('without, the worst of each part and the next worst are; what fails before what is used much', () => {
  const links = [link(1, 0, 0.9), link(2, 0, 0.3, 'fails'), link(3, 1, 0.2), link(4, 1, 0.8), link(5, 2, 0.1, 'refused')];
  expect([...wholeLinks(links, 4 * WHOLE + EDGE_ON, ['l3'])].sort()).toEqual(['l2', 'l3', 'l4', 'l5']);
  expect([...wholeLinks(links, 4 * WHOLE + EDGE_ON, [])].sort()).toEqual(['l1', 'l2', 'l4', 'l5']);
});

it('fits whatever there is, as long as one whole link of each part does; each part shows its worst', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.nat(7), fc.double({ min: 0, max: 3, noNaN: true })), { minLength: 1, maxLength: 34 }),
      fc.integer({ min: 400, max: 1400 }),
      (rows, width) => {
        const links = rows.map(([part, u], i) => link(i, part, u, u > 1 ? 'fails' : 'sound'));
        const weakest = [...links].sort((a, b) => b.utilisation - a.utilisation)[0]!.id;
        const whole = wholeLinks(links, width, [weakest]);
        expect(whole.has(weakest)).toBe(true);
        const parts = new Set(links.map((l) => l.element)).size;
        const takes = whole.size * WHOLE + (links.length - whole.size) * EDGE_ON;
        const least = parts * WHOLE + (links.length - parts) * EDGE_ON;
        if (least <= width) expect(takes).toBeLessThanOrEqual(width);
        for (const part of new Set(links.map((l) => l.element))) {
          const most = Math.max(...links.filter((l) => l.element === part).map((l) => l.utilisation));
          expect(links.some((l) => l.element === part && l.utilisation === most && whole.has(l.id))).toBe(true);
        }
      },
    ),
    { numRuns: 300, seed: 7 },
  );
});
