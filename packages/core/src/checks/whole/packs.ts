import { regionArea } from '../../geometry/region';
import { apart, edgeOf } from '../../job/placed-holes';
import type { Resolved } from '../../job/resolve';
import { fastenerClass } from '../../stock/fastener-classes';
import type { PackId } from '../../stock/packs';

/** One rule of a pack: what it asks of the layout, as a least value, and what the job has. */
export interface Rule {
  readonly id: string;
  readonly says: string;
  readonly source: string;
  /** A rule of a code, or of the trade without a published source. */
  readonly kind: 'code' | 'common practice';
  /** Least allowed and actual, in `unit`; undefined where the rule does not concern the job. */
  measure(r: Resolved): { readonly need: number; readonly have: number; readonly at: string } | undefined;
  readonly unit: 'mm' | 'mm²' | 'MPa' | '–';
}

export interface Pack {
  readonly id: PackId;
  readonly name: string;
  readonly rules: readonly Rule[];
  /** What the code or trade asks besides, that is not judged here. */
  readonly gaps: readonly string[];
}

const soft = (r: Resolved) => r.skinKind === 'laminate' || r.skinKind === 'sandwich';
const nearest = (r: Resolved) => Math.min(...r.bolts.map((_, i) => edgeOf(r, i)));
const closest = (r: Resolved) =>
  r.bolts.reduce((low, _, i) => r.bolts.slice(i + 1).reduce((l, _b, k) => Math.min(l, apart(r, i, i + 1 + k)), low), Infinity);

const edge = (
  id: string,
  k: number,
  of: 'd' | 'd0',
  source: string,
  kind: Rule['kind'],
  when: (r: Resolved) => boolean = () => true,
): Rule => ({
  id,
  says: `Hole to plate edge at least ${k}·${of === 'd' ? 'd' : 'd0'}`,
  source,
  kind,
  unit: 'mm',
  measure: (r) => (when(r) ? { need: k * r[of], have: nearest(r), at: 'nearest hole to the plate’s edge' } : undefined),
});
const pitch = (
  id: string,
  k: number,
  of: 'd' | 'd0',
  source: string,
  kind: Rule['kind'],
  when: (r: Resolved) => boolean = () => true,
): Rule => ({
  id,
  says: `Between bolts at least ${Number(k.toFixed(2))}·${of === 'd' ? 'd' : 'd0'}`,
  source,
  kind,
  unit: 'mm',
  measure: (r) => (when(r) && r.bolts.length > 1 ? { need: k * r[of], have: closest(r), at: 'closest two bolts' } : undefined),
});

/** A seat is held at four points, over all its plates (FIA ISC Appendix J Art. 253.16, memory). */
const SEAT_POINTS = 4;

/** Face of the counter plate, or of the washers, mm². */
const contactOf = (r: Resolved): number =>
  r.far.kind === 'plate' ? regionArea(r.far.region) : r.bolts.length * (Math.PI / 4) * r.far.outside ** 2;

/** Least thickness of a counter plate by its metal, mm. */
const counter = (r: Resolved, steel: number, alloy: number) =>
  r.far.kind === 'plate'
    ? { need: r.far.metal.group === 'aluminium' ? alloy : steel, have: r.far.thickness }
    : { need: steel, have: r.far.thickness };

export const PACKS: readonly Pack[] = [
  {
    id: 'EN',
    name: 'EN 1993-1-8, steel',
    rules: [
      edge('EN-e', 1.2, 'd0', 'EN 1993-1-8 Tab. 3.3', 'code'),
      pitch('EN-p', 2.2, 'd0', 'EN 1993-1-8 Tab. 3.3, along the force; 2.4·d0 across it is in Edge and pitch', 'code'),
      edge('EN-e-good', 1.5, 'd', 'common practice', 'common practice'),
    ],
    gaps: [
      'largest distances against corrosion and buckling between bolts (Tab. 3.3, 4t + 40 mm)',
      'fatigue (EN 1993-1-9)',
      'connections in seismic zones',
    ],
  },
  {
    id: 'AISC',
    name: 'AISC 360-16, steel',
    rules: [
      pitch('AISC-s', 8 / 3, 'd', 'AISC 360-16 §J3.3', 'code'),
      pitch('AISC-s-good', 3, 'd', 'AISC 360-16 §J3.3, preferred', 'common practice'),
      edge('AISC-e', 1.25, 'd', 'AISC 360-16 Tab. J3.4, its least ratio', 'code'),
    ],
    gaps: ['largest spacing 24 t or 12 in (§J3.5)', 'fatigue (Appendix 3)', 'connections in seismic frames'],
  },
  {
    id: 'SAE',
    name: 'Inch shop',
    rules: [
      {
        id: 'SAE-class',
        says: 'Bolts of Grade 5 or better where a person or a road depends on them',
        source: 'common practice',
        kind: 'common practice',
        unit: 'MPa',
        measure: (r) => ({ need: fastenerClass('Gr 5')!.fub, have: r.grade.fub, at: `bolts of ${r.grade.id}` }),
      },
      edge('SAE-e', 2, 'd', 'common practice: two diameters to the edge', 'common practice'),
      pitch('SAE-p', 3, 'd', 'common practice: three diameters between', 'common practice'),
    ],
    gaps: ['SAE J429 gives bolts, not joints: joints follow EN or AISC as the job says'],
  },
  {
    id: 'marine',
    name: 'Marine laminate',
    rules: [
      edge('MAR-e', 3, 'd', 'common practice in laminate: e ≥ 3 d', 'common practice', soft),
      pitch('MAR-p', 4, 'd', 'common practice in laminate: p ≥ 4 d', 'common practice', soft),
      {
        id: 'MAR-area',
        says: 'Under each nut at least 10 times the bolt’s own area of washer or plate',
        source: 'common practice',
        kind: 'common practice',
        unit: 'mm²',
        measure: (r) =>
          soft(r)
            ? {
                need: 10 * (Math.PI / 4) * r.d ** 2,
                have:
                  r.far.kind === 'plate'
                    ? regionArea(r.far.region) / r.bolts.length
                    : (Math.PI / 4) * (r.far.outside ** 2 - r.d0 ** 2),
                at: 'under each nut',
              }
            : undefined,
      },
    ],
    gaps: ['ISO 12215 scantlings of the panel itself', 'class society approval', 'fire and smoke of what is bonded'],
  },
  {
    id: 'timber-EN',
    name: 'Timber, EN 1995-1-1',
    rules: [
      {
        id: 'TEN-washer',
        says: 'Washers at least 3 d wide and 0.3 d thick',
        source: 'EN 1995-1-1 §10.4.3(2)',
        kind: 'code',
        unit: 'mm',
        measure: (r) =>
          r.skinKind === 'timber' && r.far.kind === 'washer'
            ? { need: 3 * r.d, have: r.far.outside, at: 'washers under the nuts' }
            : undefined,
      },
    ],
    gaps: ['moisture, service class 3, and load durations other than short-term', 'fire', 'the timber member itself'],
  },
  {
    id: 'timber-NDS',
    name: 'Timber, NDS',
    rules: [
      {
        id: 'NDS-lag',
        says: 'Lag screws in at least 4 D of thread',
        source: 'NDS 12.1.4 (memory)',
        kind: 'code',
        unit: 'mm',
        measure: (r) =>
          r.joint.holding === 'lag screw' ? { need: 4 * r.d, have: r.joint.engagement, at: 'thread in the timber' } : undefined,
      },
      pitch('NDS-p', 4, 'd', 'NDS Tab. 12.5.1B (memory)', 'code', (r) => r.skinKind === 'timber'),
    ],
    gaps: ['bolts sideways follow EN 1995-1-1 here, not the NDS yield tables', 'wet service, temperature and end-grain factors'],
  },
  {
    id: 'competition',
    name: 'Competition minima',
    rules: [
      {
        id: 'FIA-count',
        says: 'At least four bolts a seat, over all its plates',
        source: 'FIA ISC Appendix J Art. 253.16 (memory)',
        kind: 'code',
        unit: '–',
        measure: (r) => ({
          need: 4,
          have: r.bolts.length / r.seatShare,
          at: `${r.bolts.length} bolts on this plate, ${Math.round(100 * r.seatShare)} % of the seat`,
        }),
      },
      {
        id: 'FIA-size',
        says: 'M8 at least',
        source: 'FIA ISC Appendix J Art. 253.16 (memory)',
        kind: 'code',
        unit: 'mm',
        measure: (r) => ({ need: 8, have: r.d, at: r.size.id }),
      },
      {
        id: 'FIA-class',
        says: 'Bolts of class 8.8 at least',
        source: 'FIA ISC Appendix J Art. 253.16 (memory)',
        kind: 'code',
        unit: 'MPa',
        measure: (r) => ({ need: fastenerClass('8.8')!.fub, have: r.grade.fub, at: `bolts of ${r.grade.id}` }),
      },
      {
        id: 'FIA-area',
        says: 'Contact of at least 40 cm² at each point',
        source: 'FIA ISC Appendix J Art. 253.16 (memory); common practice elsewhere',
        kind: 'code',
        unit: 'mm²',
        measure: (r) => ({
          need: 4000,
          have: contactOf(r) / (SEAT_POINTS * r.seatShare),
          at: `a seat has ${SEAT_POINTS} points; ${Math.round(100 * r.seatShare)} % of it stands on this plate`,
        }),
      },
      {
        id: 'FIA-counter',
        says: 'Counter plates at least 3 mm of steel or 5 mm of alloy',
        source: 'FIA ISC Appendix J Art. 253.16 (memory)',
        kind: 'code',
        unit: 'mm',
        measure: (r) => ({ ...counter(r, 3, 5), at: r.far.kind === 'plate' ? 'counter plate' : 'washers, not counter plates' }),
      },
    ],
    gaps: [
      'harness anchorages and their angles: never on a seat rail',
      'the seat’s own homologation and its date',
      'scrutineering decides',
    ],
  },
];

export const packOf = (id: PackId): Pack => PACKS.find((p) => p.id === id)!;

/** A rule as it stands in a job. */
export interface RuleState {
  readonly pack: Pack;
  readonly rule: Rule;
  readonly measured: ReturnType<Rule['measure']>;
  readonly holds: boolean;
}

/** Every rule of the packs the job names, in their order. */
export const rulesIn = (r: Resolved): readonly RuleState[] =>
  r.packs.flatMap((id) =>
    packOf(id).rules.map((rule) => {
      const measured = rule.measure(r);
      return { pack: packOf(id), rule, measured, holds: !measured || measured.have >= measured.need - 1e-6 };
    }),
  );
