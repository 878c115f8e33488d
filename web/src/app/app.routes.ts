import { inject } from '@angular/core';
import { Router, type CanActivateFn, type Routes } from '@angular/router';
import { map } from 'rxjs';
import { AboutService } from './data/household/about.service';

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
      { path: 'shelf', title: 'Shelf · Fresh Tuck', loadComponent: () => import('./shelf/shelf').then((m) => m.ShelfScreen) },
      { path: 'spot/:spotId', title: 'A warm spot · Fresh Tuck', loadComponent: () => import('./spot/spot').then((m) => m.SpotScreen) },
      { path: 'seeds', title: 'Seeds · Fresh Tuck', loadComponent: () => import('./seeds/seeds').then((m) => m.SeedsScreen) },
      {
        path: 'seeds/import',
        title: 'Bring in a table · Fresh Tuck',
        loadComponent: () => import('./seeds/import').then((m) => m.ImportScreen),
      },
      {
        path: 'packet/:packetId',
        title: 'Packet · Fresh Tuck',
        loadComponent: () => import('./packet/packet').then((m) => m.PacketScreen),
      },
      {
        path: 'packet/:packetId/test',
        title: 'Test a packet · Fresh Tuck',
        loadComponent: () => import('./packet/test').then((m) => m.TestScreen),
      },
      { path: 'crop/:cropId', title: 'Crop · Fresh Tuck', loadComponent: () => import('./crop/crop').then((m) => m.CropScreen) },
      {
        path: 'crop/:cropId/figures',
        title: 'Figures of a crop · Fresh Tuck',
        loadComponent: () => import('./crop/figures').then((m) => m.CropFigures),
      },
      {
        path: 'crop/:cropId/copy',
        title: 'A crop of your own · Fresh Tuck',
        data: { copy: true },
        loadComponent: () => import('./crop/figures').then((m) => m.CropFigures),
      },
      { path: 'nursery', title: 'Nursery · Fresh Tuck', loadComponent: () => import('./nursery/nursery').then((m) => m.NurseryScreen) },
      {
        path: 'nursery/:trayId/:batchId',
        title: 'A tray · Fresh Tuck',
        loadComponent: () => import('./nursery/tray').then((m) => m.TrayScreen),
      },
      { path: 'season', title: 'Season · Fresh Tuck', loadComponent: () => import('./season/season').then((m) => m.SeasonScreen) },
      {
        path: 'season/wishes',
        title: 'What shall grow · Fresh Tuck',
        loadComponent: () => import('./season/wishes').then((m) => m.WishesScreen),
      },
      {
        path: 'season/frost',
        title: 'Frost · Fresh Tuck',
        loadComponent: () => import('./season/frost').then((m) => m.FrostScreen),
      },
      { path: 'season/:wishId', title: 'A sowing · Fresh Tuck', loadComponent: () => import('./season/lot').then((m) => m.LotScreen) },
      { path: 'bed/:bedId', title: 'A bed · Fresh Tuck', loadComponent: () => import('./nursery/bed').then((m) => m.BedScreen) },
      {
        path: 'seedling/:number',
        title: 'A plant · Fresh Tuck',
        loadComponent: () => import('./nursery/seedling').then((m) => m.SeedlingScreen),
      },
      {
        path: 'notebook/handbook',
        title: 'Handbook · Fresh Tuck',
        loadComponent: () => import('./handbook/handbook').then((m) => m.Handbook),
      },
      {
        path: 'notebook/handbook/troubles',
        title: 'What you may find · Fresh Tuck',
        loadComponent: () => import('./handbook/troubles').then((m) => m.Troubles),
      },
      {
        path: 'notebook/handbook/media',
        title: 'What to lay them on · Fresh Tuck',
        loadComponent: () => import('./handbook/media').then((m) => m.Media),
      },
      {
        path: 'notebook/handbook/schools',
        title: 'Where growers differ · Fresh Tuck',
        loadComponent: () => import('./handbook/schools').then((m) => m.Schools),
      },
      {
        path: 'notebook/handbook/safety',
        title: 'Safe practice · Fresh Tuck',
        loadComponent: () => import('./handbook/safety').then((m) => m.Safety),
      },
      {
        path: 'notebook/handbook/figures',
        title: 'Where the figures come from · Fresh Tuck',
        loadComponent: () => import('./handbook/figures-page').then((m) => m.FiguresPage),
      },
      // Bookmarks of the Handbook's former address.
      { path: 'handbook', pathMatch: 'prefix', redirectTo: 'notebook/handbook' },
      {
        path: 'notebook',
        title: 'Notebook · Fresh Tuck',
        loadComponent: () => import('./notebook/notebook').then((m) => m.NotebookScreen),
      },
      {
        path: 'notebook/back',
        title: 'Looking back · Fresh Tuck',
        loadComponent: () => import('./notebook/looking-back').then((m) => m.LookingBackScreen),
      },
      { path: 'notebook/notes', title: 'Notes · Fresh Tuck', loadComponent: () => import('./notebook/notes').then((m) => m.NotesScreen) },
      {
        path: 'notebook/workbench',
        title: 'Workbench · Fresh Tuck',
        loadComponent: () => import('./notebook/workbench').then((m) => m.WorkbenchScreen),
      },
      {
        path: 'notebook/practice',
        title: 'Practice · Fresh Tuck',
        loadComponent: () => import('./notebook/practice').then((m) => m.PracticeScreen),
      },
      {
        path: 'notebook/trials/plan',
        title: 'Plan a trial · Fresh Tuck',
        loadComponent: () => import('./notebook/plan-trial').then((m) => m.PlanTrial),
      },
      {
        path: 'notebook/trials/compare',
        title: 'Compare what is over · Fresh Tuck',
        loadComponent: () => import('./notebook/compare').then((m) => m.CompareScreen),
      },
      {
        path: 'notebook/trials/:trialId',
        title: 'A trial · Fresh Tuck',
        loadComponent: () => import('./notebook/trial').then((m) => m.TrialScreen),
      },
      {
        path: 'sitting',
        title: 'A sitting · Fresh Tuck',
        loadComponent: () => import('./sitting/choose').then((m) => m.ChooseSitting),
      },
      {
        path: 'sitting/:sittingId',
        title: 'The list · Fresh Tuck',
        loadComponent: () => import('./sitting/sitting').then((m) => m.SittingScreen),
      },
      {
        path: 'sitting/:sittingId/lay',
        title: 'At the worktop · Fresh Tuck',
        loadComponent: () => import('./sitting/lay').then((m) => m.LayScreen),
      },
      { path: 'scan', title: 'Read a label · Fresh Tuck', loadComponent: () => import('./scan/scan').then((m) => m.Scan) },
      {
        path: 'round/paper',
        title: 'The round on paper · Fresh Tuck',
        loadComponent: () => import('./paper-round/paper-round').then((m) => m.PaperRound),
      },
      { path: 'more', title: 'More · Fresh Tuck', loadComponent: () => import('./shell/more').then((m) => m.More) },
      { path: 'house', title: 'House · Fresh Tuck', loadComponent: () => import('./house/house').then((m) => m.HouseScreen) },
    ],
  },
  { path: '**', redirectTo: '' },
];
