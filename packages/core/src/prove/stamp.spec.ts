import { oneFoot } from '../job/at-foot';
import { standingAs } from '../job/feet-edits';
import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { USUAL_SHOP } from '../stock/shop-settings';
import { torqueCard } from '../shop/torque-card';
import { allDone } from '../testing/done-log';
import { found, logOf, type Written } from '../testing/log-lines';
import { freeLoad, resolved, testJob } from '../testing/test-job';
import type { BodyOf, DecisionKind } from './log-entry';
import { printOf } from './proof-stands';
import { openPoints, sideBySide, stampRefusal } from './stamp';

const job = testJob({ fz: 900 }, (j) => ({ ...j, plate: { ...j.plate, thickness: fromSheet(8, '8 mm') } }));
const whole = oneFoot(job);
const card = torqueCard(resolved(job))!;
const done = allDone(job);
const refusal = (entries: readonly Written[]) => stampRefusal(whole, USUAL_SHOP, logOf(entries));

it('a job with nothing written down has everything open, and cannot be stamped', () => {
  const open = openPoints(whole, USUAL_SHOP, []);
  expect(new Set(open.map((o) => o.about))).toEqual(new Set(['fit-up', 'tightening', 'proof', 'hold point']));
  expect(refusal([])).toMatch(/^\d+ open: /);
});
it('all measured, tightened, proved and signed it may be', () => {
  expect(refusal(done)).toBe('');
});
it('each thing left out keeps it open', () => {
  for (const kind of ['dimension', 'confirmed', 'tightened', 'witness mark', 'proof', 'signed'] as const) {
    const i = done.findIndex((d) => d.body.kind === kind);
    expect(refusal(done.filter((_, k) => k !== i))).toMatch(/^1 open: /);
  }
});
it('as built it no longer holds: not stamped, whatever else is signed', () => {
  const thin: Written[] = [
    { body: found('plate/thickness', 1, 8) },
    { body: { kind: 'decision', key: 'plate/thickness', decide: 'accept', reason: 'in a hurry' } },
  ];
  expect(refusal([...done, ...thin])).toMatch(/as built it does not hold: /);
  const side = sideBySide(whole, logOf([...done, ...thin]));
  expect(side.design.state).not.toBe('fails');
  expect(side.built.state).toBe('fails');
  expect(side.built.utilisation).toBeGreaterThan(side.design.utilisation);
});
it('a round that was skipped is said: the later one does not count before it', () => {
  const first = done.findIndex((d) => d.body.kind === 'tightened');
  expect(refusal(done.filter((_, k) => k !== first))).toContain('(round 1 skipped');
});

describe('a proof is of what was pulled, and as hard as it was', () => {
  const proof = done.find((d) => d.body.kind === 'proof')!.body as BodyOf<'proof'>;
  const withProof = (x: Partial<BodyOf<'proof'>>, after: readonly Written[] = []) => [
    ...done.map((d) => (d.body.kind === 'proof' ? { ...d, body: { ...proof, ...x } } : d)),
    ...after,
  ];
  const openNow = (j: Job, entries: readonly Written[] = done) =>
    openPoints(oneFoot(j), USUAL_SHOP, logOf(entries))
      .filter((o) => o.about === 'proof')
      .map((o) => o.text)
      .join('; ');
  it('a twentieth of the load proves nothing; nor does the load before it was raised fivefold', () => {
    expect(openNow(job, withProof({ load: 45 }))).toBe('the last proof reached 0.04 kN, and Case L1 is 0.90 kN: prove again');
    expect(openNow({ ...job, loads: [freeLoad({ fz: 4500 })] })).toContain('reached 0.90 kN, and Case L1 is 4.50 kN');
    // Eased, it was pulled harder than it is asked for.
    expect(openNow({ ...job, loads: [freeLoad({ fz: 400 })] })).toBe('');
  });
  it('a case that is gone, or pulls another way', () => {
    expect(openNow({ ...job, loads: [freeLoad({ fz: 900 }, 'L2')] })).toContain('is no case of the job any more');
    expect(openNow({ ...job, loads: [freeLoad({ fx: 900 })] })).toContain('another way');
  });
  it('drawn otherwise since: plate, bolts or structure; another name, note or unit is the same thing', () => {
    const thinner = { ...job, plate: { ...job.plate, thickness: fromSheet(6, '6 mm') } };
    expect(openNow(thinner)).toBe('the last proof was of version 1, drawn otherwise since: prove again');
    expect(openNow({ ...job, skin: { ...job.skin, spanX: fromSheet(400, '400 mm') } as Job['skin'] })).toContain(
      'drawn otherwise',
    );
    const inInches = { ...job.plate, thickness: { ...job.plate.thickness, text: '0.315 in', from: 'measured' as const } };
    expect(openNow({ ...job, name: 'Another', note: 'n', units: 'inch', plate: inInches })).toBe('');
  });
  it('an arm that takes its load in at another hole is another arm', () => {
    const held = (from: string): Job => ({
      ...job,
      parts: [{ id: 'P1', name: 'Arm', works: { as: 'arm', from, to: 'H9' } }] as unknown as NonNullable<Job['parts']>,
    });
    expect(printOf(oneFoot(held('H1')), 'F1')).not.toBe(printOf(oneFoot(held('H2')), 'F1'));
    expect(printOf(oneFoot(held('H1')), 'F1')).toBe(printOf(oneFoot(held('H1')), 'F1'));
  });
  it('a plate made anew, a hole slotted, a bolt that is gone: after it, it is another joint', () => {
    const decided = (decide: DecisionKind, bolt?: string): Written => ({
      about: { foot: 'F1', ...(bolt ? { bolt } : {}) },
      body: { kind: 'decision', key: 'plate/square', decide, reason: 'bent' },
    });
    expect(openNow(job, [...done, decided('remake')])).toBe('the last proof remake after it: prove again');
    expect(openNow(job, [...done, decided('slot', 'B1')])).toContain('slot at B1 after it');
    expect(openNow(job, [...done, decided('accept')])).toBe('');
    expect(openNow(job, [decided('remake'), ...done])).toBe('');
    // A plate made anew is bolted on anew.
    const open = (entries: readonly Written[]) => openPoints(whole, USUAL_SHOP, logOf(entries)).map((o) => o.text);
    expect(open([...done, decided('remake')])).toContain(`not at the full torque: ${card.order.join(', ')}`);
    expect(open([...done, decided('slot', 'B1')])).toContain('not at the full torque: B1');
  });
  it('a line from before what it pulled was kept', () => {
    const { proved: _p, ...old } = proof;
    expect(
      openNow(
        job,
        done.map((d) => (d.body.kind === 'proof' ? { ...d, body: old } : d)),
      ),
    ).toContain('prove again');
  });
  it('every foot is proved by itself', () => {
    const two = standingAs(whole, 'F1', 'two brackets', { along: 400, across: 0, count: 2 });
    const open = openPoints(two, USUAL_SHOP, logOf(done)).filter((o) => o.about === 'proof');
    expect(open.map((o) => o.foot)).toContain(two.feet[1]!.name);
  });
});
it('a crack at one foot is not closed by another that is sound, nor at a bolt by another bolt', () => {
  const two = standingAs(whole, 'F1', 'two brackets', { along: 400, across: 0, count: 2 });
  const [a, b] = two.feet.map((f) => f.id) as [string, string];
  const round = (state: 'sound' | 'finding', foot: string, bolt?: string): Written => ({
    about: { foot, ...(bolt ? { bolt } : {}) },
    body: { kind: 'inspected', task: 'look', name: 'Look', found: state, text: state === 'finding' ? 'a crack' : '' },
  });
  const open = (...entries: Written[]) =>
    openPoints(two, USUAL_SHOP, logOf(entries))
      .filter((o) => o.about === 'finding')
      .map((o) => [o.foot, o.text]);
  expect(open(round('finding', a), round('sound', b))).toEqual([[two.feet[0]!.name, 'Look: a crack']]);
  expect(open(round('finding', a), round('sound', a))).toEqual([]);
  expect(open(round('finding', a, 'B1'), round('sound', a, 'B2'))).toHaveLength(1);
  expect(open(round('finding', a, 'B1'), round('sound', a))).toEqual([]);
  expect(open(round('finding', a), round('sound', a, 'B1'))).toHaveLength(1);
});
it('a finding stays open until the same round finds it sound', () => {
  const round = (state: 'sound' | 'finding'): Written => ({
    about: { foot: 'F1' },
    body: { kind: 'inspected', task: 'look', name: 'Look', found: state, text: 'rust at B2' },
  });
  expect(refusal([...done, round('finding')])).toContain('rust at B2');
  expect(refusal([...done, round('finding'), round('sound')])).toBe('');
});
