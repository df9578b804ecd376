import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatDialogRef } from '@angular/material/dialog';
import { COMMANDS, type CommandId } from './commands';

/** Type a few letters of what to do; Enter does the first. */
@Component({
  selector: 'ms-command-box',
  template: `
    <label class="label" for="command">What to do</label>
    <input
      id="command"
      autocomplete="off"
      role="combobox"
      aria-expanded="true"
      aria-controls="command-list"
      [attr.aria-activedescendant]="found().length ? 'command-' + at() : null"
      [value]="text()"
      (input)="type($any($event.target).value)"
      (keydown)="key($event)"
    />
    <ul id="command-list" role="listbox" aria-label="Commands">
      @for (c of found(); track c.id; let i = $index) {
        <li
          role="option"
          [id]="'command-' + i"
          [attr.aria-selected]="i === at()"
          [class.at]="i === at()"
          tabindex="-1"
          (click)="pick(c.id)"
          (keydown.enter)="pick(c.id)"
          (mouseenter)="at.set(i)"
        >
          <span>{{ c.words }}</span><kbd>{{ c.keys[0] ?? '' }}</kbd>
        </li>
      } @empty {
        <li class="note">No command with “{{ text() }}”.</li>
      }
    </ul>
  `,
  styles: `
    :host {
      display: block;
      padding: 16px;
    }
    input {
      width: 100%;
      margin: 4px 0 8px;
      padding: 6px 8px;
      border: 1px solid var(--rule-strong);
      font: 500 16px var(--text);
    }
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
      max-height: 46vh;
      overflow-y: auto;
    }
    li {
      display: flex;
      justify-content: space-between;
      padding: 5px 8px;
      cursor: pointer;
    }
    .at {
      background: var(--accent-soft);
    }
    kbd {
      font: 500 13px var(--text);
      color: var(--ink-soft);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CommandBox {
  private readonly ref = inject<MatDialogRef<CommandBox, CommandId>>(MatDialogRef);
  protected readonly text = signal('');
  protected readonly at = signal(0);
  protected readonly found = computed(() =>
    COMMANDS.filter((c) => c.id !== 'commands' && c.words.toLowerCase().includes(this.text().toLowerCase().trim())),
  );

  protected type(text: string): void {
    this.text.set(text);
    this.at.set(0);
  }

  protected key(e: KeyboardEvent): void {
    const n = this.found().length;
    if (e.key === 'ArrowDown') this.at.set((this.at() + 1) % Math.max(1, n));
    else if (e.key === 'ArrowUp') this.at.set((this.at() - 1 + n) % Math.max(1, n));
    else if (e.key === 'Enter' && this.found()[this.at()]) this.pick(this.found()[this.at()]!.id);
    else return;
    e.preventDefault();
  }

  protected pick(id: CommandId): void {
    this.ref.close(id);
  }
}
