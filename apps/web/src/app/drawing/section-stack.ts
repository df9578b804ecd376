import { panelOf } from '@core/job/resolve';
import type { Bolt, Job } from '@core/job/schema';
import { fastenerSize, type FastenerSize } from '@core/stock/fasteners';
import { metal } from '@core/stock/metals';
import { formatQuantity } from '@core/units/format-quantity';

/** One cut part of the stack. z grows downwards from the plate's near face. */
export interface Layer {
  readonly part: 'base' | 'plate' | 'skin' | 'backing' | 'bearer';
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

const metalName = (id: string) => metal(id)?.name ?? id;
const backingOf = (job: Job) => (job.far.kind === 'plate' ? job.far.thickness.v : 0);

function inBase(job: Job, bolt: Bolt | undefined): { row: boolean; through: boolean } {
  const row = bolt !== undefined && Math.abs(bolt.y) <= job.base.width.v / 2;
  return { row, through: row && Math.abs(bolt.x) <= job.base.length.v / 2 };
}

/** The parts between `left` and `right`, cut fore and aft through the bolt's row. */
export function layersOf(job: Job, bolt: Bolt | undefined, left: number, right: number): Layer[] {
  const cut = (part: Layer['part'], x0: number, x1: number, top: number, bottom: number, words = ''): Layer[] =>
    Math.min(x1, right) > Math.max(x0, left)
      ? [{ part, x0: Math.max(x0, left), x1: Math.min(x1, right), top, bottom, words }]
      : [];
  const t = job.plate.thickness.v;
  const under = t + job.skin.thickness.v;
  const far = under + backingOf(job);
  const panel = panelOf(job);
  const half = job.base.length.v / 2;
  const show = (mm: number) => formatQuantity(mm, 'length', job.units);
  const layers = [
    ...cut('plate', job.plate.x0, job.plate.x1, 0, t, `plate ${job.plate.thickness.text}, ${metalName(job.plate.metal)}`),
    ...cut('skin', left, right, t, under, `skin ${show(job.skin.thickness.v)}`),
    ...cut('bearer', panel.x1, panel.x1 + 40, far, far + 12),
    ...cut('bearer', panel.x0 - 40, panel.x0, far, far + 12),
  ];
  if (inBase(job, bolt).row)
    layers.unshift(...cut('base', -half, half, -job.base.thickness.v, 0, `base ${show(job.base.thickness.v)}`));
  if (job.far.kind === 'plate')
    layers.push(
      ...cut('backing', job.plate.x0, job.plate.x1, under, far, `backing ${job.far.thickness.text}, ${metalName(job.far.metal)}`),
    );
  return layers;
}

/** Head, washers, shank, nut and protrusion of the bolt, as heights and widths. */
export function boltInSection(job: Job, bolt: Bolt, size: FastenerSize) {
  const under = inBase(job, bolt).through ? -job.base.thickness.v : 0;
  const far = job.plate.thickness.v + job.skin.thickness.v + backingOf(job);
  const farWasher = job.far.kind === 'large washer' ? size.largeWasher : size.washer;
  const nut = far + farWasher.thickness;
  const nutEnd = nut + size.nutHeight;
  const end = nutEnd + 2 * size.pitch;
  const turns = Math.max(0, Math.floor((end - nutEnd) / 0.9));
  return {
    x: bolt.x,
    d: size.d,
    hole: size.hole[job.bolts.fit],
    flats: size.acrossFlats,
    nearWasher: size.washer.outside,
    farWasher: farWasher.outside,
    head: under - size.washer.thickness - size.headHeight,
    washerTop: under - size.washer.thickness,
    under,
    far,
    nut,
    nutEnd,
    end,
    thread: Array.from({ length: turns }, (_, i) => `M${bolt.x - size.d / 2} ${nutEnd + 0.6 + i * 0.9}h${size.d}`).join(''),
  };
}

export function facesOf(job: Job): Face[] {
  const plate: Face = {
    part: 'plate',
    y: 0,
    thickness: job.plate.thickness.v,
    sense: 1,
    label: `Plate thickness, ${job.plate.thickness.text}`,
  };
  if (job.far.kind !== 'plate') return [plate];
  const y = job.plate.thickness.v + job.skin.thickness.v + job.far.thickness.v;
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

export function sectionOf(job: Job, bolt: Bolt | undefined, left: number, right: number, text: number) {
  const size = fastenerSize(job.bolts.size);
  const layers = layersOf(job, bolt, left, right);
  const drawn = bolt && size ? boltInSection(job, bolt, size) : undefined;
  const words = labelsOf(layers, text);
  const tops = layers.map((l) => l.top);
  const bottoms = layers.map((l) => l.bottom);
  return {
    layers,
    bolt: drawn,
    words,
    faces: facesOf(job),
    top: Math.min(drawn?.head ?? 0, ...tops) - 4,
    bottom: Math.max(drawn?.end ?? 0, words.at(-1)?.y ?? 0, ...bottoms) + 4,
  };
}
