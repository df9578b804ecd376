import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import type { Sensitivity } from '@core/chain/sensitivity';
import { oneSidedOf } from '@core/survey/as-built';
import { assumedValues, namedValues } from '@core/job/values';
import type { Job, Quantity } from '@core/job/schema';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';
import type { Surveyed } from '../workers/messages';
import { setAt } from './edits';

/** What the result rests on, ranked by how far each assumed value moves the weakest link: what to measure next. */
@Component({
  selector: 'ms-next',
  imports: [QuantityField],
  template: `
    <section class="whole">
      <h2>
        @if (assumed().length === 0) {
          Everything the result rests on was measured or taken from a sheet
        } @else {
          The result rests on {{ assumed().length }} assumed {{ assumed().length === 1 ? 'value' : 'values' }}
        }
      </h2>
      @if (first(); as first) {
        <div class="verdict" [class.fails]="first.s && first.s.moves > 0.05">
          Measure next: <b>{{ first.label }}</b> {{ why(first.s) }}
        </div>
      }
      @if (rows().length > 0) {
        <table>
          <thead>
            <tr>
              <th>Assumed value</th>
              <th>Now</th>
              <th>If wrong by</th>
              <th class="number">Weakest if lower</th>
              <th class="number">if higher</th>
              <th>Moves the weakest link</th>
            </tr>
          </thead>
          <tbody>
            @for (r of rows(); track r.path) {
              <tr>
                <td>{{ r.label }}</td>
                <td>
                  @if (r.path !== 'base.holes') {
                    <ms-quantity
                      class="bare"
                      [of]="r.range"
                      [label]="r.label"
                      [measuring]="true"
                      [value]="r.value"
                      [system]="job().units"
                      (changed)="set(r.path, $event)"
                    />
                  } @else {
                    {{ r.value.text }}
                  }
                </td>
                <td>{{ r.s?.by ?? '' }}</td>
                <td class="number">{{ figure(r.s?.lower) }}</td>
                <td class="number">{{ figure(r.s?.higher) }}</td>
                <td>
                  <span class="bar" [style.width.px]="width(r.s)"></span>
                  {{ moves(r.s, r.path) }}
                </td>
              </tr>
            }
          </tbody>
        </table>
        <p class="note">
          One value at a time, the rest as they are; the whole path evaluated anew. A tenth either way, angles five degrees
          (common practice). They are marked on the printed sheets too.
        </p>
      }
      @for (one of oneSided(); track one.id) {
        <p class="warn">
          <b>{{ one.name }}</b>: only the {{ one.oneSided![0] }} was measured; the {{ one.oneSided![1] }} is being taken as equal.
        </p>
      }
    </section>
  `,
  styleUrl: './sheet.scss',
  styles: `
    .bar {
      display: inline-block;
      height: 9px;
      margin-right: 6px;
      background: repeating-linear-gradient(45deg, var(--accent) 0 3px, var(--accent-mid) 3px 6px);
    }
    .verdict {
      font-size: 14px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NextSheet {
  private readonly desk = inject(Desk);
  readonly job = input.required<Job>();
  readonly surveyed = input.required<Surveyed | null>();

  protected readonly assumed = computed(() => assumedValues(this.job()));
  protected readonly oneSided = computed(() => oneSidedOf(this.job().survey));
  /** Every path seen assumed since the sheet was opened: a row does not vanish under the fingers. */
  private readonly kept = linkedSignal<readonly string[], ReadonlySet<string>>({
    source: () => this.assumed().map((n) => n.path),
    computation: (paths, before) => new Set([...(before?.value ?? []), ...paths]),
  });
  /** In the order of the last answer; what it does not know (a zero, the hole pattern, one just measured) comes last. */
  protected readonly rows = computed(() => {
    const order = this.surveyed()?.next ?? [];
    const at = (path: string) => order.findIndex((s) => s.path === path);
    return namedValues(this.job())
      .filter((n) => this.kept().has(n.path))
      .map((n) => ({ ...n, s: order[at(n.path)] }))
      .sort((a, b) => (a.s ? at(a.path) : Infinity) - (b.s ? at(b.path) : Infinity) || 0);
  });
  protected readonly first = computed(() => this.rows().find((r) => r.value.from === 'assumed' && r.s));
  private readonly most = computed(() =>
    Math.max(0.01, ...(this.surveyed()?.next ?? []).map((s) => (Number.isFinite(s.moves) ? s.moves : 0))),
  );

  protected figure(v: number | undefined): string {
    // A template's `?.` gives null, whatever its type says.
    return typeof v !== 'number' ? '' : Number.isNaN(v) ? 'refused' : v.toFixed(2);
  }

  protected width(s: Sensitivity | undefined): number {
    return s ? (Number.isFinite(s.moves) ? (90 * s.moves) / this.most() : 90) : 0;
  }

  protected moves(s: Sensitivity | undefined, path: string): string {
    if (!s) return path === 'base.holes' ? 'decides whether bolts meet the base' : '';
    return Number.isFinite(s.moves) ? `by ${s.moves.toFixed(2)}` : 'may decide whether it can be computed';
  }

  protected why(s: Sensitivity | undefined): string {
    if (!s) return '';
    if (!Number.isFinite(s.moves)) return `· ${s.by}, and the job may not compute at all.`;
    return `· ${s.by} moves the weakest link by ${s.moves.toFixed(2)}.`;
  }

  protected set(path: string, q: Quantity): void {
    this.desk.change(`measured ${path}`, setAt(path, q), `next.${path}`);
  }
}
