import { HttpClient, HttpErrorResponse, type HttpInterceptorFn } from '@angular/common/http';
import { computed, inject, Injectable, signal } from '@angular/core';
import { firstValueFrom, tap } from 'rxjs';
import { forgetHere } from '../../offline/kept-here';

export const ROLES = ['look', 'work', 'sign', 'keep'] as const;
export type Role = (typeof ROLES)[number];

export interface Person {
  readonly initials: string;
  readonly name: string;
  readonly role: Role;
}

/** Whether people are asked who they are, and who is in. */
interface Session {
  readonly lan: boolean;
  readonly person: Person | null;
}

/** Who sits here: nobody has to say on one machine; on the shop's network nothing is shown to a stranger. */
@Injectable({ providedIn: 'root' })
export class SessionDesk {
  private readonly http = inject(HttpClient);
  readonly session = signal<Session | null>(null);
  readonly person = computed(() => this.session()?.person ?? null);
  readonly lan = computed(() => this.session()?.lan === true);
  /** A stranger stands at the door. */
  readonly outside = computed(() => this.lan() && this.person() === null);

  /** Where the server does not answer, what was known stands: who works on while it is away does so as before. */
  async fetch(): Promise<void> {
    try {
      this.session.set(await firstValueFrom(this.http.get<Session>('/api/session')));
    } catch {
      this.session.update((s) => s ?? { lan: false, person: null });
    }
  }

  async enter(initials: string, passphrase: string): Promise<void> {
    this.session.set(await firstValueFrom(this.http.post<Session>('/api/session', { initials, passphrase })));
  }

  async leave(): Promise<void> {
    await firstValueFrom(this.http.delete('/api/session'));
    await forgetHere();
    this.session.update((s) => s && { ...s, person: null });
  }

  may(role: Role): boolean {
    const person = this.person();
    return !this.lan() || (person !== null && ROLES.indexOf(person.role) >= ROLES.indexOf(role));
  }

  /** The session is over: the door is shown, and what was being written waits behind it. */
  over(): void {
    // Only on the shop's network is anybody asked.
    this.session.set({ lan: true, person: null });
  }
}

/** A refusal for want of a session shows the door; what was sent is kept and sent again like anything that did not get through. */
export const atTheDoor: HttpInterceptorFn = (req, next) => {
  const desk = inject(SessionDesk);
  return next(req).pipe(
    tap({
      error: (e: unknown) => {
        if (e instanceof HttpErrorResponse && e.status === 401 && req.url !== '/api/session') desk.over();
      },
    }),
  );
};
