import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHECKS } from '@core/checks/registry';
import { fromSheet } from '@core/job/values';
import { fileOf } from '@core/testing/job-files';
import { testJob } from '@core/testing/test-job';
import { buildSync } from 'esbuild';
import { check } from './check';

const sound = fileOf(testJob({ fx: 1000, fz: 800, z: 100 }));

it('a sound job: exit 0, every link, the weakest, the cautions', () => {
  const { exit, text } = check(sound, false);
  expect(exit).toBe(0);
  expect(text).toMatch(/Bolt tension +\d\.\d\d +sound/);
  expect(text).toMatch(/SOUND – holds: weakest Skin bending \(\d\.\d\d\)/);
  expect(text).toMatch(/good for \d+\.\d\d × the load with factor 3 on break, 2 on yield/);
  expect(text).toMatch(/without factors it would let go near \d+\.\d\d ×/);
  expect(text.match(/the fitting itself/g)).toHaveLength(1);
  expect(text).toContain('does not approve');
});

it('as data: the same links with their numbers', () => {
  const data = JSON.parse(check(sound, true).text);
  expect(data.state).toBe('sound');
  expect(data.links).toHaveLength(CHECKS.length);
  // Asked again at that many times the load, the job is at its limit: the file itself, with its load raised.
  const raised = (k: number) => {
    const job = JSON.parse(sound);
    for (const part of ['fx', 'fz']) job.loads[0].values[part] = fromSheet(job.loads[0].values[part].v * k, '');
    return JSON.parse(check(JSON.stringify(job), true).text);
  };
  expect(raised(data.goodFor * 0.999).state).toBe('tight');
  expect(raised(data.goodFor * 1.001).state).toBe('fails');
  expect(data.letsGoNear).toBeGreaterThan(data.goodFor);
});

it('overloaded: exit 1 and the link that lets go', () => {
  const { exit, text } = check(fileOf(testJob({ fx: 20_000, fz: 30_000, z: 100 })), false);
  expect(exit).toBe(1);
  expect(text).toMatch(/LETS GO/);
});

it('refused: exit 2, path of the field and the allowed range', () => {
  const bad = JSON.parse(sound);
  bad.feet[0].skin.thickness.v = 0;
  expect(check(JSON.stringify(bad), false)).toEqual({
    exit: 2,
    text: 'feet[0].skin.thickness.v: Skin thickness — allowed: over 0 up to 200 mm',
  });
  expect(check(sound.slice(0, 900), false).text).toContain('ends too early');
  const none = fileOf({ ...testJob(), bolts: { ...testJob().bolts, items: [] } });
  expect(JSON.parse(check(none, true).text).refused[0]).toMatchObject({
    field: 'bolts.items',
    allowed: expect.stringMatching(/^1 to 60 bolts/),
  });
});

describe('as a command', () => {
  const folder = mkdtempSync(join(tmpdir(), 'mast-shoe-cli-'));
  afterAll(() => rmSync(folder, { recursive: true }));
  // Bundled once; the start by tsx, as in the README, is asked of once.
  const program = join(folder, 'main.mjs');
  beforeAll(() => {
    const root = join(__dirname, '../../..');
    buildSync({
      entryPoints: [join(__dirname, 'main.ts')],
      outfile: program,
      bundle: true,
      platform: 'node',
      format: 'esm',
      mainFields: ['module', 'main'],
      tsconfig: join(root, 'tsconfig.base.json'),
    });
  });
  it('starts as the README says', () => {
    const done = spawnSync(process.execPath, ['--import', 'tsx', join(__dirname, 'main.ts')], { encoding: 'utf8' });
    expect(done.status).toBe(2);
    expect(done.stderr).toContain('check');
  }, 30_000);
  const file = (text: string | Buffer) => {
    const path = join(folder, 'job.json');
    writeFileSync(path, text);
    return path;
  };
  const run = (...args: string[]) => {
    const done = spawnSync(process.execPath, [program, ...args], { encoding: 'utf8' });
    return { exit: done.status, out: done.stdout, err: done.stderr };
  };

  it('exit 0, 1 and 2, the answer on the right stream', () => {
    expect(run('check', file(sound))).toMatchObject({ exit: 0, out: expect.stringContaining('SOUND'), err: '' });
    const heavy = file(fileOf(testJob({ fz: 60_000 })));
    expect(run('check', heavy, '--json')).toMatchObject({ exit: 1, out: expect.stringContaining('"state": "fails"') });
    expect(run('check', file('{'))).toMatchObject({ exit: 2, out: '', err: expect.stringContaining('ends too early') });
  }, 30_000);

  it('a 40 MB file, a missing one and a wrong call are refused in words', () => {
    const large = file(Buffer.alloc(40_000_000, 'x'));
    expect(run('check', large)).toMatchObject({ exit: 2, err: expect.stringContaining('it is 40.0 MB — allowed: up to 2 MB') });
    expect(run('check', join(folder, 'none.json'))).toMatchObject({ exit: 2, err: expect.stringContaining('no such file') });
    expect(run('splay', 'x')).toMatchObject({ exit: 2, err: expect.stringContaining('usage:') });
    expect(run('spread', 'x', '--mesh', 'huge')).toMatchObject({
      exit: 2,
      err: expect.stringContaining('allowed: draft, fine, proof'),
    });
    expect(run('--help')).toMatchObject({ exit: 0, out: expect.stringContaining('usage:') });
  }, 30_000);
});
