import { expect, ONCE, readout, test } from './fixtures';

test('search forgives, answers in the row, and opens the set-up; back returns', async ({ page }) => {
  await page.goto('/find');
  const field = page.getByLabel('Find a projection');
  await expect(field).toBeFocused();
  await expect(page.getByText(/\d+ projections in \d+ regions/)).toBeVisible();
  await page.getByRole('radio', { name: /^leg and knee \d/ }).click();
  await expect(page.getByRole('link', { name: /^Chest, PA/ }).first()).toBeHidden();
  await expect(page.getByRole('link', { name: /^Knee, AP[.,]/ }).first()).toBeVisible();
  await field.fill('watres');
  const row = page.getByRole('link', { name: /^Sinuses, parietoacanthial[.]/ });
  await expect(row).toBeVisible();
  await expect(row).toContainText('40 in');
  await row.click();
  await expect(page.getByRole('heading', { name: 'Sinuses, parietoacanthial' })).toBeVisible();
  await expect(readout(page, 'Tube')).toHaveAccessibleName(/horizontal/);
  await page.goBack();
  await expect(field).toBeVisible();
});

test('nothing found, and a text of ten thousand characters, are answered', ONCE, async ({ page }) => {
  await page.goto('/find');
  const field = page.getByLabel('Find a projection');
  await field.fill('qqqqzzz');
  await expect(page.getByText(/Nothing for “qqqqzzz”/)).toBeVisible();
  await field.fill('x'.repeat(10_000));
  await expect(page.getByText(/first 200 characters/)).toBeVisible();
});

test('an address holds the whole question: it opens the same anywhere', ONCE, async ({ page }) => {
  await page.goto('/setup?p=knee-ap&side=left&age=45&sex=female&h=166&w=96&room=room-1&sid=1100&angle=-3');
  await expect(page.getByRole('heading', { name: 'Knee, AP, left' })).toBeVisible();
  await expect(readout(page, 'Tube')).toHaveAccessibleName(/3° , caudad.*Set by hand/);
  await expect(readout(page, 'SID')).toHaveAccessibleName(/43½ in/);
});

test.describe('bad addresses and bad input', () => {
  test('an unknown projection, a missing side, an unknown page, an unknown exposure', ONCE, async ({ page }) => {
    await page.goto('/setup?p=elbow-sideways');
    await expect(page.getByText(/There is no projection "elbow-sideways"/)).toBeVisible();
    await page.goto('/setup?p=leg-ap&age=30');
    await page.getByRole('button', { name: 'Left side' }).click();
    await expect(page.getByRole('heading', { name: 'Leg, AP, left' })).toBeVisible();
    await page.goto('/nowhere');
    await expect(page.getByText('There is no such page')).toBeVisible();
    await page.goto('/record/none');
    await expect(page.getByText('This exposure cannot be read')).toBeVisible();
  });

  test('what is typed wrong stays, is explained, and the last good numbers stand', ONCE, async ({ page }) => {
    await page.goto('/setup?p=chest-pa&age=40&h=175&w=75&room=room-1');
    const before = await readout(page, 'Field').getAttribute('aria-label');
    await page.getByRole('button', { name: /^Patient:/ }).click();
    for (const [label, value, message] of [
      ['Height in cm', '20', /Height must be 42 to 220 cm/],
      ['Weight in kg', '900', /Weight must be 1.5 to 250 kg/],
      ['Age in y', '200', /Age must be 0 to 110 y/],
    ] as const) {
      await page.getByLabel(label).fill(value);
      await expect(page.getByText(message)).toBeVisible();
      await expect(page.getByLabel(label)).toHaveValue(value);
    }
    await page.getByRole('button', { name: 'Close' }).click();
    await expect(readout(page, 'Field')).toHaveAccessibleName(before!);
    await readout(page, 'SID').click();
    await page.getByLabel('SID I can reach in in').fill('-5');
    await expect(page.getByText(/SID I can reach must be/)).toBeVisible();
  });

  test('values that are in range alone but not together are refused with the range', ONCE, async ({ page }) => {
    await page.goto('/setup?p=chest-pa&age=4&h=200&room=room-1');
    await expect(page.getByText(/outside the model: \d+ to \d+ cm/)).toBeVisible();
    await page.getByRole('button', { name: 'Change patient' }).click();
    await page.getByLabel('Height in cm').fill('104');
    await page.getByRole('button', { name: 'Close' }).click();
    await expect(page.getByRole('heading', { name: 'Chest, PA' })).toBeVisible();
  });
});
