import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { oneFoot } from '@core/job/at-foot';
import { verifyChain } from '@core/prove/chain';
import type { Entry, Line } from '@core/prove/log-entry';
import { testId } from '@core/testing/log-lines';
import { testJob } from '@core/testing/test-job';
import { closeDatabase, openDatabase } from '../database/open-database';
import { childServer } from '../testing/child-server';
import { storesOf } from '../stores';

/** `npm run kills` asks for a hundred. */
const KILLS = Number(process.env['KILLS'] ?? 3);
const folder = mkdtempSync(join(tmpdir(), 'mast-shoe-kill-'));
afterAll(() => rmSync(folder, { recursive: true }));

/** Each entry carries its own numbers, so that one that came twice is seen even under another id. */
const reading = (n: number): Entry => ({
  id: testId(n),
  at: new Date(Date.UTC(2026, 4, 2) + n * 250).toISOString(),
  by: 'AM',
  version: 1,
  about: { foot: 'F1' },
  body: { kind: 'samples', pull: testId(1), samples: [{ t: n, load: n * 10, dials: [n / 100] }] },
});

it(
  `killed ${KILLS} times in the middle of a stream of readings: every one that was acknowledged is there, none twice, and the chain holds`,
  async () => {
    const data = join(folder, 'x.sqlite');
    const db = openDatabase(data);
    storesOf(db, folder).store.add(oneFoot(testJob()));
    closeDatabase(db);
    const acknowledged = new Set<number>();
    let n = 0;
    let cut = 0;
    for (let kill = 0; kill < KILLS; kill++) {
      const server = await childServer(data);
      let alive = true;
      const send = async (k: number): Promise<boolean> => {
        try {
          const res = await fetch(`${server.address}/api/jobs/t/log`, {
            method: 'POST',
            headers: { 'Content-Type': 'application/json' },
            body: JSON.stringify({ entries: [reading(k)] }),
          });
          // Read to its end: only then is it acknowledged.
          const { lines } = (await res.json()) as { lines: Line[] };
          return res.ok && lines.length === 1;
        } catch {
          return false;
        }
      };
      let heard: () => void = () => undefined;
      // Some kills fall right after the first answer, some later: always while one is on its way.
      const dying = new Promise<void>((first) => (heard = first))
        .then(() => new Promise((later) => setTimeout(later, (kill * 37) % 90)))
        .then(() => server.kill())
        .then(() => (alive = false));
      // As the phone sends: what was not acknowledged is sent again before anything newer.
      while (alive) {
        const k = n + 1;
        if (await send(k)) {
          acknowledged.add(k);
          n = k;
          heard();
        } else cut++;
      }
      await dying;
    }
    const after = storesOf(openDatabase(data), folder).book.lines('t');
    const there = after.map((l) => (l.entry.body.kind === 'samples' ? l.entry.body.samples[0]!.t : NaN));
    expect([...acknowledged].filter((k) => !there.includes(k))).toEqual([]);
    expect(new Set(there).size).toBe(there.length);
    expect(there).toEqual([...there].sort((a, b) => a - b));
    expect(verifyChain('t', after)).toMatchObject({ whole: true, lines: there.length });
    expect(acknowledged.size).toBeGreaterThanOrEqual(KILLS);
    // Readings that were on their way when the server died.
    expect(cut).toBeGreaterThan(0);
  },
  30_000 + KILLS * 10_000,
);
