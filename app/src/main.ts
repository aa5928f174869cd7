import { bootstrapApplication } from '@angular/platform-browser';
import { APP_CONFIG } from './app.config';
import { Shell } from './frame/shell.component';

bootstrapApplication(Shell, APP_CONFIG).catch((cause: unknown) => {
  document.body.textContent = `Kettle Drift could not start: ${String(cause)}. Your cards are safe in this browser; load the page again.`;
});
