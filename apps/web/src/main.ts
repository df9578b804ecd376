import { bootstrapApplication } from '@angular/platform-browser';
import { App } from './app/app';
import { appConfig } from './app/app.config';
import { keepHere } from './offline/kept-here';

bootstrapApplication(App, appConfig)
  .then(keepHere)
  .catch((error: unknown) => console.error(error));
