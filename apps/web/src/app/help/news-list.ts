import { ChangeDetectionStrategy, Component } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatDialogActions, MatDialogClose, MatDialogContent, MatDialogTitle } from '@angular/material/dialog';
import { NEWS } from './news';

/** What is new, upgrade by upgrade. */
@Component({
  selector: 'ms-news',
  imports: [MatButton, MatDialogActions, MatDialogClose, MatDialogContent, MatDialogTitle],
  template: `
    <h2 mat-dialog-title>What is new</h2>
    <mat-dialog-content tabindex="0" role="region" aria-label="What is new">
      @for (n of news; track n.edition) {
        <h3>{{ n.edition }}</h3>
        <ul>
          @for (line of n.lines; track line) {
            <li>{{ line }}</li>
          }
        </ul>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end"><button mat-button mat-dialog-close>Close</button></mat-dialog-actions>
  `,
  styles: `
    ul {
      margin: 4px 0 14px;
      padding-left: 18px;
      font-size: 14px;
      color: var(--ink);
    }
    li {
      margin: 3px 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NewsList {
  protected readonly news = NEWS;
}
