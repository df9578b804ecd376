import { ChangeDetectionStrategy, Component, output } from '@angular/core';
import { MatIcon } from '@angular/material/icon';
import { BUILDERS } from '@core/loads/registry';

/** What pulls or presses: one builder for each family, chosen by what it is called at the bench. */
@Component({
  selector: 'ms-builder-kinds',
  imports: [MatIcon],
  template: `
    <ul>
      @for (b of builders; track b.kind) {
        <li>
          <button type="button" (click)="picked.emit(b.kind)">
            <mat-icon aria-hidden="true" [svgIcon]="b.icon" />
            <b>{{ b.name }}</b>
            <span>{{ b.says }}</span>
          </button>
        </li>
      }
    </ul>
  `,
  styles: `
    :host {
      display: block;
      container-type: inline-size;
    }
    ul {
      display: grid;
      grid-template-columns: repeat(3, minmax(0, 1fr));
      gap: 8px;
      margin: 0;
      padding: 2px;
      list-style: none;
    }
    @container (max-width: 700px) {
      ul {
        grid-template-columns: repeat(2, minmax(0, 1fr));
      }
    }
    @container (max-width: 420px) {
      ul {
        grid-template-columns: minmax(0, 1fr);
      }
    }
    button {
      display: grid;
      grid-template-columns: 28px 1fr;
      align-content: start;
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
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BuilderKinds {
  readonly picked = output<string>();
  protected readonly builders = BUILDERS;
}
