import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, signal, viewChild } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { USUAL_TEMPERATURE, type Making } from '@core/job/making';
import { dayOf, whenWords, type Minute } from '@core/shop/calendar';
import { liftCards, routeCard } from '@core/shop/cards/plan';
import { planOf } from '@core/shop/cards/packet';
import type { Placed } from '@core/shop/schedule';
import { isRefusal } from '@core/units/refusal';
import { FactorField } from '../fields/factor-field';
import { Desk } from '../job/desk';
import { JobMade } from './job-made';
import { MakeCard } from './make-card';
import { withMaking } from './making-edits';
import { ShopDesk } from './shop-desk';

const DAY = 24 * 60;
/** Height of a row, px: as large as a finger needs (WCAG 2.2, 2.5.8). */
const PITCH = 25;

/** The route on the shop’s days: bars to drag to another day, the table under them, and what the days are like. */
@Component({
  selector: 'ms-route-sheet',
  imports: [FactorField, MakeCard, MatButton],
  template: `
    <div class="asked">
      <label
        >First day <input type="date" [value]="making().start ?? today" (change)="day($any($event.target).value, 'start')"
      /></label>
      <ms-factor
        label="Temperature, °C"
        what="temperature"
        [value]="temperature()"
        [low]="-40"
        [high]="60"
        (changed)="say({ temperature: $event }, 'Temperature')"
      />
      <label class="check"
        ><input
          type="checkbox"
          [checked]="making().outdoors ?? false"
          (change)="say({ outdoors: !making().outdoors || undefined }, 'Out of doors')"
        />
        fitted out of doors</label
      >
      @if (making().outdoors) {
        <label>Light from <input type="time" [value]="light().from" (change)="lit({ from: $any($event.target).value })" /></label>
        <label>to <input type="time" [value]="light().to" (change)="lit({ to: $any($event.target).value })" /></label>
      }
      <label
        >Trial part
        <select [value]="making().trial ?? 'none'" (change)="trial($any($event.target).value)">
          @for (t of ['none', 'card', 'thin stock']; track t) {
            <option [value]="t" [selected]="(making().trial ?? 'none') === t">{{ t }}</option>
          }
        </select>
      </label>
    </div>
    @if (plan(); as p) {
      <div class="chart" #chart role="group" aria-label="Operations on the shop’s days">
        @for (d of days(); track d.at) {
          <div class="day" [style.left.%]="d.left" [style.width.%]="d.width" [class.shut]="d.shut">
            <button type="button" (click)="opened.set(opened() === d.iso ? '' : d.iso)" [attr.aria-expanded]="opened() === d.iso">
              {{ d.name }}<span class="degrees">{{ d.degrees }}</span>
            </button>
          </div>
        }
        @for (o of p.operations; track o.id; let i = $index) {
          <div class="row" [style.top.px]="30 + pitch * i">
            <span
              class="wait"
              [style.left.%]="left(o.end)"
              [style.width.%]="left(o.ready) - left(o.end)"
              aria-hidden="true"
            ></span>
            <span
              class="bar"
              [class.critical]="p.chain.includes(o.id)"
              [class.put]="making().notBefore?.[o.id]"
              [style.left.%]="dragged()?.id === o.id ? dragged()!.left : left(o.start)"
              [style.width.%]="left(o.end) - left(o.start)"
              aria-hidden="true"
            ></span>
            <button
              type="button"
              class="op"
              [attr.data-op]="o.id"
              [style.left.%]="dragged()?.id === o.id ? dragged()!.left : left(o.start)"
              [style.width.%]="left(o.end) - left(o.start)"
              [attr.aria-label]="o.name + ', ' + when(o.start) + ' to ' + when(o.end) + '; arrow keys put it off a day'"
              (pointerdown)="grab($event, o)"
              (pointermove)="move($event)"
              (pointerup)="drop(o)"
              (pointercancel)="dragged.set(null)"
              (keydown.arrowRight)="put(o, 1)"
              (keydown.arrowLeft)="put(o, -1)"
            ></button>
            <span
              class="name"
              [class.before]="left(o.ready) > 72"
              [style.left.%]="left(o.ready) > 72 ? left(o.start) : left(o.ready)"
              >{{ o.name }}</span
            >
          </div>
        }
        <div class="room" [style.height.px]="36 + pitch * p.operations.length"></div>
      </div>
      @if (opened(); as iso) {
        <ms-factor
          class="short"
          [label]="'Temperature on ' + iso + ', °C'"
          what="temperature"
          [value]="making().days?.[iso] ?? temperature()"
          [low]="-40"
          [high]="60"
          (changed)="dayIs(iso, $event)"
        />
      }
      <p class="note">
        Dark bars are what the finish hangs on, pale ones are waits. Drag a bar to a later day, or arrow keys on it; press a day
        for its own temperature.
        @if (putOff().length > 0) {
          <button mat-stroked-button type="button" (click)="say({ notBefore: undefined }, 'Operations as early as may be')">
            As early as may be again
          </button>
        }
      </p>
    }
    @if (shop.settings()) {
      @for (c of cards(); track $index) {
        <ms-make-card [card]="c" />
      }
      <details>
        <summary>A machine that is hired</summary>
        <div class="asked">
          <label
            >What
            <input
              type="text"
              maxlength="60"
              [value]="making().hired?.what ?? ''"
              (change)="hire({ what: $any($event.target).value })"
          /></label>
          <label
            >for
            <select (change)="hire({ for: $any($event.target).value })">
              @for (o of choices(); track o.id) {
                <option [value]="o.id" [selected]="(making().hired?.for ?? 'lift') === o.id">{{ o.name }}</option>
              }
            </select>
          </label>
          @if (making().hired; as h) {
            <ms-factor
              label="Money an hour"
              what="price"
              [value]="h.perHour"
              [low]="0"
              [high]="100000"
              (changed)="hire({ perHour: $event })"
            />
            <ms-factor
              label="Least hours"
              what="time"
              [value]="h.leastHours"
              [low]="0"
              [high]="200"
              (changed)="hire({ leastHours: $event })"
            />
            <button mat-stroked-button type="button" (click)="say({ hired: undefined }, 'Hired machine left out')">
              Leave it out
            </button>
          }
        </div>
      </details>
      <details>
        <summary>{{ making().lift ? 'The lift' : 'It is lifted: sling tensions' }}</summary>
        <div class="asked">
          @for (f of liftFields; track f.key) {
            <ms-factor
              [label]="f.label"
              what="figure"
              [value]="liftOf(f.key)"
              [low]="f.low"
              [high]="f.high"
              (changed)="lifted(f.key, $event)"
            />
          }
          @if (making().lift) {
            <button mat-stroked-button type="button" (click)="say({ lift: undefined }, 'Lift left out')">Leave it out</button>
          }
        </div>
      </details>
    } @else {
      <p class="note" role="status">{{ shop.failure() || 'Fetching the shop’s hours …' }}</p>
    }
  `,
  styleUrls: ['./cards.scss', './route-sheet.scss'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RouteSheet {
  private readonly desk = inject(Desk);
  private readonly made = inject(JobMade);
  protected readonly shop = inject(ShopDesk);
  private readonly chart = viewChild<ElementRef<HTMLElement>>('chart');
  protected readonly pitch = PITCH;
  protected readonly today = new Date().toISOString().slice(0, 10);
  protected readonly making = computed((): Making => this.desk.whole()!.making ?? {});
  protected readonly temperature = computed(() => this.making().temperature ?? USUAL_TEMPERATURE);
  protected readonly light = computed(() => this.making().daylight ?? { from: '08:00', to: '17:00' });
  protected readonly opened = signal('');
  private readonly found = computed(() => {
    const [of, shop] = [this.made.of(), this.shop.settings()];
    return of && shop ? planOf(of, shop, this.today) : undefined;
  });
  protected readonly plan = computed(() => {
    const p = this.found();
    return p && !isRefusal(p) && p.operations.length > 0 ? p : undefined;
  });
  protected readonly cards = computed(() => {
    const [p, shop] = [this.found(), this.shop.settings()];
    return p && shop ? [routeCard(p, shop, this.making()), ...liftCards(this.desk.whole()!)] : [];
  });
  protected readonly putOff = computed(() => Object.keys(this.making().notBefore ?? {}));
  protected readonly choices = computed(() => {
    const ops = this.plan()?.operations.map(({ id, name }) => ({ id, name })) ?? [];
    return ops.some((o) => o.id === 'lift') ? ops : [{ id: 'lift', name: 'Lift into place' }, ...ops];
  });

  /** The chart from the first day to the last, whole days. */
  private readonly span = computed(() => {
    const p = this.plan()!;
    const zone = this.shop.settings()!.zone;
    const midnight = (at: Minute) => {
      const [h, m] = whenWords(at, zone).slice(-5).split(':').map(Number);
      return at - 60 * h! - m!;
    };
    const from = midnight(p.operations[0]!.start);
    return { from, to: midnight(Math.max(...p.operations.map((o) => o.ready))) + DAY };
  });
  protected left(at: Minute): number {
    const { from, to } = this.span();
    return (100 * (at - from)) / (to - from);
  }
  protected readonly days = computed(() => {
    const { from, to } = this.span();
    const { zone, week } = this.shop.settings()!;
    return Array.from({ length: Math.round((to - from) / DAY) }, (_, i) => {
      const at = from + i * DAY + DAY / 2;
      const iso = dayOf(at, zone);
      const weekday = (new Date(`${iso}T12:00Z`).getUTCDay() + 6) % 7;
      const own = this.making().days?.[iso];
      return {
        at,
        iso,
        name: whenWords(at, zone).split(',')[0]!,
        degrees: own === undefined ? '' : ` ${own} °C`,
        shut: week[weekday] === null,
        left: this.left(from + i * DAY),
        width: (100 * DAY) / (to - from),
      };
    });
  });
  protected when(at: Minute): string {
    return whenWords(at, this.shop.settings()!.zone);
  }

  protected say(change: Partial<Record<keyof Making, unknown>>, did: string): void {
    this.desk.changeWhole(did, (w) => withMaking(w, change));
  }
  protected day(iso: string, key: 'start'): void {
    if (/^\d{4}-\d\d-\d\d$/.test(iso)) this.say({ [key]: iso }, 'First day');
  }
  protected lit(change: Partial<NonNullable<Making['daylight']>>): void {
    this.say({ daylight: { ...this.light(), ...change } }, 'Daylight');
  }
  protected trial(t: NonNullable<Making['trial']>): void {
    this.say({ trial: t === 'none' ? undefined : t }, 'Trial part');
  }
  protected dayIs(iso: string, celsius: number): void {
    this.say({ days: { ...this.making().days, [iso]: celsius } }, `Temperature on ${iso}`);
  }
  protected hire(change: Partial<NonNullable<Making['hired']>>): void {
    const hired = { what: 'crane', for: 'lift', perHour: 0, leastHours: 1, ...this.making().hired, ...change };
    if (hired.what.trim() !== '') this.say({ hired }, 'Hired machine');
  }

  protected readonly liftFields = [
    { key: 'mass', label: 'Mass lifted, kg', low: 0.1, high: 100_000 },
    { key: 'x', label: 'Centre of mass x, mm', low: -50_000, high: 50_000 },
    { key: 'y', label: 'y, mm', low: -50_000, high: 50_000 },
    { key: 'z', label: 'z, mm', low: -50_000, high: 50_000 },
    { key: 'hook', label: 'Hook above it, mm', low: 1, high: 50_000 },
  ] as const;
  protected liftOf(key: (typeof this.liftFields)[number]['key']): number {
    return this.making().lift?.[key] ?? { mass: 100, x: 0, y: 0, z: 0, hook: 2000 }[key];
  }
  protected lifted(key: (typeof this.liftFields)[number]['key'], v: number): void {
    const now = Object.fromEntries(this.liftFields.map((f) => [f.key, this.liftOf(f.key)]));
    this.say({ lift: { ...now, ...this.making().lift, [key]: v } }, 'Lift');
  }

  // A bar dragged sideways is put off to the day it is let go on.
  protected readonly dragged = signal<{ id: string; left: number; grabbed: number } | null>(null);
  protected grab(e: PointerEvent, o: Placed): void {
    (e.target as HTMLElement).setPointerCapture(e.pointerId);
    this.dragged.set({ id: o.id, left: this.left(o.start), grabbed: e.clientX });
  }
  protected move(e: PointerEvent): void {
    const d = this.dragged();
    const o = d && this.plan()?.operations.find((x) => x.id === d.id);
    if (!d || !o) return;
    const wide = this.chart()!.nativeElement.clientWidth;
    this.dragged.set({ ...d, left: this.left(o.start) + (100 * (e.clientX - d.grabbed)) / wide });
  }
  protected drop(o: Placed): void {
    const d = this.dragged();
    this.dragged.set(null);
    if (!d) return;
    const { from, to } = this.span();
    const at = from + (d.left / 100) * (to - from);
    const moved = Math.round((at - o.start) / DAY);
    if (moved !== 0) this.put(o, moved);
  }
  /** So many days later than it stands; earlier than what it waits for it does not go. */
  protected put(o: Placed, days: number): void {
    const iso = dayOf(o.start + days * DAY, this.shop.settings()!.zone);
    this.say({ notBefore: { ...this.making().notBefore, [o.id]: iso } }, `${o.name} not before ${iso}`);
  }
}
