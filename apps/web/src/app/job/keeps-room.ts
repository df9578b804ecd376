import { Directive, effect, ElementRef, inject, input, type OnDestroy } from '@angular/core';

/**
 * Gives up no height it once had while the page under it stays: what stands below would move under the hand at every answer.
 * While something is pressed or dragged it takes no more either: that waits for the hand to let go.
 * `msKeepsRoom` names the page, where more than one comes here: with another, or at another width, the height is found anew.
 */
@Directive({
  selector: '[msKeepsRoom]',
  host: {
    '(document:pointerdown)': 'hold()',
    '(document:pointerup)': 'letGo()',
    '(document:pointercancel)': 'letGo()',
  },
})
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

  protected hold(): void {
    const { style } = this.host;
    style.height = `${this.host.getBoundingClientRect().height}px`;
    style.overflow = 'hidden';
  }

  protected letGo(): void {
    // After the press has been taken as one: that comes with the same event.
    setTimeout(() => {
      this.host.style.height = '';
      this.host.style.overflow = '';
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
