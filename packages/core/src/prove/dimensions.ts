import { atFoot } from '../job/at-foot';
import { atBolt } from '../job/of-kind';
import { isResolved, resolve, type Resolved } from '../job/resolve';
import type { Job } from '../job/schema';
import type { WholeJob } from '../job/whole-job';
import { PLACES } from '../survey/as-built';
import type { About, WHEN } from './log-entry';
import { underGauge } from './plate-tolerance';

/** A dimension that is looked at when a foot is fitted. mm. */
export interface Dimension {
  /** "bolt/B1/x": the same through versions while the thing is there. */
  readonly key: string;
  readonly name: string;
  readonly about: About;
  readonly when: (typeof WHEN)[number];
  readonly nominal: number;
  /** How far below and above it may be. */
  readonly under: number;
  readonly over: number;
  /** Why it may be so far off. */
  readonly source: string;
  /** Which decisions there are about it where it is out. */
  readonly decide: readonly ('accept' | 'slot' | 'fill and redrill' | 'shim' | 'remake')[];
}

/** Gap under a plate at a bolt that is still drawn down, mm (common practice). */
const GAP = 0.5;
/** The two diagonals against each other, of the longer one (common practice: 1 in 500, a millimetre at least). */
const SQUARE = 1 / 500;

/** How much thinner structure may be found, of what it was taken as and mm (common practice). */
const SKIN_UNDER = 0.05;
const SKIN_LEAST = 0.2;
/** A hole over its size, mm; and what a bolt needs round it to go in. */
const HOLE_OVER = 0.5;
const FITS = 0.1;

const NO_LIMIT = 1000;
const MOST_THICK = 300;
const MOST_GAP = 100;
const MOST_DEEP = 1000;

/** What is measured at a foot, in the order it is fitted: before tack, when it stands, after weld. */
export function dimensionsAt(whole: WholeJob, foot: string): Dimension[] {
  const job = atFoot(whole, foot);
  const r = resolve(job);
  if (!isResolved(r)) return [];
  const about: About = { foot };
  const welded = r.welds.doubler !== 'none' || r.welds.fitting !== 'none';
  const first = welded ? ('before tack' as const) : ('at fit' as const);
  return [
    ...thicknesses(r, about, first),
    ...skin(job, about, first),
    ...holes(r, about, first),
    ...diameters(r, about, first),
    ...squareness(r, about, first),
    ...(r.skinKind === 'bed' ? [] : gaps(r, about)),
    ...packers(r, about),
    ...welds(r, about),
    ...critical(job, about, welded ? 'after weld' : 'at fit'),
  ];
}

function thicknesses(r: Resolved, about: About, when: Dimension['when']): Dimension[] {
  const plate = (key: string, name: string, t: number): Dimension => ({
    key,
    name,
    about,
    when,
    nominal: t,
    ...underGauge(t),
    over: NO_LIMIT,
    decide: ['accept', 'remake'],
  });
  return [
    plate('plate/thickness', 'Mounting plate, thickness', r.plateThickness),
    ...(r.far.kind === 'plate' ? [plate('backing/thickness', 'Backing plate, thickness', r.far.thickness)] : []),
  ];
}

/** A bolt goes in while the holes it goes through miss by no more than its play: half of it to each side. */
const holes = (r: Resolved, foot: About, when: Dimension['when']): Dimension[] =>
  r.bolts.flatMap((b, i) => {
    const at = atBolt(r, i);
    const play = Math.max(0.1, (at.d0 - at.d) / 2);
    return (['x', 'y'] as const).map((axis) => ({
      key: `bolt/${b.id}/${axis}`,
      name: `Hole ${b.id}, ${axis === 'x' ? 'forward' : 'to port'} of the base’s middle`,
      about: { ...foot, bolt: b.id },
      when,
      nominal: b[axis],
      under: play,
      over: play,
      source: `half the play of ${at.size.id} in ${at.d0} mm (common practice)`,
      decide: ['accept', 'slot', 'fill and redrill', 'remake'] as const,
    }));
  });

/** The structure as it was found: thinner than it was taken it holds less. */
function skin(job: Job, about: About, when: Dimension['when']): Dimension[] {
  const s = job.skin;
  if (s.kind === 'bed') return [];
  const of = (key: string, name: string, t: number): Dimension => ({
    key,
    name,
    about,
    when,
    nominal: t,
    under: Math.max(SKIN_LEAST, SKIN_UNDER * t),
    over: NO_LIMIT,
    source: 'a twentieth under what it was taken as, 0.2 mm at least (common practice)',
    decide: ['accept'],
  });
  return [
    of('skin/thickness', s.kind === 'hollow' ? 'Member, depth' : 'Structure, thickness', s.thickness.v),
    ...(s.kind === 'hollow' ? [of('skin/wall', 'Member, wall', s.wall.v)] : []),
  ];
}

/** A hole that is too wide bears on less and lets the bolt lean; one that is too tight takes no bolt. */
const diameters = (r: Resolved, foot: About, when: Dimension['when']): Dimension[] =>
  r.bolts.map((b, i) => {
    const at = atBolt(r, i);
    return {
      key: `hole/${b.id}/d`,
      name: `Hole ${b.id}, ${at.slot ? 'width' : 'diameter'} in the plate`,
      about: { ...foot, bolt: b.id },
      when,
      nominal: at.d0,
      under: Math.max(0, at.d0 - at.d - FITS),
      over: HOLE_OVER,
      source: `+0.5 mm, functional class 2 (EN 1090-2 Annex B, from memory); ${at.size.id} goes in`,
      decide: ['accept', 'fill and redrill', 'remake'] as const,
    };
  });

const packers = (r: Resolved, foot: About): Dimension[] =>
  r.bolts.flatMap((b) =>
    b.packed > 0
      ? [
          {
            key: `packer/${b.id}`,
            name: `Packed height at ${b.id}`,
            about: { ...foot, bolt: b.id },
            when: 'at fit' as const,
            nominal: b.packed,
            under: GAP,
            over: GAP,
            source: 'as a gap under the plate (common practice)',
            decide: ['accept', 'remake'] as const,
          },
        ]
      : [],
  );

const squareness = (r: Resolved, about: About, when: Dimension['when']): Dimension[] => {
  if (r.shaped) return [];
  const diagonal = Math.hypot(r.plate.x1 - r.plate.x0, r.plate.y1 - r.plate.y0);
  const off = Math.max(1, diagonal * SQUARE);
  return [
    {
      key: 'plate/square',
      name: 'Plate, one diagonal less the other',
      about,
      when,
      nominal: 0,
      under: off,
      over: off,
      source: '1 in 500 of the diagonal, 1 mm at least (common practice)',
      decide: ['accept', 'remake'],
    },
  ];
};

const gaps = (r: Resolved, foot: About): Dimension[] =>
  r.bolts.map((b) => ({
    key: `gap/${b.id}`,
    name: `Gap under the plate at ${b.id}`,
    about: { ...foot, bolt: b.id },
    when: 'at fit' as const,
    nominal: 0,
    under: 0,
    over: GAP,
    source: 'drawn down by the bolt without bending the plate (common practice)',
    decide: ['accept', 'shim', 'remake'] as const,
  }));

function welds(r: Resolved, about: About): Dimension[] {
  const throat = (key: string, name: string, a: number): Dimension => ({
    key,
    name,
    about,
    when: 'after weld',
    nominal: a,
    under: 0,
    over: NO_LIMIT,
    source: 'a throat is never under size (EN ISO 5817 level B, from memory)',
    decide: ['accept', 'remake'],
  });
  return [
    ...(r.welds.fitting === 'none' ? [] : [throat('weld/fitting', 'Throat, fitting to plate', r.welds.fittingThroat)]),
    ...(r.welds.doubler === 'none' || r.welds.doubler === 'plugs'
      ? []
      : [throat('weld/doubler', 'Throat, plate to skin', r.welds.doublerThroat)]),
  ];
}

/** The job's own critical dimensions, each side of them. */
const critical = (job: Job, about: About, when: Dimension['when']): Dimension[] =>
  job.survey.log.flatMap((c) => {
    const sides = PLACES.filter((p) => c[p] !== undefined);
    const asked = sides.length > 0 ? sides : job.survey.sides === 'pair' ? (['left', 'right'] as const) : (['left'] as const);
    return asked.map((side) => ({
      key: `critical/${c.id}/${side}`,
      name: asked.length > 1 ? `${c.name}, ${side}` : c.name,
      about,
      when,
      nominal: c.nominal.v,
      under: c.tolerance.v,
      over: c.tolerance.v,
      source: 'the job’s own',
      decide: ['accept', 'shim', 'remake'] as const,
    }));
  });

/** Why a reading cannot be one of this dimension; empty where it can. mm. */
export function impossible(value: number, { key }: Pick<Dimension, 'key'>): string {
  if (key === 'plate/thickness' || key === 'backing/thickness' || key.startsWith('weld/'))
    return value > 0 && value <= MOST_THICK ? '' : `allowed: over 0 up to ${MOST_THICK} mm`;
  if (key.startsWith('skin/') || key.startsWith('hole/'))
    return value > 0 && value <= MOST_DEEP ? '' : `allowed: over 0 up to ${MOST_DEEP} mm`;
  if (key.startsWith('packer/')) return value > 0 && value <= MOST_THICK ? '' : `allowed: over 0 up to ${MOST_THICK} mm`;
  if (key.startsWith('gap/')) return value >= 0 && value <= MOST_GAP ? '' : `allowed: 0 to ${MOST_GAP} mm`;
  return '';
}

/** By how much a value is out: 0 within its limits. mm, signed. */
export const outBy = (value: number, d: Pick<Dimension, 'nominal' | 'under' | 'over'>): number => {
  const off = value - d.nominal;
  return off > d.over + 1e-9 ? off - d.over : off < -d.under - 1e-9 ? off + d.under : 0;
};
