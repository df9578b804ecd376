import type { Job } from '../job/schema';
import { fromSheet } from '../job/values';
import { lopsidedJob } from '../testing/lopsided-job';
import { caseFile } from '../testing/case-file';
import { resolved, testJob, withJoint } from '../testing/test-job';
import { drillList } from './drill-list';

const mm = (v: number) => fromSheet(v, `${v} mm`);
const rows = (job: Job) => drillList(job, resolved(job));
const skinRows = (job: Job) => rows(job).filter((r) => r.part !== 'plate' && r.hole === 'B1');
const withFar =
  (far: Job['far']) =>
  (j: Job): Job => ({ ...j, far });

it('measures from the aft starboard corner', () => {
  const job = testJob();
  expect(rows(job).map((r) => r.hole)).toEqual(['B1', 'B2', 'B3', 'B4', 'H1', 'H2', 'H3', 'H4']);
  expect(rows(job)[0]).toEqual({
    part: 'plate',
    hole: 'B1',
    x: 205,
    y: 185,
    diameter: 11,
    fastener: 'M10 8.8',
    note: 'stack-drill with backing plate',
    through: { what: 'steel', t: 8 },
  });
});

it('a bent aft edge: from the corner of the flat blank, with the lines to scribe', () => {
  const bent = lopsidedJob((j) => ({
    ...j,
    plate: { ...j.plate, fold: { edge: 'aft', radius: mm(6), height: mm(40) } },
  }));
  const [flat, folded] = [rows(lopsidedJob()), rows(bent)];
  const added = folded[0]!.x! - flat[0]!.x!;
  // π/2·(6 + 0.4·6) + 40 − 12 within what K is taken to be, 0.33 to 0.5.
  expect(added).toBeGreaterThan((Math.PI / 2) * 6 * 1.33 + 28 - 0.01);
  expect(added).toBeLessThan((Math.PI / 2) * 6 * 1.5 + 28 + 0.01);
  expect(folded[0]!.y).toBe(flat[0]!.y);
  const lines = folded.filter((r) => r.diameter === null);
  expect(lines.map((r) => [r.hole, r.y])).toEqual([
    ['bend, starts', null],
    ['bend, middle', null],
    ['bend, ends', null],
  ]);
  expect(lines[0]!.x).toBeCloseTo(added, 2);
  expect(lines[2]!.x).toBeCloseTo(28, 2);
  expect(lines[0]!.note).toContain('inside radius 6 mm');
});

it.each([
  ['port', 185, 198.195],
  ['starboard', 41.195, 28],
] as const)('a bent %s edge: its lines are measured across', (edge, starts, ends) => {
  const bent = lopsidedJob((j) => ({ ...j, plate: { ...j.plate, fold: { edge, radius: mm(6), height: mm(40) } } }));
  const lines = rows(bent).filter((r) => r.diameter === null);
  expect(lines.map((r) => r.x)).toEqual([null, null, null]);
  expect(lines[0]!.y).toBeCloseTo(starts, 1);
  expect(lines[2]!.y).toBeCloseTo(ends, 1);
});

it('names the packer under each bolt that needs one, by the gaps read there', () => {
  const base = testJob();
  const gaps = [0, 0.6, 2.4, 1.9];
  const shims = base.bolts.items.map((b, i) => ({ id: `S${i + 1}`, x: b.x, y: b.y, gap: mm(gaps[i]!) }));
  const job = { ...base, survey: { ...base.survey, shims } };
  const mine = rows(job).filter((r) => r.hole.startsWith('B'));
  expect(mine.map((r) => r.note.replace('stack-drill with backing plate', 'stack'))).toEqual([
    'stack',
    'stack; packer 0.6 mm',
    'stack; packer 2.4 mm',
    'stack; packer 1.9 mm',
  ]);
});

it('says what is drilled with the plate, how many, and where they do not end with it', () => {
  const note = (far: Job['far'], units: Job['units'] = 'mm') =>
    rows(testJob({ fz: 1000 }, (j) => ({ ...j, far, units })))[0]!.note;
  const plate = { kind: 'plate', metal: 'S275', thickness: mm(5) } as const;
  expect(note({ kind: 'washer' })).toBe('');
  expect(note(plate)).toBe('stack-drill with backing plate');
  expect(note({ ...plate, layers: 2 })).toBe('stack-drill with 2 backing plates');
  expect(note({ ...plate, past: 25 })).toBe('stack-drill with backing plate, 25 mm past this one all round');
  expect(note({ ...plate, layers: 2, past: 25.4 }, 'inch')).toMatch(/2 backing plates, 1 in past this one all round$/);
  expect(note({ kind: 'strips', metal: 'S275', thickness: mm(5), width: mm(40), along: 'x' })).toContain('strip behind');
});

describe('what the skin is drilled to, where it is not the bolt’s hole', () => {
  const sandwich = (j: Job): Job => ({
    ...j,
    skin: {
      ...testJob().skin,
      kind: 'sandwich',
      nearFace: mm(4),
      farFace: mm(4),
      thickness: mm(30),
      glass: fromSheet(0.4, '40 %'),
      core: 'PVC foam',
      coreCrush: fromSheet(1.3, '1.3 MPa'),
      coreShear: fromSheet(1, '1 MPa'),
      coreModulus: fromSheet(25, '25 MPa'),
    } as Job['skin'],
  });
  const timber = (j: Job): Job => ({
    ...j,
    skin: { ...testJob().skin, kind: 'timber', grade: 'C24', grain: 'x', endGrain: mm(300), thickness: mm(90) } as Job['skin'],
  });
  const sizes = (job: Job) => skinRows(job).map((r) => r.diameter);

  it('a core is overdrilled, filled and drilled again, in that order', () => {
    const job = testJob({ fz: 900 }, (j) => sandwich(withJoint({ sleeve: 'plug', tubeOutside: mm(44) })(j)));
    expect(sizes(job)).toEqual([44, 11]);
    expect(skinRows(job)[0]!.part).toBe('skin');
    expect(skinRows(job).map((r) => r.note)).toEqual([
      expect.stringMatching(/^1: overdrill.*fill/),
      expect.stringMatching(/^2: drill again/),
    ]);
  });
  it('a sleeve has its own hole', () =>
    expect(sizes(testJob({ fz: 900 }, (j) => sandwich(withJoint({ sleeve: 'sleeve', tubeOutside: mm(20) })(j))))).toEqual([20]));
  it('a lag has a shank hole and a pilot for its thread, 60 to 75 % (NDS 12.1.4.2), not through', () => {
    const job = testJob({ fz: 900 }, (j) =>
      timber({ ...withJoint({ holding: 'lag screw', engagement: mm(60) })(j), far: { kind: 'washer' } }),
    );
    const [shank, pilot] = sizes(job);
    expect(shank).toBe(10);
    expect(pilot! / 10).toBeGreaterThanOrEqual(0.6);
    expect(pilot! / 10).toBeLessThanOrEqual(0.75);
    expect(skinRows(job)[1]!.note).toContain('not through');
    expect(skinRows(job).map((r) => r.part)).toEqual(['timber', 'timber']);
  });
  it.each([
    ['tapped', 8.5],
    ['weld nut', 12.5],
    ['rivet nut', 13],
  ] as const)('M10 %s in the sheet itself: %d (ISO 2306, DIN 929, makers; memory)', (holding, d) =>
    expect(
      sizes(testJob({ fz: 500 }, (j) => withJoint({ holding, engagement: mm(8) })({ ...j, far: { kind: 'washer' } }))),
    ).toEqual([d]),
  );
  it('a weld nut on a backing plate makes its hole there, and the plate is not drilled with it', () => {
    const job = testJob({ fz: 500 }, (j) =>
      withJoint({ holding: 'weld nut' })(withFar({ kind: 'plate', metal: 'S275', thickness: mm(5) })(j)),
    );
    expect(skinRows(job).map((r) => [r.part, r.diameter])).toEqual([['backing plate', 12.5]]);
    expect(rows(job)[0]!.note).toBe('');
  });
  it('a plain bolt through a sheet has nothing besides', () => expect(skinRows(testJob())).toEqual([]));
});

it('a head is let into the plate where it bears on it, not where it bears on the base', () => {
  const job = lopsidedJob((j) => ({
    ...j,
    base: { ...j.base, length: mm(180), hole: mm(11), holes: [{ id: 'H1', x: 75, y: 10 }] },
    bolts: { ...j.bolts, items: j.bolts.items.map((b) => (b.id === 'B1' ? { ...b, x: 75, y: 10 } : b)) },
    joint: { ...j.joint, head: 'countersunk' },
  }));
  const notes = rows(job)
    .filter((r) => r.hole.startsWith('B'))
    .map((r) => r.note);
  expect(notes[0]).toBe('through base hole H1');
  expect(notes[1]).toContain('countersink 90°');
});

it('says where a hole lies under a slot of the base', () => {
  const slotted = (slot: number) =>
    rows(
      lopsidedJob((j) => ({ ...j, base: { ...j.base, hole: mm(9), slot: mm(slot), holes: [{ id: 'H1', x: 25, y: 15 }] } })),
    ).at(-1)!.note;
  expect(slotted(14)).toContain('middle of a slot 14 mm longer');
  expect(slotted(0)).not.toContain('slot');
});

it('an adapter plate lists the fitting’s own holes, plate only', () => {
  const job = lopsidedJob((j) => ({ ...j, base: { ...j.base, hole: mm(9), holes: [{ id: 'H1', x: 25, y: 15 }] } }));
  expect(rows(job).at(-1)).toMatchObject({
    part: 'plate',
    hole: 'H1',
    x: 120,
    y: 90,
    diameter: 9,
    fastener: 'fitting’s bolt',
  });
});

it('a hole that stands outside the base is no hole of it: nothing is drilled there', () => {
  const out = (x: number) =>
    testJob({}, (j) => ({
      ...j,
      base: {
        ...j.base,
        holes: [
          { id: 'H1', x, y: 0 },
          { id: 'H2', x: -30, y: 0 },
        ],
      },
    }));
  const drilled = (x: number) =>
    rows(out(x))
      .filter((r) => r.hole.startsWith('H'))
      .map((r) => r.hole);
  // The base is 120 long.
  expect(drilled(59)).toEqual(['H1', 'H2']);
  expect(drilled(61)).toEqual(['H2']);
});

it('a bolt in a solid zone of a sandwich goes through no core: it is not overdrilled for a plug', () => {
  const job = caseFile('bolt-in-a-solid-zone');
  const zoned = resolved(job);
  const solid = zoned.bolts.filter((b) => zoned.kinds[b.kind]!.skinKind !== 'sandwich').map((b) => b.id);
  const cored = zoned.bolts.filter((b) => zoned.kinds[b.kind]!.skinKind === 'sandwich').map((b) => b.id);
  const over = drillList(job, zoned)
    .filter((r) => r.note.includes('overdrill'))
    .map((r) => r.hole);
  expect(solid.length).toBeGreaterThan(0);
  expect(over).toEqual(cored);
});
