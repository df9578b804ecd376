import { LiveAnnouncer } from '@angular/cdk/a11y';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Title } from '@angular/platform-browser';
import { ChangeDetectionStrategy, Component, effect, inject, signal } from '@angular/core';
import { NavigationEnd, Router, RouterOutlet } from '@angular/router';
import { delay, filter, skip } from 'rxjs';
import { Tour } from './help/tour';
import { TourCard } from './help/tour-card';
import { registerIcons } from './icons/register';
import { Outbox } from './job/outbox';
import { Door } from './people/door';
import { SessionDesk } from './people/session';
import { KeptFocus } from './keys/kept-focus';
import { LogQueue } from './prove/log-queue';
import { Asked } from './words/asked';

/** A job writes its name into the title when it is there, ms. */
const SETTLED = 400;

@Component({
  selector: 'ms-root',
  imports: [Door, RouterOutlet, TourCard],
  template: `
    @if (inside()) {
      <div class="page" [attr.inert]="session.outside() ? '' : null"><router-outlet /></div>
    }
    @defer (when tour.at() !== null) {
      @if (tour.at() !== null) {
        <ms-tour />
      }
    }
    @if (session.outside()) {
      <ms-door />
    }
  `,
  styles: `
    .page {
      display: contents;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class App {
  protected readonly session = inject(SessionDesk);
  protected readonly tour = inject(Tour);
  /** Once in, the page stays behind the door when a session is over: what was being written waits there. */
  protected readonly inside = signal(false);

  constructor() {
    void this.session.fetch();
    effect(() => {
      if (this.session.session() && !this.session.outside()) this.inside.set(true);
    });
    // What was left unsent by a tab that is gone goes out wherever the application is opened.
    inject(Outbox);
    inject(LogQueue);
    registerIcons();
    inject(Asked).listen();
    inject(KeptFocus).listen();
    // A page that takes the place of another is said, as whoever does not see it would hear it load.
    const [said, title] = [inject(LiveAnnouncer), inject(Title)];
    inject(Router)
      .events.pipe(
        filter((e) => e instanceof NavigationEnd),
        skip(1),
        delay(SETTLED),
        takeUntilDestroyed(),
      )
      .subscribe(() => void said.announce(title.getTitle()));
  }
}
