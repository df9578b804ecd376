import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { footPlaces } from '@core/job/at-foot';
import { boundsOf } from '@core/geometry/rects';
import { showUse } from '../fields/show';
import { Desk } from '../job/desk';
import { Judge } from '../job/judge';

const WORDS = { sound: 'holds', tight: 'tight', fails: 'lets go', refused: 'not shown' } as const;

/** Size of the key, and the least a foot is drawn, pixels. */
const WIDE = 150;
const HIGH = 92;
const LEAST = 16;

const HATCHES = [
  { id: 'foot-fails', turn: 45, wide: 3, high: 6, ink: 'var(--bad)' },
  { id: 'foot-tight', turn: 45, wide: 1.4, high: 6, ink: 'var(--brass-ink)' },
  { id: 'foot-refused', turn: 0, wide: 2, high: 2, ink: 'var(--ink-soft)' },
] as const;

/** All feet of the fitting in a small key plan to scale, each with its verdict by hatch and in words; one press takes it in hand. */
@Component({
  selector: 'ms-foot-key',
  template: `
    <h2>Feet</h2>
    <svg [attr.viewBox]="frame().box" aria-hidden="true" focusable="false">
      <defs>
        @for (h of hatches; track h.id) {
          <pattern
            [id]="h.id"
            width="6"
            height="6"
            patternUnits="userSpaceOnUse"
            [attr.patternTransform]="'scale(' + frame().pixel + ') rotate(' + h.turn + ')'"
          >
            <rect class="ground" width="6" height="6" />
            <rect [attr.width]="h.wide" [attr.height]="h.high" [attr.fill]="h.ink" />
          </pattern>
        }
      </defs>
      @for (f of drawn(); track f.id) {
        <g [attr.transform]="f.at" [class.here]="f.id === desk.foot()" (click)="desk.takeFoot(f.id)">
          <rect [attr.x]="-f.w / 2" [attr.y]="-f.h / 2" [attr.width]="f.w" [attr.height]="f.h" [attr.fill]="f.fill" />
        </g>
      }
    </svg>
    <ul>
      @for (f of listed(); track f.id) {
        <li>
          <button type="button" [attr.aria-pressed]="f.id === desk.foot()" (click)="desk.takeFoot(f.id)">
            <span class="name">{{ f.name }}</span>
            <span class="state" [class.fails]="f.state === 'lets go'">{{ f.state }} {{ f.used }}</span>
            @if (f.decides) {
              <b>decides</b>
            }
          </button>
        </li>
      }
    </ul>
    @if (judge.feet.broken(); as b) {
      <p class="error" role="alert">{{ b }}</p>
    }
  `,
  styles: `
    :host {
      display: block;
      padding: 6px 8px 8px;
      border-bottom: 1px solid var(--rule-strong);
    }
    h2 {
      margin: 0 0 2px 4px;
      font: 600 15px/1.2 var(--label);
    }
    svg {
      display: block;
      width: 100%;
      height: 92px;
      background: var(--skin);
      border: 1px solid var(--rule-strong);
    }
    @media (max-height: 820px) {
      svg {
        height: 66px;
      }
    }
    g {
      cursor: pointer;
    }
    .ground {
      fill: var(--card);
      stroke: none;
    }
    g rect {
      vector-effect: non-scaling-stroke;
      stroke: var(--ink);
      stroke-width: 1;
    }
    .here rect {
      stroke: var(--accent);
      stroke-width: 3;
    }
    ul {
      margin: 4px 0 0;
      padding: 0;
      list-style: none;
      max-height: 150px;
      overflow-y: auto;
    }
    button {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto;
      gap: 0 6px;
      width: 100%;
      min-height: 24px;
      padding: 2px 5px;
      border: 0;
      border-left: 4px solid transparent;
      background: none;
      color: var(--ink);
      font: 500 13.5px/1.2 var(--label);
      text-align: left;
      cursor: pointer;
    }
    button:hover {
      background: var(--paper);
    }
    button:focus-visible {
      outline: 2px solid var(--accent);
      outline-offset: -2px;
    }
    button[aria-pressed='true'] {
      border-left-color: var(--accent);
      background: var(--card);
    }
    .name {
      font-weight: 600;
    }
    .state {
      font-variant-numeric: tabular-nums;
    }
    .fails {
      color: var(--bad);
      font-weight: 600;
    }
    b {
      grid-column: 1 / -1;
      font: 600 12px/1.1 var(--label);
      color: var(--accent);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FootKey {
  protected readonly desk = inject(Desk);
  protected readonly judge = inject(Judge);

  private readonly places = computed(() => {
    const whole = this.desk.whole();
    return whole ? footPlaces(whole) : [];
  });
  private readonly verdicts = computed(() => new Map(this.judge.feet.feet().map((f) => [f.id, f])));

  protected readonly hatches = HATCHES;

  /** Places to scale; a foot is drawn no smaller than can be hit and told apart. x runs forward, to the right, and y to port, up. */
  protected readonly drawn = computed(() => {
    const least = LEAST * this.frame().pixel;
    return this.places().map((f) => {
      const state = this.verdicts().get(f.id)?.state ?? 'refused';
      return {
        id: f.id,
        at: `translate(${f.x} ${-f.y}) rotate(${(-f.turn * 180) / Math.PI})`,
        w: Math.max(f.length, least),
        h: Math.max(f.width, least),
        fill: state === 'sound' ? 'var(--card)' : `url(#foot-${state})`,
      };
    });
  });
  /** What the key shows, and how many mm a pixel of it is. */
  protected readonly frame = computed(() => {
    const all = this.places();
    const { x0, x1, y0, y1 } = boundsOf(all.map((f) => ({ x: f.x, y: -f.y })));
    const room = Math.max(
      (x1 - x0) / (WIDE - 2 * LEAST),
      (y1 - y0) / (HIGH - 2 * LEAST),
      ...all.map((f) => Math.max(f.length / WIDE, f.width / HIGH)),
    );
    const [w, h] = [WIDE * room, HIGH * room];
    return { box: `${(x0 + x1 - w) / 2} ${(y0 + y1 - h) / 2} ${w} ${h}`, pixel: room };
  });
  protected readonly listed = computed(() =>
    this.places().map((f) => {
      const v = this.verdicts().get(f.id);
      return {
        id: f.id,
        name: f.name,
        state: v ? WORDS[v.state] : '…',
        // What is not shown to hold has no figure of its own: the one of another link would be read as it.
        used: v && v.utilisation > 0 && v.state !== 'refused' ? showUse(v.utilisation) : '',
        decides: v?.decides ?? false,
      };
    }),
  );
}
