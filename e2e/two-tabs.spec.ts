import { afterAll, beforeAll, expect, it } from 'vitest';
import {
  openBrowser,
  openPage,
  press,
  seeText,
  serveApp,
  station,
  type Profile,
  type Served,
} from './browser';
import { choose, write } from './hand';

let served: Served;
let profile: Profile;

beforeAll(async () => {
  served = await serveApp();
  profile = await openBrowser();
});

afterAll(async () => {
  await profile.close();
  await served.close();
});

it('a second tab reads along, may not write, and takes over when the first has gone', async () => {
  const owner = await openPage(profile, served.url);
  await seeText(owner, 'Kettle in the rain');
  await station(owner, 'paper');
  const reader = await openPage(profile, `${served.url}/card/kettle-in-the-rain/paper`);
  await seeText(reader, 'This card is open in another tab.');

  await owner.bringToFront();
  await write(owner, '[data-testid=rh]', '61');
  await reader.bringToFront();
  await reader.waitForFunction(
    () => document.querySelector<HTMLInputElement>('[data-testid=rh]')?.value === '61',
  );

  await write(reader, '[data-testid=rh]', '30');
  await seeText(reader, 'Nothing was changed.');
  expect(await owner.$eval('[data-testid=rh]', (field) => (field as HTMLInputElement).value)).toBe('61');

  await owner.close();
  await seeText(reader, 'The other tab has let this card go.');
  await write(reader, '[data-testid=rh]', '44');
  await new Promise((resolve) => setTimeout(resolve, 300));
  await reader.reload({ waitUntil: 'networkidle0' });
  expect(await reader.$eval('[data-testid=rh]', (field) => (field as HTMLInputElement).value)).toBe('44');
  await reader.close();
});

it('a search answers at once, another time too, and leaves no bar behind', async () => {
  const page = await openPage(profile, `${served.url}/card/kettle-in-the-rain/colours`);
  await choose(page, 'Pigment 3', 'quinacridone magenta');
  await press(page, 'Mix a colour');
  await choose(page, 'Pigment 2', 'phthalocyanine green');
  await press(page, 'Wanted');
  for (const hex of ['#7a8a6a', '#a08a70']) {
    await write(page, '[data-testid=wanted]', hex);
    await page.waitForSelector('[data-testid=found]');
    await page.waitForFunction(() => document.querySelector('p-progressbar') === null);
  }
  await page.close();
});
