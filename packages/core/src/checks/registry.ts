import { baseBearing } from './base-bearing';
import { boltCombined } from './bolt-combined';
import { boltShear } from './bolt-shear';
import { boltTension } from './bolt-tension';
import type { Check } from './check';
import { edgeAndPitch } from './edge-and-pitch';
import { nutClassCheck } from './nut-class';
import { nutThread } from './nut-thread';
import { plateBearing } from './plate-bearing';
import { plateBending } from './plate-bending';
import { pullThrough } from './pull-through';
import { skinBearing } from './skin-bearing';
import { skinBending } from './skin-bending';
import { washerCrush } from './washer-crush';

/** Every check, in section order from fitting to structure. A new check is one line here. */
export const CHECKS: readonly Check[] = [
  baseBearing,
  boltTension,
  boltShear,
  boltCombined,
  nutClassCheck,
  nutThread,
  plateBending,
  plateBearing,
  edgeAndPitch,
  pullThrough,
  washerCrush,
  skinBearing,
  skinBending,
];
