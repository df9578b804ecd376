import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';

/** As the server reads them. */
const MOST = 12_000_000;
const TYPES = ['image/jpeg', 'image/png', 'image/webp'];

/** A photograph from a file or the phone’s camera; what is too large or no picture is said before anything is sent. */
@Component({
  selector: 'ms-photo',
  imports: [MatButton, MatIcon],
  template: `
    <input
      #file
      type="file"
      class="visually-hidden"
      tabindex="-1"
      accept="image/jpeg,image/png,image/webp"
      [attr.aria-label]="label()"
      (change)="take(file)"
    />
    <button mat-stroked-button type="button" (click)="file.click()"><mat-icon svgIcon="photo_camera" />{{ label() }}</button>
    @if (wrong()) {
      <p class="error" role="alert">{{ wrong() }}</p>
    }
  `,
  styles: `
    .error {
      margin: 4px 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PhotoButton {
  readonly label = input('Photograph');
  readonly picked = output<Blob>();
  protected readonly wrong = signal('');

  protected take(box: HTMLInputElement): void {
    const [file] = box.files ?? [];
    box.value = '';
    if (!file) return;
    const mb = (file.size / 1e6).toFixed(1);
    this.wrong.set(
      !TYPES.includes(file.type)
        ? `photo: “${file.name}” is ${file.type || 'of no known type'} — allowed: JPEG, PNG or WebP`
        : file.size > MOST
          ? `photo: “${file.name}” is ${mb} MB — allowed: up to ${MOST / 1e6} MB`
          : '',
    );
    if (!this.wrong()) this.picked.emit(file);
  }
}
