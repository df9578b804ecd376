import { formatQuantity } from '../units/format-quantity';
import { refuse, type Refusal } from '../units/refusal';
import { atBolt } from './of-kind';
import type { Resolved } from './resolved';

/** Where the web's faces are across a flange whose middle is at y = 0. */
export function webFaces(s: {
  readonly of: 'beam' | 'channel' | 'angle';
  readonly webAt: 'port' | 'starboard';
  readonly width: number;
  readonly web: number;
}): readonly [number, number] {
  if (s.of === 'beam') return [-s.web / 2, s.web / 2];
  return s.webAt === 'port' ? [s.width / 2 - s.web, s.width / 2] : [-s.width / 2, s.web - s.width / 2];
}

/** A flange that is no flange, and bolts off it or in its web. */
export function flangeRefusals(r: Resolved): Refusal[] {
  const mm = (v: number) => formatQuantity(v, 'length', r.job.units);
  const s = r.substrate;
  if (s.kind !== 'flange') return [];
  const no: Refusal[] = [];
  if (s.web >= s.width || s.thickness >= s.depth)
    no.push(
      refuse(
        'skin.web',
        `a web of ${mm(s.web)} under a flange of ${mm(s.width)}`,
        'a web under the flange width, a flange under the depth',
      ),
    );
  const web = webFaces(s);
  r.bolts.forEach((b, i) => {
    const { skinHole: d0, washerOutside } = atBolt(r, i);
    const field = `bolts.items.${i} (${b.id})`;
    const toe = s.width / 2 - Math.abs(b.y);
    const clear = Math.max(web[0] - b.y, b.y - web[1]);
    if (toe < d0 / 2) no.push(refuse(field, 'its hole is not in the flange', `at least ${mm(d0 / 2)} from the flange’s toe`));
    else if (clear < washerOutside / 2 - 1e-6)
      no.push(refuse(field, 'its washer fouls the web under the flange', `at least ${mm(washerOutside / 2)} from the web`));
  });
  return no;
}
