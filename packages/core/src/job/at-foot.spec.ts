import fc from 'fast-check';
import { casesOf } from '../loads/cases';
import { newLoad } from '../loads/new-load';
import { lopsidedJob } from '../testing/lopsided-job';
import { randomJob } from '../testing/random-job';
import { testJob } from '../testing/test-job';
import { fromSheet } from '../units/quantity';
import { assumedOnAll } from './assumed-on-all';
import { atEachFoot, atFoot, designOf, footOf, oneFoot, putAtFoot } from './at-foot';
import { addFoot, alikeTo, changedFoot, freeFootId, madeItsOwn, madeLike, skinFrom, standingAs, withoutFoot } from './feet-edits';
import { mirroredWhole } from './mirrored';
import { WholeJob } from './whole-job';

const whole = oneFoot(lopsidedJob());
const pair = addFoot(whole, 'F1', { x: 0, y: -500, z: 0 }, true, 'Other hand');
const issues = (w: unknown) => WholeJob.safeParse(w).error?.issues.map((i) => `${i.path.join('.')}: ${i.message}`) ?? [];
const drawn = (w: WholeJob, id: string) => atFoot(w, id).bolts.items.map((b) => [b.x, b.y]);
const BOLTS = lopsidedJob().bolts.items.map((b) => [b.x, b.y]);
const OTHER_HAND = lopsidedJob().bolts.items.map((b) => [b.x, -b.y]);

describe('one foot', () => {
  it('there and back is the same job, and says nothing of standing', () => {
    expect(atFoot(whole, 'F1')).toEqual(lopsidedJob());
    expect(atFoot(whole, 'F1')).toBe(atFoot(whole, 'nobody'));
    expect(issues(whole)).toEqual([]);
    fc.assert(
      fc.property(randomJob, (job) => expect(atFoot(oneFoot(job), 'F1')).toEqual(job)),
      { numRuns: 50 },
    );
  });
  it('a change put back is the change; none leaves the whole as it was', () => {
    const job = atFoot(whole, 'F1');
    expect(putAtFoot(whole, 'F1', job)).toBe(whole);
    const named = putAtFoot(whole, 'F1', { ...job, name: 'Other' });
    expect(named.name).toBe('Other');
    // What was not touched is the same object still: nothing is worked out again for it.
    expect(named.feet[0]!.design).toBe(whole.feet[0]!.design);
    expect(atFoot(putAtFoot(whole, 'F1', { ...job, plate: { ...job.plate, corner: 3 } }), 'F1').plate.corner).toBe(3);
  });
});

describe('a pair', () => {
  it('the other hand has every y turned, and nothing else', () => {
    expect([drawn(pair, 'F1'), drawn(pair, 'F2')]).toEqual([BOLTS, OTHER_HAND]);
    expect(atFoot(pair, 'F2').plate).toMatchObject({ x0: -95, x1: 140, y0: -110, y1: 75 });
    expect(atFoot(pair, 'F2').far).toBe(atFoot(pair, 'F1').far);
    expect(atFoot(pair, 'F1').stands).toMatchObject({ foot: 'F1', rule: 'force only' });
    expect(atFoot(pair, 'F1').stands!.feet.map((f) => [f.id, f.y, f.length, f.width])).toEqual([
      ['F1', 0, 70, 50],
      ['F2', -500, 70, 50],
    ]);
    expect(issues(pair)).toEqual([]);
  });
  it('drawn at the one of the other hand, it is drawn at the first in its own', () => {
    const job = atFoot(pair, 'F2');
    const next = putAtFoot(pair, 'F2', {
      ...job,
      bolts: { ...job.bolts, items: job.bolts.items.map((b) => ({ ...b, y: b.y + 1 })) },
    });
    expect(drawn(next, 'F2')).toEqual(OTHER_HAND.map(([x, y]) => [x, y! + 1]));
    expect(drawn(next, 'F1')).toEqual(BOLTS.map(([x, y]) => [x, y! - 1]));
    expect(next.feet[1]!.design).toBeUndefined();
  });
  it('what is measured stays at its foot, and a new foot’s is assumed until then', () => {
    expect(footOf(pair, 'F2').skin.thickness.from).not.toBe('measured');
    const job = atFoot(pair, 'F2');
    const next = putAtFoot(pair, 'F2', { ...job, skin: { ...job.skin, thickness: { v: 3, text: '3 mm', from: 'measured' } } });
    expect([atFoot(next, 'F1').skin.thickness.v, atFoot(next, 'F2').skin.thickness.v]).toEqual([8, 3]);
    expect(next.feet[0]).toBe(pair.feet[0]);
    const taken = skinFrom(next, 'F1', 'F2');
    expect(taken.feet[0]!.skin.thickness).toEqual({ v: 3, text: '3 mm', from: 'assumed' });
  });
  it('assumed values: what is drawn once counts once, what was found at a foot at each', () => {
    const count = (w: WholeJob) => assumedOnAll(w);
    const guessed = (at: string) =>
      changedFoot(pair, at, { skin: { ...footOf(pair, at).skin, thickness: { v: 8, text: '8 mm', from: 'assumed' } } });
    const known = (w: WholeJob, at: string) =>
      changedFoot(w, at, { skin: { ...footOf(w, at).skin, thickness: { v: 8, text: '8 mm', from: 'measured' } } });
    expect(count(guessed('F2'))).toBe(count(known(pair, 'F2')) + 1);
    expect(count(guessed('F1'))).toBe(count(known(pair, 'F1')) + 1);
    // Of the shared design a thickness counts once for both feet; at one of its own it is one more.
    const job = atFoot(pair, 'F1');
    const guess = { v: 3, text: '3 mm', from: 'assumed' as const };
    const measured = { ...guess, from: 'measured' as const };
    const base = (from: typeof guess | typeof measured) =>
      putAtFoot(pair, 'F1', { ...job, base: { ...job.base, thickness: from } });
    expect(count(base(guess))).toBe(count(base(measured)) + 1);
    expect(count(madeItsOwn(base(guess), 'F2'))).toBe(count(madeItsOwn(base(measured), 'F2')) + 2);
  });
  it('mirrored whole and back again is the identity; each foot is the other hand, where it then stands', () => {
    const there = mirroredWhole(pair);
    expect(there.feet.map((f) => f.y)).toEqual([0, 500]);
    expect([drawn(there, 'F1'), drawn(there, 'F2')]).toEqual([OTHER_HAND, BOLTS]);
    expect(mirroredWhole(there)).toEqual(pair);
  });
});

describe('made like, and made its own', () => {
  const three = addFoot(pair, 'F2', { x: 600, y: 0, z: 0 }, false, 'Third');
  it('a copy of a copy is drawn by the first, in the hand that comes of it', () => {
    expect(three.feet[2]!.like).toEqual({ foot: 'F1', mirrored: true });
    expect(addFoot(pair, 'F2', { x: 0, y: 0, z: 0 }, true).feet[2]!.like).toEqual({ foot: 'F1', mirrored: false });
    expect(alikeTo(three, 'F3').map((f) => f.id)).toEqual(['F1', 'F2', 'F3']);
    expect(freeFootId(withoutFoot(three, 'F2'))).toBe('F2');
  });
  it('made its own it keeps what it was, and goes its own way', () => {
    const own = madeItsOwn(three, 'F2');
    expect(drawn(own, 'F2')).toEqual(OTHER_HAND);
    expect(alikeTo(own, 'F1').map((f) => f.id)).toEqual(['F1', 'F3']);
    expect(issues(own)).toEqual([]);
    const job = atFoot(own, 'F1');
    const next = putAtFoot(own, 'F1', { ...job, plate: { ...job.plate, corner: 2 } });
    expect(['F1', 'F2', 'F3'].map((id) => atFoot(next, id).plate.corner)).toEqual([2, 8, 2]);
    expect(madeItsOwn(three, 'F1')).toEqual(three);
  });
  it('made like another it gives up its own; those made like it follow, each in its hand', () => {
    const own = madeItsOwn(three, 'F2');
    const back = madeLike(own, 'F2', 'F1', false);
    expect(drawn(back, 'F2')).toEqual(BOLTS);
    // F1 given up for F2, mirrored: F1 is F2 turned over, and F3 was F1 turned over.
    const other = madeLike(own, 'F1', 'F2', true);
    expect(['F1', 'F2', 'F3'].map((id) => drawn(other, id))).toEqual([BOLTS, OTHER_HAND, OTHER_HAND]);
    expect(other.feet.map((f) => f.like)).toEqual([{ foot: 'F2', mirrored: true }, undefined, { foot: 'F2', mirrored: false }]);
    expect(madeLike(three, 'F1', 'F3', false)).toBe(three);
    expect(issues(other)).toEqual([]);
  });
  it('the one that draws is taken out: the next draws on, and nothing looks otherwise', () => {
    const left = withoutFoot(three, 'F1');
    expect(left.feet.map((f) => f.id)).toEqual(['F2', 'F3']);
    expect([drawn(left, 'F2'), drawn(left, 'F3')]).toEqual([OTHER_HAND, OTHER_HAND]);
    expect(issues(left)).toEqual([]);
    expect(withoutFoot(whole, 'F1')).toBe(whole);
    expect(withoutFoot({ ...three, standing: { ...three.standing, count: 3 } }, 'F2').standing.count).toBe(2);
  });
});

describe('common ways to stand', () => {
  const places = (w: WholeJob) => w.feet.map((f) => [f.name, f.x, f.y, f.like?.mirrored ?? 'drawn']);
  const apart = { along: 400, across: 300, count: 3 };
  it.each([
    ['one plate', [['Foot', 0, 0, 'drawn']], 'force only'],
    [
      'two rails',
      [
        ['Port rail', 0, 150, 'drawn'],
        ['Starboard rail', 0, -150, true],
      ],
      'moments',
    ],
    [
      'four feet',
      [
        ['Fore port', 200, 150, 'drawn'],
        ['Fore starboard', 200, -150, true],
        ['Aft port', -200, 150, false],
        ['Aft starboard', -200, -150, true],
      ],
      'force only',
    ],
    [
      'two brackets',
      [
        ['Fore bracket', 200, 0, 'drawn'],
        ['Aft bracket', -200, 0, false],
      ],
      'moments',
    ],
    [
      'row',
      [
        ['Foot 1', 400, 0, 'drawn'],
        ['Foot 2', 0, 0, false],
        ['Foot 3', -400, 0, false],
      ],
      'moments',
    ],
  ] as const)('%s', (way, want, rule) => {
    const w = standingAs(pair, 'F2', way, apart);
    expect(places(w)).toEqual(want);
    expect(w.standing.rule).toBe(rule);
    // Each is a copy of the foot that was in hand.
    expect(designOf(w, w.feet[0]!)).toEqual(designOf(pair, pair.feet[1]!));
    expect(issues(w)).toEqual([]);
    // It holds whatever comes: no way to stand is a mechanism under a free load.
    expect(casesOf(atFoot(w, 'F1')).length).toBe(1);
  });
  it('a load that said which part of it the plate takes says all of it', () => {
    const shared = { ...oneFoot(testJob()), loads: [cradle(0.5)] };
    expect(standingAs(shared, 'F1', 'four feet', apart).loads[0]!.values['share']).toEqual(fromSheet(1, '100 %'));
    expect(standingAs(shared, 'F1', 'one plate', apart).loads[0]!.values['share']!.v).toBe(0.5);
    const still = { ...standingAs(shared, 'F1', 'four feet', apart), loads: shared.loads };
    expect(casesOf(atFoot(still, 'F1'))).toEqual([]);
  });
});

it('a whole that does not hang together is refused by its path', () => {
  const [first, second] = pair.feet as [WholeJob['feet'][number], WholeJob['feet'][number]];
  const { design: _d, ...bare } = first;
  expect(issues({ ...pair, feet: [bare, second] })).toEqual([
    'feet.0: it has no design; allowed: one of design and like',
    'feet.1.like.foot: "F1" has no design; allowed: a foot that has one of its own',
  ]);
  expect(issues({ ...pair, feet: [first, { ...second, id: 'F1' }] })).toEqual([
    'feet.1.id: "F1" is there already; allowed: an id of its own',
  ]);
  expect(issues({ ...pair, feet: [] })).toEqual(['feet: allowed: at least one foot']);
  expect(issues({ ...pair, standing: { ...pair.standing, rule: 'some count', count: 3 } })).toEqual([
    'standing.count: 3 of 2 feet; allowed: 1 to 2',
  ]);
  expect(issues(changedFoot(pair, 'F2', { turn: 4 }))).toEqual(['feet.1.turn: Turn of the foot: allowed −180° to 180°']);
  expect(issues(changedFoot(pair, 'F2', { x: 20_001 }))[0]).toContain('allowed −20000 to 20000 mm');
});

it('every foot with its job, the same object each time', () => {
  expect(atEachFoot(pair).map(({ foot }) => foot.id)).toEqual(['F1', 'F2']);
  expect(atEachFoot(pair)[1]!.job).toBe(atFoot(pair, 'F2'));
});

function cradle(share: number): WholeJob['loads'][number] {
  const fresh = newLoad('cradle', 'L1');
  return { ...fresh, values: { ...fresh.values, share: fromSheet(share, `${share * 100} %`) } };
}
