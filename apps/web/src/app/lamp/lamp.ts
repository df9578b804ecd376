import { computed, Injectable, signal } from '@angular/core';

/** The card to work on: as the system says, light, or dark for a dim shop. */
export type Card = 'system' | 'light' | 'dark';

export const CARDS: Readonly<Record<Card, string>> = {
  system: 'Card as the system has it',
  light: 'Light card',
  dark: 'Dark card, for a dim shop',
};

const KEPT = 'mast-shoe.card';

/** The card chosen in this browser; anything else that stands there is the system's. */
export const cardChosen = (): Card => {
  const kept = localStorage.getItem(KEPT);
  return kept === 'light' || kept === 'dark' ? kept : 'system';
};

/** Sets the page to a card; done before anything is drawn, so that nothing flashes. */
export function layCard(card: Card): void {
  if (card === 'system') delete document.documentElement.dataset['bench'];
  else document.documentElement.dataset['bench'] = card;
}

/** Light or dark, and the ink of a name as it is now for what is drawn on a canvas. */
@Injectable({ providedIn: 'root' })
export class Lamp {
  private readonly system = signal(false);
  private readonly picked = signal<Card>(cardChosen());

  readonly card = this.picked.asReadonly();
  readonly dark = computed(() => (this.picked() === 'system' ? this.system() : this.picked() === 'dark'));

  constructor() {
    const asked = matchMedia('(prefers-color-scheme: dark)');
    this.system.set(asked.matches);
    asked.addEventListener('change', (e) => this.system.set(e.matches));
    layCard(this.picked());
  }

  choose(card: Card): void {
    if (card === 'system') localStorage.removeItem(KEPT);
    else localStorage.setItem(KEPT, card);
    layCard(card);
    this.picked.set(card);
  }

  /** Ink by its name in the style sheet (`--ink`), read again when the card changes. */
  ink(name: `--${string}`): string {
    this.dark();
    return getComputedStyle(document.documentElement).getPropertyValue(name).trim();
  }
}
