import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatIconRegistry } from '@angular/material/icon';
import { RouterOutlet } from '@angular/router';
import { Outbox } from './job/outbox';
import { LogQueue } from './prove/log-queue';

@Component({
  selector: 'ms-root',
  imports: [RouterOutlet],
  template: '<router-outlet />',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class App {
  constructor() {
    // What was left unsent by a tab that is gone goes out wherever the application is opened.
    inject(Outbox);
    inject(LogQueue);
    inject(MatIconRegistry).setDefaultFontSetClass('material-symbols-outlined');
  }
}
