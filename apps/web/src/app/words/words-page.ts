import { afterNextRender, ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { ActivatedRoute, RouterLink } from '@angular/router';
import { CHAPTERS } from './glossary';
import { WordCard } from './word-card';

/** Every word of the trade with its drawing, found by what the standards or the shop call it. */
@Component({
  selector: 'ms-words-page',
  imports: [MatButton, MatIcon, RouterLink, WordCard],
  templateUrl: './words-page.html',
  styleUrls: ['../fields/page-of-rows.scss', './words-page.scss'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WordsPage {
  protected readonly typed = signal('');
  protected readonly chapters = computed(() => {
    const sought = this.typed().trim().toLowerCase();
    if (sought === '') return CHAPTERS;
    return CHAPTERS.map(({ name, terms }) => ({
      name,
      terms: terms.filter((t) => [t.term, t.shop, ...t.known].some((w) => w.toLowerCase().includes(sought))),
    })).filter((c) => c.terms.length > 0);
  });
  protected readonly count = computed(() => {
    const n = this.chapters().reduce((sum, c) => sum + c.terms.length, 0);
    return n === 1 ? '1 word' : `${n} words`;
  });

  constructor() {
    // An address with a word in it opens at that word.
    const at = inject(ActivatedRoute).snapshot.fragment;
    if (at) afterNextRender(() => document.getElementById(at)?.scrollIntoView({ block: 'center' }));
  }
}
