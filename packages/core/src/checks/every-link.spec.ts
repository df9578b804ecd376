import fc from 'fast-check';
import { goodFor } from '../chain/multiple';
import { evaluate, workingOf } from '../chain/evaluate';
import { Job } from '../job/schema';
import { bolts, joint, loaded, plainJob, q, skin, throughBase, welds, type Change } from '../reference/jobs';
import { newLug } from '../job/plain-joint';
import { everyLinkJob } from '../testing/every-link';
import { plateThickness } from '../testing/test-job';
import { workingParts } from '../testing/working-parts';
import { CHECKS } from './registry';

const link = (job: Job, id: string) => evaluate(job).links.find((l) => l.id === id)!;
const state = (id: string, ...changes: Change[]) => link(plainJob(...changes), id);

const timber = skin({ kind: 'timber', grade: 'C24', grain: 'x', endGrain: q(200), thickness: q(60) });
const deepTimber = skin({ kind: 'timber', grade: 'C24', grain: 'x', endGrain: q(200), thickness: q(120) });
const lag = joint({ holding: 'lag screw', engagement: q(60) });
const section = skin({ kind: 'hollow', metal: 'S355', wall: q(8), width: q(200), thickness: q(120), through: 'both walls' });
const onFace: Change = (j) => ({
  ...j,
  plate: { ...j.plate, y0: -95, y1: 95 },
  base: { ...j.base, width: q(80), holes: [] },
  bolts: { ...j.bolts, items: j.bolts.items.map((b) => ({ ...b, y: b.y / 1.6 })) },
});
const lugged: Change = (j) => ({ ...j, lug: newLug() });
const push = loaded({ fx: 3000, fz: 4000, mx: 50_000, my: -30_000 });

/** Jobs that between them bring every link to a figure. */
const JOBS: readonly (readonly [string, Job])[] = [
  ['spacers, welds, lug by BTH-1', everyLinkJob()],
  [
    'lug by EN, packer, torque',
    plainJob(
      lugged,
      (j) => ({ ...j, lug: { ...j.lug!, rules: 'EN' } }),
      joint({ packing: 'packer', packer: q(8), tightening: 'to torque' }),
      push,
    ),
  ],
  ['timber with bolts', plainJob(timber, push)],
  ['timber pushed across its grain', plainJob(timber, loaded({ fy: 900, fz: 500 }))],
  ['bolts through the base, countersunk', plainJob(throughBase, joint({ head: 'countersunk' }), push)],
  ['bolts through the base', plainJob(throughBase, push)],
  ['pressed and tipped', plainJob(loaded({ fx: 900, fz: -600, my: 90_000 }))],
  ['timber with lags', plainJob(timber, lag, push)],
  [
    'flange of a beam',
    plainJob(
      skin({
        kind: 'flange',
        of: 'beam',
        metal: 'S355',
        width: q(300),
        web: q(11),
        depth: q(290),
        webAt: 'port',
        thickness: q(19),
      }),
      push,
    ),
  ],
  ['welded studs, glued heads', plainJob(joint({ holding: 'stud', tightening: 'to torque', gluedHead: q(40) }), push)],
  ['parts that work, a rated fitting', plainJob(workingParts, push)],
  ['hollow section', plainJob(section, onFace, joint({ sleeve: 'sleeve' }), push)],
  [
    'sandwich with plugs',
    plainJob(
      skin({
        kind: 'sandwich',
        nearFace: q(4),
        farFace: q(3),
        thickness: q(30),
        glass: q(0.4),
        core: 'balsa',
        coreCrush: q(10),
        coreShear: q(2.6),
        coreModulus: q(150),
      }),
      joint({ sleeve: 'plug', tubeOutside: q(40) }),
      (j) => ({ ...j, far: { kind: 'large washer' } }),
      push,
    ),
  ],
  [
    'laminate in rows',
    plainJob(
      skin({ kind: 'laminate', glass: q(0.4), thickness: q(10) }),
      bolts('M8', '8.8', [
        [150, 90],
        [0, 90],
        [-150, 90],
        [150, -90],
        [0, -90],
        [-150, -90],
      ]),
      push,
    ),
  ],
  ['nut too weak', plainJob(bolts('M10', '10.9'), (j) => ({ ...j, bolts: { ...j.bolts, nut: '8' } }), push)],
  [
    'wide holes in the skin',
    plainJob((j) => ({ ...j, bolts: { ...j.bolts, items: j.bolts.items.map((b) => ({ ...b, holes: { skin: q(24) } })) } }), push),
  ],
  ['tapped plate', plainJob(joint({ holding: 'tapped', engagement: q(5) }), push)],
  [
    'AISC',
    plainJob((j) => ({ ...j, practice: { ...j.practice, rules: 'AISC' } }), lugged, welds({ fitting: 'side edges' }), push),
  ],
];

it.each(JOBS)('%s: a whole document, and every working ends in the figures of the chain', (_n, job) => {
  expect(Job.safeParse(job).error?.issues).toBeUndefined();
  const v = evaluate(job);
  expect(v.refusals).toEqual([]);
  for (const l of v.links) {
    if (l.state === 'refused' || l.state === 'not needed') {
      expect([l.id, l.because.length > 10]).toEqual([l.id, true]);
      continue;
    }
    expect([l.id, Number.isFinite(l.utilisation)]).toEqual([l.id, true]);
    const values = workingOf(job, l.id, l.caseId)!.steps.map((s) => s.value);
    const near = (x: number) => x === 1 || x < 0.01 || values.some((y) => Math.abs(y / x - 1) < 1e-9);
    expect([l.id, 'demand', near(l.demand) || near(l.demand / l.capacity)]).toEqual([l.id, 'demand', true]);
  }
});

it('between them these jobs bring every link to a figure, but for those that only refuse or remind', () => {
  const found = new Set(
    JOBS.flatMap(([, j]) =>
      evaluate(j)
        .links.filter((l) => Number.isFinite(l.utilisation) && l.state !== 'refused' && l.state !== 'not needed')
        .map((l) => l.id),
    ),
  );
  expect(CHECKS.map((c) => c.id).filter((id) => !found.has(id))).toEqual(['bed-anchors', 'access']);
});

describe('in proportion to the load', () => {
  it.each(JOBS)('%s: half the load is half the utilisation of every loaded link', (_n, job) => {
    const half: Job = {
      ...job,
      loads: job.loads.map((l) => ({
        ...l,
        values: Object.fromEntries(Object.entries(l.values).map(([k, x]) => [k, /^[fm]/.test(k) ? { ...x, v: x.v / 2 } : x])),
      })),
    };
    const [a, b] = [evaluate(job), evaluate(half)];
    a.links.forEach((l, i) => {
      if (l.loadFree || l.state === 'refused' || l.state === 'not needed') return;
      expect([l.id, b.links[i]!.utilisation / l.utilisation]).toEqual([l.id, expect.closeTo(0.5, 6)]);
    });
  });
});

describe('more of what should help never hurts', () => {
  /** A number that should help, the links it may help, and the job for it. */
  const HELPS: readonly (readonly [string, readonly string[], (x: number) => Job, number, number])[] = [
    [
      'plate thickness',
      ['punching', 'net-section', 'block-tearing', 'plate-bearing', 'plate-bending'],
      (x) => plainJob(push, plateThickness(x)),
      3,
      25,
    ],
    [
      'loose plates',
      ['plate-bending', 'net-section', 'punching'],
      (x) => plainJob(push, (j) => ({ ...j, plate: { ...j.plate, layers: Math.round(x) } })),
      1,
      4,
    ],
    ['weld throat', ['fitting-weld'], (x) => plainJob(push, welds({ fitting: 'all round', fittingThroat: q(x) })), 3, 12],
    ['doubler throat', ['doubler-weld'], (x) => plainJob(push, welds({ doubler: 'all round', doublerThroat: q(x) })), 2, 8],
    ['stitch', ['doubler-weld'], (x) => plainJob(push, welds({ doubler: 'stitched', stitch: q(x) })), 50, 200],
    [
      'lug thickness',
      ['lug-tension', 'lug-fracture', 'lug-shear', 'lug-bearing', 'lug-foot'],
      (x) => plainJob(push, lugged, (j) => ({ ...j, lug: { ...j.lug!, thickness: q(x) } })),
      6,
      40,
    ],
    [
      'lug end',
      ['lug-fracture', 'lug-shear'],
      (x) => plainJob(push, lugged, (j) => ({ ...j, lug: { ...j.lug!, end: q(x) } })),
      10,
      60,
    ],
    ['pin', ['pin-shear', 'pin-bending'], (x) => plainJob(push, lugged, (j) => ({ ...j, lug: { ...j.lug!, pin: q(x) } })), 8, 18],
    [
      'lag thread',
      ['lag-withdrawal'],
      (x) => plainJob(deepTimber, joint({ holding: 'lag screw', engagement: q(x) }), push),
      60,
      110,
    ],
    [
      'timber depth',
      ['timber-bending', 'timber-joint', 'group-tear-out'],
      (x) => plainJob(skin({ kind: 'timber', grade: 'C24', grain: 'x', endGrain: q(200), thickness: q(x) }), push),
      30,
      120,
    ],
    [
      'end grain',
      ['timber-spacing', 'group-tear-out'],
      (x) => plainJob(skin({ kind: 'timber', grade: 'C24', grain: 'x', endGrain: q(x), thickness: q(60) }), push),
      60,
      400,
    ],
    [
      'wall',
      ['wall-face'],
      (x) =>
        plainJob(
          skin({ kind: 'hollow', metal: 'S355', wall: q(x), width: q(200), thickness: q(120), through: 'both walls' }),
          onFace,
          push,
        ),
      6,
      16,
    ],
    [
      'plug',
      ['washer-crush', 'core-shear'],
      (x) =>
        plainJob(
          skin({
            kind: 'sandwich',
            nearFace: q(4),
            farFace: q(3),
            thickness: q(30),
            glass: q(0.4),
            core: 'balsa',
            coreCrush: q(10),
            coreShear: q(2.6),
            coreModulus: q(150),
          }),
          joint({ sleeve: 'plug', tubeOutside: q(x) }),
          (j) => ({ ...j, far: { kind: 'large washer' } }),
          push,
        ),
      12,
      80,
    ],
    ['thread engaged', ['thread-engaged'], (x) => plainJob(joint({ holding: 'tapped', engagement: q(x) }), push), 1, 5],
    ['slip factor', ['slip'], (x) => plainJob(joint({ tightening: 'slip resistant', friction: q(x) }), push), 0.1, 0.6],
    ['preload', ['joint-opens', 'slip'], (x) => plainJob(joint({ tightening: 'slip resistant', preload: q(x) }), push), 0.3, 0.9],
  ];
  it.each(HELPS)('%s: %s', (what, ids, make, low, high) => {
    fc.assert(
      fc.property(fc.double({ min: low, max: high, noNaN: true }), fc.double({ min: low, max: high, noNaN: true }), (a, b) => {
        const [less, more] = a < b ? [a, b] : [b, a];
        const [one, two] = [evaluate(make(less)), evaluate(make(more))];
        for (const id of ids) {
          const [x, y] = [one, two].map((v) => v.links.find((l) => l.id === id)!);
          // A thicker plate stands a push higher off the skin, so what is asked of it may grow: it never holds less for that.
          const [before, after] = what.includes('plate') ? [y!.capacity, x!.capacity] : [x!.utilisation, y!.utilisation];
          expect([id, after <= before + 1e-9 * Math.abs(before)]).toEqual([id, true]);
        }
      }),
      { numRuns: 12 },
    );
  });
});

describe('continuous where a rule changes over', () => {
  it('a packer of d/3 is where β_p begins; the step there is the standard’s own, 1 to 0.9', () => {
    const at = (t: number) => state('bolt-shear', joint({ packing: 'packer', packer: q(t) }), push).capacity;
    expect(at(3.3) / state('bolt-shear', push).capacity).toBeCloseTo(1, 9);
    expect(at(3.34) / at(3.3)).toBeCloseTo(90 / (80 + 10.02), 6);
  });
  it('plate over face at β 0.85: face and side walls meet', () => {
    const at = (b: number) =>
      state('wall-face', section, onFace, push, (j) => ({ ...j, plate: { ...j.plate, y0: -b / 2, y1: b / 2 } })).utilisation;
    expect(at(170.01) / at(170)).toBeCloseTo(1, 2);
  });
  it('steel plate at half and at one diameter on timber: thin to thick in one line', () => {
    const at = (t: number) => state('timber-joint', timber, push, plateThickness(t)).capacity;
    expect(at(5.01) / at(5)).toBeCloseTo(1, 2);
    expect(at(10) / at(9.99)).toBeCloseTo(1, 2);
    expect(at(14)).toBeCloseTo(at(10), 6);
  });
});

describe('what does not apply says why; what is outside the range refuses and names it', () => {
  it.each<[string, string, 'not needed' | 'refused', RegExp, Change[]]>([
    ['no lug', 'lug-tension', 'not needed', /no lug/, []],
    ['snug bolts', 'joint-opens', 'not needed', /snug/, []],
    [
      'soft skin',
      'joint-opens',
      'not needed',
      /creeps/,
      [skin({ kind: 'laminate', glass: q(0.35) }), joint({ tightening: 'to torque' })],
    ],
    ['open section', 'joint-opens', 'refused', /squeezes.*sleeve/, [section, onFace, joint({ tightening: 'to torque' })]],
    ['weak class in slip', 'slip', 'refused', /4\.6.*8\.8/, [bolts('M10', '4.6'), joint({ tightening: 'slip resistant' })]],
    ['lag in steel', 'lag-withdrawal', 'refused', /hold in timber/, [lag]],
    ['lag of 16 mm by EN', 'lag-withdrawal', 'refused', /6 to 12 mm/, [timber, lag, bolts('M16', '8.8')]],
    [
      'thread longer than metal',
      'thread-engaged',
      'refused',
      /does not go into/,
      [joint({ holding: 'tapped', engagement: q(40) })],
    ],
    [
      'thread in laminate',
      'thread-engaged',
      'refused',
      /nothing that lasts/,
      [skin({ kind: 'laminate', glass: q(0.35) }), joint({ holding: 'tapped' }), (j) => ({ ...j, far: { kind: 'washer' } })],
    ],
    ['plate wider than face', 'wall-face', 'refused', /within the face/, [section]],
    [
      'thin box',
      'wall-face',
      'refused',
      /up to 35/,
      [skin({ kind: 'hollow', metal: 'S355', wall: q(3), width: q(420), thickness: q(120), through: 'both walls' })],
    ],
    [
      'weld on aluminium',
      'fitting-weld',
      'refused',
      /steel or stainless/,
      [welds({ fitting: 'all round' }), (j) => ({ ...j, plate: { ...j.plate, metal: '6082-T6' } })],
    ],
    ['plugs pulled', 'doubler-weld', 'refused', /shear only/, [welds({ doubler: 'plugs' }), loaded({ fz: 5000 })]],
    ['bolts in a bed', 'bed-anchors', 'refused', /anchor maker/, [skin({ kind: 'bed', strength: q(20) }), loaded({ fz: 5000 })]],
    [
      'bed, only pressed',
      'bed-anchors',
      'not needed',
      /only bears/,
      [skin({ kind: 'bed', strength: q(20) }), loaded({ fz: -5000 })],
    ],
    [
      'laminate folded',
      'fold',
      'refused',
      /bend cold/,
      [(j) => ({ ...j, plate: { ...j.plate, metal: 'G-10', fold: { edge: 'aft', radius: q(5), height: q(20) } } })],
    ],
    ['pin too large', 'lug-tension', 'refused', /does not enter/, [lugged, (j) => ({ ...j, lug: { ...j.lug!, pin: q(20) } })]],
    [
      'nobody behind',
      'access',
      'refused',
      /captive nut/,
      [(j) => ({ ...j, survey: { ...j.survey, access: { near: 'socket', far: 'none' } } })],
    ],
    [
      'captive nut behind',
      'access',
      'not needed',
      /no hand needed/,
      [joint({ holding: 'captive nut' }), (j) => ({ ...j, survey: { ...j.survey, access: { near: 'socket', far: 'none' } } })],
    ],
    ['kept apart', 'galvanic', 'not needed', /kept apart/, [joint({ place: 'salt', isolated: true })]],
    ['sealant', 'bond', 'not needed', /adds no strength/, [joint({ bedding: 'bedded' })]],
    ['no limit', 'deflection', 'not needed', /no limit/, []],
  ])('%s', (_n, id, expected, why, changes) => {
    const l = state(id, ...changes);
    expect([l.state, l.because]).toEqual([expected, expect.stringMatching(why)]);
  });
});

it('a support tab on the far end of a pin takes most of its bending away', () => {
  const at = (shear: 'single' | 'single with support tab') =>
    state('pin-bending', lugged, push, (j) => ({ ...j, lug: { ...j.lug!, rules: 'EN', shear } })).utilisation;
  expect(at('single') / at('single with support tab')).toBeGreaterThan(2);
});

it('two loose plates of t bend like t·√2, never like 2·t: half the strength of one twice as thick, or less', () => {
  const at = (t: number, layers: number) =>
    state('plate-bending', push, plateThickness(t), (j) => ({ ...j, plate: { ...j.plate, layers } })).capacity;
  expect(at(4, 2)).toBeCloseTo(at(4 * Math.SQRT2, 1), 6);
  expect(at(4, 2)).toBeLessThan(at(8, 1));
});

it('salt, weather and dry allow less and less of a difference between metals', () => {
  const mixed = (place: 'salt' | 'weather' | 'dry inside') =>
    state('galvanic', bolts('M10', 'A4-70'), joint({ place })).utilisation;
  expect([mixed('salt'), mixed('weather'), mixed('dry inside')].map((u) => u > 1)).toEqual([true, true, false]);
});

it('a section crushed by tightening alone fails, but names no multiple of the load', () => {
  const job = plainJob(
    section,
    onFace,
    joint({ tightening: 'to torque', sleeve: 'sleeve', tubeOutside: q(14), tubeWall: q(1) }),
    push,
  );
  const v = evaluate(job);
  const crush = v.links.find((l) => l.id === 'section-crush')!;
  expect([crush.state, crush.loadFree, crush.at]).toEqual(['fails', true, expect.stringContaining('clamping alone')]);
  expect(v.state).toBe('fails');
  expect(goodFor(job, v)).toEqual({ known: false, because: 'Section crush fails whatever the load' });
});

it('no ledge for the bead at all fails outright, and says that nothing is left', () => {
  const flush: Change = (j) => ({
    ...j,
    plate: { ...j.plate, x0: -60, x1: 60 },
    base: { ...j.base, thickness: q(6) },
    bolts: { ...j.bolts, items: j.bolts.items.map((b) => ({ ...b, x: b.x / 3.4, y: 120 * Math.sign(b.y) })) },
  });
  const l = state('weld-size', flush, welds({ fitting: 'all round', fittingThroat: q(4) }));
  expect([l.state, l.capacity, l.utilisation]).toEqual(['fails', 0, Infinity]);
});
