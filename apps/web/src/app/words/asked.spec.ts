import { TestBed } from '@angular/core/testing';
import { Asked } from './asked';

const over = () => document.querySelector('.word-over');
const rest = (ms: number) => new Promise((done) => setTimeout(done, ms));
async function until(there: boolean): Promise<void> {
  for (let n = 0; n < 100 && !!over() !== there; n++) await rest(20);
}

describe('asking what a word means', () => {
  let host: HTMLElement;
  let asked: Asked;
  beforeEach(() => {
    host = document.createElement('div');
    host.innerHTML = '<label for="f">Clear span, across</label><input id="f"><label for="g">Customer</label><input id="g">';
    document.body.append(host);
    asked = TestBed.inject(Asked);
    asked.listen();
  });
  afterEach(() => {
    asked.close();
    asked.stop();
    host.remove();
  });
  const point = (to: string) =>
    host.querySelector(to)!.dispatchEvent(new MouseEvent('pointerover', { bubbles: true, buttons: 0 }));

  it('the pointer that rests on a label brings its card, and Escape takes it away', async () => {
    point('label');
    expect(over()).toBeNull();
    await until(true);
    TestBed.tick();
    expect(over()!.getAttribute('role')).toBe('tooltip');
    expect(over()!.textContent).toContain('Clear span');
    expect(over()!.textContent).toContain('how far it bridges');
    document.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    expect(over()).toBeNull();
  });

  it('a pointer that only passes brings nothing', async () => {
    point('label');
    point('input');
    await rest(800);
    expect(over()).toBeNull();
  });

  it('what F1 brought stays while the page moves under a pointer at rest, and goes when the pointer is moved', async () => {
    const at = (screenX: number) =>
      host.querySelector('#g')!.dispatchEvent(new MouseEvent('pointerover', { bubbles: true, buttons: 0, screenX }));
    at(40);
    const field = host.querySelector<HTMLElement>('#f')!;
    field.focus();
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'F1', bubbles: true }));
    await until(true);
    at(40);
    expect(over()).not.toBeNull();
    at(41);
    expect(over()).toBeNull();
  });

  it('F1 explains the field in hand by its label, and is silent over what is no word of the trade', async () => {
    const f1 = () => {
      const key = new KeyboardEvent('keydown', { key: 'F1', bubbles: true, cancelable: true });
      document.activeElement!.dispatchEvent(key);
      return key.defaultPrevented;
    };
    host.querySelector<HTMLElement>('#f')!.focus();
    expect(f1()).toBe(true);
    await until(true);
    expect(over()).not.toBeNull();
    host.querySelector<HTMLElement>('#g')!.focus();
    f1();
    await until(false);
    await rest(100);
    expect(over()).toBeNull();
  });
});
