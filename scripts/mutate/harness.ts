// Runs the specs of a bundle inside one worker: a small stand-in for the runner's names, with the real `expect` and tables.
import { bind } from 'jest-each';
import { expect } from 'expect';
import { parentPort, workerData } from 'node:worker_threads';

interface Test {
  readonly name: string;
  readonly file: string;
  readonly run: () => unknown;
}
type Fn = () => unknown;

const tests: Test[] = [];
const befores: { file: string; run: Fn }[] = [];
const afters: { file: string; run: Fn }[] = [];
const beforeEachs: { file: string; run: Fn }[] = [];
const afterEachs: { file: string; run: Fn }[] = [];
let path: string[] = [];
let file = '';
const g = globalThis as unknown as Record<string, unknown>;

const { mutant = 0, only } = workerData as { mutant?: number; only?: readonly number[] };
let hits = new Set<number>();
let files = new Set<number>();
g['__m'] = (id: number): boolean => {
  if (mutant === 0) hits.add(id);
  return id === mutant;
};
g['__f'] = (n: number): void => void (mutant === 0 && files.add(n));
g['__spec'] = (name: string): void => void (file = name);

const it = Object.assign((name: string, run: Fn) => void tests.push({ name: [...path, name].join(' › '), file, run }), {});
const describe = (name: string, body: Fn) => {
  path = [...path, name];
  body();
  path = path.slice(0, -1);
};
g['it'] = g['test'] = Object.assign(it, { each: bind(it as never) });
g['describe'] = Object.assign(describe, { each: bind(describe as never) });
g['beforeAll'] = (run: Fn) => void befores.push({ file, run });
g['afterAll'] = (run: Fn) => void afters.push({ file, run });
g['beforeEach'] = (run: Fn) => void beforeEachs.push({ file, run });
g['afterEach'] = (run: Fn) => void afterEachs.push({ file, run });
g['expect'] = expect;

/** One test with what its file does before and after each. */
async function alone(t: Test): Promise<void> {
  for (const b of beforeEachs) if (b.file === t.file) await b.run();
  try {
    await t.run();
  } finally {
    for (const a of afterEachs) if (a.file === t.file) await a.run();
  }
}

/** Runs what was gathered, and tells what each test touched, or the first that fails. */
export async function runAll(): Promise<void> {
  const atLoad = [...hits];
  if (mutant === 0) {
    const told = [];
    for (const b of befores) await b.run();
    for (const [i, t] of tests.entries()) {
      hits = new Set();
      files = new Set();
      const began = performance.now();
      let failed = '';
      try {
        await alone(t);
      } catch (e) {
        failed = String((e as Error).message).slice(0, 300);
      }
      told.push({ i, name: t.name, file: t.file, ms: performance.now() - began, hits: [...hits], files: [...files], failed });
    }
    for (const a of afters) await a.run();
    parentPort!.postMessage({ told, atLoad });
    return;
  }
  const needed = new Set(only!.map((i) => tests[i]!.file));
  for (const b of befores) if (needed.has(b.file)) await b.run();
  for (const i of only!) {
    const t = tests[i]!;
    try {
      await alone(t);
    } catch {
      parentPort!.postMessage({ killed: t.name });
      return;
    }
    parentPort!.postMessage({ passed: i });
  }
  for (const a of afters) if (needed.has(a.file)) await a.run();
  parentPort!.postMessage({ survived: true });
}
