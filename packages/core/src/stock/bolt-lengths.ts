import { INCH } from '../units/unit-table';
import type { ThreadFamily } from './fasteners';

/** Lengths a bolt is stocked in (ISO 4014/4017 preferred lengths; inch by quarters: common practice), mm. */
const METRIC = [16, 20, 25, 30, 35, 40, 45, 50, 55, 60, 65, 70, 80, 90, 100, 110, 120, 130, 140, 150, 160, 180, 200, 220, 240];
const INCHES = [...Array.from({ length: 18 }, (_, i) => 0.5 + i * 0.25), 5, 5.5, 6, 6.5, 7, 7.5, 8, 9, 10];

export interface BoltLength {
  readonly length: number;
  readonly text: string;
}

const inchText = (v: number): string => {
  const whole = Math.floor(v);
  const part = { 0: '', 0.25: '1/4', 0.5: '1/2', 0.75: '3/4' }[v - whole] ?? '';
  return `${[whole || '', part].filter(Boolean).join(' ')} in`;
};

/** The shortest stocked bolt of at least `least` mm; undefined where none is long enough. */
export function nextLength(least: number, family: ThreadFamily): BoltLength | undefined {
  if (family === 'metric') {
    const length = METRIC.find((l) => l >= least - 1e-9);
    return length === undefined ? undefined : { length, text: `${length} mm` };
  }
  const inches = INCHES.find((l) => l * INCH >= least - 1e-9);
  return inches === undefined ? undefined : { length: inches * INCH, text: inchText(inches) };
}
