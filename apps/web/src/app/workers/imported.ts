import { readOutlineDxf } from '@core/formats/outline-dxf';
import { readPatternCsv } from '@core/formats/pattern-csv';
import { readPatternDxf } from '@core/formats/pattern-dxf';
import { readJob } from '@core/formats/read-job';
import { readTakeOff } from '@core/formats/take-off-csv';
import type { UnitSystem } from '@core/units/format-quantity';

const plain = (units: UnitSystem): number => (units === 'inch' ? 25.4 : 1);

/** What can be brought in, each with its reader: an outline or holes from a drawing, tables, a whole job. */
export const READERS = {
  outline: (text: string, units: UnitSystem) => readOutlineDxf(text, plain(units)),
  circles: (text: string, units: UnitSystem) => readPatternDxf(text, plain(units)),
  holes: readPatternCsv,
  'take-off': readTakeOff,
  job: (text: string, _units: UnitSystem) => readJob(text),
};
export type ImportKind = keyof typeof READERS;
export type Imported<K extends ImportKind> = ReturnType<(typeof READERS)[K]>;
