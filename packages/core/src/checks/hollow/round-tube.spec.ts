import { evaluate } from '../../chain/evaluate';
import type { Job } from '../../job/schema';
import { fromSheet } from '../../job/values';
import { freeLoad, testJob } from '../../testing/test-job';

const mm = (v: number) => fromSheet(v, `${v} mm`);

/** A plate 100 × 30 on a round tube D × t of S355 in the middle of its span L, with two M6 along it. */
const onTube = (
  x: { D: number; t: number; L: number; width?: number; through?: 'one wall' | 'both walls' },
  load: Parameters<typeof freeLoad>[0],
  change: (j: Job) => Job = (j) => j,
): Job =>
  testJob(load, (j) =>
    change({
      ...j,
      skin: {
        kind: 'hollow',
        form: 'round',
        metal: 'S355',
        wall: mm(x.t),
        width: mm(x.width ?? x.D),
        through: x.through ?? 'both walls',
        thickness: mm(x.D),
        spanX: mm(x.L),
        spanY: mm(400),
        aft: mm(x.L / 2),
        starboard: mm(200),
        bedModulus: fromSheet(30_000, '30000 MPa'),
      },
      base: { ...j.base, length: mm(40), width: mm(10), holes: [] },
      plate: { ...j.plate, x0: -50, x1: 50, y0: -15, y1: 15, corner: 0 },
      bolts: {
        ...j.bolts,
        size: 'M6',
        items: [
          { id: 'B1', x: 40, y: 0 },
          { id: 'B2', x: -40, y: 0 },
        ],
      },
      far: { kind: 'washer' },
    }),
  );
const link = (j: Job, id: string) => evaluate(j).links.find((l) => l.id === id)!;

it('76.1 × 3.2 pipe: W 12,820 mm³ (the brief’s section table), less one hole of 6.6 through both walls; 2 kN in the middle of 1 m', () => {
  const [D, t] = [76.1, 3.2];
  const I = (Math.PI / 64) * (D ** 4 - (D - 2 * t) ** 4);
  expect(I / (D / 2)).toBeCloseTo(12_820, -1);
  const left = (I - 2 * 6.6 * t * ((D - t) / 2) ** 2) / (D / 2);
  const member = link(onTube({ D, t, L: 1000 }, { fz: -2000 }), 'member');
  expect(member.demand).toBeCloseTo((2000 * 250) / left, 6);
  expect(member.at).toBe('bent between its ends');
});

it('bent both ways it is as strong as by the resultant of both moments', () => {
  const x = { D: 76.1, t: 3.2, L: 1000 };
  // The plate's face stands 8 + 38.05 over the tube's middle; F_y 900 there twists it, which does not bend it.
  const both = link(onTube(x, { fz: -1200, fy: 900 }), 'member');
  const one = link(onTube(x, { fz: -1500 }), 'member');
  expect(both.demand / one.demand).toBeCloseTo(1, 6);
});

it('its wall under the plate by EN 1993-1-8 Tab. 7.3: β under 0.4 as a plate set along it, over it by 4 + 20·β²', () => {
  // S355, working loads: 2 on yield. Plate 100 long on D 60.3: η 1.658.
  const narrow = link(onTube({ D: 88.9, t: 4, L: 1000 }, { fz: -3000 }), 'wall-face');
  const η = 100 / 88.9;
  expect(narrow.demand).toBeCloseTo(3000 / ((5 * 355 * 16 * (1 + 0.25 * η)) / 2), 6);
  const wide = link(onTube({ D: 60.3, t: 4, L: 1000 }, { fz: -3000 }), 'wall-face');
  const [β, ηw] = [30 / 60.3, 100 / 60.3];
  expect(wide.demand).toBeCloseTo(3000 / ((355 * 16 * (4 + 20 * β ** 2) * (1 + 0.25 * ηw)) / 2), 6);
  expect(wide.cautions.join()).toContain('saddle');
});

it('a pitching moment is carried h_1·f_y·t²·(4 + 20·β²), a rolling one half b_1 of the push', () => {
  const x = { D: 60.3, t: 4, L: 1000 };
  const [β, η] = [30 / 60.3, 100 / 60.3];
  const row = (355 * 16 * (4 + 20 * β ** 2)) / 2;
  expect(link(onTube(x, { my: 50_000 }), 'wall-face').demand).toBeCloseTo(50_000 / (100 * row), 6);
  expect(link(onTube(x, { mx: 50_000 }), 'wall-face').demand).toBeCloseTo(50_000 / (0.5 * 30 * row * (1 + 0.25 * η)), 6);
});

it('refused: a tube wider than it is deep, a wall outside the table, one that buckles before it yields', () => {
  const refused = evaluate(onTube({ D: 60.3, t: 4, L: 1000, width: 80 }, { fz: -100 }));
  expect(refused.refusals).toMatchObject([{ field: 'skin.width', allowed: expect.stringContaining('outside diameter') }]);
  expect(link(onTube({ D: 88.9, t: 1.5, L: 1000 }, { fz: -100 }), 'wall-face')).toMatchObject({
    state: 'refused',
    because: expect.stringMatching(/over wall is 59.*10 to 50/),
  });
  expect(link(onTube({ D: 300, t: 4, L: 3000 }, { fz: -100 }), 'member')).toMatchObject({
    state: 'refused',
    because: expect.stringMatching(/buckles/),
  });
});

it('through one wall, a plate pulled is judged round the bolts that pull, no better than the same push over the whole plate', () => {
  const x = { D: 60.3, t: 4, L: 1000, through: 'one wall' as const };
  const pulled = link(onTube(x, { fz: 3000 }), 'wall-face');
  const pressed = link(onTube(x, { fz: -3000 }), 'wall-face');
  expect(pulled.demand).toBeGreaterThan(pressed.demand);
});
