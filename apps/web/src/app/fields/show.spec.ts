import { showAmount, showUse } from './show';

it.each([
  [1500, 'N', 'mm', '1.50 kN'],
  [120, 'N/mm', 'mm', '120.0 N/mm'],
  // 1 lb/in = 0.17512684 N/mm (definition).
  [17.512684, 'N/mm', 'inch', '100 lb/in'],
  [0.35, 'V', 'mm', '0.35 V'],
  [4000, 'mm²', 'mm', '40.0 cm²'],
  [645.16, 'mm²', 'inch', '1.00 in²'],
  [Infinity, 'N', 'mm', 'no limit'],
  [0.5, '–', 'mm', '0.50'],
] as const)('%s %s in %s is %s', (v, unit, system, words) => expect(showAmount(v, unit, system)).toBe(words));

it.each([
  [0.876, '0.88'],
  [Infinity, 'no hold'],
  [null, 'no hold'],
])('a utilisation of %s is shown as %s', (u, words) => expect(showUse(u)).toBe(words));
