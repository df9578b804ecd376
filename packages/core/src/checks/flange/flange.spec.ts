import { notJudged } from '../../chain/ways-to-fail';
import { evaluate } from '../../chain/evaluate';
import { mirrored } from '../../job/mirrored';
import type { Job } from '../../job/schema';
import { fromSheet } from '../../job/values';
import { freeLoad, testJob } from '../../testing/test-job';

const mm = (v: number) => fromSheet(v, `${v} mm`);

/** A plate 120 × 100 on an IPE 200 (100 × 8.5, web 5.6) or on a channel of the same measures; four M10 at ±45, ±28. */
const onFlange = (
  load: Parameters<typeof freeLoad>[0],
  skin: Partial<Extract<Job['skin'], { kind: 'flange' }>> = {},
  change: (j: Job) => Job = (j) => j,
): Job =>
  testJob(load, (j) =>
    change({
      ...j,
      skin: {
        kind: 'flange',
        of: 'beam',
        metal: 'S235',
        width: mm(100),
        web: mm(5.6),
        depth: mm(200),
        webAt: 'port',
        thickness: mm(8.5),
        spanX: mm(2000),
        spanY: mm(400),
        aft: mm(1000),
        starboard: mm(200),
        bedModulus: fromSheet(30_000, '30000 MPa'),
        ...skin,
      },
      base: { ...j.base, length: mm(40), width: mm(100), holes: [] },
      plate: { ...j.plate, x0: -60, x1: 60, y0: -50, y1: 50, corner: 0 },
      bolts: {
        ...j.bolts,
        size: 'M10',
        items: [
          { id: 'B1', x: 45, y: 28 },
          { id: 'B2', x: -45, y: 28 },
          { id: 'B3', x: -45, y: -28 },
          { id: 'B4', x: 45, y: -28 },
        ],
      },
      far: { kind: 'washer' },
    }),
  );
const link = (j: Job, id: string) => evaluate(j).links.find((l) => l.id === id)!;

it('a bolt beside the web bends its side: l_eff 4m + 1.25e no more than the pitch, l·t²·f_y/(4·m) (EN 1993-1-8 Tab. 6.4 by hand)', () => {
  const bending = link(onFlange({ fz: 8000 }), 'flange-bending');
  const [m, e] = [28 - 2.8, 50 - 28];
  const l = Math.min(2 * Math.PI * m, 4 * m + 1.25 * e, 90);
  expect(l).toBe(90);
  expect(bending.capacity).toBeCloseTo((90 * 8.5 ** 2 * 235) / (4 * m) / 2, 6);
  const near = link(
    onFlange({ fz: 8000 }, {}, (j) => ({
      ...j,
      bolts: { ...j.bolts, items: j.bolts.items.map((b) => ({ ...b, y: Math.sign(b.y) * 17 })) },
    })),
    'flange-bending',
  );
  expect(near.capacity).toBeGreaterThan(1.5 * bending.capacity);
});

it('rolled about its web: M over (h_1 + 2c)·t²/4·f_y; on a channel a straight push rolls it too, by its distance from the web', () => {
  const roll = link(onFlange({ mx: 300_000 }), 'flange-bending');
  const M_Rd = ((120 + 2 * 47.2) * 8.5 ** 2 * 235) / 4 / 2;
  expect([roll.at, roll.demand]).toEqual(['rolled about its web', expect.closeTo(300_000 / M_Rd, 6)]);
  const channel = (j: Job): Job => ({ ...j, bolts: { ...j.bolts, items: j.bolts.items.map((b) => ({ ...b, y: b.y / 2 })) } });
  const push = link(onFlange({ fz: -3000 }, { of: 'channel' }, channel), 'flange-bending');
  // Web's middle at 50 − 2.8; its outstand 94.4.
  expect(push.demand).toBeCloseTo((3000 * 47.2) / (((120 + 2 * 94.4) * 8.5 ** 2 * 235) / 4 / 2), 6);
  expect(link(onFlange({ fz: -3000 }), 'flange-bending').demand).toBeCloseTo(0, 9);
});

it('the web under it: AISC 360-16 §J10.2 and §J10.3 at a member’s end, by hand', () => {
  const web = link(onFlange({ fz: -30_000 }), 'flange-web');
  const yields = (235 * 5.6 * (2.5 * 8.5 + 120)) / 2;
  const cripples = (0.4 * 5.6 ** 2 * (1 + 3 * (40 / 200) * (5.6 / 8.5) ** 1.5) * Math.sqrt((210_000 * 235 * 8.5) / 5.6)) / 2;
  expect(yields).toBeGreaterThan(cripples);
  expect([web.at, web.capacity, web.demand]).toEqual(['web cripples', expect.closeTo(cripples, 0), 30_000]);
  // A pitching moment presses hardest at one end: 6·M/l on l = 120 + 2.5·8.5.
  expect(link(onFlange({ my: 600_000 }), 'flange-web').demand).toBeCloseTo((6 * 600_000) / 141.25, 6);
});

it('bears towards its toe no better than the distance there lets it; a hole too near the toe fails', () => {
  const across = link(onFlange({ fy: 4000 }), 'skin-bearing');
  const along = link(onFlange({ fx: 4000 }), 'skin-bearing');
  expect(across.capacity).toBeLessThan(along.capacity);
  expect(link(onFlange({ fz: 100 }), 'flange-edge')).toMatchObject({ demand: 1.2 * 11, capacity: 22, state: 'sound' });
  const out = onFlange({ fz: 100 }, {}, (j) => ({
    ...j,
    bolts: { ...j.bolts, items: j.bolts.items.map((b) => ({ ...b, y: Math.sign(b.y) * 38 })) },
  }));
  expect(link(out, 'flange-edge').state).toBe('fails');
});

it('refused: a bolt whose washer fouls the web, a hole off the flange, a panel’s solve; said: the member is not judged', () => {
  const at = (y: number) =>
    onFlange({ fz: 100 }, {}, (j) => ({
      ...j,
      bolts: { ...j.bolts, items: j.bolts.items.map((b) => ({ ...b, y: Math.sign(b.y) * y })) },
    }));
  expect(evaluate(at(10)).refusals[0]).toMatchObject({ because: expect.stringContaining('fouls the web') });
  expect(
    evaluate(at(47))
      .refusals.map((r) => r.because)
      .join(),
  ).toContain('not in the flange');
  expect(notJudged(onFlange({ fz: 100 }))).toContain('the member itself: its span, its twist, its ends');
  expect(link(onFlange({ fz: 100 }), 'skin-bending').state).toBe('not needed');
});

it('a mirrored channel has its web on the other side and every figure as before', () => {
  const job = onFlange({ fz: -2000, fy: 700, mx: 40_000 }, { of: 'channel', webAt: 'starboard' }, (j) => ({
    ...j,
    bolts: { ...j.bolts, items: j.bolts.items.map((b) => ({ ...b, y: b.y / 2 + 5 })) },
  }));
  const other = mirrored(job);
  expect(other.skin).toMatchObject({ webAt: 'port' });
  const figures = (j: Job) =>
    evaluate(j).links.map((l) => [l.id, l.state, l.utilisation ? Number(l.utilisation.toFixed(9)) : undefined]);
  expect(figures(other)).toEqual(figures(job));
});
