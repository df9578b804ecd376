import { Directive, effect, ElementRef, inject, input, type OnDestroy } from '@angular/core';

/**
 * Gives up no height it once had while the page under it stays: what stands below would move under the hand at every answer.
 * `msKeepsRoom` names the page, where more than one comes here: with another, or at another width, the height is found anew.
 */
@Directive({ selector: '[msKeepsRoom]' })
export class KeepsRoom implements OnDestroy {
  readonly msKeepsRoom = input('');
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private width = 0;
  private height = 0;
  private readonly resized = new ResizeObserver(([at]) => {
    const box = at!.borderBoxSize[0]!;
    if (box.inlineSize !== this.width) this.forget();
    this.width = box.inlineSize;
    if (box.blockSize <= this.height) return;
    this.height = box.blockSize;
    this.host.style.minHeight = `${this.height}px`;
  });

  constructor() {
    this.resized.observe(this.host);
    effect(() => {
      this.msKeepsRoom();
      this.forget();
    });
  }

  private forget(): void {
    this.height = 0;
    this.host.style.minHeight = '';
  }

  ngOnDestroy(): void {
    this.resized.disconnect();
  }
}
