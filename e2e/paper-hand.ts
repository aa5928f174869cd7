import type { CDPSession, Page } from 'puppeteer-core';
import { press, seeText, station } from './browser';

/** What the page tells of the paper under the hand. */
export interface Felt {
  readonly stage: string;
  readonly filmUm: number;
  readonly paperGm2: number;
  readonly lab: readonly [number, number, number];
  readonly pigments: Readonly<Record<string, number>>;
  readonly fingerprint: string;
}

type Spot = readonly [xMm: number, yMm: number, pressure?: number];

/** A pen over the sheet on the painting table; places are mm from its corner. */
export class PaperPen {
  private constructor(
    private readonly page: Page,
    private readonly session: CDPSession,
  ) {}

  static async over(page: Page): Promise<PaperPen> {
    return new PaperPen(page, await page.createCDPSession());
  }

  async down(spot: Spot): Promise<void> {
    await this.send('mousePressed', spot, 1);
  }

  async move(spot: Spot, buttons = 1): Promise<void> {
    await this.send('mouseMoved', spot, buttons);
  }

  async up(spot: Spot): Promise<void> {
    await this.send('mouseReleased', spot, 0);
  }

  /** A stroke from spot to spot, about as fast as a hand. */
  async stroke(...spots: readonly Spot[]): Promise<void> {
    await this.down(spots[0]);
    for (let i = 1; i < spots.length; i++) {
      const [a, b] = [spots[i - 1], spots[i]];
      const places = Math.max(1, Math.round(Math.hypot(b[0] - a[0], b[1] - a[1]) / 3));
      for (let k = 1; k <= places; k++) {
        const t = k / places;
        await this.move([a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1]), b[2] ?? 0.7]);
      }
    }
    await this.up(spots.at(-1)!);
  }

  /** Strokes to and fro that fill a box. */
  async fill(
    [left, top, right, bottom]: readonly [number, number, number, number],
    apart: number,
  ): Promise<void> {
    const spots: Spot[] = [];
    for (let y = top, way = 0; y <= bottom; y += apart, way++)
      spots.push([way % 2 ? right : left, y, 1], [way % 2 ? left : right, y, 1]);
    await this.stroke(...spots);
  }

  /** What is told of a place, read anew. */
  async feel([x, y]: Spot): Promise<Felt> {
    await this.move([x + 3, y + 3], 0);
    await new Promise((resolve) => setTimeout(resolve, 150));
    await this.move([x, y], 0);
    const told = await this.page.waitForFunction(
      (px: number, py: number) => {
        const text = document.querySelector('[data-testid=under-hand]')?.getAttribute('data-reading');
        if (!text) return null;
        const reading = JSON.parse(text) as { at: [number, number] };
        return Math.hypot(reading.at[0] - px, reading.at[1] - py) < 0.6 ? text : null;
      },
      {},
      x,
      y,
    );
    return JSON.parse((await told.jsonValue()) as string) as Felt;
  }

  private async send(
    type: 'mousePressed' | 'mouseMoved' | 'mouseReleased',
    [x, y, force = 0.7]: Spot,
    buttons: number,
  ): Promise<void> {
    const at = await this.page.evaluate(() => {
      const box = document.querySelector('.board-sheet')!.getBoundingClientRect();
      const { width } = document.querySelector<SVGSVGElement>('.board-marks')!.viewBox.baseVal;
      return { left: box.x, top: box.y, perMm: box.width / width };
    });
    const button = type === 'mouseMoved' && !buttons ? 'none' : 'left';
    await this.session.send('Input.dispatchMouseEvent', {
      ...{ type, x: at.left + x * at.perMm, y: at.top + y * at.perMm, button },
      ...{ buttons, clickCount: 1, pointerType: 'pen', force: buttons ? force : 0 },
    });
  }
}

/** Lays a rough sheet on the painting table: quick to work out. */
export async function roughSheet(page: Page): Promise<void> {
  await station(page, 'passes');
  await press(page, 'Paint it by hand');
  await isLaid(page);
  await press(page, 'Sheets');
  await press(page, 'roughly');
  await press(page, 'A new sheet');
  await page.waitForFunction(() => document.querySelectorAll('[data-testid=sheet]').length === 2);
  await isLaid(page);
  await press(page, 'Done so far');
}

export const isLaid = (page: Page) =>
  page.waitForFunction(() => document.querySelector('[data-at-s]') !== null, { timeout: 60_000 });

/** Lets the paper’s clock run on until it says so. */
export async function runTo(page: Page, words: 'until the sheen goes' | 'until dry'): Promise<void> {
  const before = await page.$eval('[data-at-s]', (element) => Number(element.getAttribute('data-at-s')));
  await press(page, words);
  await page.waitForFunction(
    (fromS) =>
      Number(document.querySelector('[data-at-s]')!.getAttribute('data-at-s')) > fromS &&
      document.querySelector('[data-testid=paper-clock]')!.textContent === 'the paper waits',
    { timeout: 60_000 },
    before,
  );
  if (words === 'until dry') await seeText(page, 'the sheet is dry');
}
