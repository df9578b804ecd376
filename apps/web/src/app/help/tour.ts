import { inject, Injectable, signal } from '@angular/core';
import { Router } from '@angular/router';
import { STOPS } from './tour-steps';

const KEPT = 'mast-shoe.tour';

/** The short tour: which stop it is at, or none. Where it was left is kept, so that it goes on from there. */
@Injectable({ providedIn: 'root' })
export class Tour {
  private readonly router = inject(Router);
  readonly at = signal<number | null>(null);

  /** From where it was left; from the start once it has been gone through. */
  begin(): void {
    const left = Number(localStorage.getItem(KEPT) ?? 0);
    void this.go(Number.isInteger(left) && left > 0 && left < STOPS.length ? left : 0);
  }

  /** To a stop, on the page that has it; past the last one it is over. */
  async go(to: number): Promise<void> {
    const stop = STOPS[to];
    if (!stop) {
      localStorage.removeItem(KEPT);
      this.at.set(null);
      return;
    }
    localStorage.setItem(KEPT, String(to));
    const job = /^\/job\/([^/?#]+)\/([^/?#]+)/.exec(this.router.url);
    if (stop.on === 'rack' && this.router.url !== '/') await this.router.navigateByUrl('/');
    if (stop.stage && job && job[2] !== stop.stage) await this.router.navigate(['/job', job[1], stop.stage]);
    this.at.set(to);
  }

  leave(): void {
    this.at.set(null);
  }
}
