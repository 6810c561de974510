/** Rehearse in the browser: the picture follows the hand, faults are put right, exercises are scored and signed. */
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { answerBefore, expect, ONCE, startSacrum, test } from './fixtures';

/** Mean grey of the picture that is shown: 0 while there is none. */
const mean = (page: Page, name: RegExp) =>
  page.getByRole('img', { name }).evaluate((canvas) => {
    const { width, height } = canvas as HTMLCanvasElement;
    const { data } = (canvas as HTMLCanvasElement).getContext('2d')!.getImageData(0, 0, width, height);
    let sum = 0;
    for (let i = 0; i < data.length; i += 4) sum += data[i];
    return (4 * sum) / data.length;
  });
const KNEE = /Simulated picture of Knee, lateral/;

test('a rolled knee: its condyles fail, the correction is told and done, and the address keeps the rest', async ({
  page,
}) => {
  await page.goto('/rehearse?p=knee-lateral&side=left&error=roll:6');
  await expect(page.getByRole('img', { name: KNEE })).toBeVisible();
  // The picture is there before its first pixels are.
  await expect.poll(() => mean(page, KNEE)).toBeGreaterThan(5);
  await expect(page.getByText('▲ 1 of 10 fail')).toBeVisible();
  const correct = page.getByRole('button', { name: /^Do it: Rotate the part 6°: posterior side toward the receptor/ });
  await correct.click();
  await expect(page.getByText(/✓ All \d+ pass/)).toBeVisible();
  await expect(page).not.toHaveURL(/error=/);
});

test('dragging the picture moves the part under the light, and what is clipped is said', ONCE, async ({ page }) => {
  await page.goto('/rehearse?p=chest-pa');
  const picture = page.getByRole('img', { name: /Simulated picture of Chest, PA/ });
  await expect(picture).toBeVisible();
  await expect(page.getByText(/✓ All \d+ pass/)).toBeVisible();
  const box = (await picture.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x, y - box.height * 0.16, { steps: 8 });
  await page.mouse.up();
  await expect(page.getByText('▲ apices')).toBeVisible();
  await expect(page.getByText(/clipped by/).first()).toBeVisible();
  await expect(page).toHaveURL(/error=along/);
  await page.reload();
  await expect(page.getByText('▲ apices')).toBeVisible();
});

test('the picture goes out as DICOM and PNG and comes in again', ONCE, async ({ page }, info) => {
  await page.goto('/rehearse?p=hand-pa&side=right');
  await expect(page.getByText(/^Simulated index/)).toBeVisible();
  const files = page.getByRole('radio', { name: 'brightness, files' });
  if (await files.isVisible()) await files.click();
  for (const kind of ['DICOM', 'PNG'] as const) {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: `Save the picture as ${kind}` }).click(),
    ]);
    const path = info.outputPath(download.suggestedFilename());
    await download.saveAs(path);
    const bytes = readFileSync(path);
    if (kind === 'DICOM') expect(bytes.subarray(128, 132).toString()).toBe('DICM');
    else expect(bytes.subarray(1, 4).toString()).toBe('PNG');
    await page.locator('input[type=file]').setInputFiles(path);
    await expect(page.getByRole('dialog').getByText(/Comment: SIMULATED, NOT A PATIENT/)).toBeVisible();
    await page.getByRole('button', { name: 'Close' }).click();
  }
  await page.locator('input[type=file]').setInputFiles({
    name: 'x.dcm',
    mimeType: 'application/dicom',
    buffer: Buffer.from('nothing'),
  });
  await expect(page.getByText(/▲ this is no DICOM file/)).toBeVisible();
});

test.describe('a student', () => {
  test.use({ as: 'student' });
  test('answers an exercise, sees the score by item, and the try is kept', ONCE, async ({ page }) => {
    await page.goto('/rehearse?x=view-4');
    await page.getByRole('radio', { name: 'Hand, PA oblique' }).click();
    await page.getByRole('button', { name: 'Check' }).click();
    await expect(page.getByText('✓ 100 %')).toBeVisible();
    await page.getByRole('link', { name: 'All exercises' }).click();
    await page.getByRole('radio', { name: 'Which view is it' }).click();
    await expect(page.getByRole('link', { name: /Which view is it: .*100 %, again in/ }).first()).toBeVisible();
    await page.goto('/rehearse?x=turns-1');
    await page.getByRole('button', { name: 'Check' }).click();
    await expect(page.getByText(/Turns of the patient/)).toBeVisible();
    await expect(page.getByRole('button', { name: 'Next exercise' })).toBeVisible();
    await page.goto('/rehearse?x=set-7');
    await page.getByRole('button', { name: 'Check' }).click();
    await expect(page.getByText(/^▲ \d+ %$/)).toBeInViewport();
    await page.goto('/competence');
    await expect(page.getByText(/Signed by Priya Windlow/)).toBeVisible();
    await expect(page.getByRole('button', { name: /^Sign:/ })).toHaveCount(0);
  });
});

test('after an exposure the console shows its picture, to be judged', ONCE, async ({ page }) => {
  await startSacrum(page);
  await answerBefore(page);
  await page.getByRole('button', { name: 'Expose', exact: true }).click();
  const picture = page.getByRole('img', { name: /Simulated picture of Sacrum, AP axial/ });
  await expect(picture).toBeVisible();
  await page.getByRole('button', { name: 'Measure the picture' }).click();
  await expect(page.getByText('Measured on the picture')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Do it/ })).toHaveCount(0);
});
