import type { Job } from '../job/schema';
import type { Pattern, Side } from '../job/survey';
import { testJob } from '../testing/test-job';
import { fromSheet } from '../units/quantity';
import { isRefusal } from '../units/refusal';
import { sideToSide, studySide, suspectAcross } from './patterns';

const corners = [
  [60, 40],
  [-60, 40],
  [-55, -40],
  [60, -38],
] as const;
const pattern = (of: Pattern['of'], side: Side, holes: readonly (readonly [number, number])[], hole = 11): Pattern => ({
  id: `${of}-${side}`,
  of,
  side,
  hole: fromSheet(hole, `${hole}`),
  slot: fromSheet(0, '0'),
  along: 'x',
  holes: holes.map(([x, y], i) => ({ id: `H${i + 1}`, x, y })),
  from: 'measured',
  readings: [],
});
const job = (...patterns: Pattern[]): Job => ({ ...testJob(), survey: { ...testJob().survey, sides: 'pair', patterns } });
const mirrored = corners.map(([x, y]) => [x, -y] as const);

describe('one side', () => {
  it('is not studied until both patterns are there, and says which is', () => {
    expect(studySide(job(), 'left')).toEqual({ side: 'left', d: 10 });
    const one = studySide(job(pattern('structure', 'left', corners)), 'left');
    expect(one.structure).toBeDefined();
    expect(one.meeting).toBeUndefined();
  });
  it('a pattern without holes is refused, not fitted', () => {
    const s = studySide(job(pattern('fitting', 'left', corners), pattern('structure', 'left', [])), 'left');
    expect(s.fit).toMatchObject({ refused: true, because: 'one of the two has no holes yet' });
  });
  it('alike, they meet with all the clearance: 11 − 10 mm in each hole', () => {
    const s = studySide(job(pattern('fitting', 'left', corners), pattern('structure', 'left', corners)), 'left');
    expect(isRefusal(s.meeting!)).toBe(false);
    expect(s.meeting).toMatchObject({ meets: true, margin: expect.closeTo(1, 3) });
    expect(s.mirror).toBeUndefined();
    expect(s.suspect).toBeUndefined();
  });
  it('each side is studied from its own patterns', () => {
    const j = job(
      pattern('fitting', 'left', corners),
      pattern('structure', 'left', corners),
      pattern('fitting', 'right', mirrored),
      pattern('structure', 'right', corners),
    );
    expect(studySide(j, 'left').meeting).toMatchObject({ meets: true });
    expect(studySide(j, 'right').meeting).toMatchObject({ meets: false });
    expect(studySide(j, 'right').mirror!.rms).toBeLessThan(1e-9);
  });
});

describe('side against side', () => {
  it('a mirrored pair lies on itself mirrored; one made as a copy lies straight', () => {
    const pair = sideToSide(job(pattern('structure', 'left', corners), pattern('structure', 'right', mirrored)), 'structure');
    expect(pair).toMatchObject({ move: { mirrored: true }, rms: expect.closeTo(0, 9) });
    const copy = sideToSide(job(pattern('structure', 'left', corners), pattern('structure', 'right', corners)), 'structure');
    expect(copy).toMatchObject({ move: { mirrored: false }, rms: expect.closeTo(0, 9) });
  });
  it('one bad reading on the right is named against the left', () => {
    const bad = mirrored.map(([x, y], i) => [x + (i === 3 ? 5 : 0), y] as const);
    const s = suspectAcross(job(pattern('structure', 'left', corners), pattern('structure', 'right', bad)), 'structure')!;
    expect(s).toMatchObject({ id: 'H4', off: expect.closeTo(5, 6), othersTo: expect.closeTo(0, 6) });
  });
  it('nothing is said while a side is missing, and a different number is refused', () => {
    expect(sideToSide(job(pattern('structure', 'left', corners)), 'structure')).toBeUndefined();
    expect(suspectAcross(job(pattern('structure', 'left', corners)), 'structure')).toBeUndefined();
    const j = job(pattern('fitting', 'left', corners), pattern('fitting', 'right', corners.slice(1)));
    expect(sideToSide(j, 'fitting')).toMatchObject({ refused: true });
    expect(suspectAcross(j, 'fitting')).toBeUndefined();
  });
});
