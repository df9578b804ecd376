// Starts the workers. A file of its own, so that tests can stand in for them.
import { watched } from './watched';

/** A name of its own for each worker: the lock it holds while it lives. */
const fresh = (): string => `mast-shoe-${crypto.randomUUID()}`;

export function startJudge(name = fresh()): Worker {
  return watched(new Worker(new URL('./judge.worker', import.meta.url), { type: 'module', name }), name);
}
export function startWeigher(name = fresh()): Worker {
  return watched(new Worker(new URL('./weigher.worker', import.meta.url), { type: 'module', name }), name);
}
export function startChooser(name = fresh()): Worker {
  return watched(new Worker(new URL('./chooser.worker', import.meta.url), { type: 'module', name }), name);
}
export function startSurveyor(name = fresh()): Worker {
  return watched(new Worker(new URL('./surveyor.worker', import.meta.url), { type: 'module', name }), name);
}
export function startSpreader(name = fresh()): Worker {
  return watched(new Worker(new URL('./spreader.worker', import.meta.url), { type: 'module', name }), name);
}
export function startImporter(name = fresh()): Worker {
  return watched(new Worker(new URL('./importer.worker', import.meta.url), { type: 'module', name }), name);
}
export function startProver(name = fresh()): Worker {
  return watched(new Worker(new URL('./prover.worker', import.meta.url), { type: 'module', name }), name);
}

/** How many solvers share the cases: as many as the machine runs at once, but no more than pays. */
export const solversAtOnce = (): number => Math.min(4, Math.max(1, navigator.hardwareConcurrency || 1));
