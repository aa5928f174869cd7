import { afterAll, beforeAll, expect, it } from 'vitest';
import {
  openBrowser,
  openPage,
  press,
  seeText,
  serveApp,
  type Profile,
  type Served,
  type OpenPage,
} from './browser';
import { boxOf, choose, retype } from './hand';

let served: Served;
let profile: Profile;
let page: OpenPage;

beforeAll(async () => {
  served = await serveApp();
  profile = await openBrowser();
  page = await openPage(profile, served.url);
  await seeText(page, 'Kettle in the rain');
  await page.goto(`${served.url}/card/kettle-in-the-rain/paper`);
  await seeText(page, 'Cut from');
});

afterAll(async () => {
  await profile.close();
  await served.close();
});

const cornerOf = (frame: string): Promise<number[]> =>
  page.$eval(`[data-frame="${frame}"] .edge`, (edge) =>
    edge.getAttribute('points')!.split(/[ ,]/).map(Number).slice(0, 2),
  );

it('a card is cropped last: sizes keep silent until a frame is chosen', async () => {
  await choose(page, 'Size of the card', 'cropped last');
  await seeText(page, 'which card it becomes is chosen last');
  expect(await page.$('kd-card-drawing')).toBeNull();
  await press(page, 'Lay a frame over it');
  await seeText(page, 'of the painting.');
});

it('frames slide under the hand, and by keys, turn, and stay on the painting', async () => {
  const [x, y] = await cornerOf('1');
  const box = await boxOf(page, '[data-frame="1"] .under');
  const middle = [box.x + box.width / 2, box.y + box.height / 2] as const;
  await page.mouse.move(...middle);
  await page.mouse.down();
  await page.mouse.move(middle[0] + 400, middle[1] + 10, { steps: 5 });
  await page.mouse.up();
  const [right, lower] = await cornerOf('1');
  expect(right).toBeGreaterThan(x + 5);
  expect(lower).toBeGreaterThan(y);
  // Far to the right it stops at the edge of the painting; keys slide it back, one by one and by tens.
  await page.$eval('[data-frame="1"]', (frame) => (frame as SVGGElement).focus());
  await page.keyboard.press('ArrowRight');
  expect(await cornerOf('1')).toEqual([right, lower]);
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('PageDown');
  await page.waitForFunction(
    () => document.querySelector<HTMLInputElement>('[aria-label="Frame 1 turned, degrees"]')?.value === '1',
  );
  await retype(page, '[aria-label="Frame 1 turned, degrees"]', '0');
});

it('the chosen frame becomes the card, with marks for the knife; undo opens the choice again', async () => {
  await press(page, 'Lay a frame over it');
  await choose(page, 'How frame 2 stands', 'upright');
  await seeText(page, 'It is larger than the painting as it is turned.');
  await retype(page, '::-p-xpath(//kd-length-field[.//span="painting, height"]//input)', '180 mm');
  await press(page, 'Cut to frame 2');
  await seeText(page, 'Mark its corners from the left / from the top of the painting');
  await seeText(page, 'Cut the sheet');
  await page.waitForSelector('kd-card-drawing svg');
  await page.keyboard.down('Control');
  await page.keyboard.press('z');
  await page.keyboard.up('Control');
  await seeText(page, 'which card it becomes is chosen last');
  expect(page.faults).toEqual([]);
});
