import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatDialogActions, MatDialogClose, MatDialogContent, MatDialogRef, MatDialogTitle } from '@angular/material/dialog';
import { MatIcon } from '@angular/material/icon';
import { newLoad } from '@core/loads/new-load';
import { BUILDERS } from '@core/loads/registry';
import type { Load } from '@core/loads/schema';

/** What is being mounted: one builder for each family, chosen by what it is called at the bench. */
@Component({
  selector: 'ms-builder-picker',
  imports: [MatButton, MatDialogActions, MatDialogClose, MatDialogContent, MatDialogTitle, MatIcon],
  template: `
    <h2 mat-dialog-title>What pulls or presses on it?</h2>
    <mat-dialog-content>
      <ul>
        @for (b of builders; track b.kind) {
          <li>
            <button type="button" (click)="choose(b.kind)">
              <mat-icon aria-hidden="true" [svgIcon]="b.icon" />
              <b>{{ b.name }}</b>
              <span>{{ b.says }}</span>
            </button>
          </li>
        }
      </ul>
    </mat-dialog-content>
    <mat-dialog-actions align="end"><button mat-button mat-dialog-close type="button">Not now</button></mat-dialog-actions>
  `,
  styles: `
    ul {
      display: grid;
      grid-template-columns: repeat(3, minmax(0, 1fr));
      gap: 8px;
      margin: 0;
      padding: 2px;
      list-style: none;
    }
    @media (max-width: 900px) {
      ul {
        grid-template-columns: minmax(0, 1fr);
      }
    }
    button {
      display: grid;
      grid-template-columns: 28px 1fr;
      gap: 0 8px;
      width: 100%;
      height: 100%;
      padding: 8px 10px;
      border: 1px solid var(--rule-strong);
      background: var(--card);
      color: var(--ink);
      text-align: left;
      cursor: pointer;
    }
    button:hover {
      background: var(--accent-soft);
    }
    mat-icon {
      grid-row: span 2;
    }
    b {
      font: 600 16.5px/1.2 var(--label);
    }
    span {
      font-size: 12.5px;
      line-height: 1.3;
      color: var(--ink-soft);
    }
    mat-dialog-actions button {
      display: inline-flex;
      width: auto;
      height: auto;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BuilderPicker {
  private readonly ref = inject<MatDialogRef<BuilderPicker, Load>>(MatDialogRef);
  protected readonly builders = BUILDERS;

  protected choose(kind: string): void {
    this.ref.close(newLoad(kind, 'L1'));
  }
}
