import { createHash } from 'node:crypto';
import { found, logOf } from '../testing/log-lines';
import { hashOf, logFile, START, verifyChain } from './chain';
import { Entry, standing, type Line } from './log-entry';

const book = () =>
  logOf([
    { body: { kind: 'note', did: 'cut', text: 'blank, é ½ "quoted"' } },
    { body: found('plate/thickness', 7.9, 8) },
    { body: { kind: 'released', reason: 'wrong nut' }, about: { foot: 'F1', bolt: 'B1' } },
    { body: { kind: 'witness mark' }, about: { foot: 'F1', bolt: 'B1' } },
  ]);

/** Canonical JSON by hand: keys in order, nothing between (RFC 8785 for what an entry holds). */
function byHand(v: unknown): string {
  if (Array.isArray(v)) return `[${v.map(byHand).join(',')}]`;
  if (typeof v === 'object' && v !== null)
    return `{${Object.entries(v)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([k, x]) => `${JSON.stringify(k)}:${byHand(x)}`)
      .join(',')}}`;
  return JSON.stringify(v);
}

it('hashes as the platform’s own SHA-256 does, of the known text too (FIPS 180-4, "abc")', () => {
  for (const { hash, ...line } of book())
    expect(hash).toBe(
      createHash('sha256')
        .update(byHand({ job: 't', ...line }), 'utf8')
        .digest('hex'),
    );
  expect(createHash('sha256').update('abc').digest('hex')).toBe(
    'ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad',
  );
});

it('a whole book is whole, an empty one too; as a file it is the same', () => {
  const lines = book();
  expect(verifyChain('t', lines)).toEqual({ whole: true, lines: 4, head: lines[3]!.hash });
  expect(verifyChain('t', [])).toEqual({ whole: true, lines: 0, head: START });
  const file = JSON.parse(JSON.stringify(logFile({ id: 't', name: 'T' }, lines)));
  expect(verifyChain(file.job, file.lines)).toMatchObject({ whole: true, lines: 4 });
});

it.each<[string, (lines: any[]) => unknown[], number, RegExp]>([
  ['a word changed', (l) => ((l[1].entry.body.readings = [8]), l), 2, /not those that were hashed/],
  ['a word changed and hashed again', (l) => ((l[1] = rehashed(l[1], { by: 'ZZ' })), l), 3, /does not follow/],
  ['a line taken out', (l) => l.filter((_, i) => i !== 1), 2, /numbered 3: a line is missing/],
  ['two lines changed about', (l) => [l[0], l[2], l[1], l[3]], 2, /numbered 3/],
  ['another clock', (l) => ((l[0].received = '2026-05-02T09:00:00.000Z'), l), 1, /not those that were hashed/],
  ['rubbish', (l) => ((l[2] = { seq: 3 }), l), 3, /cannot be read/],
])('names the first broken line: %s', (_what, change, seq, because) => {
  const lines = JSON.parse(JSON.stringify(book())) as any[];
  expect(verifyChain('t', change(lines))).toEqual({ whole: false, seq, because: expect.stringMatching(because) });
});

const rehashed = (line: Line, change: Partial<Entry>): Line => {
  const next = { ...line, entry: { ...line.entry, ...change } };
  return { ...next, hash: hashOf('t', next) };
};

it('lines cut off the end are found by a head that was printed', () => {
  const lines = book();
  expect(verifyChain('t', lines.slice(0, 2))).toMatchObject({ whole: true, lines: 2 });
  expect(verifyChain('t', lines.slice(0, 2), lines[3]!.hash)).toMatchObject({
    whole: false,
    seq: 3,
    because: expect.stringContaining('cut off'),
  });
  expect(verifyChain('t', lines, lines[1]!.hash)).toMatchObject({ whole: true });
});

it('the same lines in another job are another chain', () => {
  expect(verifyChain('u', book())).toMatchObject({ whole: false, seq: 1 });
});

it('a line that is corrected does not count; a correction that is corrected takes nothing away', () => {
  const lines = logOf([
    { body: found('plate/thickness', 7.1, 8) },
    { body: found('plate/thickness', 7.8, 8), corrects: '00000000-0000-4000-8000-000000000001' },
  ]);
  expect(standing(lines).map((l) => l.seq)).toEqual([2]);
  const more = logOf([
    { body: found('plate/thickness', 7.1, 8) },
    { body: found('plate/thickness', 7.8, 8), corrects: '00000000-0000-4000-8000-000000000001' },
    { body: { kind: 'note', did: 'measured', text: 'it was 7.1 after all' }, corrects: '00000000-0000-4000-8000-000000000002' },
  ]);
  expect(standing(more).map((l) => l.seq)).toEqual([1, 3]);
});

it('an entry says which field is wrong, and what is allowed', () => {
  const [line] = book();
  const said = (change: object) => {
    const r = Entry.safeParse({ ...line!.entry, ...change });
    return r.success ? '' : r.error.issues.map((i) => `${i.path.join('.')}: ${i.message}`).join('; ');
  };
  expect(said({ by: 'am' })).toBe('by: initials: allowed: one to four capitals');
  expect(said({ at: 'yesterday' })).toContain('at: allowed: a time');
  expect(said({ body: found('plate/thickness', [], 8) })).toContain('allowed: 1 to 9 readings');
  expect(said({ body: { kind: 'photo', sha256: 'no', bytes: 1, caption: '' } })).toContain('64 hexadecimal digits');
});
