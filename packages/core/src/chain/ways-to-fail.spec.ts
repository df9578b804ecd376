import { CHECKS } from '../checks/registry';
import { withClass } from '../job/bolt-class';
import { newLug } from '../job/plain-joint';
import type { Job } from '../job/schema';
import { withSkinKind } from '../job/skin-kinds';
import { newLoad } from '../loads/new-load';
import { testJob, withJoint, withWelds } from '../testing/test-job';
import { notJudged, WAYS_TO_FAIL } from './ways-to-fail';

const said = (change: (j: Job) => Job = (j) => j) => notJudged(testJob({ fz: 900 }, change)).join('; ');

it('every link stands in one line of it, and every line names links there are', () => {
  const judged = WAYS_TO_FAIL.flatMap((w) => w.judged);
  expect([...judged].sort()).toEqual(CHECKS.map((c) => c.id).sort());
});

it.each<[string, (j: Job) => Job, string]>([
  ['a laminate', (j) => withSkinKind(j, 'laminate'), 'torn out to the laminate’s edge'],
  ['a laminate in the heat', (j) => withSkinKind(j, 'laminate'), 'heat on laminate, core and glue'],
  ['a sandwich', (j) => withSkinKind(j, 'sandwich'), 'torn out to the laminate’s edge'],
  ['a bonded joint', withJoint({ bedding: 'bonded' }), 'heat on laminate, core and glue'],
  ['a lug', (j) => ({ ...j, lug: newLug() }), 'the legs of the fork'],
  ['a flange', (j) => withSkinKind(j, 'flange'), 'the web bent across itself'],
  ['a flange that tapers', (j) => withSkinKind(j, 'flange'), 'a face that leans'],
  ['a round tube', (j) => withSkinKind(j, 'round'), 'a face that leans'],
  ['12.9', (j) => ({ ...j, bolts: withClass(j.bolts, '12.9') }), 'cracking by hydrogen'],
  [
    'stainless in salt',
    (j) => withJoint({ place: 'salt' })({ ...j, bolts: withClass(j.bolts, 'A4-70') }),
    'stress corrosion of stainless',
  ],
  ['a plate on spacers', withJoint({ packing: 'spacers' }), 'buckling of the plate between its spacers'],
  [
    'welds alone',
    (j) => withWelds({ doubler: 'all round' })({ ...j, bolts: { ...j.bolts, items: [] } }),
    'in its own plane between its welds',
  ],
])('%s: said, and not said of another', (_what, change, words) => {
  expect(said(change)).toContain(words);
  expect(said()).not.toContain(words);
});

it('any bolts: that they work loose, and that one may bear before the others', () => {
  expect(said()).toContain('preload scatters');
  expect(said()).toContain('before the others');
  const one = (j: Job): Job => ({ ...j, bolts: { ...j.bolts, items: j.bolts.items.slice(0, 1) } });
  expect(said(one)).not.toContain('before the others');
  expect(said(withJoint({ tightening: 'slip resistant' }))).not.toContain('before the others');
  expect(said(withJoint({ holding: 'lag screw' }))).not.toContain('preload scatters');
});

it('a weight in a case that passes, on what creeps', () => {
  // A mast in the wind: what it weighs stays.
  const unit = (j: Job): Job => ({ ...j, loads: [newLoad('mast-foot', 'L1')] });
  const words = 'the weight alone, as a load that stays';
  const onWood = said((j) => unit(withSkinKind(j, 'plywood')));
  const onSteel = said(unit);
  expect(onSteel.includes(words)).toBe(false);
  expect(onWood.includes(words)).toBe(true);
});

it('the bearers where there are bearers, and else what holds the member', () => {
  expect(said()).toContain('the bearers and what holds them');
  expect(said((j) => withSkinKind(j, 'hollow'))).toContain('what holds the member or bed itself');
  expect(said((j) => withSkinKind(j, 'hollow'))).not.toContain('the bearers');
});
