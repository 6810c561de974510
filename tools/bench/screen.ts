/** The app in a browser: what it loads, and how soon it shows what was asked. */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { chromium, type Page } from '@playwright/test';
import type { DemoServer } from '../../e2e/demoServer';
import { signIn } from '../../e2e/signIn';
import { put, quantile } from './figures';

/** JavaScript that the first page asks for, gzipped: the app and its compute worker. */
export function benchSize(): void {
  const folder = path.resolve('apps/web/dist/_expo/static/js/web');
  const sizes = readdirSync(folder)
    // The rest is loaded on demand: charts, files of pictures, exercises.
    .filter((file) => /^(entry|compute)-.*\.js$/.test(file))
    .map((file) => ({
      file: file.replace(/-[0-9a-f]{32}/, ''),
      kb: gzipSync(readFileSync(path.join(folder, file)), { level: 6 }).length / 1024,
    }));
  put(
    'JavaScript at first load, gzipped',
    sizes.reduce((total, { kb }) => total + kb, 0),
    'KB',
    900,
    sizes.map(({ file, kb }) => `${file} ${Math.round(kb)} KB`).join(', '),
  );
}

/** Milliseconds from an action until the page shows what was waited for, measured in the page. */
async function until(page: Page, act: () => Promise<unknown>, shown: string): Promise<number> {
  await page.evaluate((selector) => {
    const holder = window as unknown as { shownAt: Promise<number>; actedAt: number };
    holder.actedAt = 0;
    const note = () => (holder.actedAt ||= performance.now());
    for (const kind of ['pointerdown', 'keydown', 'input'])
      window.addEventListener(kind, note, { capture: true, once: true });
    const before = document.querySelector(selector)?.getAttribute('aria-label');
    holder.shownAt = new Promise((resolve) => {
      const look = () => {
        const now = document.querySelector(selector);
        if (holder.actedAt && now && now.getAttribute('aria-label') !== before)
          resolve(performance.now() - holder.actedAt);
        else requestAnimationFrame(look);
      };
      look();
    });
  }, shown);
  await act();
  return page.evaluate(() => (window as unknown as { shownAt: Promise<number> }).shownAt);
}

export const launch = () =>
  chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });

export async function benchScreen(server: DemoServer): Promise<void> {
  const browser = await launch();
  const opened: number[] = [];
  const changed: number[] = [];
  for (const exam of [
    'Sacrum and coccyx, HK',
    'Sinuses, EN',
    'Pelvis, mobile, WB',
    'Leg, AP, right, MO',
    'Chest, 2 views, GT',
  ]) {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
    await signIn(context, server.url, 'technologist');
    const page = await context.newPage();
    // The transpiler names functions through a helper that the page does not have.
    await page.addInitScript('globalThis.__name = (f) => f');
    await page.goto(`${server.url}/orders`);
    await page
      .getByText(/Bring:/)
      .first()
      .waitFor();
    // Only the rows near the screen are drawn: the order is brought to the top by its initials.
    const start = page.getByRole('button', { name: `Start ${exam}` });
    await page.getByRole('button', { name: /^Filter/ }).click();
    await page.getByLabel('Ward, exam or initials').fill(exam.split(', ').at(-1)!);
    await start.waitFor();
    await page
      .getByText(/Bring:/)
      .first()
      .waitFor();
    opened.push(await until(page, () => start.click(), '[role="img"][aria-label^="From the side"]'));
    await page.getByRole('button', { name: /^Patient:/ }).click();
    for (let i = 0; i < 4; i += 1)
      changed.push(
        await until(
          page,
          () => page.getByLabel('Weight in kg').fill(i % 2 ? '62' : '100'),
          'button[aria-label^="Technique:"]',
        ),
      );
    await page.close();
  }
  await browser.close();
  put('order tapped to set-up on the screen, median', quantile(opened, 0.5), 'ms', 300);
  put('order tapped to set-up on the screen, slowest', Math.max(...opened), 'ms', 300);
  put('change in the patient sheet to numbers on the screen, median', quantile(changed, 0.5), 'ms', 100);
  put('change in the patient sheet to numbers on the screen, slowest', Math.max(...changed), 'ms', 100);
}
