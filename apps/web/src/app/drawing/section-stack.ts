import { farLayersOf, farOutlineOf, panelOf } from '@core/job/outlines';
import { packedUnder } from '@core/job/packed-under';
import type { Bolt, Job } from '@core/job/schema';
import { jobOfKind } from '@core/job/fastener-kinds';
import { jobAt } from '@core/job/zones';
import { fastenerSize } from '@core/stock/fasteners';
import { metal } from '@core/stock/metals';
import { formatQuantity } from '@core/units/format-quantity';
import { boltInSection } from './section-bolt';
import { inBaseRow, levelsOf } from './section-levels';

/** One cut part of the stack. z grows downwards from the plate's near face. */
export interface Layer {
  readonly part: 'base' | 'plate' | 'packer' | 'skin' | 'core' | 'hollow' | 'backing' | 'bearer' | 'leg';
  readonly x0: number;
  readonly x1: number;
  readonly top: number;
  readonly bottom: number;
  readonly words: string;
}

/** A face that drags to another stock thickness; `sense` 1 where up is thicker. */
export interface Face {
  readonly part: 'plate' | 'backing';
  readonly y: number;
  readonly thickness: number;
  readonly sense: 1 | -1;
  readonly label: string;
}

type SkinLayer = Pick<Layer, 'part' | 'top' | 'bottom' | 'words'>;

/** The skin as it is built up: faces and core, two walls with the hollow between, or solid. */
function skinLayers(job: Job, top: number, bottom: number, show: (mm: number) => string): SkinLayer[] {
  const s = job.skin;
  if (s.kind === 'sandwich')
    return [
      { part: 'skin', top, bottom: top + s.nearFace.v, words: `face ${show(s.nearFace.v)}` },
      {
        part: 'core',
        top: top + s.nearFace.v,
        bottom: bottom - s.farFace.v,
        words: `${s.core === 'unknown' ? 'unknown' : s.core} core ${show(bottom - top - s.nearFace.v - s.farFace.v)}`,
      },
      { part: 'skin', top: bottom - s.farFace.v, bottom, words: `face ${show(s.farFace.v)}` },
    ];
  if (s.kind === 'hollow')
    return [
      { part: 'skin', top, bottom: top + s.wall.v, words: `wall ${show(s.wall.v)}` },
      { part: 'hollow', top: top + s.wall.v, bottom: bottom - s.wall.v, words: '' },
      { part: 'skin', top: bottom - s.wall.v, bottom, words: `section ${show(bottom - top)} deep` },
    ];
  return [
    {
      part: 'skin',
      top,
      bottom,
      words: `${s.kind === 'timber' ? `timber ${s.grade}` : s.kind === 'bed' ? 'bed' : 'skin'} ${show(bottom - top)}`,
    },
  ];
}

/** A tube or plug round the bolt, cut: its outside, its wall (0 for a solid plug) and where it stands. */
export interface RoundBolt {
  readonly of: 'sleeve' | 'plug' | 'spacer';
  readonly outside: number;
  readonly wall: number;
  readonly top: number;
  readonly bottom: number;
}

export function roundBolt(job: Job, bolt?: Bolt): RoundBolt[] {
  const { plate, skin } = levelsOf(job, bolt && packedUnder(job)(bolt));
  const under = skin + job.skin.thickness.v;
  const { packing, sleeve, tubeOutside, tubeWall } = job.joint;
  const tube = { outside: tubeOutside.v, wall: Math.min(tubeWall.v, tubeOutside.v / 2) };
  return [
    ...(packing === 'spacers' ? [{ of: 'spacer' as const, ...tube, top: plate, bottom: skin }] : []),
    ...(sleeve === 'sleeve' ? [{ of: 'sleeve' as const, ...tube, top: skin, bottom: under }] : []),
    ...(sleeve === 'plug' ? [{ of: 'plug' as const, outside: tubeOutside.v, wall: 0, top: skin, bottom: under }] : []),
  ];
}

/** What was measured to go under the plate at this bolt, as wide as a washer either side; past a packer under the whole plate. */
function shimAt(job: Job, bolt: Bolt | undefined, plate: number, skin: number, show: (mm: number) => string) {
  const all = job.joint.packing === 'none' ? 0 : (bolt?.packed ?? job.joint.packer).v;
  const high = skin - plate - all;
  if (!bolt || high < 0.05) return [];
  const half = fastenerSize(job.bolts.size)?.washer.outside ?? 10;
  return [{ x0: bolt.x - half, x1: bolt.x + half, top: plate + all, bottom: skin, words: `packer ${show(high)}, measured` }];
}

type Cut = (part: Layer['part'], x0: number, x1: number, top: number, bottom: number, words?: string) => Layer[];

/** The leg of an edge bent up fore or aft, as a piece standing past the plate's edge; along the sides it is seen behind. */
function legOf(job: Job, cut: Cut): Layer[] {
  const { fold, x0, x1, thickness } = job.plate;
  if (!fold) return [];
  const t = thickness.v;
  const past = fold.radius.v + t;
  const [top, bottom] = [t - fold.height.v, t];
  const words = `${fold.edge} edge bent up ${formatQuantity(fold.height.v, 'length', job.units)}`;
  if (fold.edge === 'fore')
    return [...cut('plate', x1 + past - t, x1 + past, top, bottom, words), ...cut('plate', x1, x1 + past - t, 0, t)];
  if (fold.edge === 'aft')
    return [...cut('plate', x0 - past, x0 - past + t, top, bottom, words), ...cut('plate', x0 - past + t, x0, 0, t)];
  return cut('leg', x0, x1, top, 0, words);
}

/** The parts between `left` and `right`, cut fore and aft through the bolt's row. */
export function layersOf(job: Job, bolt: Bolt | undefined, left: number, right: number): Layer[] {
  const cut = (part: Layer['part'], x0: number, x1: number, top: number, bottom: number, words = ''): Layer[] =>
    Math.min(x1, right) > Math.max(x0, left)
      ? [{ part, x0: Math.max(x0, left), x1: Math.min(x1, right), top, bottom, words }]
      : [];
  const { plate, skin, under, far } = levelsOf(job, bolt && packedUnder(job)(bolt));
  const below = skin + job.skin.thickness.v;
  const packed = (bolt?.packed ?? job.joint.packer).v;
  const panel = panelOf(job);
  const half = job.base.length.v / 2;
  const show = (mm: number) => formatQuantity(mm, 'length', job.units);
  const metalName = (id: string) => metal(id, job.ownStock.metals)?.name ?? id;
  const each = job.plate.thickness.v;
  const layers = [
    ...Array.from({ length: job.plate.layers }, (_, i) =>
      cut(
        'plate',
        job.plate.x0,
        job.plate.x1,
        i * each,
        (i + 1) * each,
        i === 0
          ? `${job.plate.layers > 1 ? `${job.plate.layers} plates` : 'plate'} ${job.plate.thickness.text}, ${metalName(job.plate.metal)}`
          : '',
      ),
    ).flat(),
    ...(job.joint.packing === 'packer'
      ? cut('packer', job.plate.x0, job.plate.x1, plate, plate + packed, `packer ${show(packed)}`)
      : []),
    ...shimAt(job, bolt, plate, skin, show).flatMap((l) => cut('packer', l.x0, l.x1, l.top, l.bottom, l.words)),
    ...legOf(job, cut),
    ...skinLayers(job, skin, below, show).flatMap((l) => cut(l.part, left, right, l.top, l.bottom, l.words)),
    ...cut('bearer', panel.x1, panel.x1 + 40, Math.max(below, far), Math.max(below, far) + 12),
    ...cut('bearer', panel.x0 - 40, panel.x0, Math.max(below, far), Math.max(below, far) + 12),
  ];
  if (inBaseRow(job, bolt))
    layers.unshift(...cut('base', -half, half, -job.base.thickness.v, 0, `base ${show(job.base.thickness.v)}`));
  const { far: backing } = job;
  if (backing.kind === 'plate' || backing.kind === 'strips') {
    const n = farLayersOf(backing);
    const name = backing.kind === 'strips' ? 'strips' : n > 1 ? `backing ${n} ×` : 'backing';
    const words = `${name} ${backing.thickness.text}, ${metalName(backing.metal)}`;
    const { x0, x1 } = farOutlineOf(job);
    const across = backing.kind === 'strips' && backing.along === 'y';
    const half = across ? backing.width.v / 2 : Infinity;
    const at = bolt?.x ?? 0;
    layers.push(...cut('backing', Math.max(x0, at - half), Math.min(x1, at + half), under, far, words));
  }
  return layers;
}

export function facesOf(job: Job): Face[] {
  const plate: Face = {
    part: 'plate',
    y: 0,
    thickness: job.plate.thickness.v,
    sense: 1,
    label: `Plate thickness, ${job.plate.thickness.text}`,
  };
  if (job.far.kind !== 'plate' && job.far.kind !== 'strips') return [plate];
  const y = levelsOf(job).far;
  return [
    plate,
    {
      part: 'backing',
      y,
      thickness: job.far.thickness.v,
      sense: -1,
      label: `Backing plate thickness, ${job.far.thickness.text}`,
    },
  ];
}

/** Labels beside the parts, pushed apart so that none covers another. */
export function labelsOf(layers: readonly Layer[], text: number) {
  const labels = layers
    .filter((l) => l.words !== '')
    .map((l) => ({
      part: l.part,
      words: l.words,
      edge: l.x1,
      mid: (l.top + l.bottom) / 2,
      y: (l.top + l.bottom) / 2 + text * 0.32,
    }))
    .sort((a, b) => a.mid - b.mid);
  labels.forEach((l, i) => (l.y = i === 0 ? l.y : Math.max(l.y, labels[i - 1]!.y + text * 1.25)));
  return labels;
}

/** The stack cut through a bolt, drawn with the fastener that bolt is. */
export function sectionOf(whole: Job, bolt: Bolt | undefined, left: number, right: number, text: number) {
  const ofKind = jobOfKind(whole, bolt?.kind);
  const job = bolt ? jobAt(ofKind, bolt) : ofKind;
  const size = fastenerSize(job.bolts.size);
  const layers = layersOf(job, bolt, left, right);
  const drawn = bolt && size ? boltInSection(job, bolt, size) : undefined;
  const words = labelsOf(layers, text);
  const tops = layers.map((l) => l.top);
  const bottoms = layers.map((l) => l.bottom);
  return {
    layers,
    bolt: drawn,
    round: drawn ? roundBolt(job, bolt) : [],
    words,
    faces: facesOf(job),
    top: Math.min(drawn?.top ?? 0, ...tops) - 4,
    bottom: Math.max(drawn?.end ?? 0, words.at(-1)?.y ?? 0, ...bottoms) + 4,
  };
}
