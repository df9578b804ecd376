import { TestBed } from '@angular/core/testing';
import { KeptFocus } from './kept-focus';

describe('the keyboard stays where the work is', () => {
  let host: HTMLElement;
  let kept: KeptFocus;
  beforeEach(() => {
    host = document.createElement('div');
    host.innerHTML = `<nav><a href="#x" id="top">top</a></nav>
      <main><ul id="bolts"><li><button id="b1">B1</button></li><li><button id="b2">B2</button></li><li><button id="b3">B3</button></li></ul>
      <p><button id="after">after</button></p></main>`;
    document.body.append(host);
    kept = TestBed.inject(KeptFocus);
    kept.listen();
  });
  afterEach(() => {
    kept.stop();
    host.remove();
  });
  const take = (id: string) => host.querySelector<HTMLElement>(`#${id}`)!.focus();
  const away = async (selector: string) => {
    host.querySelector(selector)!.remove();
    await new Promise((done) => setTimeout(done, 5));
    return document.activeElement!.id || document.activeElement!.tagName;
  };

  it('what stands in the place of the one taken away has it; of the last one, the one before', async () => {
    take('b2');
    expect(await away('li:nth-child(2)')).toBe('b3');
    expect(await away('li:nth-child(2)')).toBe('b1');
  });

  it('of the only one, the page’s main part', async () => {
    take('b1');
    expect(await away('#bolts')).toBe('after');
    expect(await away('p')).toBe('MAIN');
  });

  it('what still stands keeps it, and what was put somewhere is left there', async () => {
    take('b1');
    expect(await away('li:nth-child(3)')).toBe('b1');
    take('b2');
    host.querySelector('li:nth-child(2)')!.remove();
    take('top');
    await new Promise((done) => setTimeout(done, 5));
    expect(document.activeElement!.id).toBe('top');
  });
});
