import * as z from 'zod';

const ranged = (label: string, unit: string, low: number, high: number) => {
  const allowed = `${label}: allowed ${low} to ${high} ${unit}`;
  return z.number({ error: allowed }).gte(low, allowed).lte(high, allowed);
};

const millimetres = (label: string, low: number, high: number) => ranged(label, 'mm', low, high);
const RIBS = 'Ribs: allowed 1 to 20';

const Edge = z.enum(['simple', 'clamped', 'free']);
export type Edge = z.infer<typeof Edge>;
export const EDGES = ['aft', 'fore', 'starboard', 'port'] as const;
export type EdgeName = (typeof EDGES)[number];

/** What the spread solver rests on, as the job's owner sees it; springs may be given outright, to compare number for number. */
export const SpreadRules = z.strictObject({
  /** Whose pulls and stresses the checks judge. */
  checks: z.enum(['hand', 'solver']),
  base: z.enum(['plate', 'rigid']),
  /** How each bearer holds the skin: turning freely, clamped, or no bearer there. */
  edges: z.strictObject({ aft: Edge, fore: Edge, starboard: Edge, port: Edge }),
  /** Whether the bearers hold the skin in its plane too. */
  inPlane: z.enum(['held', 'sliding']),
  /** Membrane action where the skin gives over half its thickness, or never. */
  membrane: z.enum(['where it counts', 'never']),
  preload: z.enum(['none', 'as tightened']),
  /** Whether friction under the pressed plate takes its part of what slides before the bolts do. */
  friction: z.enum(['left out', 'counted']).optional(),
  /** Ribs welded on the base, upright, alike and evenly spaced; mm. */
  ribs: z
    .strictObject(
      {
        count: z.number({ error: RIBS }).int(RIBS).gte(1, RIBS).lte(20, RIBS),
        height: millimetres('Rib height', 1, 300),
        thickness: millimetres('Rib thickness', 1, 50),
        along: z.enum(['x', 'y']),
      },
      'Ribs: number × height × thickness, mm',
    )
    .optional(),
  /** The mounting plate thinned towards its edge: over this width, mm, down to this part of its thickness. */
  taper: z
    .strictObject(
      {
        width: millimetres('Taper width', 1, 500),
        to: z
          .number({ error: 'Taper: allowed 0.1 to 1 of the thickness' })
          .gte(0.1, 'Taper: allowed 0.1 to 1 of the thickness')
          .lte(1, 'Taper: allowed 0.1 to 1 of the thickness'),
      },
      'Taper: width, mm × part of the thickness left',
    )
    .optional(),
  /** Bolt, N/mm; bedding between plates, N/mm³; bearers, N/mm per mm. */
  given: z.strictObject({
    bolt: ranged('Bolt stiffness', 'N/mm', 1, 1e9).optional(),
    bedding: ranged('Bedding stiffness', 'N/mm³', 1e-3, 1e7).optional(),
    bearer: ranged('Bearer stiffness', 'N/mm²', 1e-3, 1e9).optional(),
  }),
});
export type SpreadRules = z.infer<typeof SpreadRules>;

/** What a job that says nothing is solved with. */
export const USUAL_SPREAD: SpreadRules = {
  checks: 'hand',
  base: 'plate',
  edges: { aft: 'simple', fore: 'simple', starboard: 'simple', port: 'simple' },
  inPlane: 'held',
  membrane: 'where it counts',
  preload: 'none',
  given: {},
};

export const spreadRulesOf = (job: { readonly spread?: SpreadRules | undefined }): SpreadRules => job.spread ?? USUAL_SPREAD;
