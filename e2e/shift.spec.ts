/** A shift: signing in, orders, the plan, what is asked, repeats, colleagues, devices, and what goes wrong. */
import { alone, answerBefore, expect, ONCE, readout, startSacrum, test } from './fixtures';
import { DemoServer } from './demoServer';
import { DEMO, signIn } from './signIn';

const TABLE_HEAD = 'reference,initials,age_years,exam,side,reason,ward,situation';

test.describe('nobody is signed in', () => {
  test.use({ as: null });
  test('a name and a PIN open the orders; a wrong PIN is told; signing out closes them', ONCE, async ({ page }) => {
    await page.goto('/orders');
    await expect(page.getByText('Orders tell of patients: sign in to see them.')).toBeVisible();
    await page.getByRole('radio', { name: 'Ines Oakfield, technologist' }).click();
    for (const key of '1111') await page.getByRole('button', { name: key, exact: true }).click();
    await page.getByRole('button', { name: 'Sign in', exact: true }).last().click();
    await expect(page.getByText('▲ That is not the PIN of Ines Oakfield; 4 more tries.')).toBeVisible();
    await page.getByLabel('PIN', { exact: true }).fill('2580');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: 'Start Sacrum and coccyx, HK' })).toBeVisible();
    await page.reload();
    await expect(page.getByRole('button', { name: 'Start Sacrum and coccyx, HK' })).toBeVisible();
    await page.getByRole('button', { name: 'Ines Oakfield, technologist: signed in' }).click();
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page.getByText('Signed out.')).toBeVisible();
    await expect(page.getByRole('button', { name: /^Start / })).toHaveCount(0);
  });
});

test(
  'a session that ended elsewhere asks for the PIN, and what was exposed meanwhile is sent after it',
  ONCE,
  async ({ page, request }) => {
    await startSacrum(page);
    await answerBefore(page);
    // The device was left, and its session is over on the server.
    await page.context().clearCookies();
    await page.getByRole('button', { name: 'Expose', exact: true }).click();
    await expect(page.getByText('✓ Exposed and kept')).toBeVisible();
    await page.goto('/record');
    await page.getByRole('radio', { name: 'Ines Oakfield, technologist' }).click();
    await page.getByLabel('PIN', { exact: true }).fill('2580');
    await page.keyboard.press('Enter');
    // Nobody sends it in the name of another.
    await expect(page.getByText(/Until Priya Windlow or a lead signs in, 1 entry of Priya Windlow/)).toBeVisible();
    await page.getByRole('button', { name: 'Ines Oakfield, technologist: signed in' }).click();
    await page.getByRole('button', { name: 'Sign out' }).click();
    await page.getByRole('radio', { name: 'Priya Windlow, lead' }).click();
    await page.getByLabel('PIN', { exact: true }).fill('3690');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('link', { name: /Sacrum, AP axial/ })).toHaveCount(1);
    // It was done by whoever was signed in then.
    await expect(page.getByText(/HK · Sacrum and coccyx · Room 2 · Priya Windlow/)).toBeVisible();
    expect((await request.get('/api/exposures')).status()).toBe(401);
  },
);

test('orders are filtered, opened in full, planned anew, and the plan starts', async ({ page }) => {
  await page.goto('/orders');
  await page.getByRole('button', { name: /^Filter: all orders/ }).click();
  await page.getByRole('radio', { name: 'now' }).click();
  await expect(page.getByText('3 of 10 open')).toBeVisible();
  await page.getByLabel('Ward, exam or initials').fill('resus');
  await expect(page.getByText('1 of 10 open')).toBeVisible();
  await page.getByLabel('Ward, exam or initials').fill('no such ward');
  await expect(page.getByText('None of these')).toBeVisible();
  await page.getByRole('button', { name: 'Show all', exact: true }).click();
  await page.getByRole('link', { name: /^Open the order: Sacrum and coccyx, HK/ }).click();
  await expect(page.getByText('Sat down hard on a step four days ago, pain on sitting')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Bring' })).toBeVisible();
  await page.getByLabel('Add a projection').fill('sacrum lateral');
  await page.getByRole('button', { name: 'Add Sacrum, lateral, left' }).click();
  await expect(page.getByText(/^3 exposures, 1 turn, \d+ points of work$/)).toBeVisible();
  // By hand between the two: dearer, and the least is offered.
  const sheet = page.getByRole('button', { name: /^Move, swap or drop: Sacrum, lateral/ });
  if (await sheet.isVisible()) await sheet.click();
  await page.getByRole('button', { name: 'Earlier: Sacrum, lateral' }).click();
  await expect(page.getByText(/^3 exposures, 2 turns, \d+ points of work$/)).toBeVisible();
  await page.getByRole('button', { name: 'Take the order with 1 turn' }).click();
  await expect(page.getByText(/^3 exposures, 1 turn, \d+ points of work$/)).toBeVisible();
  await expect(page.getByText('✓ No order of these costs less')).toBeVisible();
  await page.reload();
  await expect(page.getByText(/^3 exposures, 1 turn, \d+ points of work$/)).toBeVisible();
  await expect(page.getByText('Plan last changed by Priya Windlow')).toBeVisible();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Exam in hand: 1 of 3' })).toBeVisible();
});

test('toes ordered, foot planned: it is said', ONCE, async ({ page }) => {
  await page.goto('/orders');
  const table = [TABLE_HEAD, 'T-9,AB,40,Toes,left,Stubbed,Emergency,'].join('\n');
  const file = page.getByLabel('Take in orders from a file: a table (CSV) or FHIR (JSON): file');
  const give = (name: string, text: string) =>
    file.setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
  await give(
    'wrong.csv',
    [TABLE_HEAD, 'T-8,AB,40,Toes,,Stubbed,Emergency,', 'T-9,AB,400,Toes,left,,Emergency,'].join('\n'),
  );
  await expect(page.getByText(/^▲ line 3, patient.ageYears: /)).toBeVisible();
  await expect(page.getByText('▲ Nothing was taken in.')).toBeVisible();
  await give('right.csv', table);
  await expect(page.getByText('✓ 1 order taken in')).toBeVisible();
  await page.getByRole('button', { name: /^Filter:/ }).click();
  await page.getByLabel('Ward, exam or initials').fill('toes');
  await page.getByRole('link', { name: /^Open the order: Toes, left, AB/ }).click();
  await page.getByLabel('Add a projection').fill('foot ap');
  await page.getByRole('button', { name: 'Add Foot, AP axial, left' }).click();
  await expect(
    page.getByText('More than was ordered: Foot, AP axial shows the foot; ordered: Toes (toes)'),
  ).toBeVisible();
});

test('a repeat with its cause, then accepted; both stand in the record', ONCE, async ({ page }) => {
  await startSacrum(page);
  await answerBefore(page);
  await page.getByRole('button', { name: 'Expose', exact: true }).click();
  await page.getByRole('button', { name: 'Repeat this picture' }).click();
  await page.getByRole('radio', { name: 'Rotated', exact: true }).click();
  await page.getByRole('button', { name: 'Repeat it' }).click();
  await expect(page.getByText('Repeat 1: Rotated')).toBeVisible();
  await page.getByRole('button', { name: 'Expose', exact: true }).click();
  await page.getByRole('button', { name: 'Note for the reader' }).click();
  await page.getByLabel('Note', { exact: true }).fill('Pain on the left side');
  await page.getByRole('checkbox', { name: 'supine', exact: true }).click();
  await page.getByRole('button', { name: 'Keep the note' }).click();
  await page.getByRole('button', { name: 'Accept' }).click();
  await page.goto('/record');
  await expect(page.getByRole('link', { name: /Sacrum, AP axial/ })).toHaveCount(2);
  await expect(page.getByText(/repeat: Rotated/)).toBeVisible();
  await expect(page.getByText(/accepted/)).toBeVisible();
  await page
    .getByRole('link', { name: /Sacrum, AP axial.*accepted/ })
    .first()
    .click();
  await expect(page.getByText('supine: Pain on the left side')).toBeVisible();
});

test('clipped at an edge: the repeat is set up with the aim that brings it in', ONCE, async ({ page }) => {
  await startSacrum(page);
  await answerBefore(page);
  await page.getByRole('button', { name: 'Expose', exact: true }).click();
  await page.getByRole('button', { name: 'Repeat this picture' }).click();
  await page.getByRole('radio', { name: 'Clipped', exact: true }).click();
  await page.getByRole('radio', { name: 'an edge is clipped' }).click();
  await page.getByLabel('Missing beyond it in in').fill('0.8');
  await page.getByRole('radio', { name: /^yes: another centring point/ }).click();
  await page.getByRole('button', { name: 'Repeat it with this' }).click();
  await expect(page.getByText(/^Repeat 1: Clipped\. Centre 1 in/)).toBeVisible();
  await expect(page).toHaveURL(/aim=/);
  await page.reload();
  await expect(page.getByRole('button', { name: /^Centre: .*Set by hand/ })).toBeVisible();
});

test('one step at a time, and the breath in another language, survive a reload', ONCE, async ({ page }) => {
  await startSacrum(page);
  await page.getByRole('button', { name: 'One step at a time' }).click();
  await page.getByRole('button', { name: /^Done: Receptor/ }).click();
  await page.getByRole('button', { name: /^Done: SID/ }).click();
  await page.getByRole('button', { name: 'Back to the list' }).click();
  await page.getByRole('button', { name: /^Words for the breath/ }).click();
  await page.getByRole('radio', { name: 'Turkish · Türkçe' }).click();
  await expect(page.getByText('Nefes almayın.')).toBeVisible();
  await page.getByRole('button', { name: 'Start the timer' }).click();
  await expect(page.getByRole('timer')).toBeVisible();
  await page.reload();
  const steps = page.getByRole('list', { name: 'Steps' }).getByRole('checkbox');
  await expect(steps.nth(1)).toBeChecked();
  await expect(steps.nth(2)).not.toBeChecked();
  await page.getByRole('button', { name: /^Words for the breath/ }).click();
  await expect(page.getByText('Nefes almayın.')).toBeVisible();
});

test(
  'two devices on one exam: nothing lost, nothing doubled, the changed plan is said',
  ONCE,
  async ({ page, browser, baseURL }) => {
    await startSacrum(page);
    await answerBefore(page);
    await page.getByRole('button', { name: 'Expose', exact: true }).click();
    await expect(page.getByText('✓ Exposed and kept')).toBeVisible();
    const context = await browser.newContext({ viewport: page.viewportSize() ?? undefined, serviceWorkers: 'block' });
    await signIn(context, baseURL!, 'technologist');
    const other = await context.newPage();
    await other.goto(`${baseURL}/orders`);
    await other.getByRole('button', { name: 'Resume Sacrum and coccyx, HK' }).click();
    // Resumed at the second: the first is exposed, the answers came along.
    await expect(other.getByRole('heading', { name: 'Coccyx, AP axial' })).toBeVisible();
    await other.getByRole('button', { name: 'Expose', exact: true }).click();
    await other.getByRole('button', { name: 'Accept' }).click();
    // The first device sees it without asking.
    await page.getByRole('button', { name: 'Accept' }).click();
    await expect(page.getByRole('button', { name: 'Finish exam' })).toBeVisible();
    await other.getByRole('button', { name: 'Exam in hand: 2 of 2' }).click();
    await other.getByRole('link', { name: 'Order, plan and what to bring' }).click();
    await other.getByLabel('Add a projection').fill('sacrum lateral');
    await other.getByRole('button', { name: 'Add Sacrum, lateral, left' }).click();
    await expect(page.getByText('● Ines Oakfield has changed the plan on another device.')).toBeVisible();
    await page.getByRole('button', { name: 'Take the new plan' }).click();
    await expect(page.getByRole('button', { name: 'Exam in hand: 1 of 3' })).toBeVisible();
    await page.goto('/record');
    await expect(page.getByRole('link', { name: /, Sacrum and coccyx, HK/ })).toHaveCount(2);
    await context.close();
  },
);

test('handed to a colleague, taken up, ended with a reason', ONCE, async ({ page }) => {
  await startSacrum(page);
  await page.getByRole('button', { name: 'Exam in hand: 1 of 2' }).click();
  await page.getByRole('radio', { name: 'Tomas Reedham' }).click();
  await page.getByRole('button', { name: 'Hand to Tomas Reedham' }).click();
  await expect(page.getByText('● in hand: Tomas Reedham')).toBeVisible();
  await page.getByRole('button', { name: 'Resume Sacrum and coccyx, HK' }).click();
  await expect(page.getByText('● Tomas Reedham has this exam in hand.')).toBeVisible();
  await page.getByRole('button', { name: 'Exam in hand: 1 of 2' }).click();
  await page.getByRole('radio', { name: 'Patient refused' }).click();
  await page.getByRole('button', { name: 'End the exam' }).click();
  await expect(page.getByText('9 open')).toBeVisible();
  await page.goto('/order?id=demo-sacrum-coccyx');
  await expect(page.getByText('✓ Ended early: Patient refused')).toBeVisible();
});

test('pregnancy possible stops the exam until it is decided', ONCE, async ({ page }) => {
  await page.goto('/orders');
  await page.getByRole('button', { name: 'Start Sinuses, EN' }).click();
  await expect(readout(page, 'Receptor')).toBeVisible();
  await page.goto('/order?id=demo-sinuses');
  await page.getByLabel('Add a projection').fill('pelvis ap');
  await page.getByRole('button', { name: 'Add Pelvis, AP', exact: true }).click();
  await expect(page.getByText('More than was ordered', { exact: false })).toBeVisible();
  await page.goto('/before');
  await page
    .getByRole('radiogroup', { name: /^Pregnancy possible/ })
    .getByRole('radio', { name: 'yes' })
    .click();
  await expect(page.getByText('▲ Stopped: Pregnancy possible')).toBeVisible();
  await page.getByLabel('Pregnancy possible: who decided, and what').fill('Dr Vale: not now');
  await page.getByRole('button', { name: 'Keep this decision' }).click();
  await expect(page.getByText('3 still to ask')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Pregnancy possible: who decided, and what')).toHaveValue('Dr Vale: not now');
});

alone(
  'the server is killed in a burst: every acknowledged exposure is there, the rest are still to be sent',
  ONCE,
  async ({ page, server, context }) => {
    await startSacrum(page);
    const { url } = server;
    const { current } = JSON.parse(
      await page.evaluate(() => JSON.stringify({ current: JSON.parse(localStorage.getItem('taktik.session')!) })),
    );
    const body = (id: string) => ({
      id,
      examId: current.examId,
      request: { projectionId: 'sacrum-ap-axial', patient: { ageYears: 58 } },
      performedBy: 'Ines Oakfield',
      exposedAt: Date.now(),
    });
    const ids = Array.from({ length: 60 }, (_, i) => `burst-${i}`);
    const acknowledged: string[] = [];
    const waiting = [...ids];
    let killed: Promise<void> | null = null;
    // Eight at a time: when the power goes there are always some under way and some still to be sent.
    const lane = async (): Promise<void> => {
      for (let id = waiting.shift(); id !== undefined; id = waiting.shift()) {
        const sent = id;
        await context.request.post(`${url}/api/exposures`, { data: body(sent) }).then(
          (answer) => answer.ok() && acknowledged.push(sent),
          () => undefined,
        );
        if (acknowledged.length >= 20) killed ??= server.kill();
        await killed;
      }
    };
    await Promise.all(Array.from({ length: 8 }, lane));
    expect(acknowledged.length).toBeGreaterThan(0);
    expect(acknowledged.length).toBeLessThan(ids.length);
    await server.up();
    const rows = (await (await context.request.get(`${url}/api/exposures?limit=500`)).json()) as { id: string }[];
    const there = new Set(rows.map(({ id }) => id));
    expect(acknowledged.filter((id) => !there.has(id))).toEqual([]);
    // All sent again, as an outbox does: each is there once.
    for (const id of ids)
      expect((await context.request.post(`${url}/api/exposures`, { data: body(id) })).ok()).toBe(true);
    const after = (await (await context.request.get(`${url}/api/exposures?limit=500`)).json()) as { id: string }[];
    const sent = after.map(({ id }) => id).filter((id) => id.startsWith('burst-'));
    expect(sent.sort()).toEqual([...ids].sort());
  },
);

alone(
  'a second server on the same data: both write, nothing is refused and nothing lost',
  ONCE,
  async ({ server, request }) => {
    const second = await DemoServer.start(server.folder);
    try {
      const writers = [server, second];
      for (const { url } of writers)
        expect((await request.post(`${url}/api/sessions`, { data: DEMO.lead })).ok()).toBe(true);
      const asked = Array.from({ length: 60 }, (_, i) => `two-${i}`);
      const answers = await Promise.all(
        asked.map(async (reference, i) => {
          const answer = await request.post(`${writers[i % 2]!.url}/api/orders/import`, {
            headers: { 'content-type': 'text/csv' },
            data: `${TABLE_HEAD}\n${reference},AB,40,Hand,left,Pain,Ward,`,
          });
          return answer.status();
        }),
      );
      expect(answers.filter((status) => status !== 200)).toEqual([]);
      for (const { url } of writers) {
        const open = (await (await request.get(`${url}/api/orders`)).json()) as { reference: string | null }[];
        expect(asked.filter((reference) => !open.some((order) => order.reference === reference))).toEqual([]);
      }
    } finally {
      await second.down();
    }
  },
);

alone(
  'the disk of the server is full: it is said, and the device keeps what it has',
  ONCE,
  async ({ page, server, context }) => {
    await startSacrum(page);
    await answerBefore(page);
    await server.down();
    await server.up({ fileLimitKb: 36 });
    await page.getByRole('button', { name: 'Expose', exact: true }).click();
    await expect(page.getByText('✓ Exposed and kept')).toBeVisible();
    await expect(page.getByText(/▲ Waits: Sacrum, AP axial.*Your device keeps it/)).toBeVisible();
    // More than any room that is left: a small write may still find some.
    const rows = Array.from({ length: 200 }, (_, i) => `F-${i},AB,40,Hand,left,Pain,Ward ${i},`);
    const refused = await context.request.post(`${server.url}/api/orders/import`, {
      headers: { 'content-type': 'text/csv' },
      data: [TABLE_HEAD, ...rows].join('\n'),
    });
    expect([refused.status(), (await refused.json()).title]).toEqual([507, 'Disk full']);
    await page.reload();
    await expect(page.getByText('✓ Exposed and kept')).toBeVisible();
    await server.down();
    await server.up();
    await expect(page.getByText(/▲ Waits/)).toBeHidden();
    await page.goto('/record');
    await expect(page.getByRole('link', { name: /Sacrum, AP axial/ })).toHaveCount(1);
  },
);

test('two hundred orders are shown without holding anything up', ONCE, async ({ page, context }) => {
  const rows = Array.from({ length: 200 }, (_, i) => `L-${i},AB,${20 + (i % 60)},Hand,left,Pain ${i},Ward ${i},`);
  await context.request.post('/api/orders/import', {
    headers: { 'content-type': 'text/csv' },
    data: [TABLE_HEAD, ...rows].join('\n'),
  });
  await page.goto('/orders');
  await expect(page.getByText('210 open')).toBeVisible();
  expect(await page.getByRole('article').count()).toBeLessThan(100);
  await page.getByRole('button', { name: /^Filter:/ }).click();
  await page.getByLabel('Ward, exam or initials').fill('ward 199');
  await expect(page.getByText('1 of 210 open')).toBeVisible();
  await expect(page.getByText('Pain 199')).toBeVisible();
});

test('a lead sets prices, causes and what an exam makes here', ONCE, async ({ page }) => {
  await page.goto('/order?id=demo-knee');
  await page.getByLabel('Add a projection').fill('patella tangential');
  await page
    .getByRole('button', { name: /^Add Patella, tangential/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'From now on Knee, routine makes these here' }).click();
  await expect(page.getByRole('button', { name: /^From now on/ })).toBeHidden();
  await expect(page.getByText('More than was ordered', { exact: false })).toBeHidden();
  await page.getByRole('button', { name: /room and rules$/ }).click();
  await page.getByLabel('Another SID in pt').fill('40');
  await page.getByLabel('One more: causes of a repeat').fill('Blanket in the light');
  await page.getByRole('button', { name: 'Add', exact: true }).first().click();
  await expect(page.getByText('Blanket in the light')).toBeVisible();
  await page.reload();
  // The chip of the page that is still loading goes with it.
  await expect(page.getByText(/points of work$/)).toBeVisible();
  await page.getByRole('button', { name: /room and rules$/ }).click();
  await expect(page.getByLabel('Another SID in pt')).toHaveValue('40');
  await page.getByRole('button', { name: 'Exams as shipped again' }).click();
  await expect(page.getByRole('button', { name: 'Exams as shipped again' })).toBeHidden();
});

test('a plan is dragged by its handle, and a ward is picked from the list', ONCE, async ({ page }) => {
  await page.goto('/orders');
  await page.getByRole('button', { name: /^Filter: all orders/ }).click();
  await page.getByRole('radio', { name: 'Ward 4' }).click();
  await expect(page.getByText('1 of 10 open')).toBeVisible();
  await page.goto('/order?id=demo-thoracic');
  await expect(page.getByText(/points of work$/)).toBeVisible();
  const rows = page.getByRole('list', { name: 'Plan' }).getByRole('listitem');
  const second = await rows.nth(1).textContent();
  await rows.nth(1).scrollIntoViewIfNeeded();
  const handle = (await rows.nth(0).getByText('⠿').boundingBox())!;
  const target = (await rows.nth(1).boundingBox())!;
  await page.mouse.move(handle.x + handle.width / 2, handle.y + handle.height / 2);
  await page.mouse.down();
  await page.mouse.move(handle.x + handle.width / 2, target.y + target.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByText('Plan last changed by Priya Windlow')).toBeVisible();
  expect((await rows.nth(0).textContent())?.slice(1, 20)).toBe(second?.slice(1, 20));
});
