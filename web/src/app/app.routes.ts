import { inject } from '@angular/core';
import { Router, type CanActivateFn, type Routes } from '@angular/router';
import { map } from 'rxjs';
import { AboutService } from './data/about.service';

/** Before the first run there is nothing to show: it asks where the household is. */
const settled: CanActivateFn = () => {
  const router = inject(Router);
  return inject(AboutService).first$.pipe(map((about) => about.household !== null || router.createUrlTree(['/welcome'])));
};

export const routes: Routes = [
  { path: 'welcome', title: 'Welcome · Fresh Tuck', loadComponent: () => import('./first-run/first-run').then((m) => m.FirstRun) },
  {
    path: '',
    canActivate: [settled],
    children: [
      { path: '', pathMatch: 'full', title: 'Today · Fresh Tuck', loadComponent: () => import('./today/today').then((m) => m.TodayScreen) },
      { path: 'open/:batchId', title: 'Open a parcel · Fresh Tuck', loadComponent: () => import('./open/open').then((m) => m.OpenScreen) },
      { path: 'tuck', title: 'Tuck in seed · Fresh Tuck', loadComponent: () => import('./tuck/tuck').then((m) => m.TuckScreen) },
      { path: 'batch/:batchId', title: 'Batch · Fresh Tuck', loadComponent: () => import('./batch/batch').then((m) => m.BatchScreen) },
      { path: 'seeds', title: 'Seeds · Fresh Tuck', loadComponent: () => import('./seeds/seeds').then((m) => m.SeedsScreen) },
      { path: 'crop/:cropId', title: 'Crop · Fresh Tuck', loadComponent: () => import('./crop/crop').then((m) => m.CropScreen) },
      { path: 'house', title: 'House · Fresh Tuck', loadComponent: () => import('./house/house').then((m) => m.HouseScreen) },
    ],
  },
  { path: '**', redirectTo: '' },
];
