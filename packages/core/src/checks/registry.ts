import { baseBearing } from './base-bearing';
import { blockTearing } from './block-tearing';
import { boltCombined } from './bolt-combined';
import { boltShear } from './bolt-shear';
import { boltTension } from './bolt-tension';
import type { Check } from './check';
import { deflection } from './deflection';
import { edgeAndPitch } from './edge-and-pitch';
import { flangeBending } from './flange/flange-bending';
import { flangeEdge } from './flange/flange-edge';
import { flangeWeb } from './flange/flange-web';
import { fold } from './fold';
import { sectionCrush } from './hollow/section-crush';
import { member } from './hollow/member';
import { wallFace } from './hollow/wall-face';
import { localDishing } from './local-dishing';
import { baseHole, countersink, headBearing } from './base-holes';
import { linkBody } from './lug/link-body';
import { lugBearing } from './lug/lug-bearing';
import { lugFoot } from './lug/lug-foot';
import { lugEnd, lugFracture, lugShear, lugTension } from './lug/lug-strength';
import { pinBending, pinShear } from './lug/pin';
import { tabFoot } from './lug/tab-foot';
import { netSection } from './net-section';
import { plateSection } from './plate-section';
import { block } from './parts/block';
import { brace } from './parts/brace';
import { bracket } from './parts/bracket';
import { ratedFitting } from './parts/rated-fitting';
import { nutClassCheck } from './nut-class';
import { nutThread } from './nut-thread';
import { plateBearing } from './plate-bearing';
import { plateBending } from './plate-bending';
import { jointOpens } from './preload/joint-opens';
import { slip } from './preload/slip';
import { pullThrough } from './pull-through';
import { punching } from './punching';
import { rowShare } from './row-share';
import { coreShear } from './sandwich/core-shear';
import { skinBearing } from './skin-bearing';
import { skinBending } from './skin-bending';
import { boltBending, spacer } from './spacers';
import { threadEngaged } from './thread-engaged';
import { groupTearOut } from './timber/group-tear-out';
import { lagBoth, lagWithdrawal } from './timber/lag-withdrawal';
import { timberBending } from './timber/timber-bending';
import { timberShear } from './timber/timber-shear';
import { timberSplitting } from './timber/timber-splitting';
import { timberJoint } from './timber/timber-joint';
import { timberSpacing } from './timber/timber-spacing';
import { washerCrush } from './washer-crush';
import { washerDishing } from './washer-dishing';
import { doublerWeld } from './weld/doubler-weld';
import { fittingWeld } from './weld/fitting-weld';
import { studWeld } from './weld/stud-weld';
import { weldSize } from './weld/weld-size';
import { access, stackHeight, wrenchRoom } from './whole/access';
import { bedAnchors } from './whole/bed-anchors';
import { bond } from './whole/bond';
import { galvanic } from './whole/galvanic';
import { gluedHead } from './whole/glued-head';
import { packRules } from './whole/pack-rules';
import { backingBending } from './backing-bending';

/** Every check, in section order from fitting to structure, then what concerns the joint as a whole. A new check is one line here. */
export const CHECKS: readonly Check[] = [
  lugTension,
  lugFracture,
  lugShear,
  lugEnd,
  lugBearing,
  lugFoot,
  pinShear,
  pinBending,
  linkBody,
  tabFoot,
  ratedFitting,
  bracket,
  brace,
  block,
  fittingWeld,
  doublerWeld,
  weldSize,
  studWeld,
  baseBearing,
  baseHole,
  headBearing,
  countersink,
  boltTension,
  boltShear,
  boltCombined,
  boltBending,
  rowShare,
  jointOpens,
  slip,
  nutClassCheck,
  nutThread,
  threadEngaged,
  plateBending,
  plateBearing,
  punching,
  netSection,
  plateSection,
  blockTearing,
  edgeAndPitch,
  fold,
  spacer,
  pullThrough,
  washerCrush,
  washerDishing,
  backingBending,
  skinBearing,
  localDishing,
  skinBending,
  deflection,
  coreShear,
  timberJoint,
  lagWithdrawal,
  lagBoth,
  timberSpacing,
  groupTearOut,
  timberBending,
  timberShear,
  timberSplitting,
  member,
  wallFace,
  sectionCrush,
  flangeBending,
  flangeWeb,
  flangeEdge,
  bedAnchors,
  bond,
  gluedHead,
  galvanic,
  access,
  wrenchRoom,
  stackHeight,
  packRules,
];
