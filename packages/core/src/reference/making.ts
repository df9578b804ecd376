import { springback } from '../shop/bend-order';
import { criticalPath, type CriticalPath } from '../shop/critical-path';
import { cureTime, type CureTime } from '../shop/cure';
import { batchFor, type Batch } from '../shop/mixing';
import { nestOn, type FlatPiece } from '../shop/sheet-nesting';
import { slung, type Slung } from '../shop/slings';
import { USUAL_PRODUCTS, type Product } from '../stock/products';
import { isRefusal } from '../units/refusal';
import { G0 } from '../units/unit-table';
import { Working } from '../working/steps';
import type { ReferenceValue } from './jobs';

/** Published packing instances of 16 or 17 pieces that fill a square of 20 exactly: their areas add up to 400. */
const HOPPER_TURTON: Readonly<Record<string, readonly (readonly [number, number])[]>> = {
  'C1-P1': [
    [2, 12],
    [7, 12],
    [8, 6],
    [3, 6],
    [3, 5],
    [5, 5],
    [3, 12],
    [3, 7],
    [5, 7],
    [2, 6],
    [3, 2],
    [4, 2],
    [3, 4],
    [4, 4],
    [9, 2],
    [11, 2],
  ],
  'C1-P2': [
    [4, 1],
    [4, 5],
    [9, 4],
    [3, 5],
    [3, 9],
    [1, 4],
    [5, 3],
    [4, 1],
    [5, 5],
    [7, 2],
    [9, 3],
    [3, 13],
    [2, 8],
    [15, 4],
    [5, 4],
    [10, 6],
    [7, 2],
  ],
  'C1-P3': [
    [4, 14],
    [5, 2],
    [2, 2],
    [9, 7],
    [5, 5],
    [2, 5],
    [7, 7],
    [3, 5],
    [6, 5],
    [3, 2],
    [6, 2],
    [4, 6],
    [6, 3],
    [10, 3],
    [6, 3],
    [10, 3],
  ],
};

/** The shortest strip 20 wide on which an instance goes, kerf and margin 0. */
export function stripOf(name: string): number {
  const pieces = HOPPER_TURTON[name]!.map(([a, b], i): FlatPiece => ({
    id: `${i}`,
    name: `${i}`,
    length: Math.max(a, b),
    width: Math.min(a, b),
    count: 1,
    area: a * b,
  }));
  for (let long = 20; long < 60; long++) {
    const plan = nestOn(pieces, [[long, 20]], { kerf: 0, margin: 0, along: false });
    if (!isRefusal(plan) && plan.sheets.length === 1) return long;
  }
  return NaN;
}

/** The area of an instance, which is how its figures from memory are known to be right. */
export const areaOf = (name: string): number => HOPPER_TURTON[name]!.reduce((sum, [a, b]) => sum + a * b, 0);
export const PACKING = Object.keys(HOPPER_TURTON);

const product = { ...USUAL_PRODUCTS.adhesive, from: 5, to: 40 } as Product;
const legs = () =>
  (
    slung({
      mass: 9000 / G0,
      centre: { x: 0, y: 0, z: 0 },
      hook: 2500,
      points: [
        { x: 1200, y: 700, z: 0 },
        { x: -900, y: 800, z: 0 },
        { x: -300, y: -1100, z: 0 },
      ],
    }) as Slung
  ).legs.map((l) => l.tension / 1000);
const batch = () =>
  batchFor(
    { ...product, mix: { resin: 100, hardener: 50, by: 'weight', resinDensity: 1.1, hardenerDensity: 1.1 } },
    4 * (Math.PI / 4) * 44 ** 2 * 26 + 600 * 120 * 2,
    0,
  ) as Batch;
const network = () =>
  (
    criticalPath(
      (
        [
          ['A', 2, ''],
          ['B', 3, ''],
          ['C', 2, 'A'],
          ['D', 4, 'B'],
          ['E', 4, 'C'],
          ['F', 3, 'C'],
          ['G', 5, 'DE'],
          ['H', 2, 'FG'],
        ] as const
      ).map(([id, takes, after]) => ({ id, takes, after: [...after] })),
    ) as CriticalPath
  ).takes;

/** What making rests on, held to figures from outside; apart from the checks, whose share of published figures these would dilute. */
export const MAKING_VALUES: readonly ReferenceValue[] = [
  ...PACKING.map((name): ReferenceValue => ({
    of: 'packing',
    what: `${name}: strip 20 wide, optimum 20 long`,
    source: 'Hopper & Turton 2001 (memory; the areas add up to 400)',
    expected: 20,
    within: 0.05,
    got: () => stripOf(name),
  })),
  {
    of: 'cure',
    what: '24 h at 15 °C, 10 h at 25 °C: at 18 °C, h',
    source: 'Arrhenius by hand',
    expected: 18.3,
    within: 0.003,
    got: () =>
      (
        cureTime(
          product,
          [
            { at: 15, hours: 24 },
            { at: 25, hours: 10 },
          ],
          18,
        ) as CureTime
      ).hours,
  },
  {
    of: 'mixing',
    what: '302 cm³ at 100 : 50 by weight: resin, g',
    source: 'volumes by hand',
    expected: 222,
    within: 0.003,
    got: () => batch().resin,
  },
  ...[3.22, 2.82, 4].map((kN, i): ReferenceValue => ({
    of: 'slings',
    what: `three legs not alike, leg ${i + 1}, kN`,
    source: 'three equations by hand',
    expected: kN,
    within: 0.002,
    got: () => legs()[i]!,
  })),
  {
    of: 'springback',
    what: '0.0359 in, R 0.5 in, 40 ksi: R_f, in',
    source: 'Kalpakjian & Schmid, example 16.4 (memory)',
    expected: 0.531,
    within: 0.001,
    got: () => {
      const w = new Working(true);
      springback(Math.PI / 2, 12.7, 0.91186, { fy: 275.79, E: 199_948 }, w);
      return w.steps[1]!.value / 25.4;
    },
  },
  {
    of: 'route',
    what: 'eight activities, critical path',
    source: 'Heizer & Render, ch. 3 (memory)',
    expected: 15,
    within: 1e-9,
    got: network,
  },
];
