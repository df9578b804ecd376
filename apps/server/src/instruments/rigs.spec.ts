import { readTrace } from '@core/prove/torque-trace';
import { TURN_FAULTS, type PullAsked } from '@core/formats/instrument-messages';
import { PullerStandIn, type PullSample } from './puller-stand-in';
import { seeded } from './seeded';
import { turnedBy } from './wrench-stand-in';

describe('the torque wrench', () => {
  const asked = { target: 48_000, from: 0, slope: 900 } as const;
  const pulled = (fault: (typeof TURN_FAULTS)[number], from = 0, seed = 1) => turnedBy({ ...asked, from, fault }, seeded(seed));

  it('a good pull clicks a little past its target, and is read as good; also from a round before', () => {
    for (const from of [0, 0.3 * asked.target, 0.7 * asked.target])
      for (let seed = 1; seed < 30; seed++) {
        const { points, ended } = pulled('none', from, seed);
        expect(ended).toBe('clicked');
        expect(readTrace(points, asked).reads).toBe('good');
      }
  });
  it('each fault it can be made to play is named by its trace', () => {
    const names = {
      overshoot: 'over',
      'cross thread': 'cross thread',
      yield: 'yield',
      stripped: 'stripped',
      'soft joint': 'soft joint',
      'wrench slips': 'wrench slipped',
    };
    for (const [fault, name] of Object.entries(names))
      for (let seed = 1; seed < 20; seed++)
        expect([fault, seed, readTrace(pulled(fault as 'yield', 0, seed).points, asked).reads]).toEqual([fault, seed, name]);
  });
  it('a lost link ends without its click, an empty cell reads nothing', () => {
    const lost = pulled('link lost');
    expect(lost.ended).toBe('link lost');
    expect(readTrace(lost.points, asked, true).reads).toBe('link lost');
    expect(pulled('low battery')).toMatchObject({ points: [], ended: 'low battery' });
  });
});

describe('the puller with its load cell and dials', () => {
  const asked: PullAsked = {
    to: 4000,
    rate: 1000,
    proof: 4000,
    moves: [2000, 4000].map((k) => [
      [0, 0],
      [4000, 4000 / k],
    ]),
    fault: 'none',
    faster: 1,
  };
  const run = (p: PullerStandIn, seconds: number, step = 0.1): PullSample[] =>
    Array.from({ length: Math.round(seconds / step) }, () => p.tick(step)).filter((s): s is PullSample => typeof s !== 'string');

  it('goes to its load at its rate and stands there; each dial moves by its own curve', () => {
    const p = new PullerStandIn(seeded(4));
    p.to(asked);
    const samples = run(p, 6);
    expect(samples[20]!.load).toBeGreaterThan(2000);
    expect(samples[20]!.load).toBeLessThan(2250);
    expect(samples.at(-1)!.load).toBeCloseTo(4000, -2);
    expect(samples.at(-1)!.dials[0]).toBeCloseTo(2, 1);
    expect(samples.at(-1)!.dials[1]).toBeCloseTo(1, 1);
    expect(p.standing).toBe(true);
    p.to({ ...asked, to: 0 });
    expect(run(p, 6).at(-1)!.dials[0]).toBeCloseTo(0, 1);
  });
  it('what yields or slips keeps its set; what creeps moves on under a standing load; a lost link and an empty cell say so', () => {
    const after = (fault: PullAsked['fault']) => {
      const p = new PullerStandIn(seeded(5));
      p.to({ ...asked, fault });
      run(p, 6);
      p.to({ ...asked, fault, to: 0 });
      return run(p, 6).at(-1)?.dials[0];
    };
    expect(after('yields')!).toBeGreaterThan(1);
    expect(after('slip')!).toBeGreaterThan(1);
    const creeping = new PullerStandIn(seeded(6));
    creeping.to({ ...asked, fault: 'creeps' });
    const samples = run(creeping, 20);
    expect(samples.at(-1)!.dials[0]! - samples[60]!.dials[0]!).toBeGreaterThan(0.3);
    const lost = new PullerStandIn(seeded(7));
    lost.to({ ...asked, fault: 'link lost' });
    run(lost, 3);
    expect(lost.tick(0.1)).toBe('link lost');
    lost.to({ ...asked, fault: 'low battery' });
    expect(lost.tick(0.1)).toBe('low battery');
  });
});
