import { Directive, effect, ElementRef, inject, input } from '@angular/core';

/** Loaded with the first working that is opened; kept then. */
const typesetter = () => import('katex').then((m) => m.default);

/**
 * Sets a formula as mathematics. Built node by node and never as a style attribute, which the content policy forbids;
 * until the typesetter is loaded, and if it cannot be, the plain text stands there.
 */
@Directive({ selector: '[msTex]' })
export class Tex {
  readonly msTex = input.required<string>();
  /** What it says in plain text. */
  readonly plain = input.required<string>();

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    effect(() => {
      const tex = this.msTex();
      host.textContent ||= this.plain();
      void typesetter().then(
        (katex) => {
          if (tex === this.msTex()) katex.render(tex, host, { throwOnError: false, output: 'htmlAndMathml' });
        },
        () => (host.textContent = this.plain()),
      );
    });
  }
}
