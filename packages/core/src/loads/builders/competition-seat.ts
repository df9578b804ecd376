import { G0 } from '../../units/unit-table';
import { formula } from '../../working/formula';
import { builder, type CaseOf } from '../builder';
import { factor, height, mass, share } from '../common-fields';
import { box, circle, outline } from '../sketch';

const F = formula('F', 'a·(m_s + m_o)·g_0·s', 'N');

/** A competition seat: driver and seat together on its brackets; the rule book's minima beside it. */
export const competitionSeat = builder({
  kind: 'competition-seat',
  name: 'Competition seat',
  family: 'competition',
  icon: 'sports_motorsports',
  says: 'Driver and seat together at their common centre, each way; the harness must go to the cage, not the seat.',
  source: 'Pulse: common practice. Minima: FIA ISC Appendix J Art. 253.16 (memory)',
  decides: 'Competition: the series’ own rule book and its scrutineers decide, likely FIA ISC Appendix J Art. 253.',
  cautions: ['A harness is never anchored on a seat rail or on the seat’s own brackets.'],
  fields: {
    seatMass: mass('Seat mass', 12),
    driver: mass('Driver with suit and helmet', 95),
    height: height('Common centre above the plate', 260, [50, 800]),
    share: { ...share, assume: [0.5, '50 %'] as const },
  },
  factors: {
    fore: factor('a_fore', 'Forward and aft, × g', 15, 'common practice', [0.1, 60]),
    side: factor('a_side', 'Sideways, × g', 12, 'common practice', [0.1, 60]),
    up: factor('a_up', 'Roll-over, up, × g', 8, 'common practice', [0.1, 60]),
  },
  picks: {},
  takeOff: { mass: 'seatMass', z: 'height' },
  cases({ v, k }) {
    const at = { x: 0, y: 0, z: v.height };
    const one = (name: string, a: number, x: number, y: number, z: number): CaseOf => ({
      name,
      action: 'accidental',
      of(w) {
        const f = w.of(F, { a, m_s: v.seatMass, m_o: v.driver, g_0: G0, s: v.share }, 'common practice');
        return { fx: f * x, fy: f * y, fz: f * z, at };
      },
    });
    return [
      one('forward', k.fore, 1, 0, 0),
      one('aft', k.fore, -1, 0, 0),
      one('to port', k.side, 0, 1, 0),
      one('to starboard', k.side, 0, -1, 0),
      one('roll-over', k.up, 0, 0, 1),
    ];
  },
  sketch: ({ v }) => [
    {
      from: 'side',
      shapes: [
        outline(
          'fitting',
          [-190, v.height - 130],
          [230, v.height - 130],
          [250, v.height - 30],
          [-90, v.height - 60],
          [-230, v.height + 480],
          [-300, v.height + 470],
        ),
        box('part', -150, 0, 170, Math.max(8, v.height - 130)),
        circle('person', [-160, v.height + 520], 95),
      ],
      handles: [{ label: 'common centre', at: [0, v.height], drag: (_u, w) => ({ height: Math.max(0, w) }) }],
    },
  ],
  worked: [
    {
      title: '95 kg driver, 12 kg seat, 15 g, all on one plate',
      source: 'Newton’s second law by hand: 15 × 107 kg × 9.80665 m/s² = 15 740 N',
      v: { share: [1, '100 %'] },
      expect: { caseIndex: 0, symbol: 'F', value: 15_739.7, within: 0.1 },
    },
  ],
});
