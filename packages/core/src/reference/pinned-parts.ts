import type { FreePart } from '../job/free-part';
import { fromSheet } from '../units/quantity';

const q = (v: number) => fromSheet(v, String(v));

/** A strap 50 wide of S275 with half-round ends and pins of 15.5 in holes of 16, 200 apart; each of a pair takes half of the load. */
export const strap = (x: Partial<NonNullable<FreePart['eye']>> = {}, t = 6, id = 'P1'): FreePart => ({
  id,
  name: `Strap ${id}`,
  use: 'link',
  metal: 'S275',
  count: 2,
  stock: { form: 'flat bar', width: q(50), thickness: q(t), legs: [q(250)], bends: [], rounded: true },
  holes: [-100, 100].map((at, i) => ({ id: `E${i + 1}`, x: at, y: 0, d: q(16), purpose: 'eye' as const })),
  eye: {
    rules: 'EN',
    hole: 'E1',
    carries: q(0.5),
    pin: q(15.5),
    pinClass: '8.8',
    shear: 'double',
    fork: q(6),
    gap: q(1),
    Nd: 3,
    ...x,
  },
});
