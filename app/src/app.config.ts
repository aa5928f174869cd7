import {
  isDevMode,
  provideBrowserGlobalErrorListeners,
  provideZonelessChangeDetection,
  type ApplicationConfig,
} from '@angular/core';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { provideServiceWorker } from '@angular/service-worker';
import { providePrimeNG } from 'primeng/config';
import { ROUTES } from './app.routes';
import { Database } from './state/database';
import { KETTLE_PRESET } from './theme/preset';

/** Registered well after the first cards stand on the rack: their files would wait behind all that is kept for later visits. */
const SERVICE_WORKER = {
  enabled: !isDevMode() && 'serviceWorker' in navigator,
  registrationStrategy: 'registerWithDelay:5000',
};

export const APP_CONFIG: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideBrowserGlobalErrorListeners(),
    provideRouter(ROUTES, withComponentInputBinding()),
    providePrimeNG({
      theme: {
        preset: KETTLE_PRESET,
        options: { darkModeSelector: 'none', cssLayer: { name: 'primeng', order: 'reset, primeng' } },
      },
    }),
    provideServiceWorker('ngsw-worker.js', SERVICE_WORKER),
    { provide: Database, useFactory: () => new Database() },
  ],
};
