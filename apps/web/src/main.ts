import { bootstrapApplication } from '@angular/platform-browser';
import { App } from './app/app';
import { appConfig } from './app/app.config';
import { cardChosen, layCard } from './app/lamp/lamp';
import { keepHere } from './offline/kept-here';

layCard(cardChosen());

bootstrapApplication(App, appConfig)
  .then(keepHere)
  .catch((error: unknown) => console.error(error));
