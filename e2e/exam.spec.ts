import { readFileSync } from 'node:fs';
import { alone, answerBefore, expect, ONCE, readout, startSacrum, test } from './fixtures';

alone('from the order to the record, and still there after a restart', ONCE, async ({ page, server }) => {
  await startSacrum(page);
  await expect(readout(page, 'Tube')).toHaveAccessibleName(/20° , cephalad/);
  await expect(readout(page, 'SID')).toHaveAccessibleName(/40 in.*101.5 cm/);
  await expect(readout(page, 'Centre')).toHaveAccessibleName(/2 in, superior to the symphysis pubis/);
  await expect(page.getByRole('img', { name: /From the side.*tube 20° cephalad/ })).toBeVisible();

  // The patient changes, and all numbers follow.
  const technique = await readout(page, 'Technique').getAttribute('aria-label');
  const field = await readout(page, 'Field').getAttribute('aria-label');
  await page.getByRole('button', { name: /^Patient:/ }).click();
  await page.getByLabel('Weight in kg').fill('112');
  await page.getByLabel('Height in cm').fill('181');
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(readout(page, 'Technique')).not.toHaveAccessibleName(technique!);
  await expect(readout(page, 'Field')).not.toHaveAccessibleName(field!);
  await expect(page.getByRole('button', { name: /^Patient: 58 y · 181 cm · 112 kg/ })).toBeVisible();

  // So does the SID that can be reached.
  const heavier = await readout(page, 'Technique').getAttribute('aria-label');
  await readout(page, 'SID').click();
  await page.getByLabel('SID I can reach in in').fill('34');
  await expect(page.getByText(/Object [\d½¼¾⅛⅜⅝⅞ ]+ in over the receptor, enlargement \d+ %/)).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(readout(page, 'SID')).toHaveAccessibleName(/34 in.*Set by hand/);
  await expect(readout(page, 'Technique')).not.toHaveAccessibleName(heavier!);
  await readout(page, 'SID').click();
  await page.getByRole('button', { name: 'As computed' }).click();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(readout(page, 'SID')).toHaveAccessibleName(/40 in/);

  // Steps are ticked and survive a reload.
  const steps = page.getByRole('list', { name: 'Steps' }).getByRole('checkbox');
  await steps.nth(0).click();
  await steps.nth(1).click();
  await expect(steps.nth(1)).toBeChecked();
  await page.reload();
  await expect(page.getByRole('list', { name: 'Steps' }).getByRole('checkbox').nth(1)).toBeChecked();

  await answerBefore(page);
  await page.getByRole('button', { name: 'Expose', exact: true }).click();
  await page.getByRole('button', { name: 'Accept' }).click();
  await page.getByRole('button', { name: 'Next projection' }).last().click();
  await expect(page.getByRole('heading', { name: 'Coccyx, AP axial' })).toBeVisible();
  const changes = page.getByRole('region', { name: 'Changes from Sacrum, AP axial' });
  await expect(changes).toContainText('Take the 20° off');
  await expect(changes).toContainText('Tube 10° caudad');
  await expect(changes).toContainText(/Tray, not the table top, .* caudad, back under the CR/);
  await expect(readout(page, 'Tube')).toHaveAccessibleName(/Was 20° cephalad/);

  await page.getByRole('button', { name: 'Expose', exact: true }).click();
  await page.getByRole('button', { name: 'Accept' }).click();
  await page.getByRole('button', { name: 'Finish exam' }).click();
  await page.getByRole('checkbox', { name: 'Patient told what comes next' }).click();
  await page.getByRole('button', { name: 'Finish all the same' }).click();
  await expect(page.getByRole('heading', { name: 'Record' })).toBeVisible();
  const rows = page.getByRole('link', { name: /Sacrum and coccyx, HK, number/ });
  await expect(rows).toHaveCount(2);

  await server.down();
  await server.up();
  await page.reload();
  await expect(rows).toHaveCount(2);
  await page.getByRole('link', { name: /Coccyx, AP axial/ }).click();
  await expect(page.getByText('58 y · 181 cm · 112 kg', { exact: false })).toBeVisible();
  const saved = page.waitForEvent('download');
  await page.getByRole('link', { name: /Body as an open file/ }).click();
  const body = JSON.parse(readFileSync(await (await saved).path(), 'utf8'));
  expect(body).toMatchObject({ format: 'taktik-body', version: 1, patient: { ageYears: 58, statureMm: 1810 } });
  expect(body.landmarks.some(({ id }: { id: string }) => id === 'ASIS_L')).toBe(true);
  await page.goto('/orders');
  await expect(page.getByText('9 open')).toBeVisible();
});

alone.describe('the app kept on the device', () => {
  alone.use({ serviceWorkers: 'allow' });

  alone(
    'without a connection nothing is lost: it is kept, said, and sent when the server is back',
    ONCE,
    async ({ page, server }) => {
      await startSacrum(page);
      await answerBefore(page);
      // The app is on the device once its service worker is ready.
      await page.evaluate(() => navigator.serviceWorker.ready);
      await server.down();
      await page.getByRole('button', { name: 'Expose', exact: true }).click();
      await expect(page.getByText('✓ Exposed and kept')).toBeVisible();
      await expect(page.getByText(/No connection: .* kept on this device/)).toBeVisible();
      await page.reload();
      await expect(page.getByText('✓ Exposed and kept')).toBeVisible();
      await server.up();
      await expect(page.getByText(/No connection/)).toBeHidden();
      await page.goto('/record');
      await expect(page.getByRole('link', { name: /Sacrum, AP axial/ })).toHaveCount(1);
    },
  );
});

test('a set-up that must not be done is not exposed, and says why', ONCE, async ({ page }) => {
  await page.goto('/setup?p=thoracic-lateral&age=30&h=180&w=80&room=room-1&s=spine');
  await expect(page.getByText(/barred: the spine is not cleared/).first()).toBeVisible();
  await expect(page.getByText(/nobody rolls or lifts this patient/i).first()).toBeVisible();
});

test('the tube and the field are dragged on the stage, and the numbers follow', async ({ page }) => {
  await page.goto('/setup?p=pelvis-ap&age=40&h=175&w=75&room=room-1');
  await expect(readout(page, 'Tube')).toHaveAccessibleName(/0° , perpendicular/);
  const drag = async (handle: string, dx: number, dy: number) => {
    const box = (await page.getByTestId(handle).boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + dx / 2, y + dy / 2, { steps: 4 });
    await page.mouse.move(x + dx, y + dy, { steps: 4 });
    await page.mouse.up();
  };
  await drag('tube-handle', 50, 10);
  await expect(readout(page, 'Tube')).toHaveAccessibleName(/\d+° , cephalad.*Set by hand/);
  if (await page.getByRole('button', { name: 'Look along the CR' }).isVisible())
    await page.getByRole('button', { name: 'Look along the CR' }).click();
  const before = await readout(page, 'Field').getAttribute('aria-label');
  await drag('field-handle', -30, 20);
  await expect(readout(page, 'Field')).not.toHaveAccessibleName(before!);
  await expect(readout(page, 'Field')).toHaveAccessibleName(/Set by hand/);
  await expect(page).toHaveURL(/angle=.*fw=/);
  const pulled = await readout(page, 'Tube').getAttribute('aria-label');
  await page.reload();
  await expect(readout(page, 'Tube')).toHaveAccessibleName(pulled!);
});

test('two tabs of a device share the exam in hand', ONCE, async ({ page, context }) => {
  await startSacrum(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByText('1 of 2')).toBeVisible();
  await page.getByRole('list', { name: 'Steps' }).getByRole('checkbox').first().click();
  await expect(other.getByRole('list', { name: 'Steps' }).getByRole('checkbox').first()).toBeChecked();
});

test('what one tab could not send, another does when the network is back', ONCE, async ({ page, context }) => {
  await startSacrum(page);
  await answerBefore(page);
  const other = await context.newPage();
  await other.goto('/record');
  await expect(other.getByRole('heading', { name: 'Record' })).toBeVisible();
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Expose', exact: true }).click();
  await expect(page.getByText('✓ Exposed and kept')).toBeVisible();
  await expect(other.getByText('1 on the way')).toBeVisible();
  await page.close();
  await context.setOffline(false);
  await expect(other.getByText('1 on the way')).toBeHidden();
  await other.reload();
  await expect(other.getByRole('link', { name: /Sacrum, AP axial/ })).toHaveCount(1);
});
