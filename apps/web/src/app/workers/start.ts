/** Starts the workers. A file of its own, so that tests can stand in for them. */
export const startJudge = (): Worker => new Worker(new URL('./judge.worker', import.meta.url), { type: 'module' });
export const startWeigher = (): Worker => new Worker(new URL('./weigher.worker', import.meta.url), { type: 'module' });
export const startChooser = (): Worker => new Worker(new URL('./chooser.worker', import.meta.url), { type: 'module' });
export const startSurveyor = (): Worker => new Worker(new URL('./surveyor.worker', import.meta.url), { type: 'module' });
export const startSpreader = (): Worker => new Worker(new URL('./spreader.worker', import.meta.url), { type: 'module' });
export const startImporter = (): Worker => new Worker(new URL('./importer.worker', import.meta.url), { type: 'module' });
export const startProver = (): Worker => new Worker(new URL('./prover.worker', import.meta.url), { type: 'module' });

/** How many solvers share the cases: as many as the machine runs at once, but no more than pays. */
export const solversAtOnce = (): number => Math.min(4, Math.max(1, navigator.hardwareConcurrency || 1));
