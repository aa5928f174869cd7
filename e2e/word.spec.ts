import { afterAll, beforeAll, expect, it } from 'vitest';
import { rectangle } from '@kettle/core/kit/geometry';
import { applyCommands, newPass, type Command, type Plan } from '@kettle/core/document/plan';
import { kettleInTheRain } from '../demo/kettle-in-the-rain';
import {
  openBrowser,
  openPage,
  press,
  seeText,
  serveApp,
  station,
  type OpenPage,
  type Profile,
  type Served,
} from './browser';
import { putPlans, rowOf } from './database';
import { retype } from './hand';

const WORD = 'Merry Midwinter';

let served: Served;
let profile: Profile;
let page: OpenPage;

beforeAll(async () => {
  served = await serveApp();
  profile = await openBrowser();
  page = await openPage(profile, served.url);
  await seeText(page, 'Kettle in the rain');
});

afterAll(async () => {
  await profile.close();
  await served.close();
});

const count = (selector: string, text: string): Promise<number> =>
  page.$$eval(selector, (found, said) => found.filter((one) => one.textContent.includes(said)).length, text);

const planOf = async (id: string): Promise<Plan> => ((await rowOf(page, 'plans', id)) as { plan: Plan }).plan;

it('a word of fourteen letters is one row at every station, masked at one press, and opens where a letter is singled out', async () => {
  await page.goto(`${served.url}/card/kettle-in-the-rain/sketch`);
  await press(page, 'Words');
  await retype(page, '[data-testid=words] input[maxlength="60"]', WORD);
  await press(page, 'Make areas of the letters');
  await press(page, 'Lines and areas');
  await page.waitForSelector(`input[aria-label="Name of ${WORD}"]`);
  const named = await page.$$eval('[aria-label^="Name of"]', (inputs) =>
    inputs.map((input) => (input as HTMLInputElement).value),
  );
  expect(named).toEqual([WORD, 'steam', 'kettle', 'sill', 'pane']);

  await station(page, 'whites');
  await page.waitForFunction((said) => document.body.innerText.includes(said), {}, WORD);
  expect(await count('fieldset > legend', WORD)).toBe(1);
  await page.waitForSelector(`::-p-xpath(//fieldset[legend="${WORD}"]//label[contains(., "mask it")]/input)`);
  await page.locator(`::-p-xpath(//fieldset[legend="${WORD}"]//label[contains(., "mask it")]/input)`).click();

  await station(page, 'passes');
  await page.waitForFunction(
    (said) => document.querySelector('kd-drift-line')?.textContent.includes(said),
    {},
    WORD,
  );
  expect(await count('kd-drift-line .name', WORD)).toBe(1);
  expect(await count('.note .title', WORD)).toBe(2);
  expect(await count('kd-drift-line .mask-word', 'mask, set after')).toBe(2);
  // The name keeps off the line of its row.
  const [nameEnds, lineBegins] = await page.evaluate((said) => {
    const name = [...document.querySelectorAll('kd-drift-line .name')].find(
      (one) => one.textContent === said,
    )!;
    const line = name.nextElementSibling!;
    return [name.getBoundingClientRect().right, line.getBoundingClientRect().left];
  }, WORD);
  expect(nameEnds).toBeLessThan(lineBegins);

  await station(page, 'colours');
  await press(page, 'Values');
  await page.waitForSelector('.ladder');
  expect(await count('.ladder text', WORD)).toBe(1);

  await station(page, 'whites');
  await page.locator(`::-p-xpath(//fieldset[legend="${WORD}"]//summary[contains(., "parts")])`).click();
  await page.locator(`[aria-label="Single out ${WORD}: M"]`).click();
  await page.waitForFunction(
    (said) => [...document.querySelectorAll('legend')].some((one) => one.textContent === said),
    {},
    `${WORD}: M`,
  );
});

/** A card with fourteen things on it, each painted. */
function crowded(): Plan {
  const bare = kettleInTheRain();
  const things = Array.from({ length: 14 }, (_, i) => `thing-${i}`);
  return {
    ...applyCommands(
      {
        ...bare,
        areas: [],
        whites: [],
        acts: bare.acts.filter(({ kind, areas }) => kind === 'chore' && areas.length === 0),
      },
      [
        ...things.map((id, i): Command => ({
          do: 'add-area',
          area: { id, name: `lamp on a string ${i}`, outline: rectangle(5 + 10 * i, 20 + 3 * (i % 5), 7, 9) },
        })),
        ...things.map((id): Command => ({
          do: 'add-act',
          before: 'untape',
          act: newPass({ id: `pass-${id}`, technique: 'flat-wash', areas: [id], mix: 'oak' }),
        })),
      ],
    ).plan,
    ...{ id: 'crowded', title: 'Crowded' },
  };
}

it('with fourteen things on a card the panel keeps two fifths of the window', async () => {
  await putPlans(page, [crowded()]);
  await page.goto(`${served.url}/card/crowded/passes`);
  await page.waitForSelector('kd-drift-line .span');
  expect(await page.$$eval('kd-drift-line .name', (names) => names.length)).toBe(15);
  const high = await page.$eval('.picture kd-panel-picture svg', (svg) => svg.getBoundingClientRect().height);
  expect(high).toBeGreaterThanOrEqual(0.4 * 800);
  expect((await planOf('crowded')).areas).toHaveLength(14);
});

it('what lies over what is changed by keys, and the ground goes under everything', async () => {
  await station(page, 'sketch');
  const uppermost = (): Promise<string> =>
    page.$eval('[aria-label^="Name of"]', (input) => (input as HTMLInputElement).value);
  await page.waitForSelector('[aria-label^="Name of"]');
  expect(await uppermost()).toBe('lamp on a string 13');
  await page.focus('[aria-label="Lay lamp on a string 12 higher"]');
  await page.keyboard.press('Enter');
  await page.waitForFunction(
    () =>
      document.querySelector<HTMLInputElement>('[aria-label^="Name of"]')?.value === 'lamp on a string 12',
  );
  await press(page, 'Mark the ground, under everything');
  await page.waitForFunction(
    () =>
      [...document.querySelectorAll<HTMLInputElement>('[aria-label^="Name of"]')].at(-1)?.value === 'ground',
  );
  // Marked again it is the same one.
  await press(page, 'Mark the ground, under everything');
  expect(await page.$$eval('[aria-label^="Name of"]', (rows) => rows.length)).toBe(15);
});
