import { arrow, box, ring, s, type Stroke } from './strokes';

/** A lug from its face: round end up, foot down, hole and pin. */
const lug = (top = 12): Stroke[] => [
  s('plate', `M52 78V${top + 24}a28 ${24} 0 0 1 56 0V78Z`),
  s('skin', ring(80, 40, 12)),
  s('bolt', ring(80, 38, 10)),
];
/** Lug and link along the pin, in section. */
const along = (both: boolean): Stroke[] => [
  s('plate', box(72, 18, 14, 62)),
  s('skin', box(92, 8, 14, 50)),
  ...(both ? [s('skin', box(52, 8, 14, 50))] : []),
];

export const WHY_LUGS_AND_WELDS: Readonly<Record<string, readonly Stroke[]>> = {
  'lug-tension': [...lug(), s('break', 'M52 41l5-3 5 4 5-3M93 38l5 4 5-3 5 3'), arrow(80, 26, 0, -22)],
  'lug-fracture': [...lug(), s('break', 'M80 27l-3-4 5-3-4-4 2-3'), arrow(80, 38, 0, -34)],
  'lug-shear': [
    ...lug(),
    s('before', 'M70 30V14M90 30V14'),
    s('break', 'M70 30l3-4-3-4 3-4-2-4M90 30l-3-4 3-4-3-4 2-4'),
    arrow(80, 38, 0, -34),
  ],
  'lug-end': [...lug(), s('force', 'M114 28h8M114 12h8M118 12v16M92 46v8M108 46v8M92 50h16'), arrow(80, 38, 0, -34)],
  'lug-bearing': [
    s('plate', 'M52 78V36a28 24 0 0 1 56 0V78Z'),
    s('skin', 'M68 44V34a12 12 0 0 1 24 0v10a12 12 0 0 1-24 0'),
    s('before', ring(80, 44, 12)),
    s('bolt', ring(80, 33, 10)),
    arrow(80, 30, 0, -26),
  ],
  'lug-foot': [
    s('skin', box(20, 70, 120, 12)),
    s('before', 'M74 70V14h12v56'),
    s('plate', 'M74 70C74 46 82 30 96 16l9 8C94 34 86 50 86 70Z'),
    s('break', 'M74 66l4 2 4-2 4 2'),
    arrow(104, 22, 34, -6),
  ],
  'pin-shear': [
    ...along(true),
    s('bolt', box(46, 28, 21, 14)),
    s('bolt', box(68, 32, 22, 14)),
    s('bolt', box(91, 28, 21, 14)),
    s('break', 'M67 26l2 6-3 5 3 8M91 26l-2 6 3 5-3 8'),
    arrow(59, 12, 0, -12),
    arrow(99, 12, 0, -12),
  ],
  'pin-bending': [
    s('plate', box(56, 18, 14, 62)),
    s('skin', 'M92 2l14 3-8 46-14-3Z'),
    s('before', 'M50 34h62v12H50'),
    s('bolt', 'M50 34h22C88 34 98 28 110 16l8 9C106 38 92 46 72 46H50Z'),
    s('break', 'M70 34l4 3-4 3 4 3-4 3'),
    arrow(112, 18, 8, -16),
  ],
  'link-body': [
    s('before', 'M14 40h132v14H14Z'),
    s('plate', 'M14 40C50 16 110 16 146 40v14C110 30 50 30 14 54Z'),
    s('bolt', ring(22, 46, 5)),
    s('bolt', ring(138, 46, 5)),
    arrow(2, 47, 14, 0),
    arrow(158, 47, -14, 0),
  ],
  'tab-foot': [
    s('skin', box(20, 70, 120, 12)),
    s('before', 'M52 70V24h34v46'),
    s('plate', 'M52 70C54 50 62 34 74 22l30 14C92 48 88 60 88 70Z'),
    s('bolt', ring(84, 34, 7)),
    s('break', 'M50 66l4 3 4-3M86 66l4 3 4-3'),
    arrow(96, 30, 34, 0),
  ],
  'fitting-weld': [
    s('skin', box(14, 52, 132, 14)),
    s('plate', box(52, 16, 56, 36)),
    s('bolt', 'M40 52h12V40ZM120 52h-12V40Z'),
    s('break', 'M42 50l3-4 2 3 3-6M110 42l3 5 2-3 3 6'),
    arrow(80, 22, 42, -16),
  ],
  'doubler-weld': [
    s('skin', box(4, 50, 152, 8)),
    s('plate', box(36, 40, 88, 10)),
    s('bolt', 'M28 50h8V42ZM132 50h-8V42Z'),
    s('break', 'M26 50l2 3-2 2 2 3M134 50l-2 3 2 2-2 3'),
    arrow(80, 36, 0, -26),
  ],
  'weld-size': [
    s('skin', box(10, 54, 140, 14)),
    s('plate', box(30, 34, 50, 20)),
    s('bolt', 'M80 54h7l-7-7Z'),
    s('before', 'M80 34l24 20'),
    s('force', 'M80 72h7M80 69v6M87 69v6M110 34v20M106 34h8M106 54h8'),
  ],
};
