import { arrow, bolt, box, plate, ring, s, skin } from '../load-path/strokes';
import { term, type Term } from './term';

const hexagon = (x: number, y: number, r: number) =>
  `M${x + r} ${y}${[60, 120, 180, 240, 300]
    .map((a) => `L${(x + r * Math.cos((a * Math.PI) / 180)).toFixed(1)} ${(y + r * Math.sin((a * Math.PI) / 180)).toFixed(1)}`)
    .join('')}Z`;

/** Bolts, nuts, pins, welds and how they are set. */
export const TERMS_OF_BOLTS: readonly Term[] = [
  term(
    'fastener',
    ['Fastener', 'bolt, screw, stud'],
    'What holds the plate: bolt and nut, screw into a thread, stud, lag or insert. Each lets go in ways of its own, and the chain shows those that apply.',
    ['fastener', 'fasteners', 'kind of fastener', 'bolt', 'bolts', 'size'],
    [
      plate(),
      skin(),
      ...bolt(40, 30, 51),
      s('bolt', box(76, 30, 8, 36)),
      s('bolt', box(71, 23, 18, 7)),
      s('bolt', 'M116 30h8v26l-4 8-4-8Z'),
      s('bolt', box(111, 23, 18, 7)),
    ],
  ),
  term(
    'property-class',
    ['Property class, grade', 'what is stamped on the head'],
    'The strength of the bolt’s steel: in 8.8 the first figure is its tensile strength in hundreds of MPa, the second the tenths of that at which it yields. A nut has to be of the same class or above.',
    ['class', 'grade', 'property class', 'pin class', 'made by'],
    [
      s('bolt', hexagon(80, 42, 34)),
      s('before', ring(80, 42, 26)),
      s('break', 'M66 34a5 5 0 1 0 .1 0M66 44a5 5 0 1 0 .1 0M80 52h1M92 34a5 5 0 1 0 .1 0M92 44a5 5 0 1 0 .1 0'),
    ],
  ),
  term(
    'preload',
    ['Preload', 'clamp'],
    'The pull left in a bolt by tightening it. While the faces stay pressed together, the load changes the bolt little; once they open, the bolt takes all of it.',
    ['preload', 'clamp'],
    [
      plate(),
      skin(),
      ...bolt(80, 30, 51),
      arrow(80, 12, 0, 12),
      arrow(80, 78, 0, -14),
      arrow(40, 18, 0, 11),
      arrow(120, 18, 0, 11),
    ],
  ),
  term(
    'torque',
    ['Tightening torque', 'how hard it is done up'],
    'The turning moment on the wrench. Most of it goes into friction, so oil, wax or a dry thread change the clamp by half for the same torque.',
    ['torque', 'tightened', 'tighten', 'friction', 'torque read', 'angle turned through'],
    [s('bolt', hexagon(50, 42, 22)), s('skin', 'M50 36h96v12H50Z'), s('force', 'M140 24c6-10 6-16 2-20l-2 6M142 4l6 2')],
  ),
  term(
    'grip',
    ['Grip, clamped length', 'what the bolt goes through'],
    'Everything between head and nut. Bolt lengths are chosen by it, with the nut and two or three threads beyond.',
    ['grip', 'stack', 'thickness, faces and core', 'cut to length'],
    [plate(30, 100, 24), skin(33, 20), ...bolt(80, 24, 53), s('force', 'M26 24h-12M26 53h-12M18 24v29')],
  ),
  term(
    'washer',
    ['Washer', 'spreader under the nut'],
    'A ring that spreads the nut’s press over more of the skin. On laminate and timber the ordinary one is too small.',
    ['washer', 'washers', 'under the nuts', 'large washers', 'plate washers'],
    [s('bolt', ring(80, 42, 32)), s('skin', ring(80, 42, 11))],
  ),
  term(
    'countersunk',
    ['Countersunk head', 'flush head'],
    'A cone that lies flush in the plate. It takes away metal where the bolt pulls, so the plate must be thicker than the cone is deep.',
    ['head', 'countersink', 'countersunk'],
    [s('plate', 'M10 30h46l18 16v6H10ZM150 30h-46L86 46v6h64Z'), s('bolt', 'M56 30h48L86 46v32H74V46Z')],
  ),
  term(
    'shear-plane',
    ['Shear plane', 'where it is cut'],
    'The face along which two parts try to slide over each other. A bolt is weaker there if its thread lies in it than if its plain shank does.',
    ['shear plane', 'in the shear plane'],
    [plate(40, 100, 24, 12), s('skin', box(14, 36, 110, 12)), s('bolt', box(78, 18, 10, 46)), s('break', 'M30 36h110')],
  ),
  term(
    'nut',
    ['Nut', ''],
    'It must be of the bolt’s class or above, and of full height: eight tenths of the bolt’s diameter. A thin nut strips before the bolt breaks, and nobody sees it.',
    ['nut', 'nuts', 'nut class', 'far side, at the nut'],
    [s('bolt', hexagon(80, 42, 32)), s('skin', ring(80, 42, 16)), s('before', ring(80, 42, 13))],
  ),
  term(
    'faying-surface',
    ['Faying faces', 'faces that rub'],
    'The faces of two parts that are pressed together by the bolts. Paint, oil and sealant between them take the friction away.',
    ['faying', 'faying faces', 'slip', 'slip factor μ', 'between plate and skin', 'plate to skin', 'fitting to plate', 'faces'],
    [
      plate(26, 100, 26, 12),
      s('skin', box(40, 40, 106, 12)),
      s('break', 'M42 39h6M54 39h6M66 39h6M78 39h6M90 39h6M102 39h6M114 39h6'),
      arrow(132, 32, 22, 0),
    ],
  ),
  term(
    'lug',
    ['Lug, padeye', 'tab, ear'],
    'A plate with a hole for a pin. It lets go at the sides of the hole, ahead of the pin, or at its foot.',
    ['lug', 'lugs', 'tab', 'lug thickness', 'lug width', 'support tab', 'its axis'],
    [s('plate', 'M44 76V44a36 36 0 0 1 72 0v32Z'), s('skin', ring(80, 40, 14)), arrow(80, 40, 0, -38)],
  ),
  term(
    'pin',
    ['Pin', 'clevis pin'],
    'A round bar through a lug, with play. It is sheared and, with gaps between the ears, bent.',
    ['pin', 'pin held', 'cheek', 'cheek plate', 'in leg'],
    [
      s('plate', box(30, 14, 16, 50)),
      s('plate', box(114, 14, 16, 50)),
      s('skin', box(70, 8, 20, 56)),
      s('bolt', box(16, 40, 128, 12)),
    ],
  ),
  term(
    'throat',
    ['Throat a of a fillet weld', 'size of the weld'],
    'The height of the triangle in the corner, from root to face. The leg is 1.41 times as long on a square corner; drawings of some countries give the leg.',
    ['throat', 'its weld, throat a', 'weld throat a', 'weld', 'welds'],
    [s('plate', box(20, 60, 120, 14)), s('plate', box(64, 6, 14, 54)), s('bolt', 'M78 60V34l26 26Z'), s('force', 'M78 60l12-12')],
  ),
  term(
    'star-pattern',
    ['Crosswise tightening', 'star pattern'],
    'Bolts are done up across the plate, not round it, in rounds that rise to the full torque. The plate then comes down even.',
    ['round', 'rounds', 'star', 'tighten again'],
    [
      s('plate', box(30, 8, 100, 68)),
      s('bolt', ring(46, 22, 7) + ring(114, 22, 7) + ring(46, 62, 7) + ring(114, 62, 7)),
      arrow(54, 28, 52, 30),
      s('before', 'M114 54V30M106 22H54M46 54V30'),
    ],
  ),
  term(
    'witness-mark',
    ['Witness mark', 'paint line'],
    'A line of paint over nut, thread and plate once the bolt is done up. If it no longer lines up, something has turned.',
    ['witness mark', 'witness marks'],
    [plate(10, 140, 50, 14), s('bolt', hexagon(70, 34, 22)), s('break', 'M70 12v22M70 34l70 14')],
  ),
  term(
    'insert',
    ['Threaded insert', 'screwed-in thread'],
    'A thread of its own set into soft metal, laminate or sheet. It is pulled out or turned in its seat long before the bolt breaks.',
    ['insert', 'how stuck', 'holding'],
    [
      s('skin', 'M14 30h46v34H14ZM100 30h46v34h-46Z'),
      s('plate', box(60, 28, 12, 36)),
      s('plate', box(88, 28, 12, 36)),
      s('bolt', box(74, 10, 12, 44)),
    ],
  ),
  term(
    'stitch-weld',
    ['Intermittent weld', 'stitches'],
    'Short runs of weld with gaps between them, to keep thin plate from drawing. Only what is welded counts, and the gaps let water in.',
    ['stitch', 'stitches', 'left bare at the end'],
    [
      s('plate', box(10, 50, 140, 16)),
      s('plate', box(10, 14, 140, 36)),
      s('bolt', box(16, 46, 30, 8) + box(66, 46, 30, 8) + box(116, 46, 30, 8)),
    ],
  ),
  term(
    'plug-weld',
    ['Plug weld', 'welded through a hole'],
    'A hole in the upper plate that is filled with weld onto the lower one. It holds against sliding, not against being lifted off.',
    ['plug weld', 'plug weld diameter'],
    [
      s('plate', 'M10 30h54v14H10ZM96 30h54v14H96Z'),
      s('skin', box(10, 44, 140, 14)),
      s('bolt', 'M64 30h32l-4 18H68Z'),
      arrow(110, 24, 36, 0),
    ],
  ),
  term(
    'filler',
    ['Filler metal, F_EXX', 'rod, wire'],
    'The metal that is melted in; F_EXX is its tensile strength. A weld is judged by the weaker of filler and plate beside it.',
    ['filler', 'filler strength f_exx'],
    [s('plate', box(10, 56, 140, 14)), s('bolt', 'M50 56c10-10 26-10 36 0Z'), s('force', 'M84 46L140 8M78 52l4-6')],
  ),
  term(
    'bond-line',
    ['Bond line', 'glue line'],
    'The layer of adhesive between two parts. A thin one is strong and brittle at its ends; a thick one gives, and spreads the load further in.',
    ['bond', 'bond line', 'glue line, thickness', 'glue, shear modulus', 'bonded'],
    [
      s('plate', box(40, 22, 110, 14)),
      s('bolt', box(40, 36, 80, 6)),
      s('skin', box(10, 42, 110, 14)),
      arrow(120, 29, 36, 0),
      arrow(40, 49, -30, 0),
    ],
  ),
  term(
    'sleeve',
    ['Compression sleeve, solid plug', 'crush tube'],
    'A tube or solid piece round the bolt that is as long as the core is thick. The clamp goes through it, so that neither core nor section is squashed.',
    ['sleeve', 'sleeve or plug, outside', 'each in a sleeve', 'each in a solid plug', 'solid plug', 'steel sleeve'],
    [
      s('skin', box(10, 22, 140, 6)),
      s('before', box(10, 28, 140, 32)),
      s('skin', box(10, 60, 140, 6)),
      s('plate', box(66, 28, 6, 32) + box(88, 28, 6, 32)),
      ...bolt(80, 22, 69),
    ],
  ),
];
