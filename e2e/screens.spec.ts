/**
 * Every screen at both sizes: nothing that a screen reader or a low contrast would lose, nothing too small for a finger,
 * nothing that runs off the side. Colours go by theme and the rest by size, so one theme at each size.
 */
import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { answerBefore, expect, readout, test } from './fixtures';

const PRESSED = 'button, a, [role=button], [role=link], [role=checkbox], [role=radio], input';
/** 48 px, less what half a pixel of rounding takes. */
const LEAST_PX = 47.5;

/** What is pressed and is smaller than a finger wants. */
const tooSmall = (page: Page): Promise<string[]> =>
  page.evaluate(
    ([pressed, least]) =>
      [...document.querySelectorAll(pressed)]
        .map((element) => ({
          box: element.getBoundingClientRect(),
          text: element.getAttribute('aria-label') ?? element.textContent,
        }))
        .filter(({ box }) => box.width > 0 && (box.width < least || box.height < least))
        .map(({ box, text }) => `${text}: ${Math.round(box.width)} × ${Math.round(box.height)}`),
    [PRESSED, LEAST_PX] as const,
  );

/** Examines the whole of what is shown; there are no frames, so no second page is needed to put results together. */
async function examine(page: Page): Promise<void> {
  const { violations, passes } = await new AxeBuilder({ page })
    .options({ resultTypes: ['violations'] })
    .setLegacyMode(true)
    .analyze();
  expect(
    violations.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`),
  ).toEqual([]);
  expect(passes.length).toBeGreaterThan(10);
  expect(await page.locator(PRESSED).count()).toBeGreaterThan(3);
  expect(await tooSmall(page)).toEqual([]);
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
}

test.beforeEach(async ({ page }) => {
  await page.emulateMedia({ colorScheme: page.viewportSize()!.width > 800 ? 'light' : 'dark' });
});

test('every screen: orders, ways and plan', async ({ page }) => {
  await page.goto('/orders');
  await expect(page.getByText(/Bring:/).first()).toBeVisible();
  await examine(page);
  await page.goto('/ways?p=chest-pa&s=nostand,nosit,turn-none');
  await expect(page.getByText(/ways?, the least cost first/)).toBeVisible();
  await examine(page);
  await page.goto('/order?id=demo-thoracic');
  await expect(page.getByText(/points of work$/)).toBeVisible();
  await examine(page);
  await page.goto('/aftercare?of=colon-ap');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await examine(page);
});

test('every screen: the exam in hand and its sheets', async ({ page }) => {
  await page.goto('/orders');
  await page.getByRole('button', { name: 'Start Pelvis, mobile, WB' }).click();
  await expect(readout(page, 'Receptor')).toBeVisible();
  await examine(page);
  for (const [opens, shows] of [
    ['Words for the breath', 'Start the timer'],
    ['One step at a time', /Tap anywhere/],
    ['Exam in hand', 'Hand to a colleague'],
    ['Say what you see', 'Change the set-up'],
  ] as const) {
    await page.getByRole('button', { name: new RegExp(`^${opens}`) }).click();
    await expect(page.getByText(shows).first()).toBeVisible();
    await examine(page);
    await page.getByRole('button', { name: /^(Close|Back to the list)$/ }).click();
  }
  await page.getByRole('button', { name: 'Before the patient' }).click();
  await expect(page.getByText(/^Off, for the/).first()).toBeVisible();
  await examine(page);
  await page.goBack();
  await page.getByRole('button', { name: /^Patient:/ }).click();
  await page.getByLabel('Height in cm').fill('20');
  await examine(page);
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: /room and rules$/ }).click();
  await expect(page.getByText('House rules')).toBeVisible();
  await examine(page);
});

test('every screen: the picture that was exposed, its repeat, its note, its measures', async ({ page }) => {
  await page.goto('/record');
  await page.getByRole('radio', { name: '30 days' }).click();
  await page
    .getByRole('link', { name: /Knee, AP/ })
    .first()
    .click();
  await page.getByRole('link', { name: /^Measure on the picture/ }).click();
  const points = page.getByTestId('points');
  await points.evaluate((layer) => layer.scrollIntoView({ block: 'center' }));
  const box = (await points.boundingBox())!;
  for (const share of [0.3, 0.7]) await page.mouse.click(box.x + box.width * share, box.y + box.height * 0.5);
  await expect(page.getByText(/± .* mm$/)).toBeVisible();
  await examine(page);
  await page.goto('/orders');
  await page.getByRole('button', { name: 'Start Sacrum and coccyx, HK' }).click();
  await answerBefore(page);
  await page.getByRole('button', { name: 'Expose', exact: true }).click();
  for (const [opens, shows] of [
    ['Note for the reader', 'Keep the note'],
    ['Repeat this picture', 'What was measured on the picture'],
  ] as const) {
    await page.getByRole('button', { name: opens }).click();
    await expect(page.getByText(shows)).toBeVisible();
    await examine(page);
    await page.getByRole('button', { name: 'Close' }).click();
  }
});

test('every screen: projections and their book', async ({ page }) => {
  await page.goto('/find');
  await expect(page.getByRole('link', { name: /^Chest, PA/ }).first()).toBeVisible();
  await examine(page);
  await page.goto('/projection?p=foot-ap&side=right&age=40&h=175&w=75');
  await expect(page.getByText(/^Look for: a /)).toBeVisible();
  await examine(page);
  await page.getByRole('button', { name: 'Copy and change' }).click();
  await expect(page.getByLabel('Criteria, one a line')).toBeVisible();
  await examine(page);
  await page.goto('/compare?a=knee-ap&b=knee-lateral&side=right');
  await expect(page.getByText('◆ Tube differs')).toBeVisible();
  await examine(page);
  await page.goto('/glossary?q=RAO');
  await page.getByRole('button', { name: /^Show right anterior oblique/ }).click();
  await expect(page.getByText('Sternum, PA oblique (RAO)')).toBeVisible();
  await examine(page);
  await page.goto('/setup?p=knee-ap&side=left');
  await page.getByRole('button', { name: 'Terms on this page' }).click();
  await expect(page.getByRole('dialog', { name: 'Terms' }).getByText('apex of the patella')).toBeVisible();
  await examine(page);
  await page.goto('/book');
  await expect(page.getByText(/projections ready$/)).toBeVisible();
  await examine(page);
});

test('every screen: record, room and technique', async ({ page }) => {
  await page.goto('/record');
  await expect(page.getByText('Nothing exposed today')).toBeVisible();
  await examine(page);
  await page.getByRole('radio', { name: '30 days' }).click();
  await expect(page.getByRole('img', { name: /^Deviation index over time/ })).toBeVisible();
  await examine(page);
  await page.goto('/room?id=room-1');
  await expect(page.getByText(/^81.6 µGy per mAs/)).toBeVisible();
  await examine(page);
  // Long words and a tall patient: the longest lines that a set-up has.
  await page.goto('/setup?p=leg-ap&side=right&age=24&h=198&w=92&room=room-1&s=nostand,fracture');
  await expect(readout(page, 'Receptor')).toBeVisible();
  await examine(page);
  await page.goto('/setup?p=pelvis-ap&room=room-1&glev=2');
  await readout(page, 'Technique').click();
  await expect(page.getByRole('img', { name: /^mAs by thickness/ })).toBeVisible();
  await examine(page);
  await page.getByRole('button', { name: 'Close' }).click();
  await readout(page, 'Receptor').click();
  await expect(page.getByRole('table', { name: 'What the grid takes' })).toBeVisible();
  await examine(page);
});

test('every screen: rehearse, exercises and competence', async ({ page }) => {
  for (const [path, shows] of [
    ['/rehearse', page.getByRole('button', { name: /^Go on: / })],
    ['/rehearse?p=chest-pa', page.getByText(/✓ All \d+ pass/)],
    ['/rehearse?x=set-7', page.getByRole('button', { name: 'Check' })],
    ['/rehearse?x=spot-1', page.getByRole('img', { name: /^Simulated picture/ })],
    ['/competence', page.getByRole('heading', { level: 1 })],
  ] as const) {
    await page.goto(path);
    await expect(shows.first()).toBeVisible();
    await examine(page);
  }
});
