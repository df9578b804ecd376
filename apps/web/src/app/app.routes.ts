import type { Routes } from '@angular/router';

/** The rack is home; a job opens on its traveller. Stages are named and ordered as on it, and each loads when first opened. */
export const routes: Routes = [
  { path: '', pathMatch: 'full', title: 'The rack · Mast Shoe', loadComponent: () => import('./rack/rack').then((m) => m.Rack) },
  { path: 'stock', title: 'Stock room · Mast Shoe', loadComponent: () => import('./stock/stock-page').then((m) => m.StockPage) },
  { path: 'due', title: 'Due · Mast Shoe', loadComponent: () => import('./prove/due-page').then((m) => m.DuePage) },
  {
    path: 'compare',
    title: 'Side by side · Mast Shoe',
    loadComponent: () => import('./compare/compare-page').then((m) => m.ComparePage),
  },
  { path: 'new', title: 'New job · Mast Shoe', loadComponent: () => import('./begin/begin-page').then((m) => m.BeginPage) },
  {
    path: 'words',
    title: 'Words of the trade · Mast Shoe',
    loadComponent: () => import('./words/words-page').then((m) => m.WordsPage),
  },
  { path: 'people', title: 'People · Mast Shoe', loadComponent: () => import('./people/people-page').then((m) => m.PeoplePage) },
  {
    path: 'history/:id',
    title: 'History · Mast Shoe',
    loadComponent: () => import('./history/history-page').then((m) => m.HistoryPage),
  },
  { path: 'job/:id', loadChildren: () => import('./job/job.routes').then((m) => m.jobRoutes) },
  { path: '**', title: 'Nowhere · Mast Shoe', loadComponent: () => import('./nowhere').then((m) => m.Nowhere) },
];
