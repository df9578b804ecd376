import { inject, Injectable } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { Router } from '@angular/router';
import { Tour } from '../help/tour';
import { CARDS, Lamp, type Card } from '../lamp/lamp';
import type { Doing } from './doing';

const WAYS: readonly (readonly [words: string, also: string, to: string])[] = [
  ['The rack', 'home jobs list', '/'],
  ['New job', 'begin start create', '/new'],
  ['Stock room', 'metals tables material', '/stock'],
  ['What falls due', 'inspection calendar', '/due'],
  ['People', 'users passphrase network roles', '/people'],
  ['Words of the trade', 'glossary help what is meaning dictionary explain', '/words'],
];

/** What can be done by name on every page, and the boxes it is done from. */
@Injectable({ providedIn: 'root' })
export class Everywhere {
  private readonly dialog = inject(MatDialog);
  private readonly router = inject(Router);
  private readonly tour = inject(Tour);
  private readonly lamp = inject(Lamp);

  all(): Doing[] {
    return [
      ...WAYS.map(([words, also, to]): Doing => ({ id: to, words, also, run: () => void this.router.navigateByUrl(to) })),
      { id: 'tour', words: 'Short tour', also: 'help guide start introduction', run: () => this.tour.begin() },
      { id: 'news', words: 'What is new', also: 'help version upgrade changes', run: () => void this.news() },
      ...(Object.keys(CARDS) as Card[]).map((c): Doing => ({
        id: `card ${c}`,
        words: CARDS[c],
        also: 'dark light mode theme colours screen',
        run: () => this.lamp.choose(c),
      })),
    ];
  }

  /** The command box over what can be done here. */
  async commandBox(all: readonly Doing[]): Promise<void> {
    const { CommandBox } = await import('./command-box');
    this.dialog
      .open(CommandBox, { width: '460px', position: { top: '12vh' }, data: all })
      .afterClosed()
      .subscribe((d?: Doing) => d?.run());
  }

  async keys(): Promise<void> {
    const { KeyList } = await import('./key-list');
    this.dialog.open(KeyList, { width: '560px' });
  }

  async news(): Promise<void> {
    const { NewsList } = await import('../help/news-list');
    this.dialog.open(NewsList, { width: '520px', autoFocus: 'dialog' });
  }
}
