/** Load durations of EN 1995-1-1 Tab. 2.1: over ten years, half a year to ten, a week to half a year, under a week, a moment. */
export const DURATIONS = ['permanent', 'long', 'medium', 'short', 'instantaneous'] as const;
export type Duration = (typeof DURATIONS)[number];

/** Service class: 2 stands for 1 and 2, dry or covered; 3 is in the weather (EN 1995-1-1 §2.3.1.3). */
export type ServiceClass = 2 | 3;

/** k_mod of solid timber and plywood by how long the load lasts (EN 1995-1-1 Tab. 3.1). */
export const K_MOD: Readonly<Record<ServiceClass, Readonly<Record<Duration, number>>>> = {
  2: { permanent: 0.6, long: 0.7, medium: 0.8, short: 0.9, instantaneous: 1.1 },
  3: { permanent: 0.5, long: 0.55, medium: 0.65, short: 0.7, instantaneous: 0.9 },
};

/** C_D of NDS Tab. 2.3.2: over ten years, ten years, two months, seven days, ten minutes. Impact, 2.0, is not for connections. */
export const C_D: Readonly<Record<Duration, number>> = { permanent: 0.9, long: 1, medium: 1.15, short: 1.25, instantaneous: 1.6 };

/** C_M, wet in service, lag screws and bolts (NDS Tab. 11.3.3). */
export const C_M: Readonly<Record<ServiceClass, number>> = { 2: 1, 3: 0.7 };
