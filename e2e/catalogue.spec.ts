import { expect, ONCE, readout, test } from './fixtures';

test('the mannequin narrows to a finger, and a pinned projection stays on top', ONCE, async ({ page }) => {
  await page.goto('/find');
  const hand = page.getByTestId('touch-hand');
  await expect(hand.locator('path').first()).toBeAttached();
  const box = (await hand.boundingBox())!;
  await page.mouse.click(box.x + box.width * 0.25, box.y + box.height * 0.3);
  await expect(page.getByText(/^\d+ at the (ring|little|middle) finger$/)).toBeVisible();
  await expect(page.getByRole('link', { name: /^Finger, PA, right/ })).toBeVisible();
  await page.getByRole('button', { name: 'Pin Finger, PA', exact: true }).click();
  await page.getByRole('button', { name: 'Show all again' }).click();
  await expect(page.getByRole('heading', { name: 'Pinned' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Pinned' })).toBeVisible();
  await expect(page.getByRole('link', { name: /^Finger, PA, right/ }).first()).toBeVisible();
});

test('two projections side by side, their differences marked; back keeps the search', async ({ page }) => {
  await page.goto('/find');
  await page.getByLabel('Find a projection').fill('scaphoid');
  await page.getByRole('button', { name: 'Take into the comparison: Scaphoid, PA axial' }).click();
  await page.getByRole('button', { name: 'Take into the comparison: Scaphoid, PA, hand elevated' }).click();
  await page.getByRole('button', { name: 'Side by side' }).click();
  await expect(page.getByText(/^\d+ of \d+ lines differ$/)).toBeVisible();
  await expect(page.getByText('◆ Tube differs')).toBeVisible();
  await page.goto('/find');
  await page.getByLabel('Find a projection').fill('knee four');
  await page.getByRole('radio', { name: 'Knee, four views 4' }).click();
  await expect(page.getByText('4 in Knee, four views')).toBeVisible();
  await page.goto('/compare?a=knee-ap&b=no-such');
  await expect(page.getByText(/There is no projection "no-such"/)).toBeVisible();
});

test(
  'an own entry is proved, stored, found, set up and removed; what is refused stays typed',
  ONCE,
  async ({ page }) => {
    await page.goto('/projection?p=knee-ap&side=right');
    await page.getByRole('button', { name: 'Copy and change' }).click();
    const name = `Knee of house ${test.info().project.name}`;
    await page.getByLabel('Name', { exact: true }).fill(name);
    await page.getByLabel('SID in inches').fill('far');
    await page.getByRole('button', { name: 'Prove and store' }).click();
    await expect(page.getByText('SID must be 20 to 98 in')).toBeVisible();
    await expect(page.getByLabel('SID in inches')).toHaveValue('far');
    await page.getByLabel('SID in inches').fill('46');
    await page.getByLabel('Criteria, one a line').fill('only one');
    await page.getByRole('button', { name: 'Prove and store' }).click();
    await expect(page.getByText(/checks:/)).toBeVisible();
    await page.getByLabel('Criteria, one a line').fill('one\ntwo');
    await page.getByRole('button', { name: 'Prove and store' }).click();
    await expect(page.getByRole('heading', { name: new RegExp(`^${name}`) })).toBeVisible();
    await page.goto('/find');
    await page.getByLabel('Find a projection').fill(name);
    await page.getByRole('link', { name: new RegExp(`^${name}`) }).click();
    await expect(readout(page, 'SID')).toHaveAccessibleName(/46 in/);
    const id = new URL(page.url()).searchParams.get('p')!;
    await page.goto(`/projection?p=${id}&side=right`);
    await page.getByRole('button', { name: 'Change this entry' }).click();
    await page.getByRole('button', { name: 'Remove this entry' }).click();
    await expect(page.getByText(`There is no projection "${id}"`)).toBeVisible();
  },
);

test(
  'an imported file with one wrong entry names it, its field and the rule, and imports nothing',
  ONCE,
  async ({ page, request }) => {
    await page.goto('/book');
    const entry = await (await request.get('/api/projections/hand-pa')).json();
    const document = {
      format: 'taktik-catalogue',
      version: 1,
      notice: '',
      units: { length: 'mm', angle: 'degree' },
      entries: [
        { ...entry, id: 'own-good-hand' },
        { ...entry, id: 'own-bad-hand', aim: { ...entry.aim, landmark: 'sixth_finger' } },
      ],
    };
    const file = page.getByLabel('Import own entries and house rules: file');
    const give = (value: string) =>
      file.setInputFiles({ name: 'ours.json', mimeType: 'application/json', buffer: Buffer.from(value) });
    await give(JSON.stringify(document));
    await expect(
      page.getByText('own-bad-hand, aim: the body has no landmark or structure "sixth_finger"'),
    ).toBeVisible();
    await expect(page.getByText('Nothing was imported.')).toBeVisible();
    expect(await (await request.get('/api/catalogue/own')).json()).toEqual([]);
    await give('{');
    await expect(page.getByText(/ours.json is not valid JSON/)).toBeVisible();
  },
);
