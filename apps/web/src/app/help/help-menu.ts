import { booleanAttribute, ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatDivider } from '@angular/material/divider';
import { MatIcon } from '@angular/material/icon';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { RouterLink } from '@angular/router';
import { commandFor } from '../keys/commands';
import { Everywhere } from '../keys/everywhere';
import { CARDS, Lamp, type Card } from '../lamp/lamp';
import { newsSeen, unseenNews } from './news';
import { Tour } from './tour';

/** Help, the same on every page: keys, words, tour, what is new; and the card the page is drawn on. */
@Component({
  selector: 'ms-help',
  imports: [MatButton, MatDivider, MatIcon, MatMenu, MatMenuItem, MatMenuTrigger, RouterLink],
  template: `
    <button mat-button type="button" [matMenuTriggerFor]="menu" [attr.aria-label]="fresh() ? 'Help; something is new' : 'Help'">
      <mat-icon svgIcon="help" /><span class="word">Help{{ fresh() ? ' •' : '' }}</span>
    </button>
    <mat-menu #menu="matMenu">
      <button mat-menu-item (click)="everywhere.keys()"><mat-icon svgIcon="keyboard" />Keys (?)</button>
      <a mat-menu-item routerLink="/words"><mat-icon svgIcon="menu_book" />Words of the trade (F1)</a>
      <button mat-menu-item (click)="tour.begin()"><mat-icon svgIcon="signpost" />Short tour</button>
      <button mat-menu-item (click)="news()"><mat-icon svgIcon="newspaper" />What is new{{ fresh() ? ' •' : '' }}</button>
      <mat-divider />
      @for (c of cards; track c) {
        <button mat-menu-item role="menuitemradio" [attr.aria-checked]="lamp.card() === c" (click)="lamp.choose(c)">
          <mat-icon [svgIcon]="lamp.card() === c ? 'radio_button_checked' : 'radio_button_unchecked'" />{{ words[c] }}
        </button>
      }
    </mat-menu>
  `,
  host: { '(document:keydown)': 'key($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HelpMenu {
  protected readonly everywhere = inject(Everywhere);
  protected readonly tour = inject(Tour);
  protected readonly lamp = inject(Lamp);
  protected readonly cards = Object.keys(CARDS) as Card[];
  protected readonly words = CARDS;
  protected readonly fresh = signal(unseenNews().length > 0);
  /** Set on pages without keys of their own: the command box and the list of keys come from here. */
  readonly alone = input(false, { transform: booleanAttribute });

  protected key(e: KeyboardEvent): void {
    if (!this.alone() || document.querySelector('mat-dialog-container')) return;
    const typing = e.target instanceof HTMLElement && e.target.matches('input:not([type=checkbox], [type=radio]), textarea');
    const command = commandFor(e, typing);
    if (command !== 'commands' && command !== 'keys') return;
    e.preventDefault();
    void (command === 'keys' ? this.everywhere.keys() : this.everywhere.commandBox(this.everywhere.all()));
  }

  protected news(): void {
    void this.everywhere.news();
    newsSeen();
    this.fresh.set(false);
  }
}
