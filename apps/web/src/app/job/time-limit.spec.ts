import { HttpClient, provideHttpClient, withInterceptors } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { failureText } from './job-api';
import { timeLimit } from './time-limit';

let said: string[];
const ask = (body?: Blob) => {
  const http = TestBed.inject(HttpClient);
  const request = body ? http.post('/api/x', body) : http.get('/api/x');
  request.subscribe({ next: () => said.push('answered'), error: (e: unknown) => said.push(failureText(e)) });
  return TestBed.inject(HttpTestingController).expectOne('/api/x');
};

beforeEach(() => {
  jest.useFakeTimers();
  said = [];
  TestBed.configureTestingModule({ providers: [provideHttpClient(withInterceptors([timeLimit])), provideHttpClientTesting()] });
});
afterEach(() => jest.useRealTimers());

it('a server that hangs is given up after twenty seconds, and said to hang', () => {
  const { cancelled } = ask();
  jest.advanceTimersByTime(19_999);
  expect([said, cancelled]).toEqual([[], false]);
  jest.advanceTimersByTime(1);
  expect(said).toEqual(['The server does not answer in time.']);
});

it('a photograph may take two minutes', () => {
  const request = ask(new Blob(['x']));
  jest.advanceTimersByTime(100_000);
  request.flush({});
  expect(said).toEqual(['answered']);
});

it('a server that fails says in words what it knows', () => {
  const detail = 'Nothing could be written. Make room on it.';
  ask().flush({ title: 'The server’s disk is full', detail }, { status: 507, statusText: 'no' });
  ask().flush({ title: 'Something went wrong' }, { status: 500, statusText: 'no' });
  ask().error(new ProgressEvent('error'));
  expect(said).toEqual([`The server’s disk is full. ${detail}`, 'Something went wrong', 'The server does not answer.']);
});
