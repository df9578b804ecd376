import { HttpClient } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { firstValueFrom, type Observable } from 'rxjs';
import { failureText, type Deed } from '../job/job-api';
import { ROLES, SessionDesk, type Person, type Role } from './session';

interface Listed extends Person {
  readonly lockedUntil: string;
}
interface People {
  readonly people: readonly Listed[];
  readonly kept: boolean;
}

const MAY: Readonly<Record<Role, string>> = {
  look: 'look: open jobs and take sheets out',
  work: 'work: write in jobs, stock and logbooks',
  sign: 'sign: work, and sign hold points and stamps',
  keep: 'keep the shop: all of it, people, shop settings, deleting for good',
};

/** Who may come in over the shop's network, as what; and who did what. */
@Component({
  selector: 'ms-people',
  imports: [MatButton, MatIcon, RouterLink],
  templateUrl: './people-page.html',
  styleUrls: ['../fields/page-of-rows.scss', './people-page.scss'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PeoplePage {
  private readonly http = inject(HttpClient);
  protected readonly desk = inject(SessionDesk);
  protected readonly roles = ROLES;
  protected readonly may = MAY;
  protected readonly all = signal<People | null>(null);
  protected readonly deeds = signal<readonly (Deed & { readonly of: string; readonly detail: string })[]>([]);
  protected readonly failure = signal('');
  protected readonly said = signal('');
  /** Whose passphrase is being given anew. */
  protected readonly giving = signal('');

  constructor() {
    void this.fetch();
  }

  protected fetch(): Promise<void> {
    return this.keep(this.http.get<People>('/api/people'), '').then(() => undefined);
  }

  private async keep(asked: Observable<People>, said: string): Promise<boolean> {
    this.failure.set('');
    this.said.set('');
    try {
      this.all.set(await firstValueFrom(asked));
      this.deeds.set(await firstValueFrom(this.http.get<(Deed & { of: string; detail: string })[]>('/api/deeds')));
      this.said.set(said);
      return true;
    } catch (e) {
      this.failure.set(failureText(e));
      return false;
    }
  }

  protected async add(e: Event, form: HTMLFormElement): Promise<void> {
    e.preventDefault();
    const of = new FormData(form);
    const person = Object.fromEntries(['initials', 'name', 'role', 'passphrase'].map((k) => [k, String(of.get(k) ?? '')]));
    if (await this.keep(this.http.post<People>('/api/people', person), `${person['name']} may come in.`)) form.reset();
  }

  protected change(p: Person, role: string): void {
    void this.keep(this.http.put<People>(`/api/people/${p.initials}`, { name: p.name, role }), `${p.name} may now ${role}.`);
  }

  protected async give(e: Event, p: Person, passphrase: string): Promise<void> {
    e.preventDefault();
    const put = this.http.put<People>(`/api/people/${p.initials}/passphrase`, { passphrase });
    if (await this.keep(put, `${p.name} has a new passphrase, and comes in anew everywhere.`)) this.giving.set('');
  }

  protected remove(p: Person): void {
    void this.keep(this.http.delete<People>(`/api/people/${p.initials}`), `${p.name} may no longer come in.`);
  }
}
