import { RANGES, type RangeName } from './ranges';
import { parseQuantity, type ReadingRules } from '../units/parse-quantity';
import { isRefusal, type Refusal } from '../units/refusal';
import { shownUnit, type UnitSystem } from '../units/format-quantity';
import { metal } from '../stock/metals';
import type { GaugeTable } from '../units/gauges';
import type { Job, Provenance, Quantity } from './schema';

/** Reads a typed text for one field of the job into a value with its provenance, or says why not. */
export function readValue(
  text: string,
  range: RangeName,
  system: UnitSystem,
  from: Provenance,
  at?: string,
  gauges?: GaugeTable,
): Quantity | Refusal {
  const read = parseQuantity(text, readingRules(range, system, gauges));
  if (isRefusal(read)) return read;
  return { v: read.value, text: read.text, from, ...(at && from === 'measured' ? { at } : {}) };
}

export function readingRules(range: RangeName, system: UnitSystem, gauges?: GaugeTable): ReadingRules {
  const r = RANGES[range];
  const { min, above } = r as { min?: number; above?: number };
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

/** A value nobody has measured yet. */
export const assumed = (v: number, text: string): Quantity => ({ v, text, from: 'assumed' });
/** A value from a drawing, a maker's sheet or the stock list. */
export const fromSheet = (v: number, text: string): Quantity => ({ v, text, from: 'sheet' });

/** Every measured-or-assumed value of the job with the stage it belongs to, so marks and counts come from one list. */
export interface NamedValue {
  readonly path: string;
  readonly label: string;
  readonly stage: 'load' | 'measure';
  readonly value: Quantity;
}

export function namedValues(job: Job): NamedValue[] {
  const { base, skin } = job;
  const measure = (path: string, range: RangeName, value: Quantity): NamedValue => ({
    path,
    label: RANGES[range].label,
    stage: 'measure',
    value,
  });
  const rows = [
    measure('base.length', 'baseLength', base.length),
    measure('base.width', 'baseWidth', base.width),
    measure('base.thickness', 'baseThickness', base.thickness),
    measure('base.hole', 'baseHole', base.hole),
    measure('base.slot', 'baseSlot', base.slot),
    measure('skin.thickness', 'skinThickness', skin.thickness),
    measure('skin.spanX', 'spanX', skin.spanX),
    measure('skin.spanY', 'spanY', skin.spanY),
    measure('skin.aft', 'aft', skin.aft),
    measure('skin.starboard', 'starboard', skin.starboard),
    measure('skin.bedModulus', 'bedModulus', skin.bedModulus),
  ];
  if (skin.kind === 'laminate') rows.push(measure('skin.glass', 'glass', skin.glass));
  if (base.holes.length > 0) {
    rows.push({
      path: 'base.holes',
      label: 'Base hole pattern',
      stage: 'measure',
      value: { v: base.holes.length, text: `${base.holes.length} holes`, from: base.holesFrom },
    });
  }
  return [...rows, ...job.loads.flatMap((load): NamedValue[] => loadValues(load))];
}

function loadValues(load: Job['loads'][number]): NamedValue[] {
  if (load.kind === 'free') return [];
  const ranges = { pull: 'pull', drumHeight: 'drumHeight', sideAngle: 'sideAngle', upAngle: 'upAngle' } as const;
  return Object.values(ranges).map((key) => ({
    path: `loads.${load.id}.${key}`,
    label: `${load.name}: ${RANGES[key].label}`,
    stage: 'load',
    value: load[key],
  }));
}

export const assumedValues = (job: Job): NamedValue[] => namedValues(job).filter((n) => n.value.from === 'assumed');

/** The gauge table of the skin, where a gauge number means something. */
export function skinGauges(job: Job): GaugeTable | undefined {
  return job.skin.kind === 'sheet' ? metal(job.skin.metal)?.gauges : undefined;
}
