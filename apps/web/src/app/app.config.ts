import { provideHttpClient, withFetch, withInterceptors } from '@angular/common/http';
import { type ApplicationConfig, provideBrowserGlobalErrorListeners, provideZonelessChangeDetection } from '@angular/core';
import { MAT_TOOLTIP_DEFAULT_OPTIONS } from '@angular/material/tooltip';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideStore } from '@ngrx/store';
import { routes } from './app.routes';
import { seesAway } from './job/away';
import { timeLimit } from './job/time-limit';
import { atTheDoor } from './people/session';

export const appConfig: ApplicationConfig = {
  providers: [
    provideBrowserGlobalErrorListeners(),
    provideZonelessChangeDetection(),
    provideHttpClient(withFetch(), withInterceptors([seesAway, timeLimit, atTheDoor])),
    provideRouter(routes, withComponentInputBinding()),
    provideStore(),
    provideEffects(),
    {
      provide: MAT_TOOLTIP_DEFAULT_OPTIONS,
      useValue: { showDelay: 350, hideDelay: 0, touchendHideDelay: 1500, disableTooltipInteractivity: true },
    },
  ],
};
