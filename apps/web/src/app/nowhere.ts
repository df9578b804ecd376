import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';

/** An address that leads nowhere says so, and keeps what was typed in sight. */
@Component({
  selector: 'ms-nowhere',
  imports: [MatButton, RouterLink],
  template: `
    <main>
      <h1>There is nothing at this address</h1>
      <p>
        <code>{{ address }}</code>
      </p>
      <p>It may be of an older version, or mistyped. Every job hangs on the rack.</p>
      <a mat-flat-button routerLink="/">To the rack</a>
    </main>
  `,
  styles: `
    main {
      max-width: 560px;
      margin: 18vh auto 0;
      padding: 24px 28px;
      border: 1px solid var(--rule-strong);
      background: var(--card);
    }
    h1 {
      font-size: 30px;
    }
    code {
      overflow-wrap: anywhere;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Nowhere {
  protected readonly address = inject(Router).url;
}
