import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatDialogActions, MatDialogClose, MatDialogContent, MatDialogTitle } from '@angular/material/dialog';
import { COMMANDS, PLAN_KEYS, setSingleKeys, singleKeys } from './commands';

/** The list of keys. */
@Component({
  selector: 'ms-key-list',
  imports: [MatButton, MatDialogActions, MatDialogClose, MatDialogContent, MatDialogTitle],
  template: `
    <h2 mat-dialog-title>Keys</h2>
    <mat-dialog-content tabindex="0" role="region" aria-label="List of keys">
      <label class="single">
        <input type="checkbox" [checked]="single()" (change)="keep($any($event.target).checked)" />
        Single keys do things. Put away, only those with Ctrl do; everything is in the command box too (Ctrl+K).
      </label>
      <div class="two">
        <dl>
          @for (c of commands; track c.id) {
            <dt>{{ c.keys.join(' or ') }}</dt>
            <dd>{{ c.words }}</dd>
          }
        </dl>
        <dl>
          @for (k of plan; track k[0]) {
            <dt>{{ k[0] }}</dt>
            <dd>{{ k[1] }}</dd>
          }
        </dl>
      </div>
    </mat-dialog-content>
    <mat-dialog-actions align="end"><button mat-button mat-dialog-close>Close</button></mat-dialog-actions>
  `,
  styles: `
    .single {
      display: flex;
      gap: 8px;
      margin-bottom: 12px;
      color: var(--ink);
      font-size: 14px;
    }
    .two {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 20px;
    }
    dl {
      display: grid;
      grid-template-columns: auto 1fr;
      gap: 3px 12px;
      margin: 0;
      align-content: start;
      font-size: 13.5px;
      color: var(--ink);
    }
    dt {
      font-weight: 600;
      white-space: nowrap;
    }
    dd {
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeyList {
  protected readonly single = signal(singleKeys());

  protected keep(on: boolean): void {
    setSingleKeys(on);
    this.single.set(on);
  }

  protected readonly commands = COMMANDS.filter((c) => c.keys.length > 0);
  protected readonly plan = PLAN_KEYS;
}
