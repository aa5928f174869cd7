import { openBrowser, openPage, seeText, serveApp, station } from './browser';
const [name, ...rest] = process.argv.slice(2);
const served = await serveApp(); const profile = await openBrowser();
try {
  const page = await openPage(profile, served.url);
  await seeText(page, 'Kettle in the rain');
  if (name === 'rack') await page.goto(served.url + '/rack', { waitUntil: 'networkidle0' }); else await station(page, name);
  for (const js of rest) { await page.evaluate(js); await new Promise(r => setTimeout(r, 800)); }
  await new Promise(r => setTimeout(r, 1500));
  await page.screenshot({ path: '/tmp/shot.png' });
  for (const f of page.faults) console.error(f);
} finally { await profile.close(); await served.close(); }
