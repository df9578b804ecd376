import { arrow, bolt, box, plate, ring, s, type Stroke } from './strokes';

/** End of a timber with its grain. */
const grain = (y: number, h: number, from = 4, to = 156): Stroke[] => [
  s('skin', box(from, y, to - from, h)),
  s('before', [0.25, 0.5, 0.75].map((k) => `M${from + 4} ${y + h * k}H${to - 4}`).join('')),
];
/** Faces of a sandwich with the core between. */
const sandwich = (): Stroke[] => [s('plate', box(4, 24, 152, 5)), s('skin', box(4, 29, 152, 26)), s('plate', box(4, 55, 152, 5))];

export const WHY_SKINS: Readonly<Record<string, readonly Stroke[]>> = {
  'local-dishing': [
    s('before', 'M8 42h144'),
    s('skin', 'M8 42h40C62 42 66 28 80 28S98 42 112 42h40v5H112C98 47 94 33 80 33S62 47 48 47H8Z'),
    s('bolt', box(76, 14, 8, 22)),
    s('bolt', box(66, 33, 28, 3)),
    s('bolt', box(72, 36, 16, 7)),
    arrow(80, 16, 0, -14),
  ],
  'core-shear': [
    ...sandwich(),
    s('plate', box(52, 15, 56, 9)),
    s('break', 'M50 30l-4 6 3 3-5 7 3 2-4 6M110 30l4 6-3 3 5 7-3 2 4 6'),
    arrow(80, 2, 0, 12),
  ],
  'timber-joint': [
    ...grain(36, 44),
    s('plate', box(40, 24, 80, 10)),
    s('before', 'M76 24v54M84 24v54'),
    s('bolt', 'M82 17h8v20C90 52 74 58 74 78h-8C66 56 82 50 82 36Z'),
    s('break', 'M92 40l3 4-3 4 3 4'),
    arrow(110, 29, 36, 0),
  ],
  'lag-withdrawal': [
    ...grain(34, 46),
    s('bolt', 'M74 10h12v20l4 4-4 4 4 4-4 4 4 4-4 4 3 4-9 10-9-10 3-4-4-4 4-4-4-4 4-4-4-4 4-4Z'),
    s('break', 'M68 36l-3 5 3 5-3 5 3 5M92 36l3 5-3 5 3 5-3 5'),
    arrow(80, 14, 0, -13),
  ],
  'lag-both': [
    ...grain(34, 46),
    s('before', 'M74 20h12v50h-12Z'),
    s('bolt', 'M80 8l12 4-3 20 2 14-4 22-9-2 2-20-2-14Z'),
    s('break', 'M92 36l6 3-4 4 6 4'),
    arrow(88, 10, 3, -8),
    arrow(100, 24, 34, 0),
  ],
  'timber-spacing': [
    ...grain(16, 52, 4, 150),
    s('plate', ring(60, 42, 7)),
    s('plate', ring(96, 42, 7)),
    s('break', 'M103 42l8-2 8 3 10-2 10 2 11-1M67 42l8-1 8 2 6-1'),
    s('force', 'M96 76h54M96 73v6M150 73v6'),
  ],
  'group-tear-out': [
    ...grain(12, 60, 4, 128),
    s('skin', box(72, 26, 72, 32)),
    ...[34, 50].flatMap((y) => [84, 108].map((x) => s('plate', ring(x, y, 4)))),
    s('break', 'M70 26h58M70 58h58M70 26l3 6-3 6 3 7-3 6 3 7'),
    arrow(128, 42, 30, 0),
  ],
  'timber-bending': [
    s('before', 'M12 34h136'),
    s('skin', 'M12 34C50 36 62 48 80 48S110 36 148 34v16C110 52 98 64 80 64S50 52 12 50Z'),
    plate(60, 40, 38, 9),
    s('break', 'M80 64l-2-4 4-3-3-4'),
    s('plate', 'M6 50h14v20H6ZM140 50h14v20h-14Z'),
    arrow(80, 12, 0, 24),
  ],
  'timber-shear': [
    s('plate', 'M6 50h14v20H6ZM140 50h14v20h-14Z'),
    s('skin', 'M12 30H150V38H12ZM12 42H150V50H12Z'),
    s('break', 'M12 40h18l3-2 4 4 4-4 4 4 3-2h8'),
    plate(30, 24, 34, 6),
    arrow(46, 2, 0, 20),
    arrow(76, 34, -20, 0),
    arrow(70, 46, 20, 0),
  ],
  'timber-splitting': [
    s('skin', 'M10 16H150V64H10Z'),
    s('before', 'M10 24h140M10 32h140M10 48h140M10 56h140'),
    s('bolt', ring(60, 40, 6)),
    s('bolt', ring(100, 40, 6)),
    s('break', 'M22 42l10-2 8 3 10-2M66 42l10-2 8 3 10-2M106 42l10-2 8 3 10-2'),
    arrow(80, 36, 0, -26),
  ],
  member: [
    s('before', 'M12 40h136'),
    s('skin', 'M12 40C50 42 62 54 80 54S110 42 148 40v18C110 60 98 72 80 72S50 60 12 58Z'),
    plate(60, 45, 38, 9),
    s('break', 'M80 72l-3-5 5-3-3-4'),
    s('plate', 'M6 58h14v16H6ZM140 58h14v16h-14Z'),
    arrow(80, 16, 0, 25),
  ],
  'wall-face': [
    s('skin', 'M20 24h40C66 32 94 32 100 24h40v56H20ZM28 32h24C62 44 98 44 108 32h24v40H28Z'),
    s('plate', box(60, 20, 40, 9)),
    s('break', 'M54 30l4 4 3-3 4 5M106 30l-4 4-3-3-4 5'),
    arrow(80, 2, 0, 17),
  ],
  'section-crush': [
    s(
      'skin',
      'M20 20C60 20 64 30 80 30S100 20 140 20v50C100 70 96 60 80 60S60 70 20 70ZM28 28v34C62 62 66 52 80 52S98 62 132 62V28C98 28 94 38 80 38S62 28 28 28Z',
    ),
    ...bolt(80, 30, 60),
    arrow(80, 4, 0, 16),
    arrow(80, 84, 0, -14),
  ],
  'flange-bending': [
    s('before', 'M20 44h120'),
    s('skin', 'M20 54C50 46 62 44 76 44v36h8V44C98 44 110 46 140 54l2-9C110 36 98 35 80 35S50 36 18 45Z'),
    ...bolt(40, 24, 58),
    s('break', 'M74 42l-4 4 3 3M86 42l4 4-3 3'),
    arrow(40, 16, 0, -13),
    arrow(120, 16, 0, 20),
  ],
  'flange-web': [
    s('skin', 'M10 36h140v8H10ZM10 80h140v6H10Z'),
    s('skin', 'M60 44C66 54 54 68 60 80h40C94 68 106 54 100 44Z'),
    plate(50, 60, 27, 9),
    s('break', 'M62 56l8 4-6 4 8 5M98 56l-8 4 6 4-8 5'),
    arrow(80, 4, 0, 22),
  ],
  'flange-edge': [
    s('skin', box(8, 20, 144, 56)),
    s('before', 'M8 48h144'),
    s('plate', ring(60, 32, 6)),
    s('plate', ring(110, 64, 6)),
    s('break', 'M60 26v-6M56 20l4-3 4 3M110 70v6M106 76l4 3 4-3'),
    s('force', 'M72 20v12M69 20h6M69 32h6'),
  ],
  'bed-anchors': [
    s('skin', 'M10 40h140v40H10Z'),
    s('before', 'M80 74L42 40M80 74L118 40'),
    s('bolt', box(76, 14, 8, 60)),
    plate(50, 60, 31, 9),
    s('break', 'M44 42l6 4 2 6 6 3 3 6 6 2 3 6M116 42l-6 4-2 6-6 3-3 6-6 2-3 6'),
    arrow(80, 14, 0, -13),
  ],
};
