import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

interface Piece {
  readonly base: string;
  readonly sub: string;
}

const SYMBOL = /\p{L}[\p{L}\d_.']*/gu;

/** A formula as a person reads it: `F_t.Rd` as F with subscript t,Rd. The words between pieces stay as they are. */
@Component({
  selector: 'ms-symbol',
  template: `@for (p of pieces(); track $index) {
    <span>{{ p.base }}</span>
    @if (p.sub) {
      <sub>{{ p.sub }}</sub>
    }
  }`,
  styles: `
    :host {
      white-space: pre-wrap;
    }
    sub {
      font-size: 0.74em;
      line-height: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SymbolText {
  readonly text = input.required<string>();

  protected readonly pieces = computed((): Piece[] => {
    const out: Piece[] = [];
    let at = 0;
    const text = this.text();
    for (const m of text.matchAll(SYMBOL)) {
      const name = m[0];
      const cut = name.indexOf('_');
      const spaced = name.includes('_');
      if (!spaced) continue;
      out.push({ base: text.slice(at, m.index) + name.slice(0, cut), sub: name.slice(cut + 1).replaceAll('.', ',') });
      at = m.index + name.length;
    }
    out.push({ base: text.slice(at), sub: '' });
    return out;
  });
}
