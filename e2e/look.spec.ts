import { answerBefore, expect, ONCE, readout, startSacrum, test } from './fixtures';

test('the keys of the set-up screen', ONCE, async ({ page }) => {
  await startSacrum(page);
  await answerBefore(page);
  await page.keyboard.press('u');
  await expect(readout(page, 'SID')).toHaveAccessibleName(/101.5 cm, vertical beam\. 40 in/);
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

test('Back closes a sheet, keeps what was set in it, and then leaves the screen', ONCE, async ({ page }) => {
  await page.goto('/find');
  await page.goto('/setup?p=knee-ap&side=left&room=room-1');
  await page.getByRole('button', { name: /^Patient:/ }).click();
  await expect(page.getByRole('heading', { name: 'Patient and situation' })).toBeFocused();
  await page.getByLabel('Height in cm').fill('181');
  await expect(page).toHaveURL(/h=181/);
  await page.evaluate(() => history.back());
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^Patient:.*181 cm/ })).toBeVisible();
  await expect(page).toHaveURL(/h=181/);
  await page.evaluate(() => history.back());
  await expect(page).toHaveURL(/find/);
});
