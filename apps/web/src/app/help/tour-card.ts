import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { NavigationEnd, Router } from '@angular/router';
import { filter, interval, merge } from 'rxjs';
import { Tour } from './tour';
import { STOPS } from './tour-steps';

const MARGIN = 10;
const OFF = 5;
/** How often the page is looked at again for what is ringed, ms: it may come later or move. */
const AGAIN = 300;

/** The stop in hand: a ring round what is spoken of and a card beside it. */
@Component({
  selector: 'ms-tour',
  imports: [MatButton],
  template: `
    @if (box(); as b) {
      <div
        class="ring"
        aria-hidden="true"
        [style.left.px]="b.left"
        [style.top.px]="b.top"
        [style.width.px]="b.width"
        [style.height.px]="b.height"
      ></div>
    }
    <section
      #card
      role="dialog"
      aria-label="Tour"
      tabindex="-1"
      [style.left.px]="place().left"
      [style.top.px]="place().top"
      (keydown.escape)="tour.leave(); $event.stopPropagation()"
    >
      <p class="label">Tour, {{ n() + 1 }} of {{ stops.length }}</p>
      <h2>{{ stop().name }}</h2>
      <p>{{ stop().says }}</p>
      @if (waits()) {
        <p class="waits">Open any job; the tour goes on there.</p>
      }
      <div class="acts">
        <button mat-button type="button" (click)="tour.leave()">Leave</button>
        <button mat-button type="button" [disabled]="n() === 0" (click)="tour.go(n() - 1)">Back</button>
        <button mat-flat-button type="button" [disabled]="waits()" (click)="tour.go(n() + 1)">
          {{ n() + 1 === stops.length ? 'Done' : 'Next' }}
        </button>
      </div>
    </section>
  `,
  styles: `
    .ring {
      position: fixed;
      z-index: 900;
      border: 3px solid var(--accent);
      outline: 2px solid var(--card);
      pointer-events: none;
    }
    section {
      position: fixed;
      z-index: 901;
      width: min(340px, calc(100vw - 20px));
      padding: 12px 16px;
      border: 1.5px solid var(--ink);
      background: var(--card);
      color: var(--ink);
    }
    p {
      margin: 4px 0 0;
      line-height: 1.4;
    }
    .waits {
      font-weight: 600;
    }
    .acts {
      display: flex;
      justify-content: flex-end;
      gap: 6px;
      margin-top: 10px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TourCard {
  protected readonly tour = inject(Tour);
  protected readonly stops = STOPS;
  protected readonly n = computed(() => this.tour.at() ?? 0);
  protected readonly stop = computed(() => STOPS[this.n()]!);
  private readonly router = inject(Router);
  private readonly card = viewChild.required<ElementRef<HTMLElement>>('card');
  private readonly looked = toSignal(merge(interval(AGAIN), this.router.events.pipe(filter((e) => e instanceof NavigationEnd))));
  protected readonly box = signal<DOMRect | null>(null);
  protected readonly place = signal({ left: MARGIN, top: MARGIN });
  /** It speaks of a job and none is open. */
  protected readonly waits = signal(false);

  constructor() {
    afterRenderEffect(() => {
      this.looked();
      const stop = this.stop();
      const box = around(document.querySelector(stop.at)?.getBoundingClientRect());
      const was = this.box();
      const same = box && was && ['left', 'top', 'width', 'height'].every((k) => box[k as 'left'] === was[k as 'left']);
      if (!same) this.box.set(box);
      this.waits.set(stop.on === 'job' && !this.router.url.startsWith('/job/'));
      this.place.set(beside(box, this.card().nativeElement.getBoundingClientRect()));
    });
    afterRenderEffect(() => {
      this.n();
      this.card().nativeElement.focus();
    });
  }
}

/** The ring stands a little off what it is round, and within the page. */
function around(of: DOMRect | undefined): DOMRect | null {
  if (!of) return null;
  const [left, top] = [Math.max(0, of.left - OFF), Math.max(0, of.top - OFF)];
  return new DOMRect(left, top, Math.min(innerWidth, of.right + OFF) - left, Math.min(innerHeight, of.bottom + OFF) - top);
}

/** Where the card stands: under what is ringed, else over it, beside it, or in its lower right corner where it fills the page. */
function beside(box: DOMRect | null, card: DOMRect): { left: number; top: number } {
  const [w, h] = [innerWidth, innerHeight];
  const across = (x: number) => Math.max(MARGIN, Math.min(x, w - card.width - MARGIN));
  const down = (y: number) => Math.max(MARGIN, Math.min(y, h - card.height - MARGIN));
  if (!box) return { left: across((w - card.width) / 2), top: down((h - card.height) / 2) };
  if (box.bottom + card.height + 2 * MARGIN < h) return { left: across(box.left), top: box.bottom + MARGIN };
  if (box.top - card.height - 2 * MARGIN > 0) return { left: across(box.left), top: box.top - card.height - MARGIN };
  if (box.right + card.width + 2 * MARGIN < w) return { left: box.right + MARGIN, top: down(box.top) };
  return { left: across(box.right - card.width - 2 * MARGIN), top: down(box.bottom - card.height - 2 * MARGIN) };
}
