// AssemblyScript, not TypeScript: compiled to WebAssembly by scripts/build-kernel.mjs. The multifrontal Cholesky's arithmetic, on
// memory laid out by spread/workspace.ts. One instance for each factor.

/** Where things stand in memory, set once by the workspace. Lists of Int32 but for numbers, which are Float64. */
export let blocks: i32 = 0;
export let firstAt: usize = 0; // first column of each block, blocks + 1
export let rowsAt: usize = 0; // rows of all blocks, one after the other
export let rowStartAt: usize = 0; // where each block's rows start, blocks + 1
export let childrenAt: usize = 0; // children of all blocks
export let childStartAt: usize = 0; // where each block's children start, blocks + 1
export let panelAt: usize = 0; // index of each block's panel in panels
export let updateAt: usize = 0; // index of each block's update in updates
export let startsAt: usize = 0; // matrix: starts of columns
export let entriesAt: usize = 0; // matrix: rows of entries
export let valuesAt: usize = 0; // matrix: numbers
export let panelsAt: usize = 0;
export let updatesAt: usize = 0;
export let squareAt: usize = 0; // the largest front
export let localAt: usize = 0; // row of the matrix to row of the front
export let dirtyAt: usize = 0; // which blocks are to be done
export let xAt: usize = 0; // right side and answer
export let yAt: usize = 0; // a front's part of it

// @ts-ignore: decorator
@inline
function int(list: usize, k: i32): i32 {
  return load<i32>(list + (<usize>k << 2));
}

/** Columns eliminated together before the rest is updated. */
const PANEL: i32 = 8;

// @ts-ignore: decorator
@inline
function at(F: usize, k: i32): usize {
  return F + (<usize>k << 3);
}

/** Columns from of F[i…m), m high, less f times column `to`. */
// @ts-ignore: decorator
@inline
function takeOff(to: usize, from: usize, f: f64, i: i32, m: i32): void {
  const ff = f64x2.splat(f);
  let k = i;
  for (; k + 1 < m; k += 2) v128.store(at(to, k), f64x2.sub(v128.load(at(to, k)), f64x2.mul(ff, v128.load(at(from, k)))));
  if (k < m) store<f64>(at(to, k), load<f64>(at(to, k)) - f * load<f64>(at(from, k)));
}

/** What columns k…k+3 take off columns j…j+3, from row j + 4 down: sixteen products for eight loads. */
// @ts-ignore: decorator
@inline
function takeOff4x4(F: usize, m: i32, k: i32, j: i32): void {
  const a = at(F, k * m);
  const b = at(a, m);
  const c = at(b, m);
  const d = at(c, m);
  const p = at(F, j * m);
  const q = at(p, m);
  const r = at(q, m);
  const s = at(r, m);
  const ap = f64x2.splat(load<f64>(at(a, j)));
  const bp = f64x2.splat(load<f64>(at(b, j)));
  const cp = f64x2.splat(load<f64>(at(c, j)));
  const dp = f64x2.splat(load<f64>(at(d, j)));
  const aq = f64x2.splat(load<f64>(at(a, j + 1)));
  const bq = f64x2.splat(load<f64>(at(b, j + 1)));
  const cq = f64x2.splat(load<f64>(at(c, j + 1)));
  const dq = f64x2.splat(load<f64>(at(d, j + 1)));
  const ar = f64x2.splat(load<f64>(at(a, j + 2)));
  const br = f64x2.splat(load<f64>(at(b, j + 2)));
  const cr = f64x2.splat(load<f64>(at(c, j + 2)));
  const dr = f64x2.splat(load<f64>(at(d, j + 2)));
  const as_ = f64x2.splat(load<f64>(at(a, j + 3)));
  const bs = f64x2.splat(load<f64>(at(b, j + 3)));
  const cs = f64x2.splat(load<f64>(at(c, j + 3)));
  const ds = f64x2.splat(load<f64>(at(d, j + 3)));
  // The triangle j…j+3 is written in its upper part too, which nothing reads.
  let i = j;
  for (; i + 1 < m; i += 2) {
    const la = v128.load(at(a, i));
    const lb = v128.load(at(b, i));
    const lc = v128.load(at(c, i));
    const ld = v128.load(at(d, i));
    v128.store(
      at(p, i),
      f64x2.sub(
        v128.load(at(p, i)),
        f64x2.add(f64x2.add(f64x2.mul(ap, la), f64x2.mul(bp, lb)), f64x2.add(f64x2.mul(cp, lc), f64x2.mul(dp, ld))),
      ),
    );
    v128.store(
      at(q, i),
      f64x2.sub(
        v128.load(at(q, i)),
        f64x2.add(f64x2.add(f64x2.mul(aq, la), f64x2.mul(bq, lb)), f64x2.add(f64x2.mul(cq, lc), f64x2.mul(dq, ld))),
      ),
    );
    v128.store(
      at(r, i),
      f64x2.sub(
        v128.load(at(r, i)),
        f64x2.add(f64x2.add(f64x2.mul(ar, la), f64x2.mul(br, lb)), f64x2.add(f64x2.mul(cr, lc), f64x2.mul(dr, ld))),
      ),
    );
    v128.store(
      at(s, i),
      f64x2.sub(
        v128.load(at(s, i)),
        f64x2.add(f64x2.add(f64x2.mul(as_, la), f64x2.mul(bs, lb)), f64x2.add(f64x2.mul(cs, lc), f64x2.mul(ds, ld))),
      ),
    );
  }
  if (i < m) {
    for (let n = 0; n < 4; n++) {
      const to = at(F, (j + n) * m);
      store<f64>(
        at(to, i),
        load<f64>(at(to, i)) -
          load<f64>(at(a, j + n)) * load<f64>(at(a, i)) -
          load<f64>(at(b, j + n)) * load<f64>(at(b, i)) -
          load<f64>(at(c, j + n)) * load<f64>(at(c, i)) -
          load<f64>(at(d, j + n)) * load<f64>(at(d, i)),
      );
    }
  }
}

/** What the columns k0…k1 take off all columns after them. */
function update(F: usize, m: i32, k0: i32, k1: i32): void {
  let j = k1;
  for (; j + 3 < m; j += 4) {
    let k = k0;
    for (; k + 3 < k1; k += 4) takeOff4x4(F, m, k, j);
    for (; k < k1; k++)
      for (let n = 0; n < 4; n++) {
        const from = at(F, k * m);
        takeOff(at(F, (j + n) * m), from, load<f64>(at(from, j + n)), j + n, m);
      }
  }
  for (; j < m; j++)
    for (let k = k0; k < k1; k++) {
      const from = at(F, k * m);
      takeOff(at(F, j * m), from, load<f64>(at(from, j)), j, m);
    }
}

/**
 * Eliminates the first `width` columns of a dense front m × m at F, lower triangle column by column, in place. The column whose
 * pivot is not over `floor`, or −1.
 */
function eliminate(F: usize, m: i32, width: i32, floor: f64): i32 {
  for (let k0 = 0; k0 < width; k0 += PANEL) {
    const k1 = min(width, k0 + PANEL);
    for (let q0 = k0; q0 < k1; q0 += 4) {
      const q1 = min(k1, q0 + 4);
      for (let k = q0; k < q1; k++) {
        const column = at(F, k * m);
        const pivot = load<f64>(at(column, k));
        if (!(pivot > floor)) return k;
        const root = sqrt(pivot);
        store<f64>(at(column, k), root);
        scale(column, k + 1, m, 1 / root);
        for (let j = k + 1; j < q1; j++) {
          const f = load<f64>(at(column, j));
          if (f != 0) takeOff(at(F, j * m), column, f, j, m);
        }
      }
      // Four against four of the panel's own columns.
      if (q1 - q0 == 4 && k1 - q1 == 4) takeOff4x4(F, m, q0, q1);
      else
        for (let j = q1; j < k1; j++)
          for (let k = q0; k < q1; k++) {
            const from = at(F, k * m);
            takeOff(at(F, j * m), from, load<f64>(at(from, j)), j, m);
          }
    }
    update(F, m, k0, k1);
  }
  return -1;
}

/** Column from of F[i…m) times `by`. */
// @ts-ignore: decorator
@inline
function scale(column: usize, i: i32, m: i32, by: f64): void {
  const bb = f64x2.splat(by);
  let k = i;
  for (; k + 1 < m; k += 2) v128.store(at(column, k), f64x2.mul(bb, v128.load(at(column, k))));
  if (k < m) store<f64>(at(column, k), load<f64>(at(column, k)) * by);
}

/** Zeroes the front and brings the matrix's own entries into it; the largest of its diagonal. */
function gather(F: usize, m: i32, start: i32, width: i32): f64 {
  memory.fill(F, 0, <usize>(m * m) << 3);
  let scale: f64 = 0;
  for (let k = 0; k < width; k++) {
    const column = at(F, k * m);
    const from = int(startsAt, start + k);
    const to = int(startsAt, start + k + 1);
    scale = max(scale, abs(load<f64>(at(valuesAt, from))));
    for (let p = from; p < to; p++) {
      const i = int(localAt, int(entriesAt, p));
      store<f64>(at(column, i), load<f64>(at(column, i)) + load<f64>(at(valuesAt, p)));
    }
  }
  return scale;
}

/** Adds what a child left over to the front. */
function takeOver(F: usize, m: i32, child: i32): void {
  const width = int(firstAt, child + 1) - int(firstAt, child);
  const rows = rowsAt + (<usize>(int(rowStartAt, child) + width) << 2);
  const k = int(rowStartAt, child + 1) - int(rowStartAt, child) - width;
  let U = at(updatesAt, int(updateAt, child));
  for (let j = 0; j < k; j++) {
    const column = at(F, int(localAt, int(rows, j)) * m);
    for (let i = j; i < k; i++) {
      const to = at(column, int(localAt, int(rows, i)));
      store<f64>(to, load<f64>(to) + load<f64>(U));
      U += 8;
    }
  }
}

/** Factors the blocks marked dirty, in place; the first column without a positive pivot, or −1. */
export function factorise(nothing: f64): i32 {
  const F = squareAt;
  for (let b = 0; b < blocks; b++) {
    if (int(dirtyAt, b) == 0) continue;
    const rows = rowsAt + (<usize>int(rowStartAt, b) << 2);
    const m = int(rowStartAt, b + 1) - int(rowStartAt, b);
    const start = int(firstAt, b);
    const width = int(firstAt, b + 1) - start;
    for (let k = 0; k < m; k++) store<i32>(localAt + (<usize>int(rows, k) << 2), k);
    const scale = gather(F, m, start, width);
    for (let c = int(childStartAt, b); c < int(childStartAt, b + 1); c++) takeOver(F, m, int(childrenAt, c));
    const stopped = eliminate(F, m, width, nothing * scale);
    if (stopped >= 0) return start + stopped;
    memory.copy(at(panelsAt, int(panelAt, b)), F, <usize>(width * m) << 3);
    let U = at(updatesAt, int(updateAt, b));
    for (let j = width; j < m; j++) {
      const size = <usize>(m - j) << 3;
      memory.copy(U, at(F, j * m + j), size);
      U += size;
    }
  }
  return -1;
}

/** Solves in place of x. */
export function solve(): void {
  for (let b = 0; b < blocks; b++) forward(b);
  for (let b = blocks - 1; b >= 0; b--) backward(b);
}

function forward(b: i32): void {
  const rows = rowsAt + (<usize>int(rowStartAt, b) << 2);
  const m = int(rowStartAt, b + 1) - int(rowStartAt, b);
  const start = int(firstAt, b);
  const width = int(firstAt, b + 1) - start;
  const L = at(panelsAt, int(panelAt, b));
  memory.copy(yAt, at(xAt, start), <usize>width << 3);
  memory.fill(at(yAt, width), 0, <usize>(m - width) << 3);
  for (let k = 0; k < width; k++) {
    const column = at(L, k * m);
    const v = load<f64>(at(yAt, k)) / load<f64>(at(column, k));
    store<f64>(at(yAt, k), v);
    if (v != 0) takeOff(yAt, column, v, k + 1, m);
  }
  memory.copy(at(xAt, start), yAt, <usize>width << 3);
  for (let i = width; i < m; i++) {
    const to = at(xAt, int(rows, i));
    store<f64>(to, load<f64>(to) + load<f64>(at(yAt, i)));
  }
}

function backward(b: i32): void {
  const rows = rowsAt + (<usize>int(rowStartAt, b) << 2);
  const m = int(rowStartAt, b + 1) - int(rowStartAt, b);
  const start = int(firstAt, b);
  const width = int(firstAt, b + 1) - start;
  const L = at(panelsAt, int(panelAt, b));
  for (let i = 0; i < m; i++) store<f64>(at(yAt, i), load<f64>(at(xAt, int(rows, i))));
  for (let k = width - 1; k >= 0; k--) {
    const column = at(L, k * m);
    let pair = f64x2.splat(0);
    let i = k + 1;
    for (; i + 1 < m; i += 2) pair = f64x2.add(pair, f64x2.mul(v128.load(at(column, i)), v128.load(at(yAt, i))));
    let sum = f64x2.extract_lane(pair, 0) + f64x2.extract_lane(pair, 1);
    if (i < m) sum += load<f64>(at(column, i)) * load<f64>(at(yAt, i));
    store<f64>(at(yAt, k), (load<f64>(at(yAt, k)) - sum) / load<f64>(at(column, k)));
  }
  memory.copy(at(xAt, start), yAt, <usize>width << 3);
}
