import type { Job } from '@core/job/schema';
import type { Pattern, Side, Survey } from '@core/job/survey';
import { assumed, withQuantity } from '@core/job/values';
import type { Quantity } from '@core/job/schema';
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

/** A value at a path of `namedValues`. */
export const setAt =
  (path: string, q: Quantity): Edit =>
  (job) =>
    withQuantity(job, path, q);
