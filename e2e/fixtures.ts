import { test as base, expect, type Page } from '@playwright/test';
import { DemoServer } from './demoServer';
import { DEMO, signIn } from './signIn';

/** What does not depend on the size of the screen is tested at one size. */
export const ONCE = { tag: '@once' };

/** Each test has a server with fresh demo data, and fails on any error that the page reports. */
export const test = base.extend<{ server: DemoServer; errors: string[]; as: keyof typeof DEMO | null }>({
  // Who is signed in when the test begins; null for nobody.
  as: ['lead', { option: true }],
  context: async ({ context, server, as }, provide) => {
    if (as) await signIn(context, server.url, as);
    await provide(context);
  },
  // eslint-disable-next-line no-empty-pattern
  server: async ({}, provide) => {
    const server = await DemoServer.start();
    await provide(server);
    await server.remove();
  },
  baseURL: async ({ server }, provide) => provide(server.url),
  errors: [
    async ({ page }, provide) => {
      const errors: string[] = [];
      page.on('pageerror', (error) => errors.push(error.message));
      await provide(errors);
      expect(errors).toEqual([]);
    },
    { auto: true },
  ],
});

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
