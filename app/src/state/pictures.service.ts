import { computed, inject, Injectable, signal } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import { labOf } from '@kettle/core/kit/colour';
import { inMB, MOST_PICTURE_BYTES } from '@kettle/core/files/formats';
import { paperReflectance } from '@kettle/core/materials/paper';
import { readHead, type Picture } from '@kettle/core/drawing/photo';
import { paintedOf, planPaper, type Plan } from '@kettle/core/document/plan';
import { BadInput } from '@kettle/core/kit/units';
import type { BoardPicture } from '../panel/board-marks';
import { bytesOf, LARGEST_PICTURE } from '../data/read-file';
import { faultOf } from '../data/storage-watch';
import { PictureWorker } from '../workers/picture-worker.service';
import { Messages } from './messages.service';
import { PlanStore } from './plan-store';
import { Storage } from './storage.service';

/** A picture is shown with so many pixels a mm, and along its longer edge with so many at most. */
const PX_A_MM = 8;
const MOST_PX = 1800;

/** Of the panel a picture of unknown size is laid over so much. */
const LAID_OVER = 0.9;

/** A picture made ready to be shown. */
export interface ShownPicture {
  readonly picture: Picture;
  readonly image: HTMLImageElement;
  readonly href: string;
  /** Nothing of it has changed since it was made ready. */
  readonly fresh: boolean;
}

/** A picture as it was developed, and by what. */
interface Developed {
  readonly key: string;
  readonly image: HTMLImageElement;
  readonly href: string;
}

/** The pictures that lie on the open card’s panel, set straight and corrected; worked out anew when one changes. */
@Injectable({ providedIn: 'root' })
export class Pictures {
  private readonly messages = inject(Messages);
  private readonly store = inject(PlanStore);
  private readonly worker = inject(PictureWorker);
  private readonly storage = inject(Storage);
  private readonly archive = this.storage.archive;
  /** By picture, as it was last developed. */
  private readonly ready = signal<ReadonlyMap<string, Developed>>(new Map());
  private readonly asked = new Map<string, string>();
  private readonly wanted = computed(() => this.store.plan(), {
    equal: (a, b) => a?.id === b?.id && a?.pictures === b?.pictures && a?.paper === b?.paper,
  });

  /** Those that are ready, in the order they lie; one that is being developed anew is shown as it was. */
  readonly shown = computed((): ShownPicture[] => {
    const [plan, ready] = [this.wanted(), this.ready()];
    return (plan?.pictures ?? []).flatMap((picture) => {
      const made = ready.get(picture.id);
      return made ? [{ picture, ...made, fresh: made.key === keyOf(plan!, picture) }] : [];
    });
  });

  /** As they lie on a board. */
  readonly onBoard = computed((): BoardPicture[] =>
    this.shown().map(({ picture: { at, widthMm, heightMm, faded }, image }) => ({
      ...{ image, x: at[0], y: at[1], width: widthMm, height: heightMm },
      opacity: 1 - faded,
    })),
  );

  constructor() {
    toObservable(this.wanted).subscribe((plan) => {
      for (const picture of plan?.pictures ?? []) void this.develop(plan!, picture);
    });
  }

  /** Keeps a picture’s file with the card and tells how it first lies on the panel. Throws `BadInput` for what is no picture. */
  async bring(file: File, use: Picture['use']): Promise<Picture> {
    const plan = this.store.plan()!;
    const brought = await bytesOf(file, LARGEST_PICTURE);
    const bytes = isZip(brought) ? await this.worker.merged(brought) : brought;
    const { kind, dpi } = readHead(bytes);
    const { widthPx, heightPx } = await this.worker.sizeOf(new Blob([new Uint8Array(bytes)])).catch(() => {
      throw new BadInput('picture', 'is damaged: it cannot be unpacked');
    });
    await this.mustHaveRoom(plan, bytes);
    const id = `picture-${crypto.randomUUID().slice(0, 8)}`;
    const name = `${id}.${kind === 'png' ? 'png' : 'jpg'}`;
    await this.keep(plan.id, name, bytes);
    const { panel } = paintedOf(plan);
    const fit = LAID_OVER * Math.min(panel.widthMm / widthPx, panel.heightMm / heightPx);
    const mmAPx = dpi === null ? fit : 25.4 / dpi;
    const [widthMm, heightMm] = [widthPx, heightPx].map((side) => Math.max(0.1, tenth(side * mmAPx)));
    return {
      ...{ id, name: file.name.slice(0, 80) || 'picture', file: name, use, corners: null, bare: [] },
      at: [tenth((panel.widthMm - widthMm) / 2), tenth((panel.heightMm - heightMm) / 2)],
      ...{ widthMm, heightMm, faded: use === 'ground' ? 0 : 0.6 },
    };
  }

  /** A card must fit into a file that opens again. */
  private async mustHaveRoom(plan: Plan, more: Uint8Array): Promise<void> {
    const laid = Object.values(await this.storage.watch.read(() => this.archive.attachmentsOf(plan)));
    const all = laid.reduce((sum, { length }) => sum + length, more.length);
    if (all > MOST_PICTURE_BYTES)
      throw new BadInput(
        'picture',
        `would make the pictures of this card more than ${inMB(MOST_PICTURE_BYTES)}`,
      );
  }

  private async keep(card: string, name: string, bytes: Uint8Array): Promise<void> {
    try {
      await this.storage.watch.write(() => this.archive.attach(card, name, bytes));
    } catch (cause) {
      if (faultOf(cause) === null) throw cause;
      throw new BadInput('picture', 'could not be kept in this browser’s storage');
    }
  }

  /** A picture’s file as it was brought; `null` when it is not in this browser. */
  async original(picture: Picture): Promise<Blob | null> {
    const bytes = await this.archive.attached(this.store.plan()!.id, picture.file);
    return bytes && new Blob([new Uint8Array(bytes)]);
  }

  private async develop(plan: Plan, picture: Picture): Promise<void> {
    const key = keyOf(plan, picture);
    if (this.asked.get(picture.id) === key) return;
    this.asked.set(picture.id, key);
    try {
      const file = await this.archive.attached(plan.id, picture.file);
      if (!file) {
        this.messages.stop(
          `The picture “${picture.name}” is not in this browser.`,
          'The card is safe. Open its .kettle file again to bring the picture along.',
        );
        return;
      }
      const longer = Math.max(picture.widthMm, picture.heightMm);
      const px = Math.min(PX_A_MM, MOST_PX / longer);
      const developed = await this.worker.develop(new Blob([new Uint8Array(file)]), {
        ...{ corners: picture.corners, bare: picture.bare },
        white: labOf(paperReflectance(planPaper(plan).white)),
        widthPx: Math.max(1, Math.round(picture.widthMm * px)),
        heightPx: Math.max(1, Math.round(picture.heightMm * px)),
      });
      const image = new Image();
      image.src = URL.createObjectURL(developed);
      await image.decode();
      // Meanwhile it may have been asked for in another way.
      if (this.asked.get(picture.id) !== key) {
        URL.revokeObjectURL(image.src);
        return;
      }
      const before = this.ready().get(picture.id);
      this.ready.update((ready) => new Map(ready).set(picture.id, { key, image, href: image.src }));
      if (before) URL.revokeObjectURL(before.href);
    } catch (cause) {
      // It may be asked for again, with other corners.
      this.asked.delete(picture.id);
      const says = cause instanceof Error ? cause.message : String(cause);
      this.messages.stop(`The picture “${picture.name}” cannot be shown: ${says}.`, 'The card is safe.');
    }
  }
}

/** A file of layers is a zip. */
const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

const tenth = (mm: number): number => Math.round(10 * mm) / 10;

/** All that what is shown of a picture depends on; where it lies and how faded does not matter. */
const keyOf = (plan: Plan, { id, file, corners, bare, widthMm, heightMm }: Picture): string =>
  JSON.stringify([plan.id, id, file, corners, bare, widthMm, heightMm, plan.paper]);
