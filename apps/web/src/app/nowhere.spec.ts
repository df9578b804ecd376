import { TestBed } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { RouterTestingHarness } from '@angular/router/testing';
import { routes } from './app.routes';

it('an unknown address says so, with the address and the way to the rack', async () => {
  TestBed.configureTestingModule({ providers: [provideRouter(routes)] });
  const harness = await RouterTestingHarness.create('/jobs/of/nobody');
  const page = harness.routeNativeElement!;
  expect(page.querySelector('h1')!.textContent).toBe('There is nothing at this address');
  expect(page.textContent).toContain('/jobs/of/nobody');
  expect(page.querySelector('a')!.getAttribute('href')).toBe('/');
  expect(TestBed.inject(Router).url).toBe('/jobs/of/nobody');
});
