import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatDialogActions, MatDialogClose, MatDialogContent, MatDialogRef, MatDialogTitle } from '@angular/material/dialog';
import { newLoad } from '@core/loads/new-load';
import type { Load } from '@core/loads/schema';
import { BuilderKinds } from './builder-kinds';

/** One more load beside those there are. */
@Component({
  selector: 'ms-builder-picker',
  imports: [BuilderKinds, MatButton, MatDialogActions, MatDialogClose, MatDialogContent, MatDialogTitle],
  template: `
    <h2 mat-dialog-title>What pulls or presses on it?</h2>
    <mat-dialog-content><ms-builder-kinds (picked)="choose($event)" /></mat-dialog-content>
    <mat-dialog-actions align="end"><button mat-button mat-dialog-close type="button">Not now</button></mat-dialog-actions>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BuilderPicker {
  private readonly ref = inject<MatDialogRef<BuilderPicker, Load>>(MatDialogRef);

  protected choose(kind: string): void {
    this.ref.close(newLoad(kind, 'L1'));
  }
}
