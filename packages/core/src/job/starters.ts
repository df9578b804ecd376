import { newLoad } from '../loads/new-load';
import { coreValues } from '../stock/cores';
import { newJob } from './new-job';
import type { Job } from './schema';
import { withSkinKind, type SkinChoice } from './skin-kinds';
import { usualPracticeOf } from './usual-practice';
import { assumed, fromSheet, namedValues, withQuantity, type NamedValue } from './values';

/** A whole job to begin from: what is mounted, and on what, in first values of that trade. */
export interface Starter {
  readonly id: string;
  /** What is mounted. */
  readonly what: string;
  /** On what. */
  readonly on: string;
  readonly icon: string;
  /** Values that matter most, by their paths in `namedValues`. */
  readonly asks: readonly string[];
  make(id: string, name: string): Job;
}

interface Trade {
  readonly family: Job['family'];
  readonly load: string;
  readonly skin: SkinChoice;
  /** What the skin is made of, where its kind says that by name. */
  readonly of?: Readonly<Record<string, unknown>>;
  readonly metal: string;
  readonly thickness: number;
  readonly bolt: readonly [size: string, grade: string, nut: string];
  /** Half the plate, half the bolt pattern and the base, mm. */
  readonly plate: readonly [x: number, y: number];
  readonly bolts: readonly [x: number, y: number];
  readonly base: readonly [length: number, width: number];
  readonly far: Job['far']['kind'] & ('washer' | 'plate');
  readonly values?: Readonly<Record<string, number>>;
  readonly more?: (job: Job) => Job;
}

const mm = (v: number) => assumed(v, `${v} mm`);

function made(t: Trade): Starter['make'] {
  return (id, name) => {
    const fresh = newJob(id, name);
    const usual = usualPracticeOf(t.family);
    const [x, y] = t.plate;
    const [bx, by] = t.bolts;
    const [length, width] = t.base;
    const [size, grade, nut] = t.bolt;
    const skinned = withSkinKind({ ...fresh, family: t.family, loads: [newLoad(t.load, 'L1')] }, t.skin);
    const skin = { ...skinned.skin, ...t.of } as Job['skin'];
    const hx = length / 2 - 15;
    const hy = width / 2 - 15;
    const job: Job = {
      ...skinned,
      skin,
      practice: { ...fresh.practice, ...usual?.practice },
      base: {
        ...fresh.base,
        length: mm(length),
        width: mm(width),
        holes: [
          { id: 'H1', x: hx, y: hy },
          { id: 'H2', x: -hx, y: hy },
          { id: 'H3', x: -hx, y: -hy },
          { id: 'H4', x: hx, y: -hy },
        ],
      },
      plate: {
        ...fresh.plate,
        x0: -x,
        x1: x,
        y0: -y,
        y1: y,
        metal: t.metal,
        thickness: fromSheet(t.thickness, `${t.thickness} mm`),
      },
      bolts: {
        ...fresh.bolts,
        size,
        class: grade,
        nut,
        items: [
          { id: 'B1', x: bx, y: by },
          { id: 'B2', x: -bx, y: by },
          { id: 'B3', x: -bx, y: -by },
          { id: 'B4', x: bx, y: -by },
        ],
      },
      far:
        t.far === 'washer'
          ? { kind: 'washer' }
          : { kind: 'plate', metal: t.metal, thickness: fromSheet(t.thickness, `${t.thickness} mm`) },
    };
    const valued = Object.entries(t.values ?? {}).reduce((j, [path, v]) => withQuantity(j, path, mm(v)), job);
    return t.more ? t.more(valued) : valued;
  };
}

const skinOf = (...more: string[]): string[] => ['skin.thickness', 'skin.spanX', 'skin.spanY', ...more];
const load = (...keys: string[]): string[] => keys.map((k) => `loads.L1.values.${k}`);

/** A dozen of what shops mount, in the order they are asked for. First values are common practice, and every one is assumed until measured. */
export const STARTERS: readonly Starter[] = [
  {
    id: 'seat',
    what: 'Seat on rails',
    on: 'a vehicle’s sheet floor',
    icon: 'airline_seat_recline_normal',
    asks: [...load('person', 'height', 'seatMass'), ...skinOf()],
    make: made({
      family: 'seat',
      load: 'seat',
      skin: 'sheet',
      metal: 'S275',
      thickness: 6,
      bolt: ['M10', '10.9', '10'],
      plate: [150, 70],
      bolts: [115, 40],
      base: [200, 40],
      far: 'plate',
      values: { 'skin.thickness': 2, 'skin.spanX': 340, 'skin.spanY': 170, 'skin.aft': 170, 'skin.starboard': 85 },
    }),
  },
  {
    id: 'winch',
    what: 'Winch',
    on: 'a cored deck',
    icon: 'sync',
    asks: [...load('pull', 'drumHeight'), 'skin.nearFace', 'skin.farFace', 'skin.thickness', 'skin.spanX'],
    make: made({
      family: 'winch',
      load: 'winch',
      skin: 'sandwich',
      of: { core: 'balsa', ...coreValues('balsa') },
      metal: '6082-T6',
      thickness: 12,
      bolt: ['M10', '8.8', '8'],
      plate: [150, 125],
      bolts: [120, 95],
      base: [160, 120],
      far: 'plate',
    }),
  },
  {
    id: 'chainplate',
    what: 'Chainplate',
    on: 'a laminate side deck',
    icon: 'sailing',
    asks: [...load('rm30', 'halfBeam', 'height'), ...skinOf()],
    make: made({
      family: 'rigging',
      load: 'chainplate',
      skin: 'laminate',
      metal: '316',
      thickness: 10,
      bolt: ['M12', 'A4-80', 'A4-80'],
      plate: [110, 70],
      bolts: [80, 40],
      base: [90, 60],
      far: 'plate',
      values: { 'skin.thickness': 10 },
    }),
  },
  {
    id: 'cleat',
    what: 'Mooring cleat',
    on: 'a laminate deck',
    icon: 'anchor',
    asks: [...load('breaking', 'height', 'sideAngle'), ...skinOf()],
    make: made({
      family: 'mooring',
      load: 'mooring',
      skin: 'laminate',
      metal: '316',
      thickness: 8,
      bolt: ['M10', 'A4-80', 'A4-80'],
      plate: [125, 75],
      bolts: [95, 45],
      base: [150, 60],
      far: 'plate',
      values: { 'skin.thickness': 9 },
    }),
  },
  {
    id: 'receiver',
    what: 'Tow receiver',
    on: 'a chassis rail',
    icon: 'rv_hookup',
    asks: [...load('vehicle', 'trailer', 'overhang', 'height'), 'skin.wall', 'skin.width'],
    make: made({
      family: 'towing',
      load: 'tow-point',
      skin: 'hollow',
      metal: 'S355',
      thickness: 12,
      bolt: ['M14', '10.9', '10'],
      plate: [170, 50],
      bolts: [135, 0],
      base: [100, 70],
      far: 'washer',
      values: { 'skin.thickness': 80, 'skin.width': 120, 'skin.wall': 5 },
      more: (j) => ({ ...j, bolts: { ...j.bolts, items: spread(135, 70) } }),
    }),
  },
  {
    id: 'recovery',
    what: 'Recovery point',
    on: 'a box-section bumper',
    icon: 'support',
    asks: [...load('mass', 'height', 'ahead'), 'skin.wall', 'skin.width', 'skin.thickness'],
    make: made({
      family: 'recovery',
      load: 'recovery-point',
      skin: 'hollow',
      metal: 'S355',
      thickness: 15,
      bolt: ['M16', '10.9', '10'],
      plate: [160, 55],
      bolts: [125, 0],
      base: [80, 70],
      far: 'washer',
      values: { 'skin.thickness': 100, 'skin.width': 120, 'skin.wall': 8 },
      more: (j) => ({
        ...j,
        loads: j.loads.map((l) => ({ ...l, picks: { ...l.picks, mount: 'face' } })),
        bolts: { ...j.bolts, items: spread(125, 60) },
      }),
    }),
  },
  {
    id: 'ladder',
    what: 'Ladder bracket',
    on: 'a timber post or rim',
    icon: 'escalator',
    asks: [...load('person', 'offset', 'out'), 'skin.thickness', 'skin.endGrain', 'skin.spanX'],
    make: made({
      family: 'ladder',
      load: 'ladder',
      skin: 'timber',
      metal: 'S275',
      thickness: 8,
      bolt: ['M12', '8.8', '8'],
      plate: [150, 65],
      bolts: [110, 30],
      base: [140, 60],
      far: 'plate',
      values: { 'skin.thickness': 95 },
    }),
  },
  {
    id: 'roof',
    what: 'Roof unit’s bracket',
    on: 'a plywood roof',
    icon: 'roofing',
    asks: [...load('mass', 'face', 'wind', 'height'), 'skin.thickness', 'skin.spanX'],
    make: made({
      family: 'roof',
      load: 'roof-unit',
      skin: 'plywood',
      metal: 'S275',
      thickness: 8,
      bolt: ['M12', '8.8', '8'],
      plate: [170, 170],
      bolts: [135, 135],
      base: [220, 220],
      far: 'plate',
      values: { 'skin.thickness': 21 },
    }),
  },
  {
    id: 'lifting',
    what: 'Lifting lug',
    on: 'a steel deck',
    icon: 'precision_manufacturing',
    asks: [...load('mass', 'legs', 'angle', 'height'), 'skin.thickness', 'skin.spanX'],
    make: made({
      family: 'lifting',
      load: 'lifting',
      skin: 'sheet',
      metal: 'S275',
      thickness: 15,
      bolt: ['M16', '8.8', '8'],
      plate: [120, 100],
      bolts: [85, 65],
      base: [100, 80],
      far: 'plate',
      values: { 'skin.thickness': 8, 'skin.spanX': 600, 'skin.spanY': 500 },
    }),
  },
  {
    id: 'damper',
    what: 'Damper tab',
    on: 'a channel’s web or flange',
    icon: 'settings',
    asks: [...load('wheel', 'height', 'radius'), ...skinOf()],
    make: made({
      family: 'suspension',
      load: 'suspension',
      skin: 'sheet',
      metal: 'S355',
      thickness: 10,
      bolt: ['M12', '10.9', '10'],
      plate: [95, 75],
      bolts: [65, 45],
      base: [80, 60],
      far: 'plate',
      values: { 'skin.thickness': 8, 'skin.spanX': 250, 'skin.spanY': 160, 'skin.aft': 125, 'skin.starboard': 80 },
    }),
  },
  {
    id: 'cradle',
    what: 'Cradle for a tank or machine',
    on: 'a plywood or sheet floor',
    icon: 'inventory_2',
    asks: [...load('mass', 'height'), ...skinOf('base.length')],
    make: made({
      family: 'stowage',
      load: 'cradle',
      skin: 'plywood',
      metal: 'S275',
      thickness: 8,
      bolt: ['M10', '8.8', '8'],
      plate: [190, 140],
      bolts: [155, 105],
      base: [240, 160],
      far: 'plate',
      values: { 'skin.thickness': 18 },
    }),
  },
  {
    id: 'hinge',
    what: 'Gate or door hinge',
    on: 'a steel post',
    icon: 'door_front',
    asks: [...load('mass', 'width', 'spacing', 'person'), 'skin.wall', 'skin.width'],
    make: made({
      family: 'gate',
      load: 'gate',
      skin: 'hollow',
      metal: 'S275',
      thickness: 8,
      bolt: ['M10', '8.8', '8'],
      plate: [110, 45],
      bolts: [80, 0],
      base: [60, 60],
      far: 'washer',
      values: { 'skin.thickness': 100, 'skin.width': 100, 'skin.wall': 5 },
      more: (j) => ({ ...j, bolts: { ...j.bolts, items: spread(85, 48) } }),
    }),
  },
];

/** Four bolts in one row along a member. */
const spread = (outer: number, inner: number): Job['bolts']['items'] =>
  [outer, inner, -inner, -outer].map((x, i) => ({ id: `B${i + 1}`, x, y: 0 }));

/** The values a starter asks for, as they stand in a job. */
export const askedOf = (starter: Starter, job: Job): NamedValue[] => {
  const all = namedValues(job);
  return starter.asks.flatMap((path) => all.find((n) => n.path === path) ?? []);
};
