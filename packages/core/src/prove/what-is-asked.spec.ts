import { evaluate } from '../chain/evaluate';
import { oneFoot } from '../job/at-foot';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { madeOf, type MadeOf } from '../shop/made-of';
import { found, logOf } from '../testing/log-lines';
import { testJob, withWelds } from '../testing/test-job';
import { boltLife } from './bolt-life';
import { dimensionsAt, impossible, outBy } from './dimensions';
import type { Body, Entry, Line } from './log-entry';
import { underGauge } from './plate-tolerance';
import { tasksOf, type Task } from './tasks';
import { clockWords, didWords, entryWords, fine, placeOf, torqueFine } from './words';

const mm = (v: number) => fromSheet(v, `${v} mm`);

it('plate under its gauge: EN 10029:2010 Tab. 1 class A at both ends of each row, EN 10131 under 3 mm (memory)', () => {
  const table = [
    [2.9, 0.2],
    [3, 0.3],
    [4.9, 0.3],
    [5, 0.4],
    [7.9, 0.4],
    [8, 0.5],
    [14.9, 0.5],
    [15, 0.6],
    [24.9, 0.6],
    [25, 0.7],
    [39.9, 0.7],
    [40, 0.9],
    [79.9, 0.9],
    [80, 1.1],
    [160, 1.1],
  ] as const;
  expect(table.map(([t]) => underGauge(t).under)).toEqual(table.map(([, under]) => under));
});

describe('dimensions at a foot', () => {
  const at = (change: (j: Job) => Job = (j) => j) => dimensionsAt(oneFoot(testJob({ fz: 900 }, change)), 'F1');
  const one = (key: string, change?: (j: Job) => Job) => at(change).find((d) => d.key === key)!;

  it('half the play of the bolt to each side, whichever way', () => {
    // M10 in 11: half a millimetre.
    expect(one('bolt/B1/x')).toMatchObject({ nominal: 90, under: 0.5, over: 0.5, about: { foot: 'F1', bolt: 'B1' } });
    expect(one('bolt/B2/y').nominal).toBe(80);
    const tight = (j: Job): Job => ({
      ...j,
      bolts: { ...j.bolts, items: j.bolts.items.map((b) => ({ ...b, holes: { plate: mm(10.1) } })) },
    });
    expect(one('bolt/B1/x', tight).under).toBeCloseTo(0.1, 9);
  });
  it('a hole 0.5 over, and so far under as still lets its bolt through by a tenth', () =>
    expect(one('hole/B1/d')).toMatchObject({ nominal: 11, under: expect.closeTo(0.9, 9), over: 0.5 }));
  it('structure a twentieth under, 0.2 at least; no bed is measured', () => {
    expect(one('skin/thickness')).toMatchObject({ nominal: 8, under: expect.closeTo(0.4, 9) });
    const thin = (j: Job): Job => ({ ...j, skin: { ...j.skin, thickness: mm(2) } as Job['skin'] });
    expect(one('skin/thickness', thin).under).toBe(0.2);
  });
  it('diagonals 1 in 500 of the longer, 1 mm at least', () => {
    const long = (j: Job): Job => ({ ...j, plate: { ...j.plate, x0: -240, x1: 240, y0: -180, y1: 180 } });
    expect(one('plate/square', long).under).toBeCloseTo(600 / 500, 9);
    const small = (j: Job): Job => ({ ...j, plate: { ...j.plate, x0: -115, x1: 115, y0: -105, y1: 105 } });
    expect(one('plate/square', small).over).toBe(1);
  });
  it('before tack where something is welded, at fit where nothing is; throats after weld and never under size', () => {
    expect(new Set(at().map((d) => d.when))).toEqual(new Set(['at fit']));
    const welded = withWelds({ fitting: 'all round', fittingThroat: mm(4), doubler: 'all round', doublerThroat: mm(3) });
    expect(one('plate/thickness', welded).when).toBe('before tack');
    expect(one('weld/fitting', welded)).toMatchObject({ when: 'after weld', nominal: 4, under: 0 });
    expect(one('weld/doubler', welded)).toMatchObject({ nominal: 3, under: 0 });
    expect(one('gap/B1', welded).when).toBe('at fit');
    expect(at(withWelds({ doubler: 'plugs' })).some((d) => d.key.startsWith('weld/'))).toBe(false);
  });
  it('packers as high as they are drawn; the job’s own dimensions on each side of a pair', () => {
    expect(at().some((d) => d.key.startsWith('packer/'))).toBe(false);
    const packed = (j: Job): Job => ({ ...j, joint: { ...j.joint, packing: 'packer', packer: mm(6) } });
    expect(one('packer/B3', packed)).toMatchObject({ nominal: 6, under: 0.5, over: 0.5 });
    const own = (sides: 'one' | 'pair') => (j: Job) => ({
      ...j,
      survey: { ...j.survey, sides, log: [{ id: 'C1', name: 'Pin centre', nominal: mm(240), tolerance: mm(0.8) }] },
    });
    const critical = (sides: 'one' | 'pair') => at(own(sides) as never).filter((d) => d.key.startsWith('critical/'));
    expect(critical('one').map((d) => [d.name, d.under, d.over])).toEqual([['Pin centre', 0.8, 0.8]]);
    expect(critical('pair').map((d) => d.name)).toEqual(['Pin centre, left', 'Pin centre, right']);
  });
  it('a reading that no such thing can have is refused at its limits', () => {
    const allowed = (key: string, v: number) => impossible(v, { key }) === '';
    for (const key of ['plate/thickness', 'backing/thickness', 'weld/fitting', 'packer/B1'])
      expect([0, 0.1, 300, 300.1].map((v) => allowed(key, v))).toEqual([false, true, true, false]);
    for (const key of ['skin/wall', 'hole/B1/d'])
      expect([0, 0.1, 1000, 1000.1].map((v) => allowed(key, v))).toEqual([false, true, true, false]);
    expect([-0.1, 0, 100, 100.1].map((v) => allowed('gap/B1', v))).toEqual([false, true, true, false]);
    expect(allowed('bolt/B1/x', -4000)).toBe(true);
  });
  it('out by what lies past its limit, with its sign', () => {
    const d = { nominal: 10, under: 0.3, over: 0.5 };
    expect([9.7, 10.5, 9.6, 10.7].map((v) => outBy(v, d))).toEqual([0, 0, expect.closeTo(-0.1, 9), expect.closeTo(0.2, 9)]);
  });
});

describe('what falls due', () => {
  const tasks = (change: (j: Job) => Job): Task[] => {
    const job = testJob({ fz: 3000 }, change);
    return tasksOf(madeOf(oneFoot(job)) as MadeOf, [evaluate(job)]);
  };
  const names = (change: (j: Job) => Job) => tasks(change).map((t) => t.id);
  const of =
    (family: Job['family'], place: Job['joint']['place'] = 'not said') =>
    (j: Job): Job => ({
      ...j,
      family,
      joint: { ...j.joint, place },
    });
  it('by what it is', () => {
    for (const family of ['seat', 'competition', 'towing', 'suspension', 'recovery'] as const)
      expect(names(of(family))).toEqual(expect.arrayContaining(['re-torque-50', 'road']));
    for (const family of ['lifting', 'davit'] as const) expect(names(of(family))).toContain('thorough');
    for (const family of ['rigging', 'mast'] as const) expect(names(of(family))).toContain('rig');
    const plain = names(of('general'));
    for (const id of ['re-torque-50', 'road', 'thorough', 'rig', 'life']) expect(plain).not.toContain(id);
    expect(plain).toEqual(expect.arrayContaining(['re-torque-first', 're-torque', 'look']));
  });
  it('where there is salt it is looked at twice as often', () => {
    const look = (place: Job['joint']['place']) => tasks(of('general', place)).find((t) => t.id === 'look')!;
    expect(look('salt')).toMatchObject({ every: { months: 6 }, name: 'Look, where there is salt' });
    expect(look('weather')).toMatchObject({ every: { months: 12 }, name: 'Look' });
  });
  it('bolts under loads that are counted: new ones at their life, a look at a tenth of it', () => {
    const winch = of('winch');
    const job = testJob({ fz: 60_000 }, winch);
    const [r, v] = [madeOf(oneFoot(job)) as MadeOf, evaluate(job)];
    const life = boltLife(r.feet[0]!.r, v)!;
    // EN 1993-1-9 §7.1, category 50, γ_Mf 1.35 (memory), of the bolt that is pulled hardest.
    const range = Math.max(...v.shared[0]!.pulls) / r.feet[0]!.r.As;
    const n = 2e6 * (50 / 1.35 / range) ** 3;
    expect(n).toBeLessThan(5e6);
    expect(life.times).toBeCloseTo(n, 6);
    const all = tasksOf(r, [v]);
    expect(all.find((t) => t.id === 'life-renew')!.every).toEqual({ times: Math.max(1, Math.floor(n)) });
    expect(all.find((t) => t.id === 'life')!.every).toEqual({ times: Math.max(1, Math.floor(Math.floor(n) / 10)) });
    expect(tasksOf(r, [evaluate(testJob({ fz: -100 }, winch))]).some((t) => t.id === 'life')).toBe(false);
  });
  it('small pulls by the flatter line past 5 million, and under the cut-off for ever', () => {
    const job = (fz: number) => testJob({ fz }, of('winch'));
    const lifeAt = (fz: number) => boltLife((madeOf(oneFoot(job(fz))) as MadeOf).feet[0]!.r, evaluate(job(fz)))!;
    const r = (madeOf(oneFoot(job(1))) as MadeOf).feet[0]!.r;
    const rangeAt = (fz: number) => Math.max(...evaluate(job(fz)).shared[0]!.pulls) / r.As;
    // Found so that the range is 25 MPa: 5e6·(0.737·50/1.35/25)^5.
    const fz = (25 / rangeAt(1000)) * 1000;
    expect(lifeAt(fz).times / (5e6 * ((0.737 * 50) / 1.35 / 25) ** 5)).toBeCloseTo(1, 2);
    expect(lifeAt(fz / 2).times).toBe(Infinity);
  });
});

describe('an entry in words', () => {
  const line = (body: unknown): Line => logOf([{ body: body as Body, about: { foot: 'F1', bolt: 'B2' } }])[0]!;
  const says = (body: unknown, units: 'mm' | 'inch' = 'mm') => entryWords(line(body).entry as Entry, units);
  it.each([
    [{ kind: 'note', did: 'cut', text: 'kerf wide' }, 'cut: kerf wide', 'cut'],
    [found('k', [8, 8.2, 8.1], 8), 'k: 8.1 mm for 8 mm, median of 3, spread 0.2 mm, at fit', 'measured'],
    [{ ...found('k', 8, 8), with: 'caliper' }, 'k: 8 mm for 8 mm, at fit, caliper', 'measured'],
    [{ kind: 'decision', key: 'k', decide: 'shim', reason: 'twist' }, 'shim: twist', 'decided'],
    [{ kind: 'bolt missing', reason: 'rib' }, 'missing: rib', 'missing'],
    [
      { kind: 'tightened', round: 2, target: 40_000, torque: 38_000, reads: 'good', because: 'at the target', with: 'wrench' },
      'round 2: 38.0 N·m for 40.0 N·m, good; wrench',
      'tightened',
    ],
    [
      { kind: 'tightened', round: 1, target: 40_000, torque: 9000, reads: 'over', because: 'too far', with: 'wrench' },
      'round 1: 9.0 N·m for 40.0 N·m, over: too far; wrench',
      'tightened',
    ],
    [{ kind: 'released', reason: 'shim' }, 'slackened: shim', 'slackened'],
    [{ kind: 'witness mark' }, 'witness mark', 'marked'],
    [{ kind: 'confirmed', what: 'nut class', is: '8' }, 'nut class: 8', 'confirmed'],
    [{ kind: 'inspected', task: 'look', name: 'Look', found: 'finding', text: 'rust' }, 'Look: finding: rust', 'inspected'],
    [{ kind: 'inspected', task: 'look', name: 'Look', found: 'sound', text: '' }, 'Look: sound', 'inspected'],
    [
      { kind: 'used', from: '2026-05-01', miles: 12, times: 3, what: 'sea' },
      'in use from 2026-05-01, 12 miles, 3 loads, sea',
      'used',
    ],
    [{ kind: 'photo', caption: '' }, 'photograph: no words', 'photographed'],
    [{ kind: 'signed', operation: 'stamp', text: 'as built', name: 'A. Marsh' }, 'stamped: as built, A. Marsh', 'signed'],
    [{ kind: 'signed', operation: 'fit', text: 'fits', name: 'A. Marsh' }, 'signed: fits, A. Marsh', 'signed'],
  ])('%o', (body, words, did) => {
    expect(says(body)).toBe(words);
    expect(didWords(line(body).entry as Entry)).toBe(did);
  });
  it('a proof with its result; a pull with its most', () => {
    const proof = { kind: 'proof', caseName: 'Gust', load: 2500, result: 'failed', because: 'left the band' };
    expect(says(proof)).toBe('proof, Gust, 2.50 kN: failed: left the band');
    expect(says({ kind: 'samples', samples: [{ load: 900 }, { load: 1500 }, { load: 0 }] })).toBe(
      '3 samples of a pull, up to 1.50 kN',
    );
  });
  it('lengths to a hundredth or a thousandth, torques as a wrench shows them', () => {
    expect([fine(12.345, 'mm'), fine(-0.5, 'mm'), fine(25.4, 'inch')]).toEqual(['12.35 mm', '−0.5 mm', '1.000 in']);
    expect([torqueFine(41_550, 'mm'), torqueFine(40_000, 'inch')]).toEqual(['41.5 N·m', '29.5 lb·ft']);
  });
  it('where it belongs', () => expect(placeOf(line({ kind: 'witness mark' }).entry as Entry, () => 'Aft')).toBe('Aft, B2'));
  it('how far a clock was off, and how long a line waited', () => {
    const at = (minutes: number, before?: number) => {
      const one = line({ kind: 'witness mark' });
      const back = (m: number) => new Date(Date.parse(one.entry.at) + m * 60_000).toISOString();
      return clockWords(
        { ...one, received: back(minutes) },
        before === undefined ? undefined : { ...one, received: back(before) },
      );
    };
    expect([at(0), at(5), at(-5)]).toEqual(['', '', '']);
    expect(at(-6)).toBe('its clock was 6 min ahead of the server’s');
    expect([at(6), at(89), at(90), at(47 * 60), at(48 * 60), at(7200)]).toEqual([
      'came in 6 min later',
      'came in 89 min later',
      'came in 2 h later',
      'came in 47 h later',
      'came in 2 days later',
      'came in 5 days later',
    ]);
    expect(at(0, 1)).toBe('the server’s clock was set back before this line');
  });
});
