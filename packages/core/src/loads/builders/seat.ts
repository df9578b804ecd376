import { G0 } from '../../units/unit-table';
import { formula } from '../../working/formula';
import { builder, options, type CaseOf } from '../builder';
import { factor, height, mass, reach, share } from '../common-fields';
import { box, outline } from '../sketch';

const COUNTED = formula('m', 'm_s + m_o', 'kg');
const ALONE = formula('m', 'm_s', 'kg');
const F = formula('F', 'a·m·g_0·s', 'N');

/** A seat whose belts are anchored elsewhere: the seat's own mass thrown forward, aft, sideways and up. */
export const seat = builder({
  kind: 'seat',
  name: 'Seat, belts elsewhere',
  family: 'seat',
  icon: 'airline_seat_recline_normal',
  says: 'The seat’s mass at its centre, times the pulse each way; sitting and rebound with the person on it.',
  source: 'FMVSS 207 S4.2 (memory): 20 × seat mass fore and aft; the other directions are common practice',
  decides: 'Occupant restraint: an approved test decides, likely UN R14/R17 or FMVSS 207/210 and their local equivalents.',
  cautions: ['A harness or belt is never anchored on a seat rail unless the seat was tested so.'],
  fields: {
    seatMass: mass('Seat mass', 18),
    person: mass('Person on it', 85),
    height: height('Centre of mass above the plate', 300, [50, 1000]),
    ahead: reach('Centre of mass ahead of the plate', 0),
    share,
  },
  factors: {
    fore: factor('a_fore', 'Fore and aft, × g', 20, 'FMVSS 207 S4.2 (memory)', [0.1, 60]),
    side: factor('a_side', 'Sideways, × g', 8, 'common practice', [0.1, 60]),
    up: factor('a_up', 'Rebound up, × g', 4, 'common practice', [0.1, 60]),
    down: factor('a_down', 'Sitting down hard, × g', 3, 'common practice', [0.1, 60]),
  },
  picks: {
    counts: {
      label: 'Fore and aft counts',
      options: options(['seat', 'the seat alone (belts hold the person)'], ['both', 'seat and person']),
    },
  },
  takeOff: { mass: 'seatMass', x: 'ahead', z: 'height' },
  cases({ v, k, pick }) {
    const at = { x: v.ahead, y: 0, z: v.height };
    const one = (name: string, a: number, who: string, both: boolean, dir: readonly [number, number, number]): CaseOf => ({
      name,
      action: 'accidental',
      of(w) {
        const m = both
          ? w.of(COUNTED, { m_s: v.seatMass, m_o: v.person }, 'seat and person')
          : w.of(ALONE, { m_s: v.seatMass }, 'the seat alone');
        const f = w.of(F, { a, m, g_0: G0, s: v.share }, who);
        return { fx: f * dir[0], fy: f * dir[1], fz: f * dir[2], at };
      },
    });
    const both = pick.counts === 'both';
    return [
      one('thrown forward', k.fore, 'FMVSS 207 S4.2 (memory)', both, [1, 0, 0]),
      one('thrown aft', k.fore, 'FMVSS 207 S4.2 (memory)', both, [-1, 0, 0]),
      one('to port', k.side, 'common practice', both, [0, 1, 0]),
      one('to starboard', k.side, 'common practice', both, [0, -1, 0]),
      one('rebound up', k.up, 'common practice', true, [0, 0, 1]),
      { ...one('sitting down hard', k.down, 'common practice', true, [0, 0, -1]), action: 'variable' },
    ];
  },
  sketch: ({ v }) => [
    {
      from: 'side',
      shapes: [
        box('fitting', v.ahead - 210, v.height - 60, v.ahead + 230, v.height + 30),
        outline(
          'fitting',
          [v.ahead - 230, v.height - 40],
          [v.ahead - 150, v.height - 40],
          [v.ahead - 280, v.height + 560],
          [v.ahead - 350, v.height + 540],
        ),
        outline('part', [v.ahead - 130, v.height - 60], [-40, 0], [40, 0], [v.ahead + 130, v.height - 60]),
      ],
      handles: [
        { label: 'centre of mass', at: [v.ahead, v.height], drag: (u, w) => ({ ahead: Math.max(0, u), height: Math.max(0, w) }) },
      ],
    },
  ],
  worked: [
    {
      title: '18 kg seat, 20 g forward',
      source: 'FMVSS 207 S4.2, F = 20·m·g (memory): 20 × 18 kg × 9.80665 m/s² = 3530 N by hand',
      v: { seatMass: [18, '18 kg'] },
      expect: { caseIndex: 0, symbol: 'F', value: 3530.4, within: 0.1 },
    },
  ],
});
