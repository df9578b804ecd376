import { bendingOf, type Assembly, type Cell, type Link } from './assemble';
import { planeForcesOf } from './energy';
import { addInPlane, slopeTerms } from './membrane';
import { cornersOf, EACH, layersOf, unknownOf, usedBy } from './pattern';
import type { StackLoad } from './stack';
import type { StackResult } from './solve-stack';

/** Deflection of a layer's node, mm, up. */
export const liftAt = (a: Assembly, r: StackResult, layer: number, node: number): number =>
  r.u[unknownOf(a.nodes, layer, node, 0)]!;

/** Push up of each named support, N, its moments about the grid's origin, N·mm, and what it holds in the plane along x and y, N. */
export interface Reaction {
  readonly of: string;
  readonly fz: number;
  readonly mx: number;
  readonly my: number;
  readonly fx: number;
  readonly fy: number;
}

type Sum = { -readonly [K in keyof Omit<Reaction, 'of'>]: number };

/** A cell's own forces on its corners, `EACH` at each: what its neighbours, links and supports must give. */
function forcesOf(a: Assembly, r: StackResult, c: Cell, K: Float64Array): Float64Array {
  const layer = a.stack.layers[c.layer]!;
  const d = new Float64Array(4 * EACH);
  cornersOf(c, a.stack.grid.x.length).forEach((n, k) => {
    for (let i = 0; i < usedBy(layer); i++) d[EACH * k + i] = r.u[unknownOf(a.nodes, c.layer, n, i)]!;
  });
  const wide = (i: number) => Math.floor(i / 3) * EACH + (i % 3);
  const out = new Float64Array(4 * EACH);
  if (layer.membrane) {
    const slopes = new Float64Array(20);
    slopeTerms(c, d, layer.membrane, slopes);
    const flat = new Float64Array(400);
    addInPlane(flat, c, layer.membrane);
    for (let i = 0; i < 20; i++) {
      out[i] = slopes[i]!;
      for (let j = 0; j < 20; j++) out[i]! += flat[i * 20 + j]! * d[j]!;
    }
  }
  for (let i = 0; i < 12; i++) for (let j = 0; j < 12; j++) out[wide(i)]! += K[i * 12 + j]! * d[wide(j)]!;
  return out;
}

/** What reads the reactions of every bearer off a result: see `reactionsOf`. Made once, used for every case. */
export function reactionsReader(a: Assembly): (r: StackResult, load: StackLoad) => Reaction[] {
  const { stack, nodes } = a;
  const { x, y } = stack.grid;
  const nx = x.length;
  const names = [...new Set([...stack.supports, ...stack.springs].map((s) => s.of))];
  // Which name holds a layer's node up and down, and in its plane; −1 none.
  const upright = new Int16Array(stack.layers.length * nodes).fill(-1);
  const flat = upright.slice();
  const clamped = upright.slice();
  /** Which turnings are held there: β_x 1, β_y 2. */
  const holds = new Uint8Array(upright.length);
  for (const s of stack.supports) {
    if (s.w) upright[s.layer * nodes + s.node] = names.indexOf(s.of);
    if (s.betaX || s.betaY) clamped[s.layer * nodes + s.node] = names.indexOf(s.of);
    holds[s.layer * nodes + s.node]! |= (s.betaX ? 1 : 0) | (s.betaY ? 2 : 0);
    if (s.u || s.v) flat[s.layer * nodes + s.node] = names.indexOf(s.of);
  }
  const held = a.cells
    .filter((c) => cornersOf(c, nx).some((n) => [upright, flat, clamped].some((held) => held[c.layer * nodes + n]! >= 0)))
    .map((c) => ({ c, K: bendingOf(a, c) }));
  // What presses or pulls on a held node is carried by its support too.
  const layerAt = (l: Link, k: number) => {
    const { upper, lower } = layersOf(stack, l);
    return k < l.above ? upper : lower;
  };
  const onHeld = a.links.filter((l) => l.nodes.some((n, k) => upright[layerAt(l, k) * nodes + n]! >= 0));
  return (r, load) => {
    const sums = names.map((): Sum => ({ fz: 0, mx: 0, my: 0, fx: 0, fy: 0 }));
    const put = (of: number, n: number, f: number) => {
      const sum = sums[of]!;
      sum.fz += f;
      sum.mx += f * y[Math.floor(n / nx)]!;
      sum.my -= f * x[n % nx]!;
    };
    const add = (at: number, f: number) => {
      const of = upright[at]!;
      if (of >= 0) put(of, at % nodes, f);
    };
    for (const s of stack.springs) put(names.indexOf(s.of), s.node, -s.stiffness * liftAt(a, r, s.layer, s.node));
    for (const { c, K } of held) {
      const f = forcesOf(a, r, c, K);
      cornersOf(c, nx).forEach((corner, k) => {
        const at = c.layer * nodes + corner;
        add(at, f[EACH * k]!);
        // β_x turns about y, and β_y the other way about x.
        const turned = clamped[at]!;
        if (turned >= 0) {
          if (holds[at]! & 1) sums[turned]!.my += f[EACH * k + 1]!;
          if (holds[at]! & 2) sums[turned]!.mx -= f[EACH * k + 2]!;
        }
        const of = flat[at]!;
        if (of < 0) return;
        sums[of]!.fx += f[EACH * k + 3]!;
        sums[of]!.fy += f[EACH * k + 4]!;
      });
    }
    for (const l of onHeld) {
      const { upper, lower } = layersOf(stack, l);
      const shared = () => Math.min(a.area[upper * nodes + l.node]!, a.area[lower * nodes + l.node]!);
      // Down on what is above, up on what is below: a pull is a push the other way round.
      const push = {
        bolt: () => -r.bolts[l.of]!,
        post: () => r.pushes[l.of]!,
        contact: () => r.pressure[l.of * nodes + l.node]! * shared(),
      }[l.kind]();
      l.nodes.forEach((n, k) => add(layerAt(l, k) * nodes + n, -push * l.parts[k]!));
    }
    for (const f of load.forces) add(f.layer * nodes + f.node, -f.fz);
    return sums.map((s, i) => ({ of: names[i]!, ...s }));
  };
}

/** Reactions of every bearer, by the plates' own forces at the nodes it holds less what is put on them. */
export const reactionsOf = (a: Assembly, r: StackResult, load: StackLoad): Reaction[] => reactionsReader(a)(r, load);

/** Moments of the pulls in the skin's plane by their height, N·mm: nothing but what the mesh leaves of them. */
function byHeight(a: Assembly, r: StackResult): { mx: number; my: number } {
  const sum = { mx: 0, my: 0 };
  if (!a.stack.layers.some((l) => l.membrane)) return sum;
  for (const c of a.cells) {
    const n = planeForcesOf(a, r.u, c);
    if (!n) continue;
    const [n0, n1, n2, n3] = cornersOf(c, a.stack.grid.x.length).map((k) => liftAt(a, r, c.layer, k)) as [
      number,
      number,
      number,
      number,
    ];
    const wx = (n1 + n2 - n0 - n3) / (2 * c.a);
    const wy = (n2 + n3 - n0 - n1) / (2 * c.b);
    sum.mx -= c.a * c.b * (n.ny * wy + n.nxy * wx);
    sum.my += c.a * c.b * (n.nx * wx + n.nxy * wy);
  }
  return sum;
}

/** Load and beds against reactions: what is left over of force and of moments, relative to the load. */
export function balanceOf(a: Assembly, r: StackResult, load: StackLoad, reactions = reactionsOf(a, r, load)): number {
  const { x, y } = a.stack.grid;
  const nx = x.length;
  const sum = { fz: 0, ...byHeight(a, r) };
  let size = 0;
  let arm = 0;
  const add = (node: number, f: number) => {
    sum.fz += f;
    sum.mx += f * y[Math.floor(node / nx)]!;
    sum.my -= f * x[node % nx]!;
  };
  for (const f of load.forces) {
    add(f.node, f.fz);
    size += Math.abs(f.fz);
    arm = Math.max(arm, Math.abs(x[f.node % nx]!), Math.abs(y[Math.floor(f.node / nx)]!));
  }
  for (const q of reactions) {
    sum.fz += q.fz;
    sum.mx += q.mx;
    sum.my += q.my;
  }
  a.stack.layers.forEach((l, i) => {
    if (l.bed) for (let n = 0; n < a.nodes; n++) add(n, -l.bed * a.area[i * a.nodes + n]! * liftAt(a, r, i, n));
  });
  return (Math.abs(sum.fz) + (Math.abs(sum.mx) + Math.abs(sum.my)) / Math.max(arm, 1)) / Math.max(size, 1e-9);
}
