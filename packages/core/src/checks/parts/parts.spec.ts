import { evaluate } from '../../chain/evaluate';
import type { FreePart } from '../../job/free-part';
import type { Job } from '../../job/schema';
import { fromSheet } from '../../job/values';
import { resolved, testJob } from '../../testing/test-job';
import { cutParts } from '../../shop/cut-parts';

const mm = (v: number) => fromSheet(v, `${v} mm`);
const n = (v: number) => fromSheet(v, String(v));
const deg = (v: number) => fromSheet((v * Math.PI) / 180, `${v}°`);
const hole = (id: string, x: number, y: number, d: number, leg?: number) => ({
  id,
  x,
  y,
  d: mm(d),
  purpose: 'fastener' as const,
  ...(leg === undefined ? {} : { leg }),
});
type Bend = Extract<FreePart['stock'], { form: 'flat bar' }>['bends'][number];

/** A flat bar 50 × 8 of S275 bent once square: legs 120 and 140 outside. */
const bracketOf = (bend: Partial<Bend> = {}, more: Partial<FreePart> = {}): FreePart => ({
  id: 'b',
  name: 'Bracket',
  use: 'bracket',
  metal: 'S275',
  count: 2,
  stock: {
    form: 'flat bar',
    width: mm(50),
    thickness: mm(8),
    legs: [mm(120), mm(140)],
    bends: [{ angle: deg(90), radius: mm(8), up: true, ...bend }],
  },
  holes: [hole('H1', 30, 0, 11, 0), hole('H2', 110, 0, 11, 1)],
  works: { as: 'arm', carries: n(0.5), from: 'H1', to: 'H2' },
  ...more,
});
const withPart = (part: FreePart, load: Parameters<typeof testJob>[0] = { fx: 3000, fz: -4000 }): Job =>
  testJob(load, (j) => ({ ...j, parts: [part] }));
const link = (j: Job, id: string) => evaluate(j).links.find((l) => l.id === id)!;

describe('a bracket', () => {
  it('is bent where it is fixed by half of 5 kN at the straight distance of its holes: N/A + 6·M/(b·t²), b less its hole', () => {
    // Outsides meet at (120, 0); H1 at (30, 0), H2 110 up: 90 and 110 apart.
    const l = Math.hypot(90, 110);
    const at = link(withPart(bracketOf({ radius: mm(45) })), 'bracket');
    expect(at.at).toBe('Bracket: its fixing H2');
    expect(at.demand).toBeCloseTo(2500 / (39 * 8) + (6 * 2500 * l) / (39 * 64), 6);
    expect(at.capacity).toBeCloseTo(275 / 2, 9);
  });
  it('opens at its bend: Winkler’s inside stress, at r = t 1.29 times a straight bar’s (the curved bar integrated)', () => {
    // The exact inside stress of a rectangular curved bar by integrating σ = C·(ρ − r_n)/ρ over the depth, numerically.
    const [r, t, b] = [8, 8, 50];
    const N = 20_000;
    const at = Array.from({ length: N }, (_, i) => r + ((i + 0.5) * t) / N);
    const r_n = t / at.reduce((sum, ρ) => sum + t / N / ρ, 0);
    const M1 = at.reduce((sum, ρ) => sum + ((ρ - r_n) / ρ) * (ρ - r_n) * b * (t / N), 0);
    const inside = (r_n - r) / r / M1;
    // From H1, 90 to the corner and 16 more for the setback; fixed near the bend.
    const M = 2500 * (90 + 16);
    const bend = link(withPart(bracketOf({}, { holes: [hole('H1', 30, 0, 11, 0), hole('H2', 30, 0, 6, 1)] })), 'bracket');
    expect(bend.at).toBe('Bracket: bend 1');
    expect(bend.demand).toBeCloseTo(2500 / (b * t) + M * inside, 2);
    expect((inside * b * t ** 2) / 6).toBeCloseTo(1.29, 2);
  });
  it('kerfed, its weld holds alone: throat 5 over the width', () => {
    const kerf = link(withPart(bracketOf({ made: 'kerf', throat: mm(5) })), 'bracket');
    // Sharp: a setback of one thickness, 8.
    const M = 2500 * (90 + 8);
    expect(kerf.at).toBe('Bracket: bend 1, its weld');
    expect(kerf.demand).toBeCloseTo(2500 / 250 + (6 * M) / (25 * 50), 6);
    expect(kerf.capacity).toBeCloseTo(430 / Math.sqrt(3) / 3, 6);
    expect(evaluate(withPart(bracketOf({ made: 'kerf' }))).refusals[0]!.because).toContain('not welded holds nothing');
    // Closed on its outside: the flat is as long as both outsides less two thicknesses and the quarter turn of one.
    const flat = cutParts(resolved(withPart(bracketOf({ made: 'kerf', throat: mm(5) })))).at(-1)!;
    expect(flat.bounds.x1 - flat.bounds.x0).toBeCloseTo(260 - 16 + (Math.PI / 2) * 8, 6);
  });
  it('goes with its part of the load and with the moment; a tube is bent with the holes at its outside taken out', () => {
    const tube: FreePart = {
      ...bracketOf(),
      stock: { form: 'round tube', outside: mm(48.3), wall: mm(3.2), length: mm(600) },
      holes: [hole('H1', -250, 0, 10), hole('H2', 250, 0, 10)],
    };
    const I = (Math.PI / 64) * (48.3 ** 4 - 41.9 ** 4) - 2 * 10 * 3.2 * 22.55 ** 2;
    const A = Math.PI * 45.1 * 3.2 - 2 * 10 * 3.2;
    const at = link(withPart(tube, { fz: -1000, mx: 40_000 }), 'bracket');
    expect(at.demand).toBeCloseTo(500 / A + (500 * 500 + 20_000) / (I / 24.15), 6);
  });
  it('where only force comes in, the moment is not its own', () => {
    const arm = { as: 'arm', carries: n(0.5), from: 'H1', to: 'H2' } as const;
    const load = { fz: -1000, mx: 400_000 };
    const both = link(withPart(bracketOf({ radius: mm(45) }, { works: arm }), load), 'bracket').demand;
    const force = link(withPart(bracketOf({ radius: mm(45) }, { works: { ...arm, pinned: true } }), load), 'bracket').demand;
    expect(both - force).toBeCloseTo((6 * 200_000) / (39 * 64), 6);
  });
  it('is no longer among what is not judged; what is wrong of it is refused by its name', () => {
    expect(
      evaluate(withPart(bracketOf({}, { works: { as: 'arm', carries: n(1), from: 'H1', to: 'H9' } }))).refusals[0],
    ).toMatchObject({
      because: 'it has no hole H9',
      allowed: 'H1, H2',
    });
    expect(
      evaluate(withPart(bracketOf({}, { works: { as: 'arm', carries: n(1), from: 'H1', to: 'H1' } }))).refusals,
    ).toHaveLength(1);
  });
});

describe('a brace', () => {
  const braced = (length: number): FreePart => ({
    ...bracketOf(),
    name: 'Brace',
    metal: 'S355',
    stock: { form: 'round tube', outside: mm(42.4), wall: mm(3.2), length: mm(length + 60) },
    holes: [hole('H1', -length / 2, 0, 13), hole('H2', length / 2, 0, 13)],
    works: { as: 'brace', carries: n(1), from: 'H1', to: 'H2' },
  });
  it('buckles by EN 1993-1-1 §6.3.1 curve c: 42.4 × 3.2, 1.5 m (i 13.9 mm)', () => {
    const A = Math.PI * 39.2 * 3.2;
    const i = Math.sqrt(((Math.PI / 64) * (42.4 ** 4 - 36 ** 4)) / A);
    expect(i).toBeCloseTo(13.9, 1);
    const λ = (1500 / i / Math.PI) * Math.sqrt(355 / 210_000);
    const Φ = 0.5 * (1 + 0.49 * (λ - 0.2) + λ ** 2);
    const χ = 1 / (Φ + Math.sqrt(Φ ** 2 - λ ** 2));
    const at = link(withPart(braced(1500)), 'brace');
    expect([at.at, at.demand]).toEqual(['Brace: pushed, it buckles', 5000]);
    expect(at.capacity).toBeCloseTo((χ * A * 355) / 2, 3);
  });
  it('a short one is as strong as its holes leave it', () => {
    const A = Math.PI * 39.2 * 3.2;
    const at = link(withPart(braced(40)), 'brace');
    expect(at.at).toBe('Brace: pulled at its narrowest');
    expect(at.capacity).toBeCloseTo((0.9 * (A - 2 * 13 * 3.2) * 470) / 3, 3);
  });
  it('curve c of the standard’s table: λ 1.0 gives χ 0.540, λ 2.0 gives 0.196 (EN 1993-1-1 Fig. 6.4 as tabulated, memory)', () => {
    for (const [λ, χ] of [
      [1, 0.54],
      [2, 0.196],
    ] as const) {
      const A = Math.PI * 39.2 * 3.2;
      const i = Math.sqrt(((Math.PI / 64) * (42.4 ** 4 - 36 ** 4)) / A);
      const L = λ * i * Math.PI * Math.sqrt(210_000 / 355);
      expect(link(withPart(braced(L)), 'brace').capacity / ((A * 355) / 2)).toBeCloseTo(χ, 2);
    }
  });
});

describe('a wedge', () => {
  const wedge = (angle?: number): FreePart => ({
    id: 'w',
    name: 'Wedge',
    use: 'wedge',
    metal: 'S235',
    count: 1,
    stock: { form: 'flat bar', width: mm(40), thickness: mm(10), legs: [mm(60)], bends: [] },
    holes: [hole('H1', 0, 0, 12)],
    works: { as: 'block', carries: n(0.4), ...(angle === undefined ? {} : { angle: deg(angle) }) },
  });
  it('is pressed over its face less its hole', () => {
    const at = link(withPart(wedge()), 'block');
    expect(at.demand).toBeCloseTo(2000 / (2400 - 36 * Math.PI), 6);
    expect(at.capacity).toBeCloseTo(235 / 2, 6);
  });
  it('steeper than its friction it is squeezed out, whatever the load: tan 15° over μ 0.2', () => {
    const at = link(withPart(wedge(15)), 'block');
    expect([at.state, at.at]).toEqual(['fails', 'Wedge: squeezed out']);
    expect(at.utilisation).toBeCloseTo(Math.tan(Math.PI / 12) / 0.2, 6);
    expect(link(withPart(wedge(8)), 'block').state).toBe('sound');
  });
});
