import { evaluate } from '../../chain/evaluate';
import { lagAt } from '../../job/lag';
import type { Job } from '../../job/schema';
import { fromSheet } from '../../job/values';
import { newLoad } from '../../loads/new-load';
import { lagLengthFor, lagShape, lagThread } from '../../stock/lags';
import { caseFile, linkOf } from '../../testing/case-file';
import { freeLoad, resolved } from '../../testing/test-job';
import { inTwoKinds } from '../../testing/turned';

const q = (v: number) => fromSheet(v, `${v} mm`);
const SIDEWAYS = 'lag-sideways-by-its-full-diameter';
const withThread = (job: Job, mm: number, timber = 100): Job => ({
  ...job,
  joint: { ...job.joint, engagement: q(mm) },
  skin: { ...job.skin, thickness: q(timber) } as Job['skin'],
});

describe('lag screws as they are bought (NDS Appendix L Tab. L2, memory)', () => {
  it.each([
    [1 / 4, 1, 3 / 4, 5 / 32],
    [1 / 4, 1.5, 1.25, 5 / 32],
    [3 / 8, 2, 1.5, 7 / 32],
    [1 / 2, 3, 2, 5 / 16],
    [5 / 8, 8, 4.5, 13 / 32],
    [3 / 4, 14, 6, 1 / 2],
  ])('%d × %d in: thread %d, point %d', (d, L, thread, tip) => {
    expect(lagThread({ family: 'inch' }, L * 25.4) / 25.4).toBeCloseTo(thread, 9);
    expect(lagShape({ family: 'inch', d: d * 25.4 }).tip / 25.4).toBeCloseTo(tip, 9);
  });
  it('the least length for a thread has that thread, and none has more than 6 in', () => {
    for (const thread of [15, 30, 60, 120])
      for (const family of ['inch', 'metric'] as const)
        expect(lagThread({ family }, lagLengthFor({ family }, thread))).toBeCloseTo(thread, 9);
    expect(lagLengthFor({ family: 'inch' }, 153)).toBe(Infinity);
  });
});

it('a screw with 60 of thread is 100 long: 93 deep, 33 of it shank, less than 4·d, so that its root of 7 counts', () => {
  const lag = lagAt(resolved(caseFile(SIDEWAYS)), 0);
  expect(lag).toMatchObject({ length: 100, depth: 93, standard: true, l_ef: 50 });
  expect(lag.shank).toBeCloseTo(33, 9);
  expect(lag.d_ef).toBeCloseTo(7.7, 9);
  // Ten more of plain shank, and it is that which bends.
  expect(lagAt(resolved(withThread(caseFile(SIDEWAYS), 70, 120)), 0).d_ef).toBe(10);
});

it('sideways by 1.1 of the root and not by the whole thickness: fails where it was said to hold', () => {
  const l = linkOf(caseFile(SIDEWAYS), 'timber-joint');
  // EN 1995-1-1 eq. 8.9 with 8.30 to 8.32 by hand, thin plate t = d/2: d 7.7, t 83, f_u 400; γ_M/k_mod 1.3/0.9.
  const f_h = 0.082 * (1 - 0.077) * 350;
  const M_y = 0.3 * 400 * 7.7 ** 2.6;
  // Two in line along the grain, 140 apart, eq. 8.34.
  const row = (2 ** 0.9 * (140 / 130) ** 0.25) / 2;
  expect(l.capacity / ((1.15 * Math.sqrt(2 * M_y * f_h * 7.7) * row * 0.9) / 1.3)).toBeCloseTo(1, 3);
  expect(l.utilisation).toBeGreaterThan(1.19);
});

describe('thread', () => {
  it('under six diameters of it is none, in each of the three links', () => {
    for (const id of ['timber-joint', 'lag-withdrawal', 'lag-both'])
      expect(linkOf(caseFile('lag-of-7-mm-thread'), id)).toMatchObject({
        state: 'refused',
        because: expect.stringContaining('7 mm of thread in the timber is too little'),
      });
    expect(linkOf(withThread(caseFile(SIDEWAYS), 59.9), 'lag-withdrawal').state).toBe('refused');
  });
  it('where one of its standard would come out behind, that is said', () => {
    const cautions = (timber: number) => linkOf(withThread(caseFile(SIDEWAYS), 60, timber), 'lag-withdrawal').cautions.join();
    expect(cautions(92)).toContain('would come out behind');
    expect(cautions(93)).not.toContain('would come out behind');
  });
});

describe('NDS, C_D by how long the load lasts', () => {
  const pulled = (load: Job['loads'][number], duration?: Job['loads'][number]['duration']): number => {
    const job = withThread(caseFile(SIDEWAYS), 60);
    const l = evaluate({ ...job, packs: ['timber-NDS'], loads: [{ ...load, ...(duration ? { duration } : {}) }] }).links.find(
      (x) => x.id === 'lag-withdrawal',
    )!;
    return l.capacity;
  };
  const free = caseFile(SIDEWAYS).loads[0]!;
  const mooring = (by: 'wind' | 'line') => {
    const fresh = newLoad('mooring', 'M', 'Boat');
    return { ...fresh, picks: { ...fresh.picks, by } };
  };
  it('wind is ten minutes, 1.6; the same pull of a line ten years, 1; one that is said to last is what is said', () => {
    expect(pulled(mooring('wind')) / pulled(mooring('line'))).toBeCloseTo(1.6, 9);
    expect(pulled(mooring('wind'), 'medium') / pulled(mooring('line'))).toBeCloseTo(1.15, 9);
    expect(pulled(free)).toBeCloseTo(pulled(mooring('line')), 9);
  });
});

it('screws of two kinds draw on one piece of wood: what splits it, and how many are drawn together, is counted over all', () => {
  const drawn: Job = { ...withThread(caseFile(SIDEWAYS), 60), loads: [freeLoad({ fz: 3000, fx: 400, fy: 700 })] };
  for (const id of ['timber-splitting', 'lag-withdrawal']) {
    const [one, two] = [linkOf(drawn, id), linkOf(inTwoKinds(drawn), id)];
    expect(one.utilisation).toBeGreaterThan(0);
    expect(two.utilisation).toBeCloseTo(one.utilisation, 9);
  }
});
