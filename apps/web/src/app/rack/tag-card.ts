import { ChangeDetectionStrategy, Component, computed, ElementRef, input, output, signal, viewChild } from '@angular/core';
import { MatIconButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { RouterLink } from '@angular/router';
import { times } from '@core/chain/headline';
import { PlateDrawing } from '../drawing/plate-drawing';
import type { Drawn, Tag } from '../job/job-api';
import { dueOf, goodForOf, reasonOf, stateOf } from './tag-words';

export type TagAct = 'duplicate' | 'archive' | 'restore' | 'bin' | 'unbin' | 'delete';

/** What can be written on a tag itself. */
export interface TagWords {
  readonly name: string;
  readonly customer: string;
  readonly aboard: string;
}

/** One job on the rack: its plate to scale, its state, what lets go first, and whose it is. */
@Component({
  selector: 'ms-tag',
  imports: [MatIcon, MatIconButton, MatMenu, MatMenuItem, MatMenuTrigger, PlateDrawing, RouterLink],
  templateUrl: './tag-card.html',
  styleUrl: './tag-card.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TagCard {
  readonly tag = input.required<Tag>();
  readonly drawn = input<Drawn | undefined>();
  /** The shop’s day. */
  readonly today = input.required<string>();
  readonly act = output<TagAct>();
  readonly written = output<TagWords>();

  protected readonly times = times;
  protected readonly writing = signal(false);
  protected readonly fault = signal('');
  protected readonly state = computed(() => stateOf(this.tag()));
  protected readonly reason = computed(() => reasonOf(this.tag()));
  protected readonly goodFor = computed(() => goodForOf(this.tag()));
  protected readonly due = computed(() => dueOf(this.tag(), this.today()));
  protected readonly over = computed(() => Boolean(this.tag().due) && this.tag().due! < this.today());
  private readonly name = viewChild<ElementRef<HTMLInputElement>>('name');
  private readonly more = viewChild('more', { read: ElementRef<HTMLElement> });

  protected startWriting(): void {
    this.writing.set(true);
    setTimeout(() => this.name()?.nativeElement.select());
  }

  protected write(name: string, customer: string, aboard: string): void {
    const words = { name: name.trim(), customer: customer.trim(), aboard: aboard.trim() };
    if (words.name === '' || words.name.length > 80) return this.fault.set('Name: allowed: 1 to 80 characters');
    this.done();
    const { tag } = this;
    if (words.name !== tag().name || words.customer !== tag().customer || words.aboard !== tag().aboard) this.written.emit(words);
  }

  /** Back to the button it was opened from. */
  protected done(): void {
    this.writing.set(false);
    this.fault.set('');
    setTimeout(() => this.more()?.nativeElement.focus());
  }
}
