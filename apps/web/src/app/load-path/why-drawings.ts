import { WHY_LUGS_AND_WELDS } from './why-lugs-and-welds';
import { WHY_PARTS } from './why-parts';
import { WHY_PLATES_AND_BOLTS } from './why-plates-and-bolts';
import { WHY_SKINS } from './why-skins';
import { WHY_WHOLE } from './why-whole';
import { arrow, bolt, box, plate, s, skin, type Stroke } from './strokes';

export type { Stroke, Stuff } from './strokes';

/** One small drawing of what happens when a link lets go, 160 × 84, by the id of its check. */
export const WHY_DRAWINGS: Readonly<Record<string, readonly Stroke[]>> = {
  'base-bearing': [
    skin(44, 16),
    s('plate', 'M40 22L126 34L124 44L38 32Z'),
    s('break', 'M104 45l4 5 4-5 4 6 4-6 4 5'),
    arrow(44, 24, -2, -18),
    arrow(118, 20, 2, 16),
  ],
  'base-hole': [
    s('plate', 'M14 30h52v12H14ZM94 30h52v12H94Z'),
    skin(44, 14),
    s('bolt', box(86, 18, 8, 40)),
    s('bolt', box(76, 11, 22, 7)),
    s('break', 'M94 28l-4 4 4 4-4 4 4 4'),
    arrow(20, 24, 44, 0),
    s('force', 'M66 62v10M94 62v10M66 67h28'),
  ],
  'head-bearing': [
    s('plate', 'M10 34h46l6 10h8v8H10ZM150 34h-46l-6 10h-8v8h60Z'),
    s('bolt', box(74, 40, 12, 34)),
    s('bolt', box(62, 30, 36, 12)),
    s('break', 'M56 34l3 4 3-2 3 6M104 34l-3 4-3-2-3 6'),
    arrow(80, 28, 0, -6),
    arrow(80, 8, 0, 16),
  ],
  countersink: [
    s('plate', 'M8 30h48l16 14v4H8ZM152 30h-48L88 44v4h64Z'),
    skin(48, 16),
    s('bolt', 'M54 28h52L86 48v26H74V48Z'),
    s('break', 'M70 44l2 4-3 3 3 4M90 44l-2 4 3 3-3 4'),
    s('force', 'M120 26v24M116 30h8M116 48h8'),
    arrow(80, 24, 0, -14),
  ],
  'bolt-tension': [
    plate(20, 120),
    skin(),
    s('bolt', box(76, 30, 8, 22)),
    s('bolt', box(71, 23, 18, 7)),
    s('bolt', box(76, 60, 8, 5)),
    s('bolt', box(72, 62, 16, 8)),
    s('break', 'M74 53l4 3 3-3 3 4 3-3'),
    arrow(80, 22, 0, -18),
  ],
  'bolt-shear': [
    s('plate', box(22, 28, 120, 12)),
    s('skin', box(10, 42, 140, 12)),
    s('bolt', box(80, 21, 8, 19)),
    s('bolt', box(75, 14, 18, 7)),
    s('bolt', box(74, 42, 8, 16)),
    s('bolt', box(70, 56, 16, 7)),
    s('break', 'M72 41h18'),
    arrow(116, 34, 30, 0),
    arrow(44, 48, -30, 0),
  ],
  'bolt-combined': [
    plate(20, 120),
    skin(),
    ...bolt(80, 30, 51),
    s('break', 'M74 46l12-6'),
    arrow(80, 22, 0, -16),
    arrow(100, 34, 36, 0),
  ],
  'nut-class': [
    skin(20, 14),
    s('bolt', box(74, 8, 12, 66)),
    s('bolt', 'M60 42h14v26h-14ZM86 42h14v26h-14Z'),
    s('break', 'M74 46l-4 3 4 3-4 3 4 3-4 3 4 3M86 46l4 3-4 3 4 3-4 3 4 3-4 3'),
    arrow(80, 10, 0, -8),
  ],
  'nut-thread': [
    skin(20, 14),
    s('bolt', 'M74 8h12v30l3 3-3 3 3 3-3 3 3 3-3 3v12h-12v-12l-3-3 3-3-3-3 3-3-3-3 3-3Z'),
    s('bolt', 'M58 38h12l3 3-3 3 3 3-3 3 3 3-3 3v6h-12ZM102 38h-12l-3 3 3 3-3 3 3 3-3 3 3 3v6h12Z'),
    s('force', 'M50 44h6M104 44h6M50 50h4M106 50h4'),
    arrow(80, 12, 0, -10),
  ],
  'plate-bending': [
    skin(46, 12),
    s('plate', 'M22 38C44 36 58 22 80 22S116 36 138 38L138 46C116 44 102 31 80 31S44 44 22 46Z'),
    ...bolt(38, 37, 58),
    ...bolt(122, 37, 58),
    s('force', 'M18 46v6M142 46v6'),
    arrow(80, 20, 0, -16),
  ],
  'plate-bearing': [
    s('plate', box(14, 22, 132, 40)),
    s('before', 'M70 42a10 10 0 1 0 20 0a10 10 0 1 0-20 0'),
    s('skin', 'M76 42a10 10 0 0 1 10-10h6a10 10 0 0 1 0 20h-6a10 10 0 0 1-10-10'),
    s('bolt', 'M84 42a9 9 0 1 0 18 0a9 9 0 1 0-18 0'),
    s('break', 'M103 36l4 3-3 3 4 3-4 3'),
    arrow(108, 42, 30, 0),
  ],
  'edge-and-pitch': [
    s('plate', box(14, 18, 112, 48)),
    s('skin', 'M96 42a9 9 0 1 0 18 0a9 9 0 1 0-18 0M50 42a9 9 0 1 0 18 0a9 9 0 1 0-18 0'),
    s('break', 'M105 33h21M105 51h21'),
    s('force', 'M114 60v8M126 66v4M114 66h12M59 60v8M105 60v8M59 66h46'),
  ],
  'pull-through': [
    s('skin', box(4, 30, 58, 14)),
    s('skin', box(98, 30, 58, 14)),
    s('skin', box(64, 20, 32, 14)),
    ...bolt(80, 20, 38, 6),
    s('break', 'M63 30v14M97 30v14'),
    arrow(80, 12, 0, -10),
  ],
  'washer-crush': [
    s('skin', 'M4 24h152v20h-48c-8 0-10-6-16-6h-24c-6 0-8 6-16 6h-48Z'),
    ...bolt(80, 24, 41, 3),
    s('break', 'M64 36l4-4 4 4 4-4 4 4 4-4 4 4 4-4 4 4'),
    arrow(80, 16, 0, -12),
  ],
  'skin-bearing': [
    s('skin', box(4, 20, 152, 44)),
    s('before', 'M66 42a9 9 0 1 0 18 0a9 9 0 1 0-18 0'),
    s('plate', 'M66 42a9 9 0 0 1 9-9h18a9 9 0 0 1 0 18h-18a9 9 0 0 1-9-9'),
    s('bolt', 'M84 42a9 9 0 1 0 18 0a9 9 0 1 0-18 0'),
    arrow(104, 42, 32, 0),
  ],
  'skin-bending': [
    s('before', 'M14 34h132'),
    s('skin', 'M14 34C44 36 56 54 80 54S116 36 146 34v8C116 44 104 62 80 62S44 44 14 42Z'),
    s('plate', box(58, 44, 44, 9)),
    s('plate', 'M6 42h14v20h-14ZM140 42h14v20h-14Z'),
    arrow(80, 18, 0, 24),
  ],
  ...WHY_LUGS_AND_WELDS,
  ...WHY_PARTS,
  ...WHY_PLATES_AND_BOLTS,
  ...WHY_SKINS,
  ...WHY_WHOLE,
};
