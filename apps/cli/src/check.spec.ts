import { writeJob } from '@core/formats/read-job';
import { testJob } from '@core/testing/test-job';
import { check } from './check';

const sound = writeJob(testJob({ fx: 1000, fz: 800, z: 100 }));

it('a sound job: exit 0, every link, the weakest, the cautions', () => {
  const { exit, text } = check(sound, false);
  expect(exit).toBe(0);
  expect(text).toMatch(/Bolt tension +\d\.\d\d +sound/);
  expect(text).toMatch(/SOUND – weakest: .* lets go at \d+\.\d\d × this load/);
  expect(text).toContain('does not approve');
});

it('as data: the same links with their numbers', () => {
  const data = JSON.parse(check(sound, true).text);
  expect(data.state).toBe('sound');
  expect(data.links).toHaveLength(11);
  expect(data.links.find((l: { id: string }) => l.id === data.weakest).utilisation).toBeCloseTo(1 / data.letsGoAt, 9);
});

it('overloaded: exit 1 and the link that lets go', () => {
  const { exit, text } = check(writeJob(testJob({ fx: 20_000, fz: 30_000, z: 100 })), false);
  expect(exit).toBe(1);
  expect(text).toMatch(/LETS GO/);
});

it('refused: exit 2, path of the field and the allowed range', () => {
  const bad = JSON.parse(sound);
  bad.skin.thickness.v = 0;
  expect(check(JSON.stringify(bad), false)).toEqual({
    exit: 2,
    text: 'skin.thickness.v: Skin thickness — allowed: over 0 up to 200 mm',
  });
  expect(check(sound.slice(0, 900), false).text).toContain('ends too early');
  const none = writeJob({ ...testJob(), bolts: { ...testJob().bolts, items: [] } });
  expect(JSON.parse(check(none, true).text).refused[0]).toMatchObject({ field: 'bolts.items', allowed: '1 to 60 bolts' });
});
