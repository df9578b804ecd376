import { partFields } from './part-values';
import { isLongBase } from './long-base';
import { RANGES, type RangeName } from './ranges';
import { parseQuantity, type ReadingRules } from '../units/parse-quantity';
import { isRefusal, type Refusal } from '../units/refusal';
import { shownUnit, type UnitSystem } from '../units/format-quantity';
import { metal } from '../stock/metals';
import type { GaugeTable } from '../units/gauges';
import type { FieldRange } from '../units/field-range';
import { assumed, fromSheet, type Provenance, type Quantity } from '../units/quantity';
import { builderOf } from '../loads/registry';
import { fromTakeOff, takesPart } from '../loads/put';
import { PART_RANGES } from '../loads/take-off';
import type { Job } from './schema';

export { assumed, fromSheet };

/** Reads a typed text for one field of the job into a value with its provenance, or says why not. */
export function readValue(
  text: string,
  range: RangeName | FieldRange,
  system: UnitSystem,
  from: Provenance,
  at?: string,
  gauges?: GaugeTable,
): Quantity | Refusal {
  const read = parseQuantity(text, readingRules(range, system, gauges));
  if (isRefusal(read)) return read;
  return { v: read.value, text: read.text, from, ...(at && from === 'measured' ? { at } : {}) };
}

export function readingRules(range: RangeName | FieldRange, system: UnitSystem, gauges?: GaugeTable): ReadingRules {
  const r: FieldRange = typeof range === 'string' ? RANGES[range] : range;
  const { min, above } = r;
  return {
    field: r.label,
    dimension: r.dimension,
    bareUnit: shownUnit(r.dimension, system),
    max: r.max,
    allowed: r.allowed,
    ...(min === undefined ? {} : { min }),
    ...(above === undefined ? {} : { above }),
    ...(gauges ? { gauges } : {}),
  };
}

/** Every measured-or-assumed value of the job with the stage it belongs to, so marks and counts come from one list. */
export interface NamedValue {
  readonly path: string;
  readonly label: string;
  readonly stage: 'load' | 'measure' | 'layout';
  readonly value: Quantity;
  readonly range: FieldRange;
}

/** What only this kind of skin has. */
export const SKIN_ROWS: Readonly<Record<Job['skin']['kind'], readonly (readonly [key: string, range: RangeName])[]>> = {
  sheet: [],
  plywood: [],
  laminate: [['glass', 'glass']],
  sandwich: [
    ['nearFace', 'nearFace'],
    ['farFace', 'farFace'],
    ['glass', 'glass'],
    ['coreCrush', 'coreCrush'],
    ['coreShear', 'coreShear'],
    ['coreModulus', 'coreModulus'],
  ],
  timber: [['endGrain', 'endGrain']],
  hollow: [
    ['wall', 'wall'],
    ['width', 'sectionWidth'],
  ],
  flange: [
    ['width', 'flangeWidth'],
    ['web', 'web'],
    ['depth', 'sectionDepth'],
  ],
  bed: [['strength', 'bedStrength']],
};

export function namedValues(job: Job): NamedValue[] {
  const { base, skin } = job;
  const measure = (path: string, range: RangeName, value: Quantity): NamedValue => ({
    path,
    label: RANGES[range].label,
    stage: 'measure',
    value,
    range: RANGES[range],
  });
  const rows = [
    measure('base.length', 'baseLength', base.length),
    measure('base.width', 'baseWidth', base.width),
    measure('base.thickness', 'baseThickness', base.thickness),
    ...(base.entry && isLongBase(base) ? [measure('base.entry', 'baseEntry', base.entry)] : []),
    measure('base.hole', 'baseHole', base.hole),
    measure('base.slot', 'baseSlot', base.slot),
    measure('skin.thickness', 'skinThickness', skin.thickness),
    measure('skin.spanX', 'spanX', skin.spanX),
    measure('skin.spanY', 'spanY', skin.spanY),
    measure('skin.aft', 'aft', skin.aft),
    measure('skin.starboard', 'starboard', skin.starboard),
    measure('skin.bedModulus', 'bedModulus', skin.bedModulus),
  ];
  for (const [key, range] of SKIN_ROWS[skin.kind])
    rows.push(measure(`skin.${key}`, range, (skin as unknown as Record<string, Quantity>)[key]!));
  for (const z of job.survey.zones ?? [])
    for (const [key, range] of [['thickness', 'skinThickness'], ...SKIN_ROWS[z.skin.kind]] as const)
      rows.push({
        ...measure(`survey.zones.${z.id}.skin.${key}`, range, (z.skin as unknown as Record<string, Quantity>)[key]!),
        label: `Zone ${z.id}: ${RANGES[range].label.toLowerCase()}`,
      });
  if (base.holes.length > 0) {
    rows.push({
      path: 'base.holes',
      label: 'Base hole pattern',
      stage: 'measure',
      value: { v: base.holes.length, text: `${base.holes.length} holes`, from: base.holesFrom },
      range: RANGES.position,
    });
  }
  for (const h of base.holes)
    if (h.d) rows.push({ ...measure(`base.holes.${h.id}.d`, 'baseHole', h.d), label: `Base hole ${h.id}, wide` });
  for (const h of job.plate.holes ?? [])
    for (const key of ['d', 'slot'] as const)
      if (h[key])
        rows.push({
          path: `plate.holes.${h.id}.${key}`,
          label: key === 'd' ? `Plate hole ${h.id}` : `Plate slot ${h.id}, whole length`,
          stage: 'layout',
          value: h[key],
          range: RANGES[key === 'd' ? 'ownHole' : 'slotLong'],
        });
  const { items, kinds = [] } = job.bolts;
  const layout = (path: string, range: RangeName, value: Quantity | undefined, label: string): NamedValue[] =>
    value ? [{ path, label, stage: 'layout', value, range: RANGES[range] }] : [];
  const atBolts = items.flatMap((b) => [
    ...layout(`bolts.items.${b.id}.packed`, 'boltPacked', b.packed, `Packing at ${b.id}`),
    ...layout(`bolts.items.${b.id}.holes.plate`, 'ownHole', b.holes?.plate, `${b.id}: hole in the plate`),
    ...layout(`bolts.items.${b.id}.holes.slot`, 'slotLong', b.holes?.slot, `${b.id}: slot in the plate, whole length`),
    ...layout(`bolts.items.${b.id}.holes.skin`, 'ownHole', b.holes?.skin, `${b.id}: hole in the skin`),
    ...layout(`bolts.items.${b.id}.holes.backing`, 'ownHole', b.holes?.backing, `${b.id}: hole in the backing`),
  ]);
  const ofKinds = kinds.flatMap((k) => [
    ...layout(`bolts.kinds.${k.id}.engagement`, 'engagement', k.engagement, `${k.size}: thread engaged`),
    ...layout(`bolts.kinds.${k.id}.insert`, 'insert', k.insert, `${k.size}: pull-out of the insert`),
  ]);
  const made = (job.parts ?? []).flatMap((p) => [
    ...layout(`parts.${p.id}.eye.carries`, 'part', p.eye?.carries, `${p.name}: part of the load`),
    ...layout(`parts.${p.id}.works.carries`, 'part', p.works?.carries, `${p.name}: part of the load`),
  ]);
  const bought = (job.rated ?? []).flatMap((x) => [
    ...layout(`rated.${x.id}.wll`, 'wll', x.wll, `${x.name}: working load limit`),
    ...layout(`rated.${x.id}.carries`, 'part', x.carries, `${x.name}: part of the load`),
  ]);
  // Limits are the job's own wishes: nothing to measure.
  const parts = partFields(job)
    .filter((f) => f.part !== 'limits')
    .map((f): NamedValue => ({
      path: f.path,
      label: f.label ?? RANGES[f.range].label,
      stage: 'layout',
      value: f.value,
      range: RANGES[f.range],
    }));
  return [
    ...rows,
    ...parts,
    ...atBolts,
    ...ofKinds,
    ...made,
    ...bought,
    ...job.loads.flatMap((load): NamedValue[] => loadValues(load, job.stands !== undefined)),
  ];
}

/** Fields of a load that have a say with its picks, that no take-off stands in for and no feet share; then the take-off's own lines. */
function loadValues(load: Job['loads'][number], onFeet: boolean): NamedValue[] {
  const b = builderOf(load.kind);
  const silent = new Set<string>(b.unused?.(load.picks) ?? []);
  const replaced = fromTakeOff(load);
  if (onFeet && takesPart(load)) silent.add('share');
  const fields = Object.entries(b.fields).filter(([key]) => !silent.has(key) && !(key in replaced));
  return [
    ...fields.map(([key, f]): NamedValue => ({
      path: `loads.${load.id}.values.${key}`,
      label: `${load.name}: ${f.range.label}`,
      stage: 'load',
      value: load.values[key]!,
      range: f.range,
    })),
    ...load.parts.map((p): NamedValue => ({
      path: `loads.${load.id}.parts.${p.id}.mass`,
      label: `${load.name}: ${p.name}`,
      stage: 'load',
      value: p.mass,
      range: PART_RANGES.mass,
    })),
  ];
}

export const assumedValues = (job: Job): NamedValue[] => namedValues(job).filter((n) => n.value.from === 'assumed');

/** The gauge table of the skin, where a gauge number means something. */
export function skinGauges(job: Job): GaugeTable | undefined {
  return job.skin.kind === 'sheet' ? metal(job.skin.metal, job.ownStock.metals)?.gauges : undefined;
}

/** The document with the value at a path of `namedValues` replaced; lists are entered by id. Pure. */
export function withQuantity(job: Job, path: string, q: Quantity): Job {
  const put = (node: unknown, [head, ...rest]: readonly string[]): unknown => {
    if (head === undefined) return q;
    if (Array.isArray(node)) return node.map((x: { id: string }) => (x.id === head ? put(x, rest) : x));
    return { ...(node as object), [head]: put((node as Record<string, unknown>)[head], rest) };
  };
  return put(job, path.split('.')) as Job;
}
