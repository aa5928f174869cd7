import { inject, Injectable } from '@angular/core';
import type { Lab } from '@kettle/core/kit/colour';
import type { Corners, Picture } from '@kettle/core/drawing/photo';
import type { SwatchSheet } from '@kettle/core/files/prints';
import type { Development, PictureApi } from './picture-api';
import { Workers } from './workers.service';

/** The worker that unpacks pictures and sets them straight, started on first use. */
@Injectable({ providedIn: 'root' })
export class PictureWorker {
  private readonly worker = inject(Workers).watched<PictureApi>(
    'Unpacking the picture',
    () => new Worker(new URL('./picture.worker', import.meta.url), { type: 'module', name: 'picture' }),
  );

  merged(file: Uint8Array): Promise<Uint8Array> {
    return this.worker.ask((api) => api.merged(file));
  }

  sizeOf(file: Blob): Promise<{ readonly widthPx: number; readonly heightPx: number }> {
    return this.worker.ask((api) => api.sizeOf(file));
  }

  develop(file: Blob, how: Development): Promise<Blob> {
    return this.worker.ask((api) => api.develop(file, how));
  }

  coloursAt(file: Blob, bare: Picture['bare'], white: Lab, places: Picture['bare']): Promise<Lab[]> {
    return this.worker.ask((api) => api.coloursAt(file, bare, white, places));
  }

  readSheet(file: Blob, marks: Corners, sheet: SwatchSheet, white: Lab): Promise<Lab[]> {
    return this.worker.ask((api) => api.readSheet(file, marks, sheet, white));
  }
}
