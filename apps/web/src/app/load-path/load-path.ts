import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  ElementRef,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { MatIcon } from '@angular/material/icon';
import { MatTooltip } from '@angular/material/tooltip';
import type { Link, Verdict } from '@core/chain/evaluate';
import type { Element } from '@core/checks/check';
import { wordsIn } from '@core/units/words-in';
import { fieldWords, showUse } from '../fields/show';
import { Desk } from '../job/desk';
import type { Turned } from '../job/judge';
import { Crank } from './crank';
import { wholeLinks } from './fit-chain';

const PARTS: Readonly<Record<Element, string>> = {
  lug: 'lug and pin',
  weld: 'welds',
  base: 'base',
  fastener: 'bolts',
  plate: 'plate',
  'far side': 'far side',
  skin: 'skin',
  joint: 'whole joint',
};

/** Crank, filters and the borders between parts, px. */
const BESIDE = 54 + 92 + 30;

type Filter = 'needed' | 'tight' | 'fails' | 'not needed';
const NAMES: Readonly<Record<Filter, string>> = { needed: 'all', tight: 'tight', fails: 'fails', 'not needed': 'not needed' };
const SHOWN: Readonly<Record<Filter, (l: Link) => boolean>> = {
  needed: (l) => l.state !== 'not needed',
  tight: (l) => l.state === 'tight' || l.state === 'fails' || l.state === 'refused',
  fails: (l) => l.state === 'fails' || l.state === 'refused',
  'not needed': (l) => l.state === 'not needed',
};

/** The chain of links from fitting to structure along the foot; the weakest is drawn parting. */
@Component({
  selector: 'ms-load-path',
  imports: [Crank, MatIcon, MatTooltip],
  template: `
    @if (verdict(); as v) {
      @if (v.refusals.length > 0) {
        <div class="refused" role="alert">
          <strong>The load path cannot be worked out yet.</strong>
          <ul>
            @for (r of v.refusals.slice(0, 3); track $index) {
              <li>
                <b>{{ field(r.field) }}</b>: {{ inUnits(r.because) }} — allowed: {{ inUnits(r.allowed) }}
              </li>
            }
            @if (v.refusals.length > 3) {
              <li>and {{ v.refusals.length - 3 }} more</li>
            }
          </ul>
        </div>
      } @else {
        @if (desk.cranking()) {
          <ms-crank [turned]="under() ?? v" />
        }
        <div class="row">
          <button
            type="button"
            class="turn"
            [attr.aria-pressed]="desk.cranking()"
            aria-label="Turn the load up"
            matTooltipPosition="right"
            matTooltip="Turn the load up and see what lets go in which order (+ and −)"
            (click)="desk.cranking() ? desk.letGoOfCrank() : desk.turn(1)"
          >
            <mat-icon aria-hidden="true" svgIcon="speed" />turn up
          </button>
          <div class="filters" role="group" aria-label="Which links are shown">
            @for (f of filters(); track f.id) {
              <button type="button" [attr.aria-pressed]="f.id === filter()" [disabled]="f.count === 0" (click)="filter.set(f.id)">
                {{ f.name }} <b>{{ f.count }}</b>
              </button>
            }
          </div>
          <ol aria-label="Load path, from fitting to structure">
            @for (l of shown(); track l.id; let i = $index) {
              <li
                [style.--u]="l.utilisation"
                [class.first]="i > 0 && shown()[i - 1]!.element !== l.element"
                [class.edge-on]="!whole().has(l.id)"
              >
                <button
                  type="button"
                  [class]="l.state.replace(' ', '-')"
                  [class.weakest]="l.id === v.weakest"
                  [class.open]="l.id === desk.openLink()"
                  [attr.aria-pressed]="l.id === desk.openLink()"
                  [attr.aria-label]="spoken(l, v)"
                  [attr.title]="whole().has(l.id) ? null : l.name + ' ' + figure(l)"
                  (click)="toggle(l)"
                >
                  <span class="part">{{ heads().has(l.id) ? parts[l.element] : '' }}</span>
                  <svg viewBox="0 0 100 30" aria-hidden="true">
                    @if ((l.id === v.weakest && l.state !== 'sound') || (under() && l.state === 'fails')) {
                      <path class="metal" [attr.stroke-width]="thick(l)" d="M42 5H17a10 10 0 0 0 0 20H38" />
                      <path class="metal" [attr.stroke-width]="thick(l)" d="M58 5H83a10 10 0 0 1 0 20H54" />
                      <path class="crack" d="M47 1l3 8-5 4 6 4-4 5 3 7" />
                    } @else if (l.id === v.weakest) {
                      <path class="metal" [attr.stroke-width]="thick(l)" d="M46 5H17a10 10 0 0 0 0 20H83a10 10 0 0 0 0-20H54" />
                    } @else {
                      <rect
                        class="metal"
                        [attr.stroke-width]="thick(l)"
                        x="7"
                        y="5"
                        width="86"
                        height="20"
                        rx="10"
                        [attr.stroke-dasharray]="l.state === 'refused' || l.state === 'not needed' ? '4 4' : null"
                      />
                    }
                  </svg>
                  <span class="name">{{ l.name }}</span>
                  <span class="value">
                    @switch (l.state) {
                      @case ('refused') {
                        refused
                      }
                      @case ('not needed') {
                        not needed
                      }
                      @case ('fails') {
                        lets go · {{ use(l.utilisation) }}
                      }
                      @case ('tight') {
                        tight · {{ l.utilisation.toFixed(2) }}
                      }
                      @default {
                        {{ l.utilisation.toFixed(2) }}{{ l.id === v.weakest ? ' weakest' : '' }}
                      }
                    }
                  </span>
                  <span class="band" aria-hidden="true"></span>
                </button>
              </li>
            } @empty {
              <li class="none note">No link is {{ filter() === 'tight' ? 'tight' : 'failing' }} now.</li>
            }
          </ol>
        </div>
      }
    } @else {
      <p class="note waiting">Working out the load path …</p>
    }
  `,
  styleUrl: './load-path.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LoadPath {
  protected readonly desk = inject(Desk);
  readonly verdict = input.required<Verdict | null>();
  /** The same job under the load as the crank has turned it, asked again. */
  readonly turned = input<Turned | null>(null);
  protected readonly parts = PARTS;
  protected readonly field = fieldWords;
  protected readonly use = showUse;
  /** Under the load as turned; null at the load itself. */
  protected readonly under = computed(() => (this.desk.crank() === 1 ? null : (this.turned()?.verdict ?? null)));
  protected readonly links = computed(() => (this.under() ?? this.verdict())?.links ?? []);
  protected readonly filter = linkedSignal<string, Filter>({
    source: () => this.desk.job()?.id ?? '',
    computation: () => 'needed',
  });
  protected readonly filters = computed(() => {
    const links = this.links();
    const count = (id: Filter) => links.filter(SHOWN[id]).length;
    return (Object.keys(SHOWN) as Filter[]).map((id) => ({ id, name: NAMES[id], count: count(id) }));
  });
  /** The links that pass the filter; the one whose working is open always stays. */
  protected readonly shown = computed(() => {
    const keep = SHOWN[this.filter()];
    return this.links().filter((l) => keep(l) || l.id === this.desk.openLink());
  });
  private readonly weakest = computed(() => this.verdict()?.weakest ?? '');
  /** The room there is for the chain, px. */
  private readonly room = signal(Infinity);
  /** Links drawn whole; the others stand edge on, so that all of the chain is in view. */
  protected readonly whole = computed(() => wholeLinks(this.shown(), this.room(), [this.weakest(), this.desk.openLink()]));

  /** The first link of each part that is drawn whole: it bears the part's name. */
  protected readonly heads = computed(() => {
    const named = new Set<Element>();
    return new Set(
      this.shown()
        .filter((l) => this.whole().has(l.id) && !named.has(l.element) && named.add(l.element))
        .map((l) => l.id),
    );
  });

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    const seen = new ResizeObserver(([at]) => this.room.set(at!.contentRect.width - BESIDE));
    seen.observe(host);
    inject(DestroyRef).onDestroy(() => seen.disconnect());
  }

  /** Thicker metal, more in hand: 9 at no load down to 2 at and over capacity. */
  protected thick(l: Link): number {
    return l.state === 'refused' || l.state === 'not needed' ? 2 : 2 + 7 * Math.max(0, 1 - l.utilisation);
  }

  protected figure(l: Link): string {
    return l.state === 'refused' || l.state === 'not needed' ? l.state : `${l.state} ${showUse(l.utilisation)}`;
  }

  protected inUnits(words: string): string {
    return wordsIn(words, this.desk.job()?.units ?? 'mm');
  }

  protected spoken(l: Link, v: Verdict): string {
    const what =
      l.state === 'refused' || l.state === 'not needed'
        ? `${l.state}: ${this.inUnits(l.because)}`
        : `${l.state}, ${showUse(l.utilisation)}, ${this.inUnits(l.at)}, ${l.caseName}`;
    return `${l.name}: ${what}${l.id === v.weakest ? ', the weakest link' : ''}. Show its working`;
  }

  protected toggle(l: Link): void {
    this.desk.openLink.set(this.desk.openLink() === l.id ? '' : l.id);
  }
}
