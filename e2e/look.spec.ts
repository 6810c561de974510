import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { answerBefore, expect, ONCE, readout, startSacrum, test } from './fixtures';

const violations = async (page: Page) =>
  (await new AxeBuilder({ page }).analyze()).violations.map(
    ({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`,
  );

for (const scheme of ['dark', 'light'] as const) {
  test(`axe finds nothing in the ${scheme === 'dark' ? 'dim' : 'day'} theme`, async ({ page }) => {
    // A dozen views, each examined whole: colours by theme, the rest by size, so each theme at one of the sizes.
    const wide = page.viewportSize()!.width > 800;
    test.skip(wide === (scheme === 'dark'), 'examined at the other size');
    test.setTimeout(240_000);
    await page.emulateMedia({ colorScheme: scheme });
    await page.goto('/orders');
    await expect(page.getByText(/Bring:/).first()).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.goto('/ways?p=chest-pa&s=nostand,nosit,turn-none');
    await expect(page.getByText(/ways?, the least cost first/)).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.goto('/order?id=demo-thoracic');
    await expect(page.getByText(/points of work$/)).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.goto('/orders');
    await page.getByRole('button', { name: 'Start Pelvis, mobile, WB' }).click();
    await expect(readout(page, 'Receptor')).toBeVisible();
    expect(await violations(page)).toEqual([]);
    for (const [opens, shows] of [
      ['Words for the breath', 'Start the timer'],
      ['One step at a time', /Tap anywhere/],
      ['Exam in hand', 'Hand to a colleague'],
    ] as const) {
      await page.getByRole('button', { name: new RegExp(`^${opens}`) }).click();
      await expect(page.getByText(shows).first()).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.getByRole('button', { name: /^(Close|Back to the list)$/ }).click();
    }
    await page.getByRole('button', { name: 'Before the patient' }).click();
    await expect(page.getByText(/^Off, for the/).first()).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.goBack();
    await page.getByRole('button', { name: /^Patient:/ }).click();
    await page.getByLabel('Height in cm').fill('20');
    expect(await violations(page)).toEqual([]);
    await page.getByRole('button', { name: 'Close' }).click();
    await page.getByRole('button', { name: /room and rules$/ }).click();
    await expect(page.getByText('House rules')).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.getByRole('button', { name: 'Close' }).click();
    await page.goto('/find');
    await expect(page.getByRole('link', { name: /^Chest, PA/ }).first()).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.goto('/projection?p=foot-ap&side=right&age=40&h=175&w=75');
    await expect(page.getByText(/^Look for: a /)).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.getByRole('button', { name: 'Copy and change' }).click();
    await expect(page.getByLabel('Criteria, one a line')).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.goto('/compare?a=knee-ap&b=knee-lateral&side=right');
    await expect(page.getByText('◆ Tube differs')).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.goto('/book');
    await expect(page.getByText(/projections ready$/)).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.goto('/record');
    await expect(page.getByText('Nothing exposed today')).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.getByRole('radio', { name: '30 days' }).click();
    await expect(page.getByRole('img', { name: /^Deviation index over time/ })).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.goto('/room?id=room-1');
    await expect(page.getByText(/^81.6 µGy per mAs/)).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.goto('/setup?p=pelvis-ap&room=room-1&glev=2');
    await readout(page, 'Technique').click();
    await expect(page.getByRole('img', { name: /^mAs by thickness/ })).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.getByRole('button', { name: 'Close' }).click();
    await readout(page, 'Receptor').click();
    await expect(page.getByRole('table', { name: 'What the grid takes' })).toBeVisible();
    expect(await violations(page)).toEqual([]);
  });
}

test('everything that is pressed is at least 48 px, and nothing runs off the side', async ({ page }) => {
  for (const address of [
    '/orders',
    '/order?id=demo-thoracic',
    '/aftercare?of=colon-ap',
    '/find',
    '/projection?p=shoulder-scapular-y&side=left',
    '/compare?a=knee-ap&b=knee-lateral&side=right',
    '/book',
    '/record',
    '/room?id=room-1',
    '/setup?p=leg-ap&side=right&age=24&h=198&w=92&room=room-1&s=nostand,fracture',
    '/record',
  ]) {
    await page.goto(address);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await page.waitForTimeout(500);
    const small = await page.evaluate(() =>
      [...document.querySelectorAll('button, a, [role=button], [role=link], [role=checkbox], [role=radio], input')]
        .map((element) => ({
          box: element.getBoundingClientRect(),
          text: element.getAttribute('aria-label') ?? element.textContent,
        }))
        .filter(({ box }) => box.width > 0 && (box.width < 47.5 || box.height < 47.5))
        .map(({ box, text }) => `${text}: ${Math.round(box.width)} × ${Math.round(box.height)}`),
    );
    expect(small).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
  }
});

test('the keys of the set-up screen', async ({ page }) => {
  await startSacrum(page);
  await answerBefore(page);
  await page.keyboard.press('u');
  await expect(readout(page, 'SID')).toHaveAccessibleName(/101.5 cm, from above\. 40 in/);
  await page.keyboard.press('u');
  await page.keyboard.press(' ');
  await expect(page.getByRole('list', { name: 'Steps' }).getByRole('checkbox').first()).toBeChecked();
  await page.keyboard.press('2');
  await expect(page.getByLabel('SID I can reach in in')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByLabel('SID I can reach in in')).toBeHidden();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('heading', { name: 'Coccyx, AP axial' })).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('heading', { name: 'Sacrum, AP axial' })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByText('tick the next step')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText('tick the next step')).toBeHidden();
  await page.keyboard.press('p');
  await page.getByLabel('Weight in kg').fill('80');
  await page.keyboard.press('Escape');
  await expect(page.getByLabel('Weight in kg')).toBeHidden();
  await page.keyboard.press('e');
  await expect(page.getByText('✓ Exposed and kept')).toBeVisible();
  await page.keyboard.press('f');
  await expect(page.getByLabel('Find a projection')).toBeVisible();
});

test('a house rule that is changed changes the set-up', ONCE, async ({ page }) => {
  await page.goto('/setup?p=knee-lateral&side=left&age=40&h=170&w=70&room=room-1');
  await expect(readout(page, 'Tube')).toHaveAccessibleName(/5° , to the head/);
  await page.getByRole('button', { name: /room and rules$/ }).click();
  await page.getByRole('radio', { name: '7° to the head' }).click();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(readout(page, 'Tube')).toHaveAccessibleName(/7° , to the head/);
});

test('the unit and the theme that were picked stay', ONCE, async ({ page }) => {
  await page.goto('/orders');
  await page.getByRole('button', { name: /room and rules$/ }).click();
  await page.getByRole('radio', { name: 'centimetres' }).click();
  await page.getByRole('radio', { name: 'day' }).click();
  await page.getByRole('button', { name: 'Close' }).click();
  await page.reload();
  await expect(page.getByRole('button', { name: /lengths in centimetres/ })).toBeVisible();
  const ground = await page
    .getByRole('main')
    .evaluate((element) => getComputedStyle(element.parentElement as Element).backgroundColor);
  expect(ground).toBe('rgb(247, 243, 234)');
});
