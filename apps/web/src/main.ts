import { bootstrapApplication } from '@angular/platform-browser';
import { App } from './app/app';
import { appConfig } from './app/app.config';
import { cardChosen, layCard } from './app/lamp/lamp';
import { keepHere } from './offline/kept-here';

layCard(cardChosen());

// The rack, which is opened first of all, comes while the rest gets ready; where it does not come, its route says so.
if (location.pathname === '/') import('./app/rack/rack').catch(() => undefined);

bootstrapApplication(App, appConfig)
  .then(keepHere)
  .catch((error: unknown) => console.error(error));
