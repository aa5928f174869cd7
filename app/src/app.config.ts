import {
  ErrorHandler,
  inject,
  Injector,
  provideBrowserGlobalErrorListeners,
  provideZonelessChangeDetection,
  type ApplicationConfig,
} from '@angular/core';
import {
  provideRouter,
  withComponentInputBinding,
  withNavigationErrorHandler,
  type NavigationError,
} from '@angular/router';
import { providePrimeNG } from 'primeng/config';
import { ROUTES } from './app.routes';
import { Database } from './data/database';
import { Faults } from './state/faults';
import { fetchLostChunk, isLostChunk } from './state/lost-chunk';
import { KETTLE_PRESET } from './theme/preset';

/** A screen whose part of the program does not come: the address is gone to again, in a newer version if there is one. */
function lostOnTheWay({ error, url }: NavigationError): void {
  if (isLostChunk(error)) void fetchLostChunk(inject(Injector), url);
  else inject(ErrorHandler).handleError(error);
}

export const APP_CONFIG: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideBrowserGlobalErrorListeners(),
    provideRouter(ROUTES, withComponentInputBinding(), withNavigationErrorHandler(lostOnTheWay)),
    providePrimeNG({
      theme: {
        preset: KETTLE_PRESET,
        options: { darkModeSelector: 'none', cssLayer: { name: 'primeng', order: 'reset, primeng' } },
      },
    }),
    { provide: ErrorHandler, useClass: Faults },
    { provide: Database, useFactory: () => new Database() },
  ],
};
