import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import type { Job, Quantity } from '@core/job/schema';
import type { Critical, Shim } from '@core/job/survey';
import { asBuilt, outOfSquare, PLACES, type AsBuilt, type PlaceName } from '@core/survey/as-built';
import { outlineOf } from '@core/job/outlines';
import { packersFor, surfaceOf } from '@core/job/packers';
import { wedgeUnder } from '@core/job/wedge';
import { formatQuantity } from '@core/units/format-quantity';
import { assumed, fromSheet } from '@core/units/quantity';
import { isRefusal, refusalText } from '@core/units/refusal';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';
import { freeId } from '../load/edits';
import { changeSurvey } from './edits';

/** Shown in an empty place until something is measured there. */
const NOT_YET: Quantity = { v: 0, text: '', from: 'assumed' };

/** The as-built log: critical dimensions both sides, out of square, out of flat, heel, and the packers they ask for. */
@Component({
  selector: 'ms-as-built',
  imports: [MatButton, MatIconButton, MatIcon, QuantityField],
  templateUrl: './as-built-sheet.html',
  styleUrl: './sheet.scss',
  styles: `
    @media (min-width: 1181px) {
      :host {
        grid-template-rows: minmax(0, auto) minmax(0, 1fr);
      }
    }
    td ms-quantity {
      --quantity-width: 74px;
    }
    .shim {
      display: grid;
      grid-template-columns: 22px repeat(3, minmax(0, 1fr)) 26px;
      gap: 4px;
      align-items: center;
    }
    .shim ms-quantity {
      --quantity-width: 71px;
      border-bottom: 0;
      padding: 1px 0;
      gap: 0 4px;
    }
    .one-sided {
      display: block;
    }
    .packers {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      margin: 6px 0;
      padding: 0;
      list-style: none;
    }
    .packers li {
      padding: 3px 8px;
      border: 1px solid var(--rule-strong);
      background: var(--card);
      font-size: 13px;
    }
    .packers b {
      font: 600 18px/1.1 var(--label);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AsBuiltSheet {
  private readonly desk = inject(Desk);
  readonly job = input.required<Job>();

  protected readonly places = PLACES;
  protected readonly notYet = NOT_YET;
  protected readonly rows = computed(() => {
    const { log, sides } = this.job().survey;
    return log.map((c) => ({ c, found: asBuilt(c, sides === 'pair') }));
  });
  protected readonly square = computed(() => {
    const { diagonals } = this.job().survey;
    const { rising, falling } = diagonals;
    if (!rising || !falling) return undefined;
    const { a, b } = this.sidesOfPattern();
    const found = a > 0 && b > 0 ? outOfSquare(rising.v, falling.v, a, b) : undefined;
    return found ? { ...found, a, b } : null;
  });
  /** One wedge in place of packers, by its thin corner. */
  protected readonly thin = signal<Quantity>(fromSheet(3, '3 mm'));
  protected readonly wedge = computed(() => {
    const s = this.surface();
    return isRefusal(s) || Math.hypot(s.gx, s.gy) < 1e-4 ? undefined : wedgeUnder(outlineOf(this.job()), s, this.thin().v);
  });
  protected readonly surface = computed(() => surfaceOf(this.job().survey.shims));
  protected readonly level = computed(() => {
    const s = this.surface();
    return isRefusal(s) ? undefined : s;
  });
  protected readonly levelRefusal = computed(() => {
    const s = this.surface();
    return isRefusal(s) && this.job().survey.shims.length > 0 ? refusalText(s) : '';
  });
  protected readonly packers = computed(() => {
    const s = this.level();
    return s ? packersFor(this.job(), s) : [];
  });

  /** The rectangle whose diagonals are read: the structure's outermost holes where they were measured, else the bolts'. */
  protected readonly corners = computed(() => {
    const { survey, bolts } = this.job();
    const structure = survey.patterns.find((p) => p.of === 'structure' && p.side === 'left' && p.holes.length >= 3);
    return structure ? { name: 'the structure’s holes', at: structure.holes } : { name: 'the bolts', at: bolts.items };
  });

  private sidesOfPattern(): { a: number; b: number } {
    const { at } = this.corners();
    const span = (k: 'x' | 'y') => Math.max(...at.map((p) => p[k])) - Math.min(...at.map((p) => p[k]));
    return at.length < 3 ? { a: 0, b: 0 } : { a: span('x'), b: span('y') };
  }

  protected show(v: number): string {
    const { units } = this.job();
    return units === 'mm' ? `${Number(v.toFixed(2))} mm` : formatQuantity(v, 'length', units);
  }

  protected degrees(rad: number): string {
    return `${((Math.abs(rad) * 180) / Math.PI).toFixed(2)}°`;
  }

  protected lean(rad: number, plus: string, minus: string): string {
    return Math.abs(rad) < 1e-5 ? 'level' : `${this.degrees(rad)}, ${rad > 0 ? plus : minus} lies lower`;
  }

  /** What was found of one dimension, in words. */
  protected says(f: AsBuilt): string {
    const out = f.out.map((p) => `${p} ${f.off[p]! > 0 ? '+' : '−'}${this.show(Math.abs(f.off[p]!))}`);
    const sides = f.sides === undefined ? '' : `sides differ ${this.show(Math.abs(f.sides))}`;
    const ends = f.ends === undefined ? '' : `ends differ ${this.show(Math.abs(f.ends))}`;
    return (
      [out.length > 0 ? `out: ${out.join(', ')}` : '', sides, ends].filter(Boolean).join('; ') ||
      (Object.keys(f.off).length > 0 ? 'within' : 'not measured')
    );
  }

  private log(did: string, f: (log: Critical[]) => Critical[], field?: string): void {
    this.desk.change(
      did,
      changeSurvey((s) => ({ log: f(s.log) })),
      field,
    );
  }

  protected addRow(): void {
    this.log('add a dimension', (log) => [
      ...log,
      { id: freeId(log, 'C'), name: 'Dimension', nominal: assumed(100, '100 mm'), tolerance: fromSheet(1, '1 mm') },
    ]);
  }

  protected edit(c: Critical, key: 'name' | 'nominal' | 'tolerance' | PlaceName, value: Quantity | string): void {
    this.log(
      `${c.name} ${key}`,
      (log) => log.map((x) => (x.id === c.id ? ({ ...x, [key]: value } as Critical) : x)),
      `log.${c.id}.${key}`,
    );
  }

  protected rename(c: Critical, text: string): void {
    const name = text.trim().slice(0, 80);
    if (name) this.edit(c, 'name', name);
  }

  protected removeRow(c: Critical): void {
    this.log(`take out ${c.name}`, (log) => log.filter((x) => x.id !== c.id));
  }

  protected diagonal(key: 'rising' | 'falling', q: Quantity): void {
    this.desk.change(
      'diagonal',
      changeSurvey((s) => ({ diagonals: { ...s.diagonals, [key]: q } })),
      `diagonal.${key}`,
    );
  }

  private shims(did: string, f: (shims: Shim[]) => Shim[], field?: string): void {
    this.desk.change(
      did,
      changeSurvey((s) => ({ shims: f(s.shims) })),
      field,
    );
  }

  /** A point at the next bolt that has none, where the packers are wanted. */
  protected addShim(): void {
    const bare = this.job().bolts.items.find((b) => !this.job().survey.shims.some((s) => Math.hypot(s.x - b.x, s.y - b.y) < 1));
    this.shims('add a gap', (shims) => [
      ...shims,
      { id: freeId(shims, 'S'), x: bare?.x ?? 0, y: bare?.y ?? 0, gap: assumed(0, '0') },
    ]);
  }

  protected place(v: number): Quantity {
    return fromSheet(v, formatQuantity(v, 'length', this.job().units));
  }

  protected editShim(s: Shim, change: Partial<Shim>, key: string): void {
    this.shims(`gap ${s.id}`, (shims) => shims.map((x) => (x.id === s.id ? { ...x, ...change } : x)), `shim.${s.id}.${key}`);
  }

  protected removeShim(s: Shim): void {
    this.shims(`take out gap ${s.id}`, (shims) => shims.filter((x) => x.id !== s.id));
  }
}
