import { provideLocationMocks } from '@angular/common/testing';
import { Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { found } from '../keys/doing';
import { Everywhere } from '../keys/everywhere';
import { NEWS, newsSeen, unseenNews } from './news';
import { Tour } from './tour';
import { TourCard } from './tour-card';
import { STOPS } from './tour-steps';

@Component({ template: '' })
class Page {}

const here = () => TestBed.inject(Router).url;

beforeEach(() => {
  localStorage.clear();
  TestBed.configureTestingModule({
    providers: [provideLocationMocks(), provideRouter([{ path: '**', component: Page }])],
  });
});
afterEach(() => localStorage.clear());

describe('what is new', () => {
  it('somebody new has missed nothing; who was here before sees what came since, once', () => {
    expect(unseenNews()).toEqual([]);
    localStorage.setItem('mast-shoe.news-seen', NEWS[1]!.edition);
    expect(unseenNews().map((n) => n.edition)).toEqual([NEWS[0]!.edition]);
    newsSeen();
    expect(unseenNews()).toEqual([]);
  });

  it('editions stand newest first', () => {
    const days = NEWS.map((n) => n.edition);
    expect(days).toEqual([...days].sort().reverse());
  });
});

describe('the tour', () => {
  it('goes on from where it was left, and from the start once gone through', async () => {
    const tour = TestBed.inject(Tour);
    tour.begin();
    await tour.go(3);
    tour.leave();
    expect(tour.at()).toBeNull();
    tour.begin();
    expect(tour.at()).toBe(3);
    await tour.go(STOPS.length);
    expect(tour.at()).toBeNull();
    tour.begin();
    await Promise.resolve();
    expect(tour.at()).toBe(0);
  });

  it('takes the page to the rack and to the stage it speaks of, in the job that is open', async () => {
    const router = TestBed.inject(Router);
    const tour = TestBed.inject(Tour);
    await router.navigateByUrl('/job/winch/load');
    await tour.go(STOPS.findIndex((s) => s.stage === 'measure'));
    expect(here()).toBe('/job/winch/measure');
    await tour.go(0);
    expect(here()).toBe('/');
  });

  it('waits at the rack for a job to be opened, has the keyboard, and Escape leaves it', async () => {
    const tour = TestBed.inject(Tour);
    await TestBed.inject(Router).navigateByUrl('/');
    await tour.go(STOPS.findIndex((s) => s.on === 'job'));
    const fixture = TestBed.createComponent(TourCard);
    document.body.append(fixture.nativeElement);
    await fixture.whenStable();
    const card = (fixture.nativeElement as HTMLElement).querySelector('section')!;
    expect(card.textContent).toContain('Open any job');
    expect(document.activeElement).toBe(card);
    await TestBed.inject(Router).navigateByUrl('/job/winch/load');
    await fixture.whenStable();
    expect(card.textContent).not.toContain('Open any job');
    card.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true }));
    expect(tour.at()).toBeNull();
    fixture.destroy();
  });
});

it.each([
  ['dark', 'card dark'],
  ['glossary', '/words'],
  ['tour', 'tour'],
  ['what is new', 'news'],
  ['inspection', '/due'],
  ['help', '/words'],
])('the command box finds %s on every page', (typed, id) => {
  expect(found(TestBed.inject(Everywhere).all(), typed).map((d) => d.id)).toContain(id);
});
