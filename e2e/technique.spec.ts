import { expect, ONCE, readout, test } from './fixtures';

test(
  'a room is calibrated and given a chart, a faulty one by no line of it; set-ups start from it, and so they do after a reload',
  ONCE,
  async ({ page }) => {
    await page.goto('/room?id=room-2');
    for (const [kVp, kerma] of [
      ['60', '390'],
      ['80', '720'],
      ['110', '1400'],
    ]) {
      await page.getByLabel('kVp', { exact: true }).fill(kVp);
      await page.getByLabel('mAs', { exact: true }).fill('10');
      await page.getByLabel('Kerma free in air, µGy').fill(kerma);
      await page.getByRole('button', { name: 'Add the point' }).click();
    }
    await expect(page.getByText(/with kVp to the power 2\.1\d; the points lie/)).toBeVisible();
    await page.reload();
    await page.getByRole('button', { name: 'Keep 3 changes' }).click();
    await expect(page.getByRole('button', { name: /^Keep/ })).toHaveCount(0);
    const takeChart = (row: string) =>
      page.getByLabel('Take a technique chart from a table (CSV), in place of this one: file').setInputFiles({
        name: 'chart.csv',
        mimeType: 'text/csv',
        buffer: Buffer.from(`projection,kvp,mas,sid_cm,thickness_cm,grid_ratio\n${row}\n`),
      });
    await takeChart('pelvis-ap,760,28,102,21,8');
    await expect(page.getByText(/▲ line 2, kvp: kVp of a chart must be 45 to 140 kV/)).toBeVisible();
    await expect(page.getByText('▲ Nothing was changed.')).toBeVisible();
    await expect(page.getByText(/^No row yet/)).toBeVisible();
    await takeChart('pelvis-ap,76,28,102,21,8');
    await expect(page.getByText('✓ 1 rows taken from chart.csv')).toBeVisible();
    await page.goto('/setup?p=pelvis-ap&room=room-2');
    await readout(page, 'Technique').click();
    await expect(page.getByText(/^Starts with 28.0 mAs from this room’s chart: 76 kVp/)).toBeVisible();
    await expect(page.getByText(/Estimate, ±17 %/)).toBeVisible();
  },
);
