import fc from 'fast-check';
import { evaluate } from '@core/chain/evaluate';
import { testJob } from '@core/testing/test-job';
import { addBolt, freeBoltId } from '@core/options/add-bolt';
import { moveBolt, moveEdge, snapBolt, snapEdge, withSize } from './edits';

const job = testJob();
const bolt = (j: typeof job, id: string) => j.bolts.items.find((b) => b.id === id)!;

describe('moving', () => {
  it('moves one bolt and no other, to a tenth of a millimetre', () => {
    const moved = moveBolt(job, 'B2', -88.04, 80.06);
    expect(bolt(moved, 'B2')).toEqual({ id: 'B2', x: -88, y: 80.1 });
    expect(moved.bolts.items.filter((b) => b.id !== 'B2')).toEqual(job.bolts.items.filter((b) => b.id !== 'B2'));
    expect(job.bolts.items[1]).toEqual({ id: 'B2', x: -90, y: 80 });
  });

  it('moves one edge', () => {
    expect(moveEdge(job, 'x1', 130.26).plate).toEqual({ ...job.plate, x1: 130.3 });
  });
});

describe('snapping a bolt', () => {
  it('falls in line with another bolt within reach, and says why', () => {
    const s = snapBolt(job, 'B1', 92, 3, 4, false);
    expect([s.x, s.y]).toEqual([90, 0]);
    expect(s.guides.map((g) => g.axis)).toEqual(['x', 'y']);
    expect(s.guides[1]!.why).toBe('centre');
  });

  it('falls half way between two others', () => {
    const uneven = moveBolt(moveBolt(job, 'B2', -90, 80), 'B3', -40, -80);
    const s = snapBolt(uneven, 'B1', -64, 10, 3, false);
    expect(s.x).toBe(-65);
    expect(s.guides.find((g) => g.axis === 'x')?.why).toBe('half way');
  });

  it('falls on a base hole', () => {
    const s = snapBolt(job, 'B1', 44, 36, 3, false);
    expect([s.x, s.y]).toEqual([45, 35]);
    expect(s.guides.every((g) => g.why === 'base hole')).toBe(true);
  });

  it('falls on whole millimetres out of reach, on tenths when fine, and then on no line', () => {
    expect(snapBolt(job, 'B1', 71.4, 20.6, 2, false)).toEqual({ x: 71, y: 21, guides: [] });
    expect(snapBolt(job, 'B1', 90.04, 0.06, 4, true)).toEqual({ x: 90, y: 0.1, guides: [] });
  });

  it('never moves further than the reach, or half a millimetre', () => {
    fc.assert(
      fc.property(fc.double({ min: -100, max: 100, noNaN: true }), fc.double({ min: -100, max: 100, noNaN: true }), (x, y) => {
        const s = snapBolt(job, 'B1', x, y, 4, false);
        expect(Math.abs(s.x - x)).toBeLessThanOrEqual(4);
        expect(Math.abs(s.y - y)).toBeLessThanOrEqual(4);
      }),
    );
  });
});

it('an edge falls symmetric to the opposite one', () => {
  expect(snapEdge(job, 'x1', 113, 4, false)).toBe(115);
  expect(snapEdge(job, 'x1', 120.4, 4, false)).toBe(120);
  expect(snapEdge(job, 'y0', -104.27, 4, true)).toBe(-104.3);
});

describe('adding a bolt', () => {
  it('goes half way along the longest gap, with a name of its own', () => {
    const { job: five, id } = addBolt(job);
    expect(id).toBe('B5');
    expect(bolt(five, 'B5')).toEqual({ id: 'B5', x: 0, y: -80 });
    expect(evaluate(five).refusals).toEqual([]);
  });

  it('goes on finding room until the ring is full', () => {
    let j = job;
    for (let i = 0; i < 4; i++) j = addBolt(j).job;
    expect(j.bolts.items).toHaveLength(8);
    expect(evaluate(j).refusals).toEqual([]);
  });

  it('never reuses a name', () => {
    const gap = { ...job, bolts: { ...job.bolts, items: job.bolts.items.filter((b) => b.id !== 'B2') } };
    expect(freeBoltId(gap)).toBe('B5');
  });
});

describe('another fastener size', () => {
  it('keeps the class where the family has it', () =>
    expect(withSize(job, 'M12').bolts).toMatchObject({ size: 'M12', class: '8.8' }));
  it('takes the like class of the other family', () => {
    expect(withSize(job, '3/8-16').bolts).toMatchObject({ size: '3/8-16', class: 'Gr 5' });
    expect(withSize(withSize(job, '3/8-16'), 'M10').bolts.class).toBe('8.8');
  });
});
