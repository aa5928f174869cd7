import { Injectable } from '@angular/core';
import { wrap, type Remote } from 'comlink';
import type { Lab } from '@kettle/core/colour';
import type { Corners, Picture } from '@kettle/core/photo';
import type { SwatchSheet } from '@kettle/core/prints';
import type { Development, PictureApi } from './picture-api';

/** The worker that unpacks pictures and sets them straight, started on first use. */
@Injectable({ providedIn: 'root' })
export class PictureWorker {
  private remote: Remote<PictureApi> | null = null;

  sizeOf(file: Blob): Promise<{ readonly widthPx: number; readonly heightPx: number }> {
    return this.api().sizeOf(file);
  }

  develop(file: Blob, how: Development): Promise<Blob> {
    return this.api().develop(file, how);
  }

  coloursAt(file: Blob, bare: Picture['bare'], white: Lab, places: Picture['bare']): Promise<Lab[]> {
    return this.api().coloursAt(file, bare, white, places);
  }

  readSheet(file: Blob, marks: Corners, sheet: SwatchSheet, white: Lab): Promise<Lab[]> {
    return this.api().readSheet(file, marks, sheet, white);
  }

  private api(): Remote<PictureApi> {
    this.remote ??= wrap<PictureApi>(
      new Worker(new URL('./picture.worker', import.meta.url), { type: 'module', name: 'picture' }),
    );
    return this.remote;
  }
}
