import { forceRange, lengthRange } from '../../units/field-range';
import { formula } from '../../working/formula';
import { builder, options, type CaseOf } from '../builder';
import { factor, field, height, reach, share } from '../common-fields';
import { box, line, person } from '../sketch';

const P = formula('P', 'φ·F_p·s', 'N');
const TURN = formula('M_h', 'F_out·h', 'N·mm');
const COUPLE = formula('T', 'P·o/a', 'N');

/** Ladder, grab rail or step: a person off the wall, and a person pulling straight out. */
export const ladder = builder({
  kind: 'ladder',
  name: 'Ladder, rail, step',
  family: 'ladder',
  icon: 'stairs',
  says: 'A person on the worst step presses down at its offset from the wall; the couple pulls the top bolts.',
  source: 'Statics: couple = P·offset/bolt spacing',
  decides: 'Access for people: the local building or vessel rules decide, likely ISO 14122 or ISO 15085.',
  cautions: ['The worst step governs: check the farthest one out.'],
  fields: {
    person: field(forceRange('Person'), 1500, '1.5 kN', '1.0 to 1.5 kN by the local rule'),
    offset: reach('Step offset from the plate', 260, [20, 1500]),
    along: field(lengthRange('Step below (−) or above the plate', 5000, 'minus'), 0, '0 mm'),
    spacing: field(lengthRange('Bolt spacing along the fall, for the hand check', 2000, 'over 0', [20, 1000]), 100, '100 mm'),
    out: field(forceRange('Pull straight out, swinging', '0'), 1000, '1 kN'),
    height: height('Hand above the step for the pull', 0),
    share,
  },
  factors: { dynamic: factor('φ', 'On the person, climbing', 1, 'the local rule’s load has it inside', [1, 3]) },
  picks: {
    mount: { label: 'Plate stands on', options: options(['wall', 'a wall or side (x up)'], ['deck', 'a deck or floor']) },
  },
  cases({ v, k, pick }) {
    const wall = pick.mount === 'wall';
    const load = (name: string, pull: number): CaseOf => ({
      name,
      action: 'variable',
      of(w) {
        const p = w.of(P, { φ: k.dynamic, F_p: v.person, s: v.share }, 'statics');
        w.of(COUPLE, { P: p, o: v.offset, a: v.spacing }, 'hand check: pull in the top bolts as a couple over their spacing');
        const out = pull > 0 ? w.found('F_out', pull, 'N', 'a person swinging out, statics') : 0;
        const turn = out > 0 ? w.of(TURN, { F_out: out, h: v.height }, 'the hand pulls above the step') : 0;
        return wall
          ? { fx: -p, fz: out, my: -turn, at: { x: v.along, y: 0, z: v.offset } }
          : { fz: -p, fx: out, my: turn, at: { x: v.offset, y: 0, z: v.along } };
      },
    });
    const cases = [load('on the outer step', 0)];
    if (v.out > 0) cases.push(load('swinging out', v.out * v.share));
    return cases;
  },
  sketch({ v, pick }) {
    if (pick.mount === 'wall')
      return [
        {
          from: 'wall',
          shapes: [
            box('fitting', 0, v.along - 12, v.offset + 40, v.along + 12),
            line('part', [v.offset, v.along - 700], [v.offset, v.along + 700]),
            ...person([v.offset + 30, v.along + 12]),
          ],
          handles: [{ label: 'step', at: [v.offset, v.along], drag: (u, w) => ({ offset: Math.max(0, u), along: w }) }],
        },
      ];
    const z = v.along;
    return [
      {
        from: 'side',
        shapes: [
          box('fitting', -20, Math.min(0, z - 20), 20, Math.max(0, z + 20)),
          box('fitting', -20, z - 10, v.offset + 60, z + 14),
          ...person([v.offset, z + 14]),
        ],
        handles: [{ label: 'step', at: [v.offset, z], drag: (u, w) => ({ offset: Math.max(0, u), along: w }) }],
      },
    ];
  },
  worked: [
    {
      title: '1.5 kN on a step 260 mm out, bolts 100 mm apart',
      source: 'Couple by hand: 1.5 kN × 260/100 = 3.9 kN',
      expect: { caseIndex: 0, symbol: 'T', value: 3900, within: 0.5 },
    },
  ],
});
