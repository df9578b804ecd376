import { arrow, bolt, box, plate, ring, s, skin } from '../load-path/strokes';
import { term, type Term } from './term';

const bearers = s('plate', 'M8 52h14v24H8ZM138 52h14v24h-14Z');

/** What the plate stands on. */
export const TERMS_OF_SKINS: readonly Term[] = [
  term(
    'skin',
    ['Skin, panel, shell', 'deck, floor, roof'],
    'The sheet the fitting stands on, between its bearers. It has to bend under the load without giving up and without coming loose from what carries it.',
    ['skin', 'skin thickness', 'the skin under it', 'skin there', 'solid bed'],
    [skin(40, 12), bearers, plate(56, 48, 31), arrow(80, 6, 0, 24)],
  ),
  term(
    'bearer',
    ['Bearer, stiffener', 'frame, stringer, beam'],
    'What the skin is held by at its edges. Its own strength is not judged here, only what comes to it.',
    [
      'bearer',
      'bearers',
      'bearers round it',
      'structure',
      'aft bearer to base centre',
      'starboard bearer to base centre',
      'stringer',
      'frame',
    ],
    [skin(34, 10), s('plate', 'M20 44h16v30H20ZM124 44h16v30h-16Z'), s('force', 'M28 76v6M132 76v6')],
  ),
  term(
    'clear-span',
    ['Clear span', 'how far it bridges'],
    'From bearer to bearer, between their near faces. A sheet that only bends gives four times as much over twice the span, under the same load at its middle.',
    ['clear span', 'span', 'clear span, fore and aft', 'clear span, across'],
    [skin(34, 10), bearers, s('force', 'M22 66v8M138 66v8M22 70h116')],
  ),
  term(
    'sandwich',
    ['Sandwich panel', 'cored deck'],
    'Two thin faces with a light core between them. It is stiff in bending and soft under a nut, so bolts need solid packing or a backing plate.',
    ['sandwich', 'core', 'near face thickness', 'far face thickness', 'near face', 'far face'],
    [
      s('skin', box(4, 20, 152, 7)),
      s('before', box(4, 27, 152, 30)),
      s('skin', box(4, 57, 152, 7)),
      s('force', 'M20 32h1M44 42h1M70 34h1M94 48h1M120 36h1M140 44h1'),
    ],
  ),
  term(
    'core-strength',
    ['Core shear and crush strength', 'how much the core stands'],
    'What the core takes across its thickness before it shears, and under a nut before it crushes. Makers’ sheets give both with its density.',
    ['core, crush strength', 'core, shear strength', 'core, shear modulus', 'density', 'crush strength'],
    [
      s('skin', box(4, 26, 152, 6)),
      s('before', 'M4 32h152v36h-50c-10 0-12-8-26-8s-16 8-26 8H4Z'),
      s('skin', box(4, 68, 152, 6)),
      s('bolt', box(62, 16, 36, 10)),
      arrow(80, 1, 0, 15),
    ],
  ),
  term(
    'glass-content',
    ['Glass content by mass', 'how dry it was laid'],
    'The part of a laminate’s mass that is glass: about 35 % laid by hand with mat, 50 % with cloth under vacuum. More glass is stiffer and stronger at the same thickness.',
    ['glass content by mass', 'glass content', 'laminate', 'solid laminate'],
    [
      s('skin', box(10, 22, 140, 40)),
      s(
        'break',
        'M10 30c12-6 24 6 36 0s24 6 36 0 24 6 36 0 24 6 32 0M10 42c12-6 24 6 36 0s24 6 36 0 24 6 36 0 24 6 32 0M10 54c12-6 24 6 36 0s24 6 36 0 24 6 36 0 24 6 32 0',
      ),
    ],
  ),
  term(
    'bed-modulus',
    ['Bed modulus', 'how hard it is to press in'],
    'How much the skin gives right under the base, through its thickness. The softer it is, the more of a tipping moment the bolts pull.',
    ['bed modulus', 'bed modulus under the base', 'modulus'],
    [
      s('plate', 'M40 26L124 34L122 42L38 34Z'),
      s('skin', 'M4 34h34l86 8h32v26H4Z'),
      s('before', 'M50 44l3 6-6 4 6 4-3 6M80 46l3 6-6 4 6 4-3 6M110 48l3 5-6 4 6 4-3 5'),
    ],
  ),
  term(
    'membrane-action',
    ['Membrane action', 'it hangs like a cloth'],
    'A thin sheet that is pushed in by half its thickness or more begins to carry by stretching. It is stiffer then, and it pulls its bearers towards each other.',
    ['membrane', 'membrane action', 'edge after it pulled out by'],
    [
      s('before', 'M14 26h132'),
      s('skin', 'M14 24C50 44 60 56 80 56S110 44 146 24v5C110 50 100 62 80 62S50 50 14 29Z'),
      arrow(80, 24, 0, 28),
      arrow(28, 34, -24, -10),
      arrow(132, 34, 24, -10),
    ],
  ),
  term(
    'deflection',
    ['Deflection', 'how far it gives'],
    'How far the skin moves under the load. Against the skin’s own thickness it says which theory still holds; against the span, whether people will trust it.',
    ['deflection', 'skin gives', 'movement', 'span over deflection', 'w/t'],
    [
      s('before', 'M14 30h132'),
      s('skin', 'M14 28C50 32 60 52 80 52S110 32 146 28v8C110 40 100 60 80 60S50 40 14 36Z'),
      s('force', 'M80 30v22M76 30h8M76 52h8'),
    ],
  ),
  term(
    'grain',
    ['Grain, rolling direction', 'which way it runs'],
    'The way the fibres of timber or the rolling of a sheet run. Timber is ten times stiffer along it or more, and a sheet bends best with the bend across it.',
    ['grain', 'grain runs', 'it runs', 'face runs', 'strips run', 'end grain to the nearest bolt'],
    [s('skin', box(14, 14, 132, 56)), s('force', 'M22 24h116M22 36h116M22 48h116M22 60h116')],
  ),
  term(
    'wall',
    ['Wall of a section', 'tube wall'],
    'The thickness of a tube’s or box’s side. Bolts through it squash it unless a sleeve, plug or spacer stands between the walls.',
    ['wall', 'wall thickness', 'section', 'section width', 'section depth', 'one wall', 'both walls', 'bolts go through'],
    [s('skin', 'M40 12h80v60H40ZM48 20v44h64V20Z'), s('bolt', box(76, 4, 8, 76)), s('force', 'M40 80v4M48 80v4')],
  ),
  term(
    'flange',
    ['Flange and web', 'lip and back'],
    'A channel or beam has flat flanges and a web between them. A bolt far from the web bends the flange.',
    ['flange', 'web', 'flange width', 'web thickness', 'its web stands', 'on a flange of'],
    [s('skin', 'M40 12h80v10H52v40h68v10H40Z'), s('bolt', box(96, 4, 8, 30)), s('force', 'M46 80h54M46 77v6M100 77v6')],
  ),
  term(
    'bedding',
    ['Bedding compound, sealant', 'goo'],
    'What is laid under the plate to keep water out. It takes friction away and lets the clamp go slack as it creeps, so the figures leave it out.',
    ['bed', 'bedding', 'bedded in sealant', 'a cartridge of sealant', 'left bare where it starts', 'left bare where it ends'],
    [plate(24, 112, 26), s('before', 'M18 35h124l6 6H12Z'), skin(41), ...bolt(80, 26, 53)],
  ),
  term(
    'pot-life',
    ['Pot life and cure', 'how long it stays wet, when it is hard'],
    'Pot life is how long a mixed resin can be spread; cure, how long until it carries. Both halve with every ten degrees or so it is warmer.',
    ['pot life', 'cure', 'parts of resin', 'parts of hardener', 'temperature'],
    [s('skin', 'M50 20h60l-8 56H58Z'), s('bolt', 'M54 44h52l-4 32H58Z'), s('force', 'M80 8a12 12 0 1 1-.1 0M80 12v8h6')],
  ),
  term(
    'keep-clear',
    ['Keep-clear zone', 'what is behind'],
    'Where no bolt may come out: cables, tanks, pipes, stiffeners. What was not looked behind counts as not known.',
    ['keep clear', 'keep clear by', 'behind the skin', 'access behind'],
    [s('skin', box(10, 8, 140, 68)), s('break', box(60, 8, 26, 68)), s('bolt', ring(34, 42, 7) + ring(120, 42, 7))],
  ),
];
