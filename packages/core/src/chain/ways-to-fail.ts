import { contains, rectAbout } from '../geometry/rects';
import { placeInAxes } from '../geometry/vector';
import { stiffWords } from '../job/long-base';
import { BETWEEN_BEARERS, panelOf } from '../job/outlines';
import type { Job } from '../job/schema';
import { zonesUnder } from '../job/zones';
import { casesOf } from '../loads/cases';

/** A way to fail that no link speaks for: in general, and in words for the jobs it can happen to. */
export interface Unjudged {
  readonly what: string;
  readonly of: string;
  readonly says: (job: Job) => readonly string[];
}

/** What can fail of one part of the load path: by which links it is judged, and what of it by none. */
export interface WaysToFail {
  readonly part: string;
  /** Ids of the links that speak for it. */
  readonly judged: readonly string[];
  readonly not: readonly Unjudged[];
}

const STAINLESS = /^(A2|A4|F593)/;
/** Hard enough to crack by hydrogen, at once or after weeks (ISO 898-1 §9.1 note, from memory: 12.9 with caution). */
const BRITTLE: ReadonlySet<string> = new Set(['12.9', 'A490']);

const where = (asked: (job: Job) => boolean, what: string, of: string, says = what): Unjudged => ({
  what,
  of,
  says: (job) => (asked(job) ? [says] : []),
});

const onLaminate = ({ skin }: Job) => skin.kind === 'laminate' || skin.kind === 'sandwich';
const bolted = (job: Job) => job.bolts.items.length > 0;
const nutted = (job: Job) => bolted(job) && job.joint.holding !== 'lag screw';
const classes = ({ bolts }: Job) => [bolts.class, ...(bolts.kinds ?? []).map((k) => k.class)];
const bonded = ({ joint }: Job) => joint.bedding === 'bonded';
const eyes = (job: Job) => job.lug !== undefined || (job.parts ?? []).some((p) => p.eye);
const works = (job: Job, as: string) => (job.parts ?? []).some((p) => p.works?.as === as);
/** Something of its load is weight, which stays when the rest has gone. */
const hasWeight = (job: Job) => casesOf(job).some((c) => c.weight !== undefined && c.action === 'variable');
const creeps = (job: Job) => onLaminate(job) || job.skin.kind === 'timber' || job.skin.kind === 'plywood' || bonded(job);

/** The job's own parts that no link speaks for. */
function idleParts(job: Job): string[] {
  const names = (job.parts ?? []).filter((p) => !p.eye && !p.works).map((p) => p.name.toLowerCase());
  if (names.length === 0) return [];
  const more = names.length > 3 ? ' and others' : '';
  return [`what these parts carry and how they are fixed: ${names.slice(0, 3).join(', ')}${more}`];
}

/** Other feet that stand between this foot's bearers, where the job does not say that they share its panel. */
function feetOnThisPanel(job: Job): string[] {
  const { stands } = job;
  const foot = stands?.feet.find((f) => f.id === stands.foot);
  if (!stands || !foot || stands.on === 'one panel' || job.skin.kind === 'bed') return [];
  const panel = panelOf(job);
  const near = stands.feet.filter((f) => f !== foot && contains(panel, placeInAxes(f, foot, foot.turn)));
  if (near.length === 0) return [];
  const names = near
    .slice(0, 3)
    .map((f) => f.name)
    .join(', ');
  return [
    `what the feet beside it bring to its panel (${names}${near.length > 3 ? ' and others' : ''}): say under How it stands that they stand on one panel`,
  ];
}

const heldByNothing = (job: Job): boolean => {
  const base = rectAbout({ x: 0, y: 0 }, job.base.length.v, job.base.width.v);
  return job.welds.fitting === 'none' && !job.bolts.items.some((b) => contains(base, b));
};

/**
 * Everything on the load path, from the fitting to what bears the structure: which link judges it, and what no link does. The note
 * beside every verdict, the reports and the table of methods read from here; a new check stands in one line of it.
 */
export const WAYS_TO_FAIL: readonly WaysToFail[] = [
  {
    part: 'structure',
    judged: [
      'skin-bearing',
      'local-dishing',
      'skin-bending',
      'deflection',
      'core-shear',
      'timber-joint',
      'lag-withdrawal',
      'lag-both',
      'timber-spacing',
      'group-tear-out',
      'timber-bending',
      'timber-shear',
      'timber-splitting',
      'member',
      'wall-face',
      'section-crush',
      'flange-bending',
      'flange-web',
      'flange-edge',
      'bed-anchors',
    ],
    not: [
      where((j) => j.skin.kind === 'hollow', 'what else the section carries, and its ends', 'hollow sections'),
      where((j) => j.skin.kind === 'flange', 'the member itself: its span, its twist, its ends', 'flanges'),
      where((j) => j.skin.kind === 'flange', 'the web bent across itself under the load', 'flanges'),
      where(onLaminate, 'a bolt torn out to the laminate’s edge, and its section at the holes', 'laminate and sandwich skins'),
      where(
        zonesUnder,
        'how the panel bends where its skin changes: judged as if all of it were either, the worse stands',
        'panels with zones under the plate',
      ),
      { what: 'what other feet bring to the panel', of: 'several feet between one foot’s bearers', says: feetOnThisPanel },
    ],
  },
  {
    part: 'fitting',
    judged: [
      'lug-tension',
      'lug-fracture',
      'lug-shear',
      'lug-end',
      'lug-bearing',
      'lug-foot',
      'pin-shear',
      'pin-bending',
      'link-body',
      'tab-foot',
      'rated-fitting',
      'bracket',
      'brace',
      'block',
      'fitting-weld',
      'base-bearing',
      'base-hole',
      'head-bearing',
      'countersink',
    ],
    not: [
      {
        what: 'a long base that is said to be stiff',
        of: 'bases over five times as long as wide',
        says: (job) => stiffWords(job),
      },
      {
        what: 'the fitting itself: its base, its welds',
        of: 'every fitting; of one with a lug its base plate under it',
        says: (job) => [
          job.lug
            ? 'the fitting’s own base plate under its lug, and the weld of that lug'
            : 'the fitting itself: its base, its welds',
        ],
      },
      where(
        heldByNothing,
        'how the fitting is held to the plate: no weld is written down and no bolt passes through its base',
        'fittings nothing is said of',
      ),
      where(eyes, 'the legs of the fork on its pin', 'lugs and eyes'),
      { what: 'what parts carry that have no work of their own', of: 'parts made besides', says: idleParts },
      where(
        (j) => works(j, 'bracket') || works(j, 'arm') || j.plate.fold !== undefined,
        'buckling of a gusset, a flange or an arm that is pushed',
        'brackets, arms and folded plates',
      ),
      where((j) => j.stands !== undefined, 'the fitting between its feet, taken as stiff', 'fittings on several feet'),
    ],
  },
  {
    part: 'fasteners',
    judged: [
      'stud-weld',
      'bolt-tension',
      'bolt-shear',
      'bolt-combined',
      'bolt-bending',
      'row-share',
      'joint-opens',
      'slip',
      'nut-class',
      'nut-thread',
      'thread-engaged',
    ],
    not: [
      where(nutted, 'bolts that work loose, and how far their preload scatters', 'bolts with nuts or in threads'),
      where(
        (j) => j.bolts.items.length > 1 && j.joint.tightening !== 'slip resistant' && !bonded(j),
        'one bolt in its hole before the others, by the play of the holes',
        'several bolts that bear sideways',
      ),
      where(
        (j) => bolted(j) && (j.skin.kind === 'flange' || (j.skin.kind === 'hollow' && j.skin.form === 'round')),
        'a bolt bent by a face that leans under its head or nut',
        'flanges and round tubes',
      ),
      where(
        (j) => classes(j).some((c) => BRITTLE.has(c)),
        'bolts as hard as 12.9 cracking by hydrogen, plated or wet',
        'class 12.9 and A490',
      ),
      where(
        (j) => j.joint.place === 'salt' && classes(j).some((c) => STAINLESS.test(c)),
        'stress corrosion of stainless where it is warm and salt',
        'stainless bolts where there is salt',
      ),
    ],
  },
  {
    part: 'plate and far side',
    judged: [
      'doubler-weld',
      'weld-size',
      'plate-bending',
      'plate-bearing',
      'punching',
      'net-section',
      'plate-section',
      'block-tearing',
      'edge-and-pitch',
      'fold',
      'spacer',
      'pull-through',
      'washer-crush',
      'washer-dishing',
      'backing-bending',
    ],
    not: [
      where(
        (j) => !bolted(j) && j.welds.doubler !== 'none',
        'the plate cut in its own plane between its welds',
        'plates held by welds alone',
      ),
      where((j) => j.joint.packing === 'spacers', 'buckling of the plate between its spacers', 'plates on spacers'),
    ],
  },
  {
    part: 'joint as a whole',
    judged: ['bond', 'glued-head', 'galvanic', 'access', 'wrench-room', 'stack-height', 'pack-rules'],
    not: [
      where((j) => onLaminate(j) || bonded(j), 'heat on laminate, core and glue', 'laminate, sandwich and bonded joints'),
      where(
        (j) => creeps(j) && hasWeight(j),
        'the weight alone, as a load that stays, in cases that pass',
        'weights on wood, laminate and glue',
      ),
    ],
  },
  {
    part: 'what bears it',
    judged: [],
    not: [
      where((j) => BETWEEN_BEARERS.includes(j.skin.kind), 'the bearers and what holds them', 'panels between bearers'),
      where((j) => !BETWEEN_BEARERS.includes(j.skin.kind), 'what holds the member or bed itself', 'members and beds'),
      where(() => true, 'fatigue', 'every job; of bolts in tension a life is given under Prove'),
    ],
  },
];

/** What of the real load path no link here judges, in words for beside the verdict: what is this job's own comes first. */
export const notJudged = (job: Job): string[] => WAYS_TO_FAIL.flatMap((w) => w.not.flatMap((u) => u.says(job)));
