/** `npm run screenshots`: one picture of each main view, from the demo data, into docs/screenshots/. */
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { at, CHROMIUM, ensureInstalled } from './lib.mjs';

await ensureInstalled();
const { buildAll, serverArgs, serverEnv } = await import('./build.mjs');
await buildAll();
const { chromium } = await import('@playwright/test');
const { bundledCore } = await import('./bundledCore.mjs');
const { positionsPage } = await import('./positions.mjs');

const data = mkdtempSync(path.join(tmpdir(), 'taktik-shots-'));
const PORT = '4191';
const server = spawn(process.execPath, serverArgs, {
  env: { ...process.env, ...serverEnv, TAKTIK_SEED: 'demo', PORT, TAKTIK_DATA: data },
  stdio: ['ignore', 'pipe', 'inherit'],
});
await new Promise((resolve) => server.stdout.once('data', resolve));
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
mkdirSync(at('docs/screenshots'), { recursive: true });

const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };
const button = (page, name) => page.getByRole('button', { name, exact: typeof name === 'string' && name === 'Expose' });
const settle = (page) => page.waitForTimeout(900);
/** The full picture follows the first one. */
const rested = (page) => page.waitForTimeout(2500);

async function view(viewport, colorScheme, walk) {
  const context = await browser.newContext({ viewport, colorScheme });
  const signIn = { data: { personId: 'demo-priya', pin: '3690' } };
  const { person } = await (await context.request.post(`http://localhost:${PORT}/api/sessions`, signIn)).json();
  await context.addInitScript((who) => localStorage.setItem('taktik.who', who), JSON.stringify(person));
  const page = await context.newPage();
  const shot = async (name) => {
    await settle(page);
    await page.screenshot({ path: at('docs/screenshots', `${name}.png`) });
  };
  await page.goto(`http://localhost:${PORT}/orders`);
  await page
    .getByText(/Bring:/)
    .first()
    .waitFor();
  await walk(page, shot);
  await context.close();
}

/** Everything that is asked before the patient, as for someone whom nothing stops. */
async function answerBefore(page, shot) {
  await button(page, 'Before the patient').click();
  await page.getByRole('heading', { name: 'Ask' }).waitFor();
  if (shot) await shot('before-phone');
  for (const group of await page.getByRole('radiogroup').all()) {
    const agrees = /agree/.test((await group.getAttribute('aria-label')) ?? '');
    await group.getByRole('radio', { name: agrees ? 'yes' : 'no' }).click();
  }
  await button(page, /^(To the first|Back to the) projection$/).click();
  await button(page, 'Expose').waitFor();
}

const start = (page, name) => button(page, `Start ${name}`).click();

try {
  await view(PHONE, 'dark', async (page, shot) => {
    await shot('orders-phone');
    await start(page, 'Sacrum and coccyx, HK');
    await shot('setup-phone');
    await button(page, 'along the CR').click();
    await shot('setup-ray-phone');
    await button(page, 'from the side').click();
    await button(page, /^Patient:/).click();
    await shot('patient-phone');
    await button(page, 'Close').click();
    await answerBefore(page, shot);
    await button(page, 'Expose').click();
    await button(page, 'Accept').click();
    await button(page, 'Next projection').last().click();
    await settle(page);
    await page.getByRole('region', { name: /^Changes/ }).scrollIntoViewIfNeeded();
    await shot('changes-phone');
    await button(page, 'Expose').click();
    await button(page, 'Accept').click();
    await button(page, 'Finish exam').click();
    await button(page, 'Finish all the same').click();
    await page
      .getByRole('link', { name: /Coccyx/ })
      .first()
      .waitFor();
    await page
      .getByRole('link', { name: /Coccyx/ })
      .first()
      .click();
    await page.getByRole('link', { name: /Body as an open file/ }).waitFor();
    await page.goto(`http://localhost:${PORT}/setup?p=pelvis-ap&age=60&sex=male&h=178&w=88&room=room-1`);
    await button(page, /^Technique:/).click();
    await page.getByText('Dose', { exact: true }).waitFor();
    await shot('technique-phone');
    await page.goto(`http://localhost:${PORT}/room?id=room-1`);
    await page.getByText(/ off it on average/).waitFor();
    await shot('room-phone');
    await page.goto(`http://localhost:${PORT}/rehearse?p=knee-lateral&side=left&age=52&error=roll:6`);
    await page.getByText(/ fail$/).waitFor();
    await rested(page);
    await shot('rehearse-phone');
    await page.goto(`http://localhost:${PORT}/rehearse?x=spot-23`);
    await page.getByRole('img').waitFor();
    await rested(page);
    await shot('exercise-phone');
  });
  await view(PHONE, 'light', async (page, shot) => {
    await page.goto(`http://localhost:${PORT}/find`);
    await page.getByLabel('Find a projection').fill('knee');
    // Names stand at once, drawings and numbers as they are computed.
    for (const at of [0, 1])
      await page
        .getByRole('link', { name: /^Knee, / })
        .nth(at)
        .locator('svg')
        .first()
        .waitFor();
    await shot('find-phone');
    await page.getByLabel('Find a projection').fill('');
    const hand = await page.getByTestId('touch-hand').boundingBox();
    await page.mouse.click(hand.x + hand.width * 0.3, hand.y + hand.height * 0.42);
    await page.getByText(/ at the .*finger$/).waitFor();
    await page.goto(`http://localhost:${PORT}/projection?p=ankle-mortise&side=right&age=34&sex=female`);
    await page.getByText(/^Look for/).waitFor();
    await shot('page-phone');
    await page.goto(
      `http://localhost:${PORT}/ways?p=hip-axiolateral&side=right&age=78&sex=female&s=nostand,nosit,turn-none,sus-hip_fracture`,
    );
    await page.getByText(/the least cost first$/).waitFor();
    await shot('ways-phone');
  });
  const sheet = await browser.newPage({ viewport: { width: 1280, height: 400 } });
  await sheet.setContent(positionsPage(await bundledCore()));
  await sheet.screenshot({ path: at('docs/screenshots', 'positions.png'), fullPage: true });
  await sheet.close();
  await view(WIDE, 'dark', async (page, shot) => {
    await start(page, 'Thoracic spine with C7-T1, AV');
    await answerBefore(page);
    await button(page, 'Expose').click();
    await button(page, 'Accept').click();
    await button(page, 'Next projection').last().click();
    await shot('setup-wide');
  });
  await view(WIDE, 'light', async (page, shot) => {
    await page.goto(`http://localhost:${PORT}/book`);
    await page.getByText(/projections ready$/).waitFor();
    await shot('book-wide-day');
    await page.goto(`http://localhost:${PORT}/record`);
    await page.getByRole('radio', { name: '30 days' }).click();
    await page.getByRole('img', { name: /^Deviation index over time/ }).waitFor();
    await shot('record-wide-day');
    await page.goto(`http://localhost:${PORT}/orders`);
    await page
      .getByText(/Bring:/)
      .first()
      .waitFor();
    await page.goto(`http://localhost:${PORT}/order?id=demo-thoracic`);
    await page.getByText(/points of work$/).waitFor();
    await shot('order-wide-day');
    await page.goto(`http://localhost:${PORT}/rehearse?p=chest-pa&age=34&sex=female&error=roll:4,along:35`);
    await page.getByText(/ fail$/).waitFor();
    await rested(page);
    await shot('rehearse-wide-day');
  });
} finally {
  await browser.close();
  server.kill('SIGTERM');
  rmSync(data, { recursive: true, force: true });
}
