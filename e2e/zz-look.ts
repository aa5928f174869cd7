import { openBrowser, openPage, press, seeText, serveApp, station } from './browser';
const steps = process.argv.slice(2);
const served = await serveApp();
const profile = await openBrowser();
const page = await openPage(profile, served.url + (process.env['AT'] ?? '/'));
const wait = (ms: number) => new Promise((r) => setTimeout(r, ms));
await wait(1500); if (!process.env['AT']) await seeText(page, 'Kettle in the rain');
let n = 0;
for (const step of steps) {
  const [kind, ...rest] = step.split('=');
  const arg = rest.join('=');
  try {
    if (kind === 'press') await press(page, arg);
    if (kind === 'station') await station(page, arg);
    if (kind === 'click') await page.locator(arg).click();
    if (kind === 'type') await page.keyboard.type(arg);
    if (kind === 'key') await page.keyboard.press(arg as 'Tab');
    if (kind === 'see') await seeText(page, arg);
    if (kind === 'wait') await wait(Number(arg));
    if (kind === 'scroll') await page.evaluate((s) => { const [q, y] = s.split('|'); document.querySelector(q)!.scrollTop = Number(y); }, arg);
    if (kind === 'js') console.log(await page.evaluate(arg));
    if (kind === 'shot') { await wait(700); await page.screenshot({ path: `/tmp/shot-${arg || n++}.png` as `${string}.png` }); }
  } catch (e) { console.log('FAILED', step, String(e).slice(0, 300)); }
}
for (const f of page.faults) console.log('FAULT', f);
await profile.close(); await served.close();
