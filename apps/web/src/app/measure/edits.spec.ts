import { Job } from '@core/job/schema';
import { testJob } from '@core/testing/test-job';
import { fromSheet } from '@core/units/quantity';
import { withSkinKind } from '@core/job/skin-kinds';
import { addPattern, changePattern, mirrorPattern, newPattern, setAt } from './edits';

const valid = (j: Job) => Job.safeParse(j).error?.issues ?? [];

it('a pattern starts from what is drawn: the fitting’s from its base, the structure’s from the bolts, not measured', () => {
  const j = testJob();
  expect(newPattern(j, 'fitting', 'left').holes.map((h) => [h.x, h.y])).toEqual(j.base.holes.map((h) => [h.x, h.y]));
  const structure = newPattern(j, 'structure', 'right');
  expect(structure).toMatchObject({ id: 'structure-right', from: 'assumed', hole: { from: 'assumed' } });
  expect(structure.holes).toHaveLength(j.bolts.items.length);
  expect(valid(addPattern('structure', 'left')(j))).toEqual([]);
});

it('mirrored to the other side it replaces that side, port for starboard, and forgets who measured it', () => {
  const j = addPattern('structure', 'left')(testJob());
  const read = changePattern('structure-left', (p) => ({
    ...p,
    from: 'measured',
    holes: p.holes.map((h) => ({ ...h, taken: { y: { at: '2026-05-02T10:00:00.000Z' } } })),
  }))(j);
  const once = mirrorPattern(read.survey.patterns[0]!, 'right')(read);
  const twice = mirrorPattern(once.survey.patterns[0]!, 'right')(once);
  expect(twice.survey.patterns.map((p) => p.id)).toEqual(['structure-left', 'structure-right']);
  expect(twice.survey.patterns[1]).toMatchObject({ side: 'right', from: 'assumed' });
  twice.survey.patterns[1]!.holes.forEach((h, i) =>
    expect(h).toEqual({
      id: read.survey.patterns[0]!.holes[i]!.id,
      x: read.survey.patterns[0]!.holes[i]!.x,
      y: -read.survey.patterns[0]!.holes[i]!.y,
    }),
  );
  expect(valid(twice)).toEqual([]);
});

it.each(['sheet', 'laminate', 'plywood', 'sandwich', 'timber', 'hollow', 'bed'] as const)(
  '%s is a whole document, what was measured kept',
  (kind) => {
    const j = setAt('skin.spanX', { ...fromSheet(612, '612 mm'), from: 'measured' })(testJob());
    const next = withSkinKind(j, kind);
    expect(valid(next)).toEqual([]);
    expect(next.skin).toMatchObject({ kind, spanX: { v: 612, from: 'measured' }, bedModulus: { from: 'assumed' } });
  },
);
