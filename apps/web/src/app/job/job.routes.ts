import type { Routes } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideState } from '@ngrx/store';
import { JobEffects } from './job.effects';
import { jobFeature } from './job.state';
import { JobShell } from './job-shell';

export const jobRoutes: Routes = [
  {
    path: '',
    component: JobShell,
    providers: [provideState(jobFeature), provideEffects(JobEffects)],
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'lay-out' },
      { path: 'load', title: 'Load · Mast Shoe', loadComponent: () => import('../load/load-stage').then((m) => m.LoadStage) },
      {
        path: 'measure',
        title: 'Measure · Mast Shoe',
        loadComponent: () => import('../measure/measure-stage').then((m) => m.MeasureStage),
      },
      {
        path: 'lay-out',
        title: 'Lay out · Mast Shoe',
        loadComponent: () => import('../layout/layout-stage').then((m) => m.LayoutStage),
      },
      {
        path: 'spread',
        title: 'Spread · Mast Shoe',
        loadComponent: () => import('../spread/spread-stage').then((m) => m.SpreadStage),
      },
      {
        path: 'choose',
        title: 'Choose · Mast Shoe',
        loadComponent: () => import('../choose/choose-stage').then((m) => m.ChooseStage),
      },
      {
        path: 'prove',
        title: 'Prove · Mast Shoe',
        loadComponent: () => import('../prove/prove-stage').then((m) => m.ProveStage),
      },
      { path: 'make', title: 'Make · Mast Shoe', loadComponent: () => import('../make/make-stage').then((m) => m.MakeStage) },
    ],
  },
];
