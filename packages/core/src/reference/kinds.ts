import type { ReferenceValue } from './jobs';

/** Where a figure comes from: read off a published table or example, worked outside the program, or written down from memory of its source. */
export type Kind = 'published' | 'by hand' | 'from memory';

const MEMORY = /memory/;
const HAND = /hand|statics|geometry|review|definition|common practice|Trigonometric|brief/i;

export const kindOf = (v: Pick<ReferenceValue, 'source'>): Kind =>
  MEMORY.test(v.source) ? 'from memory' : HAND.test(v.source) ? 'by hand' : 'published';

/**
 * Figures that only put numbers into the formula the code has. They hold it to what it says, and are tested; a figure from outside
 * they are not, and are not counted as one.
 */
const PUT_IN = [
  'washer of 20 over a hole',
  '12 kN straight down',
  'laminate ψ 0.35',
  'plywood 0.9·3',
  'balsa, plug',
  'washer 30 × 2.5',
  'plug of 60',
  'sleeve 25 × 3',
  '2 kN on 500 mm',
  '10 kN on 400',
  'two M10 side by side',
  '1.25·355/3',
  '1.5·20·28',
  '2·20·355',
  '100 N·m over',
  'two planes',
  '16 mm',
  'the same in single shear',
  '44 kN straight',
  '16 kN on 1600',
  'C24, 240',
  'M10 8.8, packer',
  'M10 8.8, row of 330',
  'M10 8.8 countersunk',
  'M10 8.8, 8 kN pull',
  'M12 head',
  '400 × 8 S275',
  '100 wide, two',
  'limit L/200',
  '4 mm 6082-T6',
  'stainless bolts in',
  'four M8 8.8',
  'M20 10.9',
  'M10 in 8 mm S235',
  'M12 8.8 on 60',
  'tube 25',
  'the same across slots',
];
export const onlyPutIn = (v: Pick<ReferenceValue, 'what'>): boolean => PUT_IN.some((p) => v.what.startsWith(p));
