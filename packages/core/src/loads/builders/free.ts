import { forceRange, lengthRange, momentRange } from '../../units/field-range';
import { builder, options } from '../builder';
import { field } from '../common-fields';
import { line } from '../sketch';

const force = (label: string, v = 0, text = '0 N') => field(forceRange(label, 'minus'), v, text);
const moment = (label: string) => field(momentRange(label, 'minus'), 0, '0 Nm');
const place = (label: string) => field(lengthRange(label, 10_000, 'minus'), 0, '0 mm');

/** A force and moment as typed, at a point. */
export const free = builder({
  kind: 'free',
  name: 'Force at a point',
  family: 'general',
  icon: 'north_east',
  says: 'A force and a moment as you know them, at their own point.',
  source: 'As typed; moved to the datum by statics',
  decides: 'Where the work can hurt someone, the local code and a licensed engineer decide.',
  cautions: [],
  fields: {
    fx: force('Fx, forward'),
    fy: force('Fy, to port'),
    fz: force('Fz, up', 1000, '1 kN'),
    mx: moment('Mx'),
    my: moment('My'),
    mz: moment('Mz, twist'),
    x: place('at x, forward'),
    y: place('at y, to port'),
    z: place('at height'),
  },
  factors: {},
  picks: {
    action: {
      label: 'It counts as',
      options: options(
        ['variable', 'variable: comes and goes'],
        ['permanent', 'permanent: always there'],
        ['accidental', 'accidental: crash or other'],
      ),
    },
  },
  cases: ({ v, pick }) => [
    {
      name: '',
      action: pick.action as 'variable' | 'permanent' | 'accidental',
      of: () => ({ fx: v.fx, fy: v.fy, fz: v.fz, mx: v.mx, my: v.my, mz: v.mz, at: { x: v.x, y: v.y, z: v.z } }),
    },
  ],
  sketch: ({ v }) => [
    {
      from: 'side',
      shapes: [line('part', [0, 0], [v.x, v.z])],
      handles: [{ label: 'point of application', at: [v.x, v.z], drag: (u, w) => ({ x: u, z: w }) }],
    },
    {
      from: 'aft',
      shapes: [line('part', [0, 0], [-v.y, v.z])],
      handles: [{ label: 'point of application, from aft', at: [-v.y, v.z], drag: (u, w) => ({ y: -u, z: w }) }],
    },
  ],
  worked: [
    {
      title: '1 kN upward, 200 mm ahead',
      source: 'Statics by hand, r × F: M_y = −200 mm × 1000 N',
      v: { x: [200, '200 mm'] },
      expect: { caseIndex: 0, symbol: 'M_y', value: -200_000, within: 1 },
    },
  ],
});
