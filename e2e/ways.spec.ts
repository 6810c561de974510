import { answerBefore, expect, ONCE, readout, startSacrum, test } from './fixtures';

test('another way is found in one tap, compared, used, goes into the plan, and is exposed as such', async ({
  page,
}) => {
  await startSacrum(page);
  await answerBefore(page);
  await page.getByRole('link', { name: 'Other ways to Sacrum, AP axial' }).click();
  await expect(page.getByText(/ways, the least cost first/)).toBeVisible();
  const prone = page.getByRole('article', { name: /Prone/ });
  await prone.getByRole('checkbox', { name: /Take into the comparison/ }).click();
  await page
    .getByRole('article')
    .first()
    .getByRole('checkbox', { name: /Take into the comparison/ })
    .click();
  await expect(page.getByText('◆ Tube differs')).toBeVisible();
  await prone.getByRole('button', { name: /Use way/ }).click();
  await expect(page.getByRole('heading', { name: 'Sacrum, AP axial, taken PA' })).toBeVisible();
  await expect(readout(page, 'Tube')).toContainText('20°');
  await expect(readout(page, 'Tube')).toContainText('caudad');
  // The plan on the server has it, and a reload too.
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Sacrum, AP axial, taken PA' })).toBeVisible();
  await page.getByRole('button', { name: 'Expose', exact: true }).click();
  await expect(page.getByText(/Exposed and kept · number \d+ \(EI/)).toBeVisible();
  const order = await (await page.request.get('/api/orders/demo-sacrum-coccyx')).json();
  expect(order.projections[0]).toMatchObject({
    projectionId: 'sacrum-ap-axial',
    way: expect.stringMatching(/^prone~/),
  });
  const [kept] = await (await page.request.get('/api/exposures')).json();
  expect(kept.name).toBe('Sacrum, AP axial, taken PA');
});

test('ways follow the situation while it is touched, by keyboard too, and W opens them', ONCE, async ({ page }) => {
  await page.goto('/setup?p=chest-pa&age=72&room=mobile-1');
  await expect(readout(page, 'SID')).toBeVisible();
  await page.keyboard.press('w');
  await expect(page.getByRole('heading', { name: 'Other ways' })).toBeVisible();
  await page.getByRole('checkbox', { name: 'Ward, semi-erect' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('article').first()).toContainText('Semi-erect, back rest at 45°');
  await expect(page.getByRole('article').first()).toContainText(/Heart magnified \d+ % more/);
  // On a phone the whole of the situation is folded away.
  const fold = page.getByRole('button', { name: 'Everything about the situation' });
  if (await fold.isVisible()) await fold.click();
  await page.getByRole('checkbox', { name: 'fluid level' }).click();
  await expect(page.getByRole('article').first()).toContainText('horizontal beam: air-fluid levels and free air show');
  // Back from a set-up finds what was touched last, however quick the hand.
  await page.getByRole('button', { name: /^Use way 1/ }).click();
  await expect(page.getByRole('heading', { name: 'Chest, PA, taken AP' })).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('checkbox', { name: 'Ward, semi-erect' })).toBeChecked();
  await expect(page).toHaveURL(/sus-fluid_level/);
});
