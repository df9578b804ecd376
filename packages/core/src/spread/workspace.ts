import { KERNEL } from './kernel';
import type { SparseMatrix } from './sparse-matrix';
import type { Symbolic } from './symbolic';

/** What is used of WebAssembly; the core knows no browser and no server. */
declare const WebAssembly: {
  Memory: new (d: { initial: number }) => Memory;
  Module: new (bytes: Uint8Array) => object;
  Instance: new (m: object, imports: object) => { readonly exports: object };
};
interface Memory {
  readonly buffer: ArrayBuffer;
  grow(pages: number): number;
}
declare const atob: (text: string) => string;

/** The kernel's places in memory, by the names it gives them. */
type Place =
  | 'firstAt'
  | 'rowsAt'
  | 'rowStartAt'
  | 'childrenAt'
  | 'childStartAt'
  | 'panelAt'
  | 'updateAt'
  | 'startsAt'
  | 'entriesAt'
  | 'valuesAt'
  | 'panelsAt'
  | 'updatesAt'
  | 'squareAt'
  | 'localAt'
  | 'dirtyAt'
  | 'xAt'
  | 'yAt';

type Kernel = Record<Place | 'blocks', { value: number }> & { factorise(nothing: number): number; solve(): void };

/** A factor's memory: the pattern, the numbers of the matrix, what is made of them, and a right side; worked on by the kernel. */
export interface Workspace {
  readonly values: Float64Array;
  readonly dirty: Int32Array;
  readonly x: Float64Array;
  readonly bytes: number;
  /** For the workspace that takes this one's place. */
  readonly held: { readonly memory: Memory; readonly kernel: Kernel };
  /** Factors the blocks marked dirty; the first column without a pivot over `nothing` of its diagonal, or −1. */
  factorise(nothing: number): number;
  /** Solves in place of x. */
  solve(): void;
}

const PAGE = 65_536;
/** Below this stands what the compiler keeps for itself. */
const START = 1024;

let compiled: object | undefined;
const kernel = () => (compiled ??= new WebAssembly.Module(Uint8Array.from(atob(KERNEL), (c) => c.charCodeAt(0))));

/** Lists one after the other. */
function joined(lists: readonly ArrayLike<number>[]): Int32Array {
  const out = new Int32Array(lists.reduce((sum, l) => sum + l.length, 0));
  let at = 0;
  for (const l of lists) {
    out.set(l, at);
    at += l.length;
  }
  return out;
}

/** Running sums of the lengths, from 0. */
function startsOf(lengths: readonly number[]): Int32Array {
  const out = new Int32Array(lengths.length + 1);
  lengths.forEach((n, i) => (out[i + 1] = out[i]! + n));
  return out;
}

/** Memory laid out for a matrix; that of another is taken over, which is then used up: new memory costs more than the arithmetic. */
export function workspace(A: SparseMatrix, s: Symbolic, before?: Workspace): Workspace {
  const blocks = s.rows.length;
  const width = (b: number) => s.first[b + 1]! - s.first[b]!;
  const panels = startsOf(s.rows.map((r, b) => r.length * width(b)));
  const updates = startsOf(s.rows.map((r, b) => ((r.length - width(b)) * (r.length - width(b) + 1)) / 2));
  const largest = s.rows.reduce((most, r) => Math.max(most, r.length), 0);
  const ints: [Place, Int32Array | number][] = [
    ['firstAt', s.first],
    ['rowsAt', joined(s.rows)],
    ['rowStartAt', startsOf(s.rows.map((r) => r.length))],
    ['childrenAt', joined(s.children)],
    ['childStartAt', startsOf(s.children.map((c) => c.length))],
    ['panelAt', panels],
    ['updateAt', updates],
    ['startsAt', A.starts],
    ['entriesAt', A.rows],
    ['localAt', s.n],
    ['dirtyAt', blocks],
  ];
  const numbers: [Place, number][] = [
    ['valuesAt', A.values.length],
    ['panelsAt', panels[blocks]!],
    ['updatesAt', updates[blocks]!],
    // The kernel's pairs may run one past the end.
    ['squareAt', largest * largest + 2],
    ['xAt', s.n],
    ['yAt', largest + 2],
  ];
  const at = new Map<Place, number>();
  let end = START;
  for (const [name, size] of numbers) {
    at.set(name, end);
    end += 8 * size;
  }
  for (const [name, list] of ints) {
    at.set(name, end);
    end += 4 * (typeof list === 'number' ? list : list.length);
  }
  const { memory, kernel: k } = before?.held ?? newRoom();
  if (end > memory.buffer.byteLength) memory.grow(Math.ceil((end - memory.buffer.byteLength) / PAGE));
  k.blocks.value = blocks;
  for (const [name, place] of at) k[name].value = place;
  for (const [name, list] of ints)
    if (typeof list !== 'number') new Int32Array(memory.buffer, at.get(name)!, list.length).set(list);
  return {
    values: new Float64Array(memory.buffer, at.get('valuesAt')!, A.values.length),
    dirty: new Int32Array(memory.buffer, at.get('dirtyAt')!, blocks),
    x: new Float64Array(memory.buffer, at.get('xAt')!, s.n),
    bytes: memory.buffer.byteLength,
    held: { memory, kernel: k },
    factorise: (nothing) => k.factorise(nothing),
    solve: () => k.solve(),
  };
}

function newRoom(): Workspace['held'] {
  const memory = new WebAssembly.Memory({ initial: 1 });
  return { memory, kernel: new WebAssembly.Instance(kernel(), { env: { memory } }).exports as Kernel };
}
