import { answerBefore, expect, ONCE, readout, startSacrum, test } from './fixtures';

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
