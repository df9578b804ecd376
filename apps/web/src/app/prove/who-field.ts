import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { ShopDesk } from '../make/shop-desk';
import { SessionDesk } from '../people/session';
import { LogDesk } from './log-desk';

/** Whose hand writes on this device: initials from the shop’s list, which can be added to here. */
@Component({
  selector: 'ms-who',
  imports: [MatButton],
  template: `
    @if (session.person(); as me) {
      <p class="me">
        Written by <b>{{ me.initials }}</b>, {{ me.name }}
      </p>
    } @else {
      <label [class.asked]="log.askWho()"
        >Written by
        <select aria-label="Written by" (change)="pick($any($event.target).value)">
          <option value="" [selected]="log.by() === ''">nobody yet</option>
          @for (h of hands(); track h.initials) {
            <option [value]="h.initials" [selected]="h.initials === log.by()">{{ h.initials }}, {{ h.name }}</option>
          }
          @if (stranger()) {
            <option [value]="log.by()" selected>{{ log.by() }}, not on the shop’s list</option>
          }
          <option value="+">Somebody else …</option>
        </select>
      </label>
    }
    @if (log.askWho()) {
      <p class="error" role="alert">Say who writes first: nothing was written yet.</p>
    }
    @if (adding()) {
      <form (submit)="add($event, initials.value, name.value)">
        <input #initials aria-label="Initials" placeholder="Initials" maxlength="4" size="4" autocomplete="off" />
        <input #name aria-label="Name" placeholder="Name" maxlength="80" autocomplete="off" />
        <button mat-stroked-button type="submit">Add to the list</button>
        @if (wrong()) {
          <p class="error" role="alert">{{ wrong() }}</p>
        }
      </form>
    }
  `,
  styleUrl: './prove.scss',
  styles: `
    :host {
      display: block;
    }
    label {
      display: flex;
      align-items: center;
      gap: 8px;
      font: 600 14.5px/1.2 var(--label);
    }
    .asked select {
      border: 2px solid var(--bad);
    }
    form {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      margin-top: 6px;
    }
    form input:nth-of-type(2) {
      flex: 1;
      min-width: 90px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WhoField {
  protected readonly session = inject(SessionDesk);
  protected readonly log = inject(LogDesk);
  private readonly shop = inject(ShopDesk);
  protected readonly hands = computed(() => this.shop.settings()?.hands ?? []);
  protected readonly stranger = computed(() => this.log.by() !== '' && !this.hands().some((h) => h.initials === this.log.by()));
  protected readonly adding = signal(false);
  protected readonly wrong = signal('');

  protected pick(value: string): void {
    this.adding.set(value === '+');
    if (value !== '+') this.log.who(value);
  }

  protected add(event: Event, initials: string, name: string): void {
    event.preventDefault();
    const as = initials.trim().toUpperCase();
    const taken = this.hands().some((h) => h.initials === as);
    if (!/^[A-Z]{1,4}$/.test(as)) return this.wrong.set(`initials: “${initials}” — allowed: one to four letters`);
    if (name.trim() === '') return this.wrong.set('name: it is empty — allowed: up to 80 characters');
    if (taken) return this.wrong.set(`initials: ${as} is somebody’s already — allowed: initials of one person each`);
    this.wrong.set('');
    this.adding.set(false);
    this.shop.change((s) => ({ ...s, hands: [...s.hands, { initials: as, name: name.trim() }] }));
    this.log.who(as);
  }
}
