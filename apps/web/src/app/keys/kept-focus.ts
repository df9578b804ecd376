import { DOCUMENT, inject, Injectable } from '@angular/core';

const FOCUSABLE = 'a[href], button:not([disabled]), input:not([disabled]), select, textarea, [tabindex]:not([tabindex="-1"])';

/**
 * Keeps the keyboard where the work is: where what had it is taken away (a bolt deleted, a row gone, a page left), it goes to what
 * stands in its place, else to the list it was in, else to the page's main part. Never to the top of the document.
 */
@Injectable({ providedIn: 'root' })
export class KeptFocus {
  private readonly document = inject(DOCUMENT);
  private last: Element | null = null;
  /** Where the last one stood: its parents from the nearest out, and which child of each it was in. */
  private path: readonly { readonly parent: Element; readonly at: number }[] = [];
  private readonly ended = new AbortController();
  private readonly gone = new MutationObserver(() => {
    if (this.last && !this.last.isConnected) setTimeout(() => this.mend());
  });

  listen(): void {
    this.document.addEventListener('focusin', (e) => this.note(e.target as Element), { signal: this.ended.signal });
    this.gone.observe(this.document.body, { childList: true, subtree: true });
  }

  stop(): void {
    this.ended.abort();
    this.gone.disconnect();
  }

  private note(at: Element): void {
    this.last = at;
    const path: { parent: Element; at: number }[] = [];
    for (let child = at; child.parentElement && child !== this.document.body; child = child.parentElement)
      path.push({ parent: child.parentElement, at: [...child.parentElement.children].indexOf(child) });
    this.path = path;
  }

  private mend(): void {
    const { body, activeElement } = this.document;
    // A dialog that closes, or a command that chose, has already put it somewhere.
    if (this.last?.isConnected !== false || (activeElement && activeElement !== body)) return;
    const place = this.path.find((p) => p.parent.isConnected);
    const inside = place?.parent.closest('main, dialog, [role=dialog]') ? place : undefined;
    const near = inside && (from(inside.parent.children, inside.at) ?? from(inside.parent.children, inside.at - 1));
    if (near) return near.focus();
    const list = inside?.parent.closest<HTMLElement>('ul, ol, table, section, figure, main');
    const rest = (list && from([list], 0)) ?? this.document.querySelector<HTMLElement>('main');
    // A page that is still being fetched has none yet: it is looked for again as soon as something is drawn.
    if (!rest) return;
    if (!rest.matches(FOCUSABLE) && !rest.hasAttribute('tabindex')) rest.tabIndex = -1;
    rest.focus({ preventScroll: true });
  }
}

/** The first thing that takes the keyboard in what stands at a place among some children. */
function from(children: ArrayLike<Element>, at: number): HTMLElement | null {
  const child = children[Math.max(0, at)];
  if (!child) return null;
  return child.matches(FOCUSABLE) ? (child as HTMLElement) : child.querySelector<HTMLElement>(FOCUSABLE);
}
