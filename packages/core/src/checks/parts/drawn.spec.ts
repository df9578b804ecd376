import type { FreePart } from '../../job/free-part';
import type { Job } from '../../job/schema';
import { fromSheet } from '../../job/values';
import { caseFile, linkOf } from '../../testing/case-file';

type Plate = Extract<FreePart['stock'], { form: 'plate' }>;
const q = (v: number) => fromSheet(v, `${v} mm`);

/** The job with its one part drawn another way. */
const drawn = (job: Job, f: (p: FreePart) => FreePart): Job => ({ ...job, parts: job.parts!.map(f) });
const plateOf = (p: FreePart): Plate => p.stock as Plate;
/** The part drawn turned about its middle. */
const turnedBy =
  (angle: number) =>
  (p: FreePart): FreePart => {
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    const to = <T extends { x: number; y: number }>(at: T): T => ({ ...at, x: c * at.x - s * at.y, y: s * at.x + c * at.y });
    const { outline } = plateOf(p);
    return {
      ...p,
      stock: { ...plateOf(p), outline: { ...outline, corners: outline.corners.map(to) } },
      holes: p.holes.map(to),
    };
  };
const other = (p: FreePart): FreePart => ({ ...p, holes: [...p.holes].reverse() });
const flipped = (p: FreePart): FreePart => {
  const { outline } = plateOf(p);
  return {
    ...p,
    stock: {
      ...plateOf(p),
      outline: { ...outline, corners: outline.corners.map((k) => ({ ...k, x: -k.x, bulge: -k.bulge })).reverse() },
    },
    holes: p.holes.map((h) => ({ ...h, x: -h.x })),
  };
};
/** A square bite out of its right edge at its middle, so deep. */
const bitten =
  (deep: number) =>
  (p: FreePart): FreePart => {
    const { outline } = plateOf(p);
    const [a, b, c, d] = outline.corners as unknown as [Corner, Corner, Corner, Corner];
    const at = (x: number, y: number): Corner => ({ ...a, x, y });
    return {
      ...p,
      stock: {
        ...plateOf(p),
        outline: { ...outline, corners: [a, b, at(b.x, -10), at(b.x - deep, -10), at(b.x - deep, 10), at(b.x, 10), c, d] },
      },
    };
  };
type Corner = Plate['outline']['corners'][number];

/** By hand: EN 1993-1-1 §6.3.1 curve c, pinned, of a flat bar over its thin side. */
function buckles(b: number, t: number, L: number, fy: number): number {
  const λ = ((L * Math.sqrt(12)) / t / Math.PI) * Math.sqrt(fy / 210_000);
  const Φ = 0.5 * (1 + 0.49 * (λ - 0.2) + λ ** 2);
  return (b * t * fy) / (Φ + Math.sqrt(Φ ** 2 - λ ** 2));
}

const CASES = [
  ['brace-plate-drawn-along-y', 'brace', 8000 / buckles(30, 6, 430, 355)],
  // 1.5 kN over 230 on 30 × 10 less its hole of 11.
  ['arm-plate-drawn-along-y', 'bracket', ((6 * 1500 * 230) / (19 * 100) + 1500 / 190) / 355],
  // A third hole of 5 beside the line takes its part of the section, and none of the length.
  ['link-with-a-third-hole-beside', 'link-body', 48_000 / buckles(75, 10, 600, 355)],
] as const;

describe.each(CASES)('%s', (name, id, expected) => {
  const job = caseFile(name);
  it('by hand', () => expect(linkOf(job, id).utilisation).toBeCloseTo(expected, 4));
  it.each([
    ['a quarter turn', turnedBy(Math.PI / 2)],
    ['30°', turnedBy(Math.PI / 6)],
    ['half way round', turnedBy(Math.PI)],
    ['mirrored', flipped],
    ['its holes in another order', other],
  ])('drawn otherwise, %s: no figure moves', (_way, f) => expect(linkOf(drawn(job, f), id).utilisation).toBeCloseTo(expected, 4));
  it('a waist makes it weaker, and the deeper the more', () => {
    const at = (deep: number) => linkOf(drawn(job, bitten(deep)), id).utilisation;
    expect(at(10)).toBeGreaterThan(expected - 1e-9);
    // Halfway along an arm is half of its moment: its fixing governs still.
    if (id !== 'bracket') expect(at(14)).toBeGreaterThan(at(10));
  });
});

it('a bite of 10 out of a brace of 30 bends it in its plane: N/A + N·e/W of the 20 that are left, 5 off the line', () => {
  const job = drawn(caseFile('brace-plate-drawn-along-y'), bitten(10));
  const short: Job = drawn(job, (p) => ({ ...p, holes: p.holes.map((h) => ({ ...h, y: h.id === 'A' ? -20 : 20 })) }));
  const l = linkOf(short, 'brace');
  expect(l.at).toContain('bent in its plane');
  expect(l.capacity).toBeCloseTo(355 / (1 / 120 + 5 / ((6 * 20 ** 2) / 6)), 3);
});

it('a hole that stands between counts in the arm where it is: halfway along, half the moment', () => {
  const job = drawn(caseFile('arm-plate-drawn-along-y'), (p) => ({
    ...p,
    holes: [...p.holes, { id: 'C', x: 2, y: 0, d: q(22), purpose: 'lightening' }],
  }));
  const l = linkOf(job, 'bracket');
  // Eight left of 30: narrower than thick, so that it is bent about that side. 115 from the load.
  expect(l.at).toContain('its hole C');
  expect(l.demand).toBeCloseTo(1500 / 80 + (1500 * 115) / ((8 * 10 * 8) / 6), 0);
});

it('a line that leaves the part is refused, a link’s and a brace’s by its name', () => {
  const bite = bitten(22);
  for (const [name, id] of [
    ['brace-plate-drawn-along-y', 'brace'],
    ['link-with-a-third-hole-beside', 'link-body'],
  ] as const) {
    const job = drawn(caseFile(name), name.startsWith('link') ? bitten(60) : bite);
    expect(
      linkOf({ ...job, parts: job.parts!.map((p) => ({ ...p, holes: p.holes.filter((h) => h.id !== 'C') })) }, id),
    ).toMatchObject({
      state: 'refused',
      because: expect.stringContaining('the straight line between its'),
    });
  }
});
