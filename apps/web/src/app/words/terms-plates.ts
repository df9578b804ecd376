import { arrow, bolt, box, plate, ring, s, skin } from '../load-path/strokes';
import { term, type Term } from './term';

const holes = (...x: number[]) => s('skin', x.map((at) => ring(at, 42, 7)).join(''));

/** Plates, their edges, holes and shapes. */
export const TERMS_OF_PLATES: readonly Term[] = [
  term(
    'mounting-plate',
    ['Mounting plate', 'base plate'],
    'The plate between the fitting and what it stands on. It spreads the load of a small base over more bolts and more skin.',
    ['mounting plate', 'plate', 'plates', 'plate thickness', 'plate stands on', 'sized by'],
    [s('skin', box(58, 8, 44, 20)), plate(14, 132, 28, 11), skin(), ...bolt(30, 28, 51), ...bolt(130, 28, 51)],
  ),
  term(
    'backing-plate',
    ['Backing plate', 'pad under the deck'],
    'A plate on the far side, under the nuts. It keeps them from pulling through a thin or soft skin.',
    ['backing', 'backing plate', 'past the plate', 'backing plate thickness', 'far side'],
    [plate(24, 112, 22, 9), skin(31), plate(14, 132, 43, 9), ...bolt(40, 22, 55), ...bolt(120, 22, 55)],
  ),
  term(
    'doubler',
    ['Doubler', 'patch'],
    'A plate welded or bonded flat on another, to thicken it where the load comes in. Its edge weld has to carry what the doubler takes.',
    ['doubler', 'doubler weld'],
    [skin(46, 14), s('plate', box(40, 36, 80, 10)), s('bolt', 'M30 46l10-10v10ZM130 46l-10-10v10Z')],
  ),
  term(
    'base',
    ['Base of the fitting', 'its foot, its flange'],
    'The part of the fitting that touches the plate, with the maker’s holes. Measure it; catalogues give sizes of another year.',
    ['base', 'the fitting’s base', 'base thickness', 'base, fore and aft', 'base, across', 'base of'],
    [s('skin', 'M60 8h40v40h24v10H36V48h24Z'), plate(14, 132, 58, 9), s('force', 'M36 74v6M124 74v6M36 77h88')],
  ),
  term(
    'edge-distance',
    ['Edge distance e₁, e₂', 'meat to the edge'],
    'From the middle of a hole to the edge of the plate, along the load (e₁) or across it (e₂). Too little of it and the bolt tears out.',
    ['edge distance', 'in from the edge', 'edge', 'first and last from its ends'],
    [s('plate', box(14, 18, 112, 48)), s('skin', ring(100, 42, 9)), s('force', 'M100 52v20M126 66v8M100 70h26')],
  ),
  term(
    'pitch',
    ['Pitch p₁, p₂', 'spacing'],
    'From the middle of one hole to the middle of the next. Too near, and they weaken each other; too far, and the plate lifts between them.',
    ['pitch', 'spacing', 'pitch across', 'pitch fore and aft', 'apart, across', 'apart, fore and aft', 'pitch circle'],
    [s('plate', box(10, 18, 140, 48)), holes(50, 110), s('force', 'M50 50v24M110 50v24M50 72h60')],
  ),
  term(
    'corner-radius',
    ['Corner radius', 'rounded corner'],
    'How far the corners of the plate are rounded. It takes away the sharp point that digs into the skin and into people.',
    ['corner radius', 'corner', 'thin corner'],
    [s('plate', 'M20 76V38a26 26 0 0 1 26-26h100v64Z'), arrow(46, 38, -18, -18)],
  ),
  term(
    'clearance-hole',
    ['Clearance hole: fine, medium, coarse', 'drill size'],
    'A hole wider than its bolt, so that it goes in. The wider it is, the less it bears and the further the plate can slip.',
    ['through hole', 'clearance', 'hole', 'base hole (slot width)', 'existing hole', 'diameter', 'holes'],
    [
      plate(10, 60, 34, 16),
      plate(92, 58, 34, 16),
      s('bolt', box(76, 22, 10, 44)),
      s('force', 'M70 30v-8M92 30v-8M66 26h4M92 26h4'),
    ],
  ),
  term(
    'slot',
    ['Slotted hole', 'slot'],
    'A long hole, so that the fitting can be shifted before it is tightened. Along the slot only friction holds.',
    [
      'slot',
      'slots',
      'slots run',
      'its slots run',
      'slot long',
      'base slot length past the hole',
      'turn of the slot',
      'slot length past the hole',
    ],
    [
      s('plate', box(14, 14, 132, 56)),
      s('skin', 'M62 32h36a10 10 0 0 1 0 20h-36a10 10 0 0 1 0-20'),
      s('bolt', ring(70, 42, 8)),
      arrow(82, 42, 22, 0),
    ],
  ),
  term(
    'packer',
    ['Packer, shim', 'packing'],
    'What fills a gap between base and skin. It lengthens the bolt’s free reach, so the bolt bends; solid packing over the whole base bends it least.',
    ['packer', 'packing', 'shim', 'solid packer', 'gap', 'gap under the straightedge', 'spacer tubes'],
    [plate(20, 120, 18), s('before', box(24, 27, 112, 10)), skin(37), ...bolt(80, 18, 49)],
  ),
  term(
    'gusset',
    ['Gusset, rib', 'web'],
    'A small plate set on edge between two others, so that they do not fold. It carries its part through its welds.',
    ['gusset', 'ribs', 'rib', 'ribs on the base', 'ribs run'],
    [s('plate', box(30, 66, 110, 9)), s('plate', box(40, 10, 9, 56)), s('skin', 'M49 20L100 66H49Z')],
  ),
  term(
    'bend-radius',
    ['Inside bend radius', 'how sharp it is bent'],
    'The radius on the inside of a bent plate. Under its least the outside of the bend cracks, sooner where the bend runs along the rolling direction.',
    ['inside radius', 'bent edge', 'angle between its faces', 'bend radius', 'bent leg'],
    [s('plate', 'M24 12h12v32a20 20 0 0 0 20 20h80v12H56a32 32 0 0 1-32-32Z'), arrow(56, 44, -14, 14)],
  ),
  term(
    'kerf',
    ['Kerf', 'what the cut takes out'],
    'The width the saw, laser or plasma takes away. Cut lines are moved out by half of it, or the part comes out small.',
    ['kerf', 'cut taken out of cut lines', 'cut taken out'],
    [s('plate', box(10, 16, 62, 52)), s('plate', box(84, 16, 66, 52)), s('force', 'M72 10v6M84 10v6M66 12h6M84 12h6')],
  ),
  term(
    'offcut',
    ['Offcut, remnant', 'what is left over'],
    'A piece of sheet that is big enough to be used again. It is marked with its metal before it goes back on the shelf.',
    ['offcut', 'offcuts', 'sheet', 'sheets', 'square across', 'square up'],
    [
      s('before', box(10, 8, 140, 68)),
      s('plate', box(14, 12, 60, 40)),
      s('plate', box(80, 12, 40, 26)),
      s('skin', box(14, 56, 132, 16)),
    ],
  ),
  term(
    'template',
    ['Template, 1:1', 'paper pattern'],
    'The holes and outline printed at true size, to be laid on the job. Check the square on it with a ruler before anything is punched.',
    ['template', 'stencil', 'printer', 'side of the square', 'paper'],
    [
      s('before', box(16, 8, 128, 68)),
      s('plate', box(36, 18, 88, 48)),
      s('skin', ring(50, 30, 5) + ring(110, 30, 5) + ring(50, 54, 5) + ring(110, 54, 5)),
      s('force', 'M20 72h10v-10'),
    ],
  ),
  term(
    'other-hand',
    ['Other hand, mirror image', 'left and right'],
    'The same part turned over for the other side. Bends, countersinks and welds change side with it.',
    ['hand', 'other hand', 'a left and right pair', 'mirror'],
    [s('plate', 'M14 14h50v20H34v36H14Z'), s('plate', 'M146 14H96v20h30v36h20Z'), s('before', 'M80 6v72')],
  ),
];
