import { writeJob } from '@core/formats/read-job';
import { oneFoot } from '@core/job/at-foot';
import { changedFoot, standingAs } from '@core/job/feet-edits';
import { fromSheet } from '@core/job/values';
import { fileOf, version3File } from '@core/testing/job-files';
import { testJob } from '@core/testing/test-job';
import { check } from './check';
import { feet } from './feet';
import { parts } from './parts';
import { spread } from './spread';

const apart = { along: 400, across: 300, count: 4 };
const four = standingAs(oneFoot(testJob({ fx: 1000, fz: -100, z: 300 })), 'F1', 'four feet', apart);

describe('feet', () => {
  it('force and moment at every foot and case, in newtons and newton-millimetres', () => {
    const data = JSON.parse(feet(writeJob(four), true).text);
    expect(data.rule).toBe('force only');
    expect(
      data.feet.map((f: { name: string; cases: { fx: number; fz: number }[] }) => [f.name, f.cases[0]!.fx, f.cases[0]!.fz]),
    ).toEqual([
      ['Fore port', expect.closeTo(250, 6), expect.closeTo(-400, 6)],
      ['Fore starboard', expect.closeTo(250, 6), expect.closeTo(-400, 6)],
      ['Aft port', expect.closeTo(250, 6), expect.closeTo(350, 6)],
      ['Aft starboard', expect.closeTo(250, 6), expect.closeTo(350, 6)],
    ]);
    expect(feet(writeJob(four), false).text).toMatch(/Aft port \(F3\) at -200, 150, 0 mm.*\n.*F 250, 0, 350 N/);
  });
  it('an old file is one foot, and everything comes to it', () => {
    const data = JSON.parse(feet(version3File(testJob({ fz: 700 })), true).text);
    expect([data.rule, data.feet.length, data.feet[0].cases[0].fz]).toEqual(['one foot', 1, 700]);
  });
  it('is refused where nothing holds it, and where the file does not read', () => {
    const pair = standingAs(oneFoot(testJob({ fy: 100, z: 50 })), 'F1', 'two brackets', apart);
    const loose = writeJob({ ...pair, standing: { ...pair.standing, rule: 'force only' } });
    expect(feet(loose, false)).toMatchObject({ exit: 2, text: expect.stringContaining('nothing holds a moment about x') });
    expect(feet('{', true).exit).toBe(2);
  });
});

describe('check and spread over feet', () => {
  const thin = writeJob(changedFoot(four, 'F4', { skin: { ...four.feet[3]!.skin, thickness: fromSheet(2, '2 mm') } }));
  it('every foot by itself, the one that decides in full, what it is good for the least of all', () => {
    const data = JSON.parse(check(thin, true).text);
    expect(data.foot).toBe('F4');
    expect(data.feet.map((f: { id: string }) => f.id)).toEqual(['F1', 'F2', 'F3', 'F4']);
    expect(data.feet[3].links).toEqual(data.links);
    expect(data.headline.says).toMatch(/^Aft starboard: /);
    const kept = data.feet.map((f: { goodFor: number | null }) => f.goodFor);
    if (!kept.includes(null)) expect(data.goodFor).toBe(Math.min(...kept));
    const { text } = check(writeJob(four), false);
    for (const name of ['Fore port', 'Fore starboard', 'Aft port', 'Aft starboard']) expect(text).toContain(`Test, ${name}\n`);
  });
  it('a foot that cannot be resolved is named with its field', () => {
    const none = standingAs(oneFoot(testJob({}, (j) => ({ ...j, bolts: { ...j.bolts, items: [] } }))), 'F1', 'two rails', apart);
    expect(check(writeJob(none), true)).toMatchObject({ exit: 2, text: expect.stringContaining('Port rail: bolts.items') });
  });
  it('spread says each foot by its name', () => {
    const two = standingAs(oneFoot(testJob({ fx: 300, z: 100 })), 'F1', 'two rails', apart);
    const data = JSON.parse(spread(writeJob(two), true, 'draft').text);
    expect(data.feet.map((f: { name: string; cases: unknown[] }) => [f.name, f.cases.length])).toEqual([
      ['Port rail', 1],
      ['Starboard rail', 1],
    ]);
  });
});

describe('parts', () => {
  it('mark, count, hand, stock, area, perimeter, centroid, mass, flat size and holes', () => {
    const { parts: list } = JSON.parse(parts(fileOf(testJob()), true).text);
    expect(list[0]).toMatchObject({
      mark: '1',
      name: 'mounting plate',
      count: 1,
      hand: 'as drawn',
      stock: 'Steel S275, 8 mm',
      length: 230,
      width: 210,
      centroid: { x: expect.closeTo(0, 9), y: expect.closeTo(0, 9) },
    });
    expect(list[0].holes[0]).toEqual({ id: 'B1', x: 90, y: 80, diameter: 11, purpose: 'bolt', then: '' });
    expect(list[0].area).toBeCloseTo(230 * 210 - (4 - Math.PI) * 144 - 8 * (Math.PI / 4) * 121, 4);
    expect(parts(writeJob(four), false).text).toMatch(/^Test\n1 +4 +mounting plate +230.0 × 210.0 mm/);
    expect(parts('x', false).exit).toBe(2);
  });
});
