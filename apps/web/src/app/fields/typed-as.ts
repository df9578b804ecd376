import { Injectable, signal } from '@angular/core';
import type { Provenance } from '@core/job/schema';

/** What the person says of the values they type: that they measured them, or read them off a sheet. Until they do, nothing is taken for measured. */
@Injectable({ providedIn: 'root' })
export class TypedAs {
  readonly said = signal<'as marked' | 'measured' | 'sheet'>('as marked');

  /** Where a value typed over one of this provenance comes from. */
  of(was: Provenance): Provenance {
    const said = this.said();
    if (said !== 'as marked') return said;
    return was === 'sheet' ? 'sheet' : 'assumed';
  }
}
