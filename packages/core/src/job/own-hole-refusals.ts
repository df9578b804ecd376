import { formatQuantity } from '../units/format-quantity';
import { refuse, type Refusal } from '../units/refusal';
import { atBolt } from './of-kind';
import type { Resolved } from './resolved';

const THREADED = ['tapped', 'rivet nut', 'lag screw', 'weld nut', 'stud'] as const;

/** What cannot be made of the holes bolt i has of its own, each by its layer. */
export function ownHoleRefusals(r: Resolved, i: number): Refusal[] {
  const b = r.job.bolts.items[i]!;
  const own = b.holes;
  if (!own) return [];
  const mm = (v: number) => formatQuantity(v, 'length', r.job.units);
  const at = atBolt(r, i);
  const field = (layer: string) => `bolts.items.${i}.holes.${layer} (${b.id})`;
  const no: Refusal[] = [];
  const { d } = at;

  for (const layer of ['plate', 'skin', 'backing'] as const)
    if (own[layer] && own[layer].v < d - 1e-6)
      no.push(refuse(field(layer), `${mm(own[layer].v)} is narrower than the ${mm(d)} bolt`, `at least ${mm(d)}`));
  if (own.slot && own.slot.v < at.d0 - 1e-6)
    no.push(refuse(field('slot'), `a slot ${mm(own.slot.v)} long is no longer than it is wide`, `at least ${mm(at.d0)}`));
  if (own.turn !== undefined && !own.slot) no.push(refuse(field('turn'), 'a round hole has no turn', 'a slot, or no turn'));
  if (!r.bolts[i]!.throughBase && at.d0 >= at.washerOutside - 1e-6)
    no.push(
      refuse(field('plate'), `the washer of ${mm(at.washerOutside)} falls through ${mm(at.d0)}`, `under ${mm(at.washerOutside)}`),
    );
  return [...no, ...layerRefusals(r, i)];
}

/** What the skin and the backing do not let have a hole of its own. */
function layerRefusals(r: Resolved, i: number): Refusal[] {
  const b = r.job.bolts.items[i]!;
  const own = b.holes!;
  const mm = (v: number) => formatQuantity(v, 'length', r.job.units);
  const at = atBolt(r, i);
  const { far } = at;
  const field = (layer: string) => `bolts.items.${i}.holes.${layer} (${b.id})`;
  const no: Refusal[] = [];
  const threaded = THREADED.some((h) => h === at.joint.holding);
  const backed = 'metal' in r.job.far;
  if (own.skin && threaded && !backed)
    no.push(refuse(field('skin'), 'the bolt is held by a thread in the skin', 'no hole of its own there'));
  if (own.skin && at.joint.sleeve !== 'none')
    no.push(refuse(field('skin'), `the skin is drilled for the ${at.joint.sleeve}`, 'no hole of its own there'));
  if (own.skin && !threaded && far.kind === 'washer' && own.skin.v >= far.outside - 1e-6)
    no.push(
      refuse(
        field('skin'),
        `the washer of ${mm(far.outside)} falls through ${mm(own.skin.v)}`,
        `under ${mm(far.outside)}, or a backing plate`,
      ),
    );
  if (own.backing && !backed) no.push(refuse(field('backing'), 'there is no plate on the far side', 'no hole of its own there'));
  if (own.backing && threaded)
    no.push(refuse(field('backing'), 'a thread or a nut is made in the backing', 'no hole of its own there'));
  if (own.backing && far.kind === 'plate' && own.backing.v >= at.washerOutside - 1e-6)
    no.push(
      refuse(
        field('backing'),
        `the washer of ${mm(at.washerOutside)} falls through ${mm(own.backing.v)}`,
        `under ${mm(at.washerOutside)}`,
      ),
    );
  return no;
}
