import path from 'node:path';
import { test as base, expect, type BrowserContext, type Page } from '@playwright/test';
import type { BrowserHost } from '../apps/server/src/testing/browserHost';
import { discard, freshFolder } from './demoFolder';
import { DemoServer } from './demoServer';
import { DEMO, signIn, signInHere } from './signIn';

/** What does not depend on the size of the screen is tested at one size. */
export const ONCE = { tag: '@once' };

/** Who is signed in when the test begins; null for nobody. */
type Options = { as: keyof typeof DEMO | null };
type Watched = { errors: string[] };

/** A refused or missing answer is told by the browser, too; what the app makes of it is what a test looks at. */
const SAID_BY_THE_BROWSER = /^Failed to load resource/;

/** Every test fails on any error that its page reports or writes to its console. */
const watched = base.extend<Options & Watched>({
  as: ['lead', { option: true }],
  errors: [
    async ({ page }, provide) => {
      const errors: string[] = [];
      page.on('pageerror', (error) => errors.push(error.message));
      page.on('console', (said) => {
        if (said.type() === 'error' && !SAID_BY_THE_BROWSER.test(said.text())) errors.push(said.text());
      });
      await provide(errors);
      expect(errors).toEqual([]);
    },
    { auto: true },
  ],
});

/** For what stops its server or keeps the app on the device: a server and a browser of its own. */
export const alone = watched.extend<{ server: DemoServer }>({
  // eslint-disable-next-line no-empty-pattern
  server: async ({}, provide) => {
    const server = await DemoServer.start();
    await provide(server);
    await server.remove();
  },
  baseURL: async ({ server }, provide) => provide(server.url),
  context: async ({ context, server, as }, provide) => {
    if (as) await signIn(context, server.url, as);
    await provide(context);
  },
});

const built = (...parts: string[]) => path.join(process.cwd(), 'apps', ...parts);

/** Tests of a worker share a browser that keeps the app it has read, and an address; data and device are fresh for each. */
export const test = watched.extend<object, { host: BrowserHost; device: BrowserContext }>({
  host: [
    // eslint-disable-next-line no-empty-pattern
    async ({}, provide) => {
      const { openBrowserHost } = (await import(built('server/dist/testing/browserHost.mjs'))) as {
        openBrowserHost: (webFolder: string, migrations: string) => Promise<BrowserHost>;
      };
      const host = await openBrowserHost(built('web/dist'), built('server/dist/migrations'));
      await provide(host);
      await host.close();
    },
    { scope: 'worker' },
  ],
  device: [
    async ({ playwright, launchOptions }, provide, { project }) => {
      const { viewport, colorScheme, contextOptions } = project.use;
      const device = await playwright.chromium.launchPersistentContext('', {
        ...launchOptions,
        ...contextOptions,
        viewport,
        colorScheme,
        serviceWorkers: 'block',
      });
      await provide(device);
      await device.close();
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ host }, provide) => {
    const folder = freshFolder();
    await host.serve(folder);
    await provide(host.url);
    discard(folder);
  },
  context: async ({ device, baseURL, as }, provide) => {
    await emptyDevice(device, baseURL!);
    if (as) await signInHere(device, baseURL!, as);
    await provide(device);
    for (const page of device.pages().slice(1)) await page.close();
  },
});

/** Nothing of the test before is left on the device but the app itself. */
async function emptyDevice(device: BrowserContext, origin: string): Promise<void> {
  await device.clearCookies();
  const [first] = device.pages();
  const session = await device.newCDPSession(first);
  await session.send('Storage.clearDataForOrigin', { origin, storageTypes: 'local_storage,indexeddb,cache_storage' });
  await session.detach();
}

export { expect };

export const readout = (page: Page, name: string) => page.getByRole('button', { name: new RegExp(`^${name}:`) });

/** Starts the demo's sacrum and coccyx. */
export async function startSacrum(page: Page): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: 'Start Sacrum and coccyx, HK' }).click();
  await expect(page.getByRole('heading', { name: 'Sacrum, AP axial' })).toBeVisible();
}

/** Answers everything that is asked before the patient, as for someone whom nothing stops. */
export async function answerBefore(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Before the patient' }).click();
  await expect(page.getByRole('heading', { name: 'Ask' })).toBeVisible();
  for (const group of await page.getByRole('radiogroup').all()) {
    const asked = (await group.getAttribute('aria-label')) ?? '';
    const answer = /agree|in place|as the department asks/.test(asked) ? 'yes' : 'no';
    await group.getByRole('radio', { name: answer }).click();
  }
  await expect(page.getByText('All answered; nothing stops the exam')).toBeVisible();
  await page.getByRole('button', { name: /^(To the first|Back to the) projection$/ }).click();
  await expect(readout(page, 'Receptor')).toBeVisible();
}
