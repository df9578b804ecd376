import { arrow, box, ring, s, type Stroke } from './strokes';

/** What the shop makes or buys besides the plate. */
export const WHY_PARTS: Readonly<Record<string, readonly Stroke[]>> = {
  bracket: [
    s('skin', box(14, 6, 8, 76)),
    s('before', 'M22 60h70V52H30V14H22'),
    s('plate', 'M22 14h9V46C31 52 34 54 40 56L104 74l-3 8L36 65C26 62 22 58 22 50Z'),
    s('break', 'M31 50l4 1-1 4 4 1'),
    arrow(100, 46, 0, 26),
  ],
  brace: [
    s('before', 'M20 72L140 20'),
    s('plate', 'M16 66C60 40 100 42 138 14l5 8C108 52 66 50 22 76Z'),
    s('bolt', ring(22, 70, 6)),
    s('bolt', ring(138, 20, 6)),
    arrow(152, 8, -12, 8),
    arrow(8, 82, 12, -8),
  ],
  block: [
    s('skin', box(8, 62, 144, 14)),
    s('plate', 'M40 62h70V42L40 56Z'),
    s('before', 'M110 42l14-3v23h-14'),
    s('break', 'M40 66l6 3 6-3 6 3 6-3'),
    arrow(78, 14, 0, 28),
    arrow(40, 52, -26, 4),
  ],
  'rated-fitting': [
    s('skin', box(20, 66, 120, 12)),
    s('bolt', `${ring(80, 38, 22)}${ring(80, 38, 12)}`),
    s('bolt', box(74, 58, 12, 10)),
    s('before', 'M80 38V4'),
    arrow(92, 26, 42, -18),
  ],
  'stud-weld': [
    s('skin', box(14, 60, 132, 10)),
    s('bolt', box(72, 14, 16, 44)),
    s('bolt', 'M66 60h28l-6-6H72Z'),
    s('break', 'M60 60l4 6 6-3 8 5 8-5 6 4 6-7'),
    arrow(80, 16, 0, -13),
  ],
  'glued-head': [
    s('skin', box(14, 36, 132, 10)),
    s('plate', box(44, 46, 72, 4)),
    s('bolt', box(74, 10, 12, 40)),
    s('bolt', box(62, 50, 36, 12)),
    s('break', 'M46 48l6 2 6-2 6 2M96 48l6 2 6-2 6 2'),
    s('force', 'M56 74a26 8 0 0 0 48 0M100 70l5 4-2 5'),
  ],
};
