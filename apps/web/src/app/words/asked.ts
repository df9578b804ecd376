import { LiveAnnouncer } from '@angular/cdk/a11y';
import { Overlay, type OverlayRef } from '@angular/cdk/overlay';
import { ComponentPortal } from '@angular/cdk/portal';
import { DOCUMENT, inject, Injectable } from '@angular/core';
import type { Term } from './term';

/** What carries a word of the trade: labels of fields, headings, names on the chain, buttons of a choice. */
const CARRIES = 'label, th, dt, h2, h3, .label, [data-word], ms-load-path .name, .mat-button-toggle-label-content';
/** How long the pointer rests on a word before it is explained, ms. */
const RESTS = 650;

/** Says what a word means where the pointer rests on it, where a finger stays on it, or at F1 for the field in hand. */
@Injectable({ providedIn: 'root' })
export class Asked {
  private readonly document = inject(DOCUMENT);
  private readonly overlay = inject(Overlay);
  private readonly announcer = inject(LiveAnnouncer);
  private shown: OverlayRef | null = null;
  private resting: ReturnType<typeof setTimeout> | undefined;
  /** Only the last asked is shown, however long its words took to come. */
  private turn = 0;
  /** Asked by key: it stays until another key, a press, or the pointer is really moved. */
  private byKey = false;
  private pointer = '';
  private readonly ended = new AbortController();

  /** Begins to listen; once, by the page as a whole. */
  listen(): void {
    const on = <K extends keyof DocumentEventMap>(name: K, does: (e: DocumentEventMap[K]) => void) =>
      this.document.addEventListener(name, does, { passive: name !== 'keydown', signal: this.ended.signal });
    on('pointerover', (e) => this.over(e));
    on('pointerdown', () => this.close());
    on('wheel', () => this.close());
    on('keydown', (e) => this.key(e));
  }

  stop(): void {
    this.ended.abort();
  }

  close(): void {
    clearTimeout(this.resting);
    this.turn++;
    this.byKey = false;
    this.shown?.dispose();
    this.shown = null;
  }

  private over(e: PointerEvent): void {
    const on = e.target instanceof Element ? e.target : null;
    const pointer = `${e.screenX} ${e.screenY}`;
    const rests = pointer === this.pointer;
    this.pointer = pointer;
    // The card may be gone over with the pointer without going away; and a page that moves under one at rest asks nothing.
    if (!on || this.shown?.overlayElement.contains(on) || (this.byKey && rests)) return;
    const carrier = on.closest<HTMLElement>(CARRIES);
    this.close();
    if (!carrier || e.buttons !== 0) return;
    this.resting = setTimeout(() => void this.show(carrier, wordsOf(carrier), false), RESTS);
  }

  private key(e: KeyboardEvent): void {
    if (e.key === 'Escape' && this.shown) {
      this.close();
      e.stopPropagation();
    } else if (e.key === 'F1') {
      e.preventDefault();
      const at = this.document.activeElement;
      if (at instanceof HTMLElement) void this.show(at, wordsAt(at), true);
    } else if (e.key !== 'Shift' && e.key !== 'Control') this.close();
  }

  private async show(at: Element, words: string, asked: boolean): Promise<void> {
    this.close();
    this.byKey = asked;
    const turn = this.turn;
    const [{ wordFor }, { WordCard }] = await Promise.all([import('./glossary'), import('./word-card')]);
    if (turn !== this.turn || !at.isConnected) return;
    const term = wordFor(words);
    if (!term) {
      if (asked) void this.announcer.announce('No word of the trade is explained here. All of them: Help, words of the trade.');
      return;
    }
    const ref = this.overlay.create({
      panelClass: 'word-over',
      // A field that takes the keyboard is scrolled into view, and the card goes with it.
      scrollStrategy: asked
        ? this.overlay.scrollStrategies.reposition({ autoClose: true })
        : this.overlay.scrollStrategies.close(),
      // Over what is asked or beside it: never over the next field below.
      positionStrategy: this.overlay
        .position()
        .flexibleConnectedTo(at)
        .withPush(true)
        .withViewportMargin(8)
        .withPositions([
          { originX: 'start', originY: 'top', overlayX: 'start', overlayY: 'bottom', offsetY: -6 },
          { originX: 'end', originY: 'top', overlayX: 'start', overlayY: 'top', offsetX: 8 },
          { originX: 'start', originY: 'top', overlayX: 'end', overlayY: 'top', offsetX: -8 },
        ]),
    });
    ref.overlayElement.setAttribute('role', 'tooltip');
    ref.attach(new ComponentPortal(WordCard)).setInput('term', term);
    this.shown = ref;
    if (asked) void this.announcer.announce(spoken(term));
  }
}

const spoken = (t: Term): string => `${t.term}${t.shop ? `, in the shop: ${t.shop}` : ''}. ${t.says}`;

const wordsOf = (carrier: HTMLElement): string => carrier.dataset['word'] ?? carrier.textContent ?? '';

/** The words of what has the keyboard: its label, its name, or what it says. */
function wordsAt(at: HTMLElement): string {
  const labels = (at as Partial<HTMLInputElement>).labels;
  const named = at.getAttribute('aria-labelledby')?.split(' ')[0];
  return (
    at.dataset['word'] ??
    labels?.[0]?.textContent ??
    at.getAttribute('aria-label')?.split(':')[0] ??
    (named ? document.getElementById(named)?.textContent : null) ??
    at.querySelector('.name')?.textContent ??
    at.textContent ??
    ''
  );
}
