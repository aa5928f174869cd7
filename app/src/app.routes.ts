import { inject } from '@angular/core';
import { Router, type ActivatedRouteSnapshot, type Routes } from '@angular/router';
import { BadInput } from '@kettle/core/kit/units';
import { faultOf } from './data/storage-watch';
import { FirstStart } from './state/first-start';
import { Messages } from './state/messages.service';
import { PlanStore } from './state/plan-store';

/** Puts the card of the address on the table, or goes back to the rack and says why not. */
async function openCard(route: ActivatedRouteSnapshot) {
  const [store, first, messages, router] = [
    ...([inject(PlanStore), inject(FirstStart)] as const),
    ...([inject(Messages), inject(Router)] as const),
  ];
  try {
    await first.demo();
    await store.openPlan(route.paramMap.get('id') ?? '');
    return true;
  } catch (cause) {
    const isStorage = faultOf(cause) !== null;
    if (!(cause instanceof BadInput) && !isStorage) throw cause;
    messages.stop(
      `The card was not opened: ${(cause as Error).message.slice(0, 120)}.`,
      'It stays as it is. The other cards are on the rack; Safekeeping tells what can be done.',
    );
    return router.parseUrl('/rack');
  }
}

/** Lets the card of the table go: the address is no longer its own. */
async function leaveCard(): Promise<boolean> {
  await inject(PlanStore).close();
  return true;
}

export const ROUTES: Routes = [
  {
    path: 'rack',
    title: 'Rack · Kettle Drift',
    canActivate: [leaveCard],
    loadComponent: () => import('./rooms/rack/rack.component').then((m) => m.Rack),
  },
  {
    path: 'cupboard',
    title: 'Cupboard · Kettle Drift',
    loadComponent: () => import('./rooms/cupboard/cupboard.component').then((m) => m.Cupboard),
  },
  {
    path: 'safekeeping',
    title: 'Safekeeping · Kettle Drift',
    canActivate: [leaveCard],
    loadComponent: () => import('./rooms/safekeeping/safekeeping.component').then((m) => m.SafekeepingRoom),
  },
  {
    path: 'card/:id',
    canActivate: [openCard],
    children: [
      {
        path: 'brief',
        loadComponent: () => import('./stations/brief/brief.component').then((m) => m.BriefStation),
      },
      {
        path: 'paper',
        loadComponent: () => import('./stations/paper/paper.component').then((m) => m.PaperStation),
      },
      {
        path: 'sketch',
        loadComponent: () => import('./stations/sketch/sketch.component').then((m) => m.SketchStation),
      },
      {
        path: 'whites',
        loadComponent: () => import('./stations/whites/whites.component').then((m) => m.WhitesStation),
      },
      {
        path: 'colours',
        loadComponent: () => import('./stations/colours/colours.component').then((m) => m.ColoursStation),
      },
      {
        path: 'passes',
        loadComponent: () => import('./stations/passes/passes.component').then((m) => m.PassesStation),
      },
      {
        path: 'sitting',
        loadComponent: () => import('./stations/sitting/sitting.component').then((m) => m.SittingStation),
      },
      {
        path: 'finish',
        loadComponent: () => import('./stations/finish/finish.component').then((m) => m.FinishStation),
      },
      { path: '', pathMatch: 'full', redirectTo: 'brief' },
    ],
  },
  { path: '**', redirectTo: 'rack' },
];
