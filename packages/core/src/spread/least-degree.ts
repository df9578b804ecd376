/**
 * Order of elimination by least degree on a quotient graph: an eliminated group becomes an element that stands for all it
 * joined, elements are swallowed by later ones, groups that have become alike are taken together, and the degree is the upper
 * bound of Amestoy, Davis & Duff (SIAM J. Matrix Anal. Appl. 1996). Groups marked `late` are neighbours but are never taken.
 * The order is that of the elimination tree, children before parents.
 */
export function leastDegree(beside: readonly (readonly number[])[], weight: Int32Array, late: Uint8Array): number[] {
  return new Quotient(beside, weight, late).order();
}

class Quotient {
  private readonly variables: number[][];
  private readonly elements: number[][];
  private readonly of: number[][];
  private readonly weight: Int32Array;
  private readonly members: number[][];
  private readonly children: number[][];
  private readonly alive: Uint8Array;
  private readonly element: Uint8Array;
  private readonly degree: Int32Array;
  private readonly buckets: Buckets;
  private readonly mark: Int32Array;
  private readonly outside: Int32Array;
  private readonly stamp: Int32Array;
  private left = 0;

  constructor(
    beside: readonly (readonly number[])[],
    weight: Int32Array,
    private readonly late: Uint8Array,
  ) {
    const n = weight.length;
    this.variables = beside.map((b) => b.slice());
    this.elements = Array.from({ length: n }, () => []);
    this.of = Array.from({ length: n }, () => []);
    this.weight = weight.slice();
    this.members = Array.from({ length: n }, (_, i) => [i]);
    this.children = Array.from({ length: n }, () => []);
    this.alive = new Uint8Array(n).fill(1);
    this.element = new Uint8Array(n);
    this.degree = Int32Array.from(beside, (b) => b.reduce((sum, j) => sum + weight[j]!, 0));
    this.mark = new Int32Array(n).fill(-1);
    this.outside = new Int32Array(n);
    this.stamp = new Int32Array(n).fill(-1);
    this.left = weight.reduce((a, b) => a + b, 0);
    this.buckets = new Buckets(n, this.left);
    for (let i = 0; i < n; i++) if (!late[i]) this.buckets.put(i, this.degree[i]!);
  }

  order(): number[] {
    const pivots: number[] = [];
    for (let p = this.buckets.least(); p >= 0; p = this.buckets.least()) {
      pivots.push(p);
      this.eliminate(p);
    }
    // Children before parents; what nothing swallowed stands by itself.
    const out: number[] = [];
    const visit = (p: number): void => {
      for (const c of this.children[p]!) visit(c);
      out.push(...this.members[p]!);
    };
    for (const p of pivots) if (this.element[p]) visit(p);
    return out;
  }

  private eliminate(p: number): void {
    const { alive, mark, weight } = this;
    this.buckets.take(p);
    alive[p] = 0;
    const joined: number[] = [];
    const join = (i: number) => {
      if (!alive[i] || mark[i] === p) return;
      mark[i] = p;
      joined.push(i);
    };
    for (const i of this.variables[p]!) join(i);
    for (const e of this.elements[p]!) {
      if (!this.element[e]) continue;
      for (const i of this.of[e]!) join(i);
      this.swallow(e, p);
    }
    this.element[p] = 1;
    this.left -= weight[p]!;
    this.measure(joined, p);
    const size = joined.reduce((sum, i) => sum + weight[i]!, 0);
    const alike = new Map<number, number[]>();
    for (const i of joined) {
      if (!this.late[i]) this.buckets.take(i);
      const key = this.renew(i, p, size);
      const same = alike.get(key);
      if (same) same.push(i);
      else alike.set(key, [i]);
    }
    for (const same of alike.values()) this.merge(same);
    this.of[p] = joined.filter((i) => alive[i]);
    for (const i of this.of[p]) if (!this.late[i]) this.buckets.put(i, this.degree[i]!);
    this.variables[p] = this.elements[p] = [];
  }

  private swallow(e: number, p: number): void {
    this.element[e] = 0;
    this.children[p]!.push(e);
    this.of[e] = [];
  }

  /** Weight of each neighbouring element outside what p has joined. */
  private measure(joined: readonly number[], p: number): void {
    for (const i of joined)
      for (const e of this.elements[i]!) {
        if (!this.element[e]) continue;
        if (this.stamp[e] !== p) {
          this.stamp[e] = p;
          let sum = 0;
          for (const k of this.of[e]!) if (this.alive[k]) sum += this.weight[k]!;
          this.outside[e] = sum;
        }
        this.outside[e]! -= this.weight[i]!;
      }
  }

  /** Lists and degree of a joined group after p; a sum by which alike ones are found. */
  private renew(i: number, p: number, size: number): number {
    let degree = 0;
    let key = p;
    const elements: number[] = [];
    for (const e of this.elements[i]!) {
      if (!this.element[e] || e === p) continue;
      if (this.outside[e]! <= 0) {
        this.swallow(e, p);
        continue;
      }
      degree += this.outside[e]!;
      elements.push(e);
      key += e;
    }
    elements.push(p);
    const variables: number[] = [];
    for (const j of this.variables[i]!)
      if (this.alive[j] && this.mark[j] !== p) {
        variables.push(j);
        degree += this.weight[j]!;
        key += j;
      }
    this.variables[i] = variables;
    this.elements[i] = elements;
    this.degree[i] = Math.min(this.left - this.weight[i]!, degree + size - this.weight[i]!);
    return key;
  }

  private merge(same: readonly number[]): void {
    same.forEach((i, x) => {
      if (!this.alive[i] || this.late[i]) return;
      for (const j of same.slice(x + 1)) {
        if (!this.alive[j] || this.late[j] || !this.alikes(i, j)) continue;
        this.weight[i]! += this.weight[j]!;
        this.members[i]!.push(...this.members[j]!);
        this.alive[j] = 0;
        this.degree[i] = Math.max(0, this.degree[i]! - this.weight[j]!);
      }
    });
  }

  private alikes(i: number, j: number): boolean {
    const [v, e] = [this.variables[i]!, this.elements[i]!];
    if (v.length !== this.variables[j]!.length || e.length !== this.elements[j]!.length) return false;
    return this.variables[j]!.every((k) => v.includes(k)) && this.elements[j]!.every((k) => e.includes(k));
  }
}

/** Groups by degree, in linked lists. */
class Buckets {
  private readonly head: Int32Array;
  private readonly next: Int32Array;
  private readonly before: Int32Array;
  private readonly degree: Int32Array;
  private low = 0;

  constructor(n: number, most: number) {
    this.head = new Int32Array(most + 1).fill(-1);
    this.next = new Int32Array(n).fill(-1);
    this.before = new Int32Array(n).fill(-1);
    this.degree = new Int32Array(n);
  }

  put(i: number, degree: number): void {
    const first = this.head[degree]!;
    this.degree[i] = degree;
    this.next[i] = first;
    this.before[i] = -1;
    if (first >= 0) this.before[first] = i;
    this.head[degree] = i;
    if (degree < this.low) this.low = degree;
  }

  take(i: number): void {
    const [before, next] = [this.before[i]!, this.next[i]!];
    if (before >= 0) this.next[before] = next;
    else this.head[this.degree[i]!] = next;
    if (next >= 0) this.before[next] = before;
  }

  /** A group of the least degree; −1 where there is none. */
  least(): number {
    while (this.low < this.head.length && this.head[this.low]! < 0) this.low++;
    return this.low < this.head.length ? this.head[this.low]! : -1;
  }
}
