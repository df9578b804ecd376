import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Verdict } from '@core/chain/evaluate';
import { asCounted } from '@core/chain/evaluate';
import type { LoadCase } from '@core/loads/load-case';
import type { Job } from '@core/job/schema';
import { formatQuantity } from '@core/units/format-quantity';

interface Ray {
  readonly id: string;
  readonly name: string;
  readonly x: number;
  readonly y: number;
  readonly governs: string;
}

const R = 100;

/** All cases at once, factors on: the shear round the compass, and pull against overturning; and which case governs which link. */
@Component({
  selector: 'ms-envelope',
  template: `
    <div class="pictures">
      <figure>
        <svg viewBox="-140 -128 280 256" role="img" aria-label="Shear at the plate by direction, all cases">
          @for (r of rings; track r) {
            <circle [attr.r]="r" fill="none" stroke="var(--hatch)" stroke-width="0.7" stroke-dasharray="3 3" />
          }
          <path d="M-108 0H108M0 -108V108" stroke="var(--hatch)" stroke-width="0.7" />
          <text x="110" y="4">fore</text>
          <text x="-110" y="4" text-anchor="end">aft</text>
          <text x="0" y="-112" text-anchor="middle">port</text>
          <text x="0" y="122" text-anchor="middle">starboard</text>
          <text x="4" [attr.y]="-R + 11" class="scale">{{ shearScale() }}</text>
          @for (p of shear(); track p.id) {
            <g class="ray" [class.open]="p.id === open()" (click)="choose.emit(p.id)">
              <title>{{ p.name }}</title>
              <line
                x1="0"
                y1="0"
                [attr.x2]="p.x"
                [attr.y2]="p.y"
                stroke="var(--accent)"
                [attr.stroke-width]="p.governs ? 2.4 : 1.1"
                [attr.opacity]="p.governs ? 1 : 0.55"
              />
              <circle
                [attr.cx]="p.x"
                [attr.cy]="p.y"
                [attr.r]="p.id === open() ? 5.5 : 3.4"
                [attr.fill]="p.governs ? 'var(--accent)' : 'var(--card)'"
                stroke="var(--accent)"
                stroke-width="1.2"
              />
            </g>
          }
        </svg>
        <figcaption>shear at the plate, from above</figcaption>
      </figure>
      <figure>
        <svg viewBox="-70 -128 210 256" role="img" aria-label="Pull or press against overturning moment, all cases">
          <path d="M0 0H118M0 -112V112" stroke="var(--hatch)" stroke-width="0.7" />
          <text x="136" y="122" text-anchor="end">overturning to {{ momentScale() }}</text>
          <text x="-6" y="-104" text-anchor="end">lifts</text>
          <text x="-6" y="-90" text-anchor="end">{{ pullScale() }}</text>
          <text x="-6" y="108" text-anchor="end">presses</text>
          @for (p of lift(); track p.id) {
            <g class="ray" [class.open]="p.id === open()" (click)="choose.emit(p.id)">
              <title>{{ p.name }}</title>
              <rect
                [attr.x]="p.x - 3.6"
                [attr.y]="p.y - 3.6"
                width="7.2"
                height="7.2"
                [attr.fill]="p.governs ? 'var(--accent)' : 'var(--card)'"
                stroke="var(--accent)"
                [attr.stroke-width]="p.id === open() ? 3 : 1.2"
              />
            </g>
          }
        </svg>
        <figcaption>pull off the plate against overturning</figcaption>
      </figure>
    </div>
    <table>
      <caption class="visually-hidden">
        Which case governs which link
      </caption>
      <thead>
        <tr>
          <th>Governed by</th>
          <th>Links</th>
        </tr>
      </thead>
      <tbody>
        @for (g of governed(); track g.id) {
          <tr [class.open]="g.id === open()">
            <td>
              <button type="button" class="pick" (click)="choose.emit(g.id)">{{ g.name }}</button>
            </td>
            <td>{{ g.links }}</td>
          </tr>
        } @empty {
          <tr>
            <td colspan="2">No link is governed yet.</td>
          </tr>
        }
      </tbody>
    </table>
    <p class="note">Filled marks govern a link. The school’s load factors are on.</p>
  `,
  styles: `
    .pictures {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 8px;
    }
    figure {
      margin: 0;
      border: 1px solid var(--rule);
      background: var(--card);
    }
    figcaption {
      padding: 0 6px 3px;
      font: 600 13px var(--label);
      color: var(--ink-soft);
    }
    svg {
      width: 100%;
      height: 225px;
    }
    text {
      fill: var(--ink);
      font: 600 11px var(--label);
    }
    .ray {
      cursor: pointer;
    }
    table {
      width: 100%;
      margin-top: 8px;
      border-collapse: collapse;
      font-size: 13px;
    }
    th {
      font: 600 13px var(--label);
      text-align: left;
    }
    td {
      padding: 1px 4px;
      border-bottom: 1px solid var(--rule);
    }
    tr.open {
      background: var(--accent-soft);
    }
    .pick {
      padding: 2px 0;
      border: 0;
      background: none;
      color: inherit;
      font: inherit;
      text-align: left;
      cursor: pointer;
      text-decoration: underline dotted;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Envelope {
  readonly job = input.required<Job>();
  readonly cases = input.required<readonly LoadCase[]>();
  readonly verdict = input.required<Verdict | null>();
  readonly open = input('');
  readonly choose = output<string>();

  protected readonly R = R;
  protected readonly rings = [R / 2, R];

  private readonly counted = computed(() => this.cases().map((c) => asCounted(c, this.job().practice)));
  private readonly links = computed(() => {
    const by = new Map<string, string[]>();
    for (const l of this.verdict()?.links ?? []) {
      if (l.state === 'not needed' || l.state === 'refused' || l.loadFree || l.utilisation < 1e-9) continue;
      by.set(l.caseId, [...(by.get(l.caseId) ?? []), `${l.name} ${l.utilisation.toFixed(2)}`]);
    }
    return by;
  });

  private readonly mostShear = computed(() => Math.max(1, ...this.counted().map((c) => Math.hypot(c.fx, c.fy))));
  private readonly mostPull = computed(() => Math.max(1, ...this.counted().map((c) => Math.abs(c.fz))));
  private readonly mostTurn = computed(() => Math.max(1, ...this.counted().map((c) => Math.hypot(c.mx, c.my))));
  protected readonly shearScale = computed(() => formatQuantity(this.mostShear(), 'force', this.job().units));
  protected readonly pullScale = computed(() => formatQuantity(this.mostPull(), 'force', this.job().units));
  protected readonly momentScale = computed(() => formatQuantity(this.mostTurn(), 'moment', this.job().units));

  private rays(place: (c: LoadCase) => readonly [number, number]): Ray[] {
    return this.counted().map((c) => {
      const [x, y] = place(c);
      return { id: c.id, name: c.name, x, y, governs: this.links().get(c.id)?.join(', ') ?? '' };
    });
  }

  protected readonly shear = computed(() => this.rays((c) => [(R * c.fx) / this.mostShear(), (-R * c.fy) / this.mostShear()]));
  protected readonly lift = computed(() =>
    this.rays((c) => [(R * Math.hypot(c.mx, c.my)) / this.mostTurn(), (-R * c.fz) / this.mostPull()]),
  );

  protected readonly governed = computed(() =>
    [...this.links()].map(([id, links]) => ({
      id,
      links: links.join(', '),
      name: this.cases().find((c) => c.id === id)?.name ?? id,
    })),
  );
}
