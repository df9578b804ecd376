import { dayIn } from './due';
import { ofReadings } from './readings';

it('three readings: median, mean, spread and deviation by hand', () => {
  // Mean 8.03; deviations −0.03, −0.01, 0.04: s² = (0.0009 + 0.0001 + 0.0016)/2 = 0.0013.
  const r = ofReadings([8.0, 8.07, 8.02]);
  expect(r.median).toBe(8.02);
  expect(r.mean).toBeCloseTo(8.03, 12);
  expect(r.spread).toBeCloseTo(0.07, 12);
  expect(r.s).toBeCloseTo(Math.sqrt(0.0013), 12);
  expect(ofReadings([5])).toMatchObject({ median: 5, s: undefined });
  expect(() => ofReadings([])).toThrow(RangeError);
});

it('times across a change of clocks are on their own day and in their order (Europe/London, 25 October 2026, 02:00 back to 01:00)', () => {
  const times = ['2026-10-25T00:30:00Z', '2026-10-25T01:30:00Z'];
  // Both read 01:30 on the wall.
  const wall = times.map((t) =>
    new Intl.DateTimeFormat('en-GB', { timeZone: 'Europe/London', timeStyle: 'short' }).format(new Date(t)),
  );
  expect(wall).toEqual(['01:30', '01:30']);
  expect(Date.parse(times[1]!) - Date.parse(times[0]!)).toBe(3600e3);
  expect(dayIn('2026-10-24T23:30:00Z', 'Europe/London')).toBe('2026-10-25');
  expect(dayIn('2026-10-25T23:30:00Z', 'Europe/London')).toBe('2026-10-25');
  expect(dayIn('2026-10-25T23:30:00+02:00', 'Europe/London')).toBe('2026-10-25');
});
