import { Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { KeepsRoom } from './keeps-room';

type Seen = (
  entries: { readonly borderBoxSize: readonly { readonly inlineSize: number; readonly blockSize: number }[] }[],
) => void;

@Component({ imports: [KeepsRoom], template: '<p [msKeepsRoom]="page()"></p>' })
class Page {
  readonly page = signal('a, Make');
}

/** A page where what the browser's observer would say is said by hand. */
async function page() {
  let say: Seen = () => undefined;
  const before = globalThis.ResizeObserver;
  globalThis.ResizeObserver = class {
    constructor(seen: Seen) {
      say = seen;
    }
    observe(): void {}
    disconnect(): void {}
  } as unknown as typeof ResizeObserver;
  const fixture = TestBed.createComponent(Page);
  await fixture.whenStable();
  globalThis.ResizeObserver = before;
  const p = (fixture.nativeElement as HTMLElement).querySelector('p')!;
  const is = (inlineSize: number, blockSize: number) => {
    say([{ borderBoxSize: [{ inlineSize, blockSize }] }]);
    return p.style.minHeight;
  };
  return { is, p, fixture };
}

it('a height that was had once is not given up while the page stays', async () => {
  const { is } = await page();
  expect([is(900, 47), is(900, 64), is(900, 64), is(900, 50), is(900, 83.5)]).toEqual(['47px', '64px', '64px', '64px', '83.5px']);
});

it('at another width, and on another page, it is found anew', async () => {
  const { is, p, fixture } = await page();
  is(900, 83);
  expect(is(700, 60)).toBe('60px');
  fixture.componentInstance.page.set('a, Prove');
  await fixture.whenStable();
  expect(p.style.minHeight).toBe('');
  expect(is(700, 47)).toBe('47px');
});

it('while a hand is on something it takes no more, and gives it when the press is over', async () => {
  const { p } = await page();
  p.getBoundingClientRect = () => ({ height: 64 }) as DOMRect;
  document.dispatchEvent(new Event('pointerdown'));
  expect([p.style.height, p.style.overflow]).toEqual(['64px', 'hidden']);
  document.dispatchEvent(new Event('pointerup'));
  // Not before what the press does is done.
  expect(p.style.height).toBe('64px');
  await new Promise((done) => setTimeout(done));
  expect([p.style.height, p.style.overflow]).toEqual(['', '']);
});
