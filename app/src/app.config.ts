import { isDevMode, provideBrowserGlobalErrorListeners, provideZonelessChangeDetection, type ApplicationConfig } from '@angular/core';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { provideServiceWorker } from '@angular/service-worker';
import { providePrimeNG } from 'primeng/config';
import { ROUTES } from './app.routes';
import { Database } from './state/database';
import { KETTLE_PRESET } from './theme/preset';

export const APP_CONFIG: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideBrowserGlobalErrorListeners(),
    provideRouter(ROUTES, withComponentInputBinding()),
    providePrimeNG({ theme: { preset: KETTLE_PRESET, options: { darkModeSelector: 'none', cssLayer: { name: 'primeng', order: 'reset, primeng' } } } }),
    provideServiceWorker('ngsw-worker.js', { enabled: !isDevMode() && 'serviceWorker' in navigator, registrationStrategy: 'registerWhenStable:5000' }),
    { provide: Database, useFactory: () => new Database() },
  ],
};
