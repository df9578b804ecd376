import { huth, sharesAlongRow, swift, type Lap, type Row } from './row';

/** A long row as it is, and with what evens it out. Parts of the load on each bolt. */
export interface RowVariant {
  readonly name: string;
  readonly shares: readonly number[];
}

export interface LapRow {
  readonly pitches: readonly number[];
  readonly lap: Lap;
  /** Strap width per row, mm. */
  readonly width: number;
  readonly laminate: boolean;
}

/** Share of each bolt by one flexibility, with the straps' stiffness bay by bay. */
function shared(x: LapRow, C: number, EA1: (bay: number) => number, EA2: (bay: number) => number, pitches = x.pitches): number[] {
  const row: Row = {
    pitches,
    EA1: pitches.map((_, i) => EA1(i)),
    EA2: pitches.map((_, i) => EA2(i)),
    C: Array<number>(pitches.length + 1).fill(C),
  };
  return sharesAlongRow(row);
}

/** By Huth and by Swift; then with a plate half as thick again, both straps tapered to half at their free ends, and the end pitches wider by half. */
export function rowVariants(x: LapRow): RowVariant[] {
  const { lap, width } = x;
  const n = x.pitches.length;
  const C = huth(lap, x.laminate);
  const [one, two] = [lap.E1 * lap.t1 * width, lap.E2 * lap.t2 * width];
  const stiffer: Lap = { ...lap, t1: lap.t1 * 1.5 };
  // Strap 1 comes in at the first bolt and may thin out towards the last; strap 2 the other way round.
  const taper = (k: number) => 1 - (0.5 * k) / Math.max(1, n - 1);
  const wider = x.pitches.map((p, i) => (i === 0 || i === n - 1 ? p * 1.5 : p));
  return [
    {
      name: 'as it is, Huth',
      shares: shared(
        x,
        C,
        () => one,
        () => two,
      ),
    },
    {
      name: 'as it is, Swift',
      shares: shared(
        x,
        swift(lap),
        () => one,
        () => two,
      ),
    },
    {
      name: 'plate half as thick again',
      shares: shared(
        x,
        huth(stiffer, x.laminate),
        () => one * 1.5,
        () => two,
      ),
    },
    {
      name: 'straps tapered to half at their free ends',
      shares: shared(
        x,
        C,
        (i) => one * taper(i),
        (i) => two * taper(n - 1 - i),
      ),
    },
    {
      name: 'end pitches half as wide again',
      shares: shared(
        x,
        C,
        () => one,
        () => two,
        wider,
      ),
    },
  ];
}
