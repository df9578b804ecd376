import { ChangeDetectionStrategy, Component, ElementRef, inject, signal, viewChild, afterNextRender } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { failureText } from '../job/job-api';
import { SessionDesk } from './session';

/** Where a stranger says who they are. */
@Component({
  selector: 'ms-door',
  imports: [MatButton],
  template: `
    <form (submit)="enter($event, initials.value, passphrase)">
      <img src="mark.svg" alt="" width="44" height="44" />
      <h1>Mast Shoe</h1>
      <p class="note">This shop asks who you are. Whoever keeps it lets people in.</p>
      <label
        >Initials
        <input #initials name="username" autocomplete="username" maxlength="4" size="6" autocapitalize="characters" required />
      </label>
      <label
        >Passphrase
        <input #passphrase name="password" type="password" autocomplete="current-password" maxlength="128" required />
      </label>
      <label class="see"><input type="checkbox" (change)="see(passphrase)" /> show what I type</label>
      @if (failure()) {
        <p class="error" role="alert">{{ failure() }}</p>
      }
      <button mat-flat-button type="submit" [disabled]="busy()">{{ busy() ? 'One moment …' : 'Come in' }}</button>
    </form>
  `,
  styles: `
    :host {
      position: fixed;
      inset: 0;
      z-index: 900;
      display: grid;
      place-items: center;
      background: var(--paper);
    }
    form {
      display: grid;
      gap: 10px;
      width: min(360px, calc(100vw - 32px));
      padding: 24px 26px;
      border: 1px solid var(--rule-strong);
      border-top: 5px solid var(--marking);
      background: var(--card);
    }
    h1 {
      font-size: 30px;
    }
    p {
      margin: 0;
    }
    label {
      display: grid;
      gap: 3px;
      font: 600 14.5px var(--label);
    }
    label input:not([type='checkbox']) {
      padding: 7px 9px;
      border: 1px solid var(--rule-strong);
      background: var(--field);
      color: var(--ink);
      font: 500 16px var(--text);
    }
    .see {
      display: flex;
      align-items: center;
      gap: 6px;
      font-weight: 500;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Door {
  private readonly desk = inject(SessionDesk);
  private readonly initials = viewChild.required<ElementRef<HTMLInputElement>>('initials');
  protected readonly failure = signal('');
  protected readonly busy = signal(false);

  constructor() {
    afterNextRender(() => this.initials().nativeElement.focus());
  }

  protected see(field: HTMLInputElement): void {
    field.type = field.type === 'password' ? 'text' : 'password';
  }

  protected async enter(e: Event, initials: string, passphrase: HTMLInputElement): Promise<void> {
    e.preventDefault();
    this.failure.set('');
    this.busy.set(true);
    try {
      await this.desk.enter(initials.trim(), passphrase.value);
    } catch (error) {
      this.failure.set(failureText(error));
      passphrase.select();
    }
    this.busy.set(false);
  }
}
