import { arrow, bolt, box, plate, ring, s, skin, type Stroke } from './strokes';

export const WHY_WHOLE: Readonly<Record<string, readonly Stroke[]>> = {
  bond: [
    skin(46, 12),
    s('plate', 'M24 44C70 44 100 42 140 26l3 8C104 50 72 53 24 53Z'),
    s('break', 'M100 47l6-3M110 46l6-4M120 44l6-5M130 42l6-6'),
    arrow(138, 26, 6, -20),
  ],
  galvanic: [
    skin(40, 14),
    plate(30, 100, 31, 9),
    ...bolt(80, 31, 54),
    s('break', 'M68 32l-4 3 3 3-5 2M92 32l4 3-3 3 5 2M70 42l-5 2 4 3-5 3M90 42l5 2-4 3 5 3'),
    arrow(50, 66, 18, -12),
    arrow(110, 66, -18, -12),
  ],
  access: [
    skin(30, 10),
    plate(40, 80, 21, 9),
    s('bolt', box(76, 14, 8, 32)),
    s('bolt', box(72, 40, 16, 8)),
    s('skin', 'M4 54h152v26H4Z'),
    s('break', 'M96 44h46M96 44l8-4M96 44l8 4'),
    arrow(150, 44, -20, 0),
  ],
  'wrench-room': [
    plate(10, 140, 58, 10),
    s('plate', box(14, 12, 44, 46)),
    s('bolt', box(68, 48, 22, 10)),
    s('before', 'M60 8h38v46h-38Z'),
    s('break', 'M58 20l4 4-4 4 4 4-4 4'),
    arrow(132, 26, -30, 0),
  ],
  'stack-height': [
    skin(34, 10),
    plate(30, 100, 25, 9),
    ...bolt(80, 25, 44),
    s('bolt', box(76, 51, 8, 9)),
    s('before', 'M10 10h140M10 62h140'),
    s('force', 'M120 25V10M117 10h6M117 25h6M120 44v18M117 44h6M117 62h6'),
  ],
  'pack-rules': [
    s('plate', box(20, 14, 120, 56)),
    ...[44, 116].flatMap((x) => [30, 54].map((y) => s('skin', ring(x, y, 6)))),
    s('force', 'M116 30h24M140 26v8M116 26v8M44 54v16M40 70h8M44 42V30M56 30h48M56 27v6M104 27v6'),
  ],
};
