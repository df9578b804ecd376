import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { bendCards, weldCards } from '@core/shop/cards/bench';
import { JobMade } from './job-made';
import { MakeCard } from './make-card';

const CARDS = { bends: bendCards, welds: weldCards } as const;

/** Bends or welds of all feet, those alike together. */
@Component({
  selector: 'ms-bench-cards',
  imports: [MakeCard],
  // It scrolls, and has nothing else to stop at by keyboard.
  host: { tabindex: '0', role: 'region', '[attr.aria-label]': "of() === 'bends' ? 'Bends' : 'Welds'" },
  template: `
    @for (c of cards(); track $index) {
      <ms-make-card [card]="c" />
    } @empty {
      <p class="note">{{ of() === 'bends' ? 'Nothing of this job is bent.' : 'Nothing of this job is welded.' }}</p>
    }
  `,
  styleUrl: './cards.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BenchCards {
  private readonly made = inject(JobMade);
  readonly of = input.required<keyof typeof CARDS>();
  protected readonly cards = computed(() => {
    const made = this.made.of();
    return made ? CARDS[this.of()](made) : [];
  });
}
