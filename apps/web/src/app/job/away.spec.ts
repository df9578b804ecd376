import { HttpClient, provideHttpClient, withInterceptors } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { Away, KEPT, seesAway } from './away';

it('an answer kept here, or none, says that the server is away; its own says that it is there', () => {
  TestBed.configureTestingModule({ providers: [provideHttpClient(withInterceptors([seesAway])), provideHttpClientTesting()] });
  const { away } = TestBed.inject(Away);
  const ask = () => {
    TestBed.inject(HttpClient)
      .get('/api/x')
      .subscribe({ error: () => undefined });
    return TestBed.inject(HttpTestingController).expectOne('/api/x');
  };
  ask().flush({}, { headers: { [KEPT]: '1' } });
  expect(away()).toBe(true);
  ask().flush({});
  expect(away()).toBe(false);
  ask().error(new ProgressEvent('error'));
  expect(away()).toBe(true);
  // A server that refuses is there.
  ask().flush({}, { status: 404, statusText: 'no' });
  expect(away()).toBe(false);
});
