import { HttpErrorResponse, type HttpInterceptorFn } from '@angular/common/http';
import { throwError, timeout } from 'rxjs';

/** How long an answer may take, ms; a photograph goes over a phone's line. */
const LONGEST = 20_000;
const LONGEST_PHOTO = 120_000;

/** Said of an answer that did not come in time; it may still have been heard. */
export const TOO_LONG = 'too long';

/** A request that is not answered in time has failed: whoever asked says so, and asks again. */
export const timeLimit: HttpInterceptorFn = (req, next) => {
  const each = req.body instanceof Blob ? LONGEST_PHOTO : LONGEST;
  const late = () => throwError(() => new HttpErrorResponse({ status: 0, statusText: TOO_LONG, url: req.url }));
  return next(req).pipe(timeout({ each, with: late }));
};
