import { caseFile } from '../testing/case-file';
import { testJob } from '../testing/test-job';
import { turned } from '../testing/turned';
import { mirrored } from './mirrored';
import { isResolved, resolve } from './resolve';
import type { Job } from './schema';
import { USUAL_SPREAD } from './spread-rules';
import { fromSheet } from './values';

/** Where things lie is asked before what pulls on them. */
const unloaded = (name: string): Job => ({ ...caseFile(name), loads: [] });
const q = (v: number) => fromSheet(v, `${v} mm`);
const refusals = (job: Job) => {
  const r = resolve(job);
  return isResolved(r) ? [] : r.map((x) => `${x.field}: ${x.because}`);
};
const washers = (job: Job): Job => ({ ...job, far: { kind: 'washer' } });
/** Aft bearer so far behind the base's centre. */
const aft = (job: Job, mm: number): Job => ({ ...job, skin: { ...job.skin, aft: q(mm) } as Job['skin'] });

describe('bolts that stand on a bearer', () => {
  const job = unloaded('bolts-on-a-bearer');
  it('are refused by their names, and the backing with them', () => {
    const no = refusals(job);
    expect(no).toContain('bolts.items.1 (B2): it stands on the aft bearer');
    expect(no).toContain('bolts.items.2 (B3): it stands on the aft bearer');
    expect(no.some((x) => x.startsWith('far.kind: the backing plate would lie 60 mm onto the aft bearer'))).toBe(true);
    expect(no).toHaveLength(3);
  });
  it('whichever way the job is turned: another bearer, the same refusals', () => {
    expect(refusals(mirrored(job))).toHaveLength(3);
    expect(refusals(turned(job))).toHaveLength(3);
    expect(refusals(turned(job)).join()).not.toContain('aft bearer');
  });
  it('with washers alone the nut must come clear: M16, washer of 30, bolts 85 aft of the middle', () => {
    expect(refusals(aft(washers(job), 100.1))).toEqual([]);
    expect(refusals(aft(washers(job), 99.9))[0]).toBe('bolts.items.1 (B2): what holds it behind the skin fouls the aft bearer');
    expect(refusals(aft(washers(job), 85))[0]).toBe('bolts.items.1 (B2): it stands on the aft bearer');
  });
  it('a thread cut in the skin needs room for its hole, a stud welded on its face none', () => {
    const held = (holding: Job['joint']['holding'], mm: number) =>
      refusals(aft({ ...washers(job), joint: { ...job.joint, holding } }, mm)).filter((x) => x.includes('bearer'));
    expect(held('tapped', 95)).toEqual([]);
    expect(held('tapped', 92)).toHaveLength(2);
    expect(held('stud', 60)).toEqual([]);
  });
  it('where no bearer is on that side nothing is in the way', () => {
    const free: Job = { ...job, spread: { ...USUAL_SPREAD, edges: { ...USUAL_SPREAD.edges, aft: 'free' } } };
    expect(refusals(free)).toEqual([]);
  });
});

describe('a backing plate behind the bearers', () => {
  it('cannot be put there, though it reaches no further than the mounting plate', () => {
    const job = unloaded('backing-behind-the-bearers');
    for (const j of [job, turned(job), mirrored(job), { ...job, far: { ...job.far, past: 0 } as Job['far'] }])
      expect(refusals(j).filter((x) => x.startsWith('far.kind: the backing plate would lie'))).toHaveLength(1);
  });
  it('nor strips that end on one; between them all is well', () => {
    const strips = (along: 'x' | 'y', mm: number): Job =>
      aft(
        testJob({}, (j) => ({ ...j, far: { kind: 'strips', metal: 'S275', thickness: q(6), width: q(40), along } })),
        mm,
      );
    // Plate to 115 aft, bolts at 90, strips 40 wide.
    expect(refusals(strips('y', 111))).toEqual([]);
    expect(refusals(strips('y', 109))[0]).toMatch(/^far.kind: a backing strip would lie 1 mm onto the aft bearer/);
    expect(refusals(strips('x', 114))[0]).toMatch(/^far.kind: a backing strip would lie 1 mm onto the aft bearer/);
    expect(refusals(strips('x', 116))).toEqual([]);
  });
  it('past the plate no further than to the first bearer', () => {
    const past = (mm: number) =>
      refusals(testJob({}, (j) => ({ ...j, far: { kind: 'plate', metal: 'S275', thickness: q(6), past: mm } })));
    expect(past(95)).toEqual([]);
    expect(past(96)[0]).toMatch(/^far.past: the backing plate would run into a bearer: 96 mm past the plate, 1 mm onto/);
  });
});
