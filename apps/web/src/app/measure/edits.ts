import { BED_MODULUS } from '@core/job/new-job';
import type { Job, Skin } from '@core/job/schema';
import type { Pattern, Side, Survey } from '@core/job/survey';
import { assumed, withQuantity } from '@core/job/values';
import type { Quantity } from '@core/job/schema';
import { coreValues } from '@core/stock/cores';
import { fromSheet } from '@core/units/quantity';

/** Changes to what was measured; each is pure and leaves the rest of the document as it was. */
type Edit = (job: Job) => Job;

export const changeSurvey =
  (f: (s: Survey) => Partial<Survey>): Edit =>
  (job) => ({ ...job, survey: { ...job.survey, ...f(job.survey) } });

export const changePattern =
  (id: string, f: (p: Pattern) => Pattern): Edit =>
  (job) =>
    changeSurvey((s) => ({ patterns: s.patterns.map((p) => (p.id === id ? f(p) : p)) }))(job);

/** A pattern nobody has measured yet: the fitting's from its base, the structure's from where the bolts are. */
export function newPattern(job: Job, of: Pattern['of'], side: Side): Pattern {
  const fitting = of === 'fitting';
  const name = (i: number) => `H${i + 1}`;
  const at = fitting ? job.base.holes : job.bolts.items;
  return {
    id: `${of}-${side}`,
    of,
    side,
    hole: fitting ? job.base.hole : assumed(job.base.hole.v, job.base.hole.text),
    slot: fitting ? job.base.slot : fromSheet(0, '0'),
    along: fitting ? job.base.slotAlong : 'x',
    holes: at.map((h, i) => ({ id: name(i), x: h.x, y: h.y })),
    from: fitting ? job.base.holesFrom : 'assumed',
    readings: [],
  };
}

export const addPattern =
  (of: Pattern['of'], side: Side): Edit =>
  (job) =>
    changeSurvey((s) => ({ patterns: [...s.patterns, newPattern(job, of, side)] }))(job);

/** Changes a side's pattern, begun where there was none: one step, so that nothing rests on what the page has drawn. */
export const takePattern =
  (of: Pattern['of'], side: Side, f: (p: Pattern) => Pattern): Edit =>
  (job) => {
    const there = job.survey.patterns.find((p) => p.of === of && p.side === side);
    const next = f(there ?? newPattern(job, of, side));
    return changeSurvey((s) => ({
      patterns: there ? s.patterns.map((p) => (p.id === there.id ? next : p)) : [...s.patterns, next],
    }))(job);
  };

/** The other side's pattern as this one seen in a mirror along the keel; not measured until someone does. */
export const mirrorPattern =
  (from: Pattern, side: Side): Edit =>
  (job) =>
    changeSurvey((s) => ({
      patterns: [
        ...s.patterns.filter((p) => p.of !== from.of || p.side !== side),
        {
          ...from,
          id: `${from.of}-${side}`,
          side,
          from: 'assumed' as const,
          readings: [],
          holes: from.holes.map(({ id, x, y }) => ({ id, x, y: -y || 0 })),
        },
      ],
    }))(job);

/** Kinds of skin as they are picked: a round tube is a hollow section of another form. */
export type SkinChoice = Skin['kind'] | 'round';

/** Thickness assumed of a skin of which nothing is known yet, mm: common practice. */
const USUAL_THICKNESS: Readonly<Record<SkinChoice, number>> = {
  sheet: 3,
  laminate: 8,
  plywood: 18,
  sandwich: 25,
  timber: 45,
  hollow: 60,
  round: 60.3,
  flange: 8,
  bed: 150,
};

/** Another skin keeps what was measured of the panel; its thickness, what only the new kind has, and its bed modulus are assumed. */
export function withSkinKind(job: Job, kind: SkinChoice): Job {
  const { spanX, spanY, aft, starboard } = job.skin;
  // What is under one's hand now is another thing: its thickness is not the old one's.
  const same = job.skin.kind === kind && !('form' in job.skin && job.skin.form === 'round');
  const thickness = same ? job.skin.thickness : assumed(USUAL_THICKNESS[kind], `${USUAL_THICKNESS[kind]} mm`);
  const modulus = BED_MODULUS[kind === 'round' ? 'hollow' : kind];
  const common = { thickness, spanX, spanY, aft, starboard, bedModulus: assumed(modulus, `${modulus} MPa`) };
  const made: Record<SkinChoice, () => Skin> = {
    sheet: () => ({ kind: 'sheet', metal: 'S235', ...common }),
    laminate: () => ({ kind: 'laminate', glass: assumed(0.35, '35 %'), ...common }),
    plywood: () => ({ kind: 'plywood', grade: 'birch', ...common }),
    sandwich: () => ({
      kind: 'sandwich',
      nearFace: assumed(3, '3 mm'),
      farFace: assumed(2, '2 mm'),
      glass: assumed(0.35, '35 %'),
      core: 'unknown',
      ...coreValues('unknown'),
      ...common,
    }),
    timber: () => ({ kind: 'timber', grade: 'C24', grain: 'x', endGrain: assumed(200, '200 mm'), ...common }),
    hollow: () => ({
      kind: 'hollow',
      metal: 'S235',
      wall: assumed(4, '4 mm'),
      width: assumed(100, '100 mm'),
      through: 'both walls',
      ...common,
    }),
    round: () => ({
      kind: 'hollow',
      form: 'round',
      metal: 'S235',
      wall: assumed(4, '4 mm'),
      through: 'both walls',
      ...common,
      width: thickness,
    }),
    flange: () => ({
      kind: 'flange',
      of: 'beam',
      metal: 'S235',
      width: assumed(100, '100 mm'),
      web: assumed(5.6, '5.6 mm'),
      depth: assumed(200, '200 mm'),
      webAt: 'port',
      ...common,
    }),
    bed: () => ({ kind: 'bed', strength: assumed(20, '20 MPa'), ...common }),
  };
  return { ...job, skin: made[kind]() };
}

/** A value at a path of `namedValues`. */
export const setAt =
  (path: string, q: Quantity): Edit =>
  (job) =>
    withQuantity(job, path, q);
