/**
 * Rough shop rates for comparing layouts with each other (common practice, invented round figures; never a quotation).
 * `perKg` by metal group, `perBolt` is nut-bolt-washers as a base price times d² over 100 mm², `perHole` and `perMetreCut` in the same money.
 */
export const RATES = {
  perKg: { steel: 2.5, stainless: 7, aluminium: 8, titanium: 60, bronze: 18, laminate: 30 },
  perHole: 1.5,
  perMetreCut: 4,
  perBolt: 0.9,
  stainlessBolt: 3,
  strongBolt: 1.3,
  largeWasher: 0.4,
  /** Minutes at the bench: marking, drilling and dressing a hole through one sheet; a metre of cut edge; fitting a bolt. */
  minutesPerHole: 5,
  minutesPerMetreCut: 12,
  minutesPerBolt: 2,
  /** A sleeve or spacer cut, faced and set; a plug cut out, filled and drilled again; a metre of fillet of 4 mm throat; a tab or cheek made and fitted. */
  perSleeve: 1.5,
  minutesPerSleeve: 6,
  perPlug: 1,
  minutesPerPlug: 20,
  perMetreWeld: 6,
  minutesPerMetreWeld: 25,
  perTab: 5,
  minutesPerTab: 25,
} as const;
