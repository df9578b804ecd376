import { HttpErrorResponse, HttpResponse, type HttpInterceptorFn } from '@angular/common/http';
import { inject, Injectable, signal } from '@angular/core';
import { tap } from 'rxjs';

/** Said by the browser's own store of an answer that is not the server's of now. */
export const KEPT = 'X-Kept-Here';

/** Whether the server is away: what is shown is then as it was last seen here. */
@Injectable({ providedIn: 'root' })
export class Away {
  readonly away = signal(false);
}

/** Every answer says whether it is the server's own. */
export const seesAway: HttpInterceptorFn = (req, next) => {
  const { away } = inject(Away);
  return next(req).pipe(
    tap({
      next: (e) => {
        if (e instanceof HttpResponse) away.set(e.headers.has(KEPT));
      },
      error: (e: unknown) => {
        if (e instanceof HttpErrorResponse) away.set(e.status === 0);
      },
    }),
  );
};
