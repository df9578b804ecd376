import { lengthRange } from '../../units/field-range';
import { G0 } from '../../units/unit-table';
import { formula } from '../../working/formula';
import { builder, options } from '../builder';
import { factor, field, height, mass, rad, reach, share } from '../common-fields';
import { together } from '../load-case';
import { angleRange } from '../../units/field-range';
import { circle, line, outline, box } from '../sketch';

/** Belt loads by vehicle class: lap and shoulder each with a three-point belt, lap alone with a lap belt, N, and × seat mass. */
const TABLE: Readonly<Record<string, { each: number; lap: number; a: number; source: string }>> = {
  M1: { each: 13_500, lap: 22_250, a: 20, source: 'UN R14 §6.4, M1/N1 (memory)' },
  M2: { each: 6_750, lap: 11_100, a: 10, source: 'UN R14 §6.4, M2/N2 (memory)' },
  M3: { each: 4_500, lap: 7_400, a: 6.6, source: 'UN R14 §6.4, M3/N3 (memory)' },
  US: { each: 13_345, lap: 22_241, a: 20, source: 'FMVSS 210 S4.2 with 207 S4.2 (memory)' },
};

const SEAT = formula('F_s', 'a·m·g_0', 'N');
const LAP_X = formula('F_lap.x', 'F_lap·cos(α)·k_b', 'N');
const LAP_Z = formula('F_lap.z', 'F_lap·sin(α)·k_b', 'N');
const SH_X = formula('F_sh.x', 'F_sh·cos(α)·k_b', 'N');
const SH_Z = formula('F_sh.z', 'F_sh·sin(α)·k_b', 'N');

/** A seat that carries its own belts: belt loads and the seat's mass together. */
export const beltedSeat = builder({
  kind: 'belted-seat',
  name: 'Seat with its own belts',
  family: 'seat',
  icon: 'airline_seat_recline_extra',
  says: 'Belt loads of the vehicle class pulled forward and up, with the seat’s mass thrown forward at the same time.',
  source: 'UN R14 §6.4; FMVSS 207 S4.2 and 210 S4.2 (memory)',
  decides: 'Occupant restraint: an approved test decides, likely UN R14/R17 or FMVSS 207/210 and their local equivalents.',
  cautions: [
    'A harness is never anchored on a seat rail.',
    'The standard’s loads are held by a test of the whole vehicle part; a calculation does not replace it.',
  ],
  fields: {
    seatMass: mass('Seat mass', 24),
    height: height('Seat’s centre of mass above the plate', 320, [50, 1000]),
    lapHeight: height('Lap belt anchor above the plate', 260, [20, 1000]),
    shoulderHeight: height('Shoulder belt outlet above the plate', 820, [200, 2000]),
    aft: reach('Anchors aft of the plate centre', 60),
    up: field(angleRange('Belt pull above level', 0, 45), rad(10), '10°', 'the standards pull 5° to 15° above level'),
    lapBack: field(lengthRange('Seat’s centre ahead of the plate', 2000, 'minus'), 0, '0 mm'),
    share,
  },
  factors: { belts: factor('k_b', 'On the belt loads', 1, 'as the standard', [0.1, 3]) },
  picks: {
    rule: {
      label: 'Vehicle class',
      options: options(
        ['M1', 'M1/N1, car and van'],
        ['M2', 'M2/N2, small bus, truck'],
        ['M3', 'M3/N3, coach, heavy truck'],
        ['US', 'FMVSS 207/210'],
      ),
    },
    belt: { label: 'Belt', options: options(['three', 'lap and shoulder'], ['lap', 'lap only']) },
  },
  takeOff: { mass: 'seatMass', z: 'height' },
  unused: (pick) => (pick.belt === 'lap' ? ['shoulderHeight'] : []),
  cases({ v, k, pick }) {
    const row = TABLE[pick.rule]!;
    return [
      {
        name: `${pick.belt === 'lap' ? 'lap belt' : 'lap and shoulder belt'} and seat, ${pick.rule === 'US' ? 'FMVSS' : pick.rule}`,
        action: 'accidental',
        of(w) {
          const put = {
            F_lap: pick.belt === 'lap' ? row.lap : row.each,
            F_sh: row.each,
            α: (v.up * 180) / Math.PI,
            k_b: k.belts,
          };
          const s = v.share;
          const lap = { x: w.of(LAP_X, put, row.source) * s, y: 0, z: w.of(LAP_Z, put, row.source) * s };
          const forces = [{ f: lap, at: { x: -v.aft, y: 0, z: v.lapHeight } }];
          if (pick.belt !== 'lap')
            forces.push({
              f: { x: w.of(SH_X, put, row.source) * s, y: 0, z: w.of(SH_Z, put, row.source) * s },
              at: { x: -v.aft, y: 0, z: v.shoulderHeight },
            });
          const inertia = w.of(SEAT, { a: row.a, m: v.seatMass, g_0: G0 }, row.source) * s;
          forces.push({ f: { x: inertia, y: 0, z: 0 }, at: { x: v.lapBack, y: 0, z: v.height } });
          return together(forces, w);
        },
      },
    ];
  },
  sketch: ({ v, pick }) => [
    {
      from: 'side',
      shapes: [
        box('fitting', v.lapBack - 220, v.height - 70, v.lapBack + 230, v.height + 20),
        outline(
          'fitting',
          [v.lapBack - 230, v.height - 50],
          [v.lapBack - 150, v.height - 50],
          [-v.aft + 30, v.shoulderHeight],
          [-v.aft - 50, v.shoulderHeight],
        ),
        outline('part', [v.lapBack - 130, v.height - 70], [-40, 0], [40, 0], [v.lapBack + 130, v.height - 70]),
        circle('rope', [-v.aft, v.lapHeight], 16),
        ...(pick.belt === 'lap'
          ? []
          : [
              circle('rope', [-v.aft, v.shoulderHeight], 16),
              line('rope', [-v.aft, v.shoulderHeight], [-v.aft + 150, v.shoulderHeight - 260]),
            ]),
        line('rope', [-v.aft, v.lapHeight], [-v.aft + 190, v.lapHeight + 40]),
      ],
      handles: [
        { label: 'lap anchor', at: [-v.aft, v.lapHeight], drag: (u, w) => ({ aft: Math.max(0, -u), lapHeight: Math.max(0, w) }) },
        ...(pick.belt === 'lap'
          ? []
          : [
              {
                label: 'shoulder outlet',
                at: [-v.aft, v.shoulderHeight] as const,
                drag: (_u: number, w: number) => ({ shoulderHeight: Math.max(0, w) }),
              },
            ]),
        { label: 'seat’s centre of mass', at: [v.lapBack, v.height], drag: (u, w) => ({ lapBack: u, height: Math.max(0, w) }) },
      ],
    },
  ],
  worked: [
    {
      title: 'M1, three-point belt, level pull, 20 kg seat',
      source: 'UN R14 §6.4.1–6.4.3 (memory): 2 × 13.5 kN + 20 × 20 kg × 9.80665 = 30 923 N',
      v: { seatMass: [20, '20 kg'], up: [0, '0°'] },
      expect: { caseIndex: 0, symbol: 'F_x', value: 30_922.7, within: 0.1 },
    },
    {
      title: 'FMVSS 210, lap belt only, level pull, 20 kg seat',
      source: 'FMVSS 210 S4.2(a): 22 241 N (memory), with 20 × 20 kg × 9.80665 = 3923 N',
      v: { seatMass: [20, '20 kg'], up: [0, '0°'] },
      pick: { rule: 'US', belt: 'lap' },
      expect: { caseIndex: 0, symbol: 'F_x', value: 26_163.7, within: 0.1 },
    },
  ],
});
