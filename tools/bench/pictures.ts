/** Simulated pictures: whole ones on one thread and on two, and one that is dragged in the browser. */
import { once } from 'node:events';
import path from 'node:path';
import { Worker } from 'node:worker_threads';
import type { RehearsalInput, Slice } from '../../apps/web/src/workers/rehearsal';
import type { DemoServer } from '../../e2e/demoServer';
import { signIn } from '../../e2e/signIn';
import { computeSetup, NO_POSITIONING_ERROR, ROOM_ONE, simulateRadiograph } from '../../packages/core/src/index';
import { put, ROUNDS, time } from './figures';
import type { PictureQuestion } from './pictureThread';
import { launch } from './screen';

/** Heaviest scenes, and the sizes of picture that are asked of them with what each may take. */
const HEAVY = ['skull-pa', 'pelvis-ap', 'colon-ap'] as const;
const SIZES = [
  { pixels: 192, limit: 50 },
  { pixels: 512, limit: 150 },
  { pixels: 1024, limit: 700 },
] as const;

/** Pictures before anything is measured. */
const WARM = 90;

/** Whole pictures on one thread, and with their rows shared between two as the app does where it has two cores. */
export async function benchPictures(): Promise<void> {
  const pool = [0, 1].map(() => new PictureThread());
  // An app at work is measured, not its first second.
  for (let i = 0; i < WARM; i += 1) await sharedPicture(pool, { ...inputFor(HEAVY[i % HEAVY.length], 192), seed: i });
  for (const { pixels, limit } of SIZES) {
    const inputs = HEAVY.map((projectionId) => inputFor(projectionId, pixels));
    const alone = inputs.map((input) => {
      const setup = computeSetup(input.request);
      let tested = 0;
      const times = time(2 * ROUNDS, () => {
        tested = simulateRadiograph(setup, ROOM_ONE, { pixels, seed: input.seed }).testedPerRay;
      });
      return { id: input.request.projectionId, ms: Math.min(...times), tested };
    });
    const worst = alone.reduce((a, b) => (a.ms > b.ms ? a : b));
    put(
      `simulated picture of ${pixels} pixels, one thread, heaviest`,
      worst.ms,
      'ms',
      limit,
      `${worst.id}; pieces tested for a ray: ${alone.map(({ id, tested }) => `${id} ${tested.toFixed(0)}`).join(', ')}`,
    );
    const shared = [];
    for (const input of inputs) {
      const times = [];
      for (let i = 0; i < 2 * ROUNDS; i += 1) times.push(await sharedPicture(pool, { ...input, seed: i }));
      shared.push({ id: input.request.projectionId, ms: Math.min(...times) });
    }
    const slowest = shared.reduce((a, b) => (a.ms > b.ms ? a : b));
    put(`simulated picture of ${pixels} pixels, two workers, heaviest`, slowest.ms, 'ms', limit, slowest.id);
  }
  for (const thread of pool) await thread.end();
}

const inputFor = (projectionId: string, pixels: number): RehearsalInput => ({
  request: { projectionId, room: ROOM_ONE },
  positioningError: NO_POSITIONING_ERROR,
  breath: null,
  motionMm: 0,
  pixels,
  seed: 1,
  exposure: 0,
});

/** Milliseconds of a picture from the question to the developed picture. */
async function sharedPicture(pool: readonly PictureThread[], input: RehearsalInput): Promise<number> {
  const start = performance.now();
  const slices = await Promise.all(pool.map((thread, i) => thread.ask({ input, slice: i, slices: pool.length })));
  await pool[0].ask({ input, develop: slices as Slice[] });
  return performance.now() - start;
}

/** A thread that answers one question after the other. */
class PictureThread {
  private readonly worker = new Worker(path.join(__dirname, 'pictureThread.cjs'));
  async ask(question: PictureQuestion): Promise<unknown> {
    const answered = once(this.worker, 'message');
    this.worker.postMessage(question);
    return (await answered)[0];
  }
  end = () => this.worker.terminate();
}

const DRAG_MS = 3000;
/** The picture dragged in the browser, its rows shared among the workers. */
export async function benchDrag(server: DemoServer): Promise<void> {
  const browser = await launch();
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  await signIn(context, server.url, 'lead');
  for (const projectionId of HEAVY) {
    const page = await context.newPage();
    await page.addInitScript('globalThis.__name = (f) => f');
    // Every picture that reaches the screen is put there by one call.
    await page.addInitScript(() => {
      const shown: { at: number; width: number }[] = [];
      (globalThis as unknown as { shown: typeof shown }).shown = shown;
      const put = CanvasRenderingContext2D.prototype.putImageData;
      CanvasRenderingContext2D.prototype.putImageData = function (
        this: CanvasRenderingContext2D,
        image: ImageData,
        x: number,
        y: number,
      ) {
        shown.push({ at: performance.now(), width: Math.max(image.width, image.height) });
        (put as (image: ImageData, x: number, y: number) => void).call(this, image, x, y);
      } as typeof put;
    });
    await page.goto(`${server.url}/rehearse?p=${projectionId}`);
    const picture = page.getByRole('img', { name: /^Simulated picture/ });
    await picture.waitFor();
    await page.waitForTimeout(3000);
    const box = (await picture.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    const from = await page.evaluate(() => performance.now());
    const end = Date.now() + DRAG_MS;
    for (let i = 0; Date.now() < end; i += 1) {
      await page.mouse.move(
        box.x + box.width / 2 + Math.sin(i / 9) * 60,
        box.y + box.height / 2 + Math.cos(i / 7) * 60,
      );
      await page.waitForTimeout(12);
    }
    const until = await page.evaluate(() => performance.now());
    await page.mouse.up();
    await page.waitForTimeout(2500);
    const shown = await page.evaluate(
      () => (globalThis as unknown as { shown: { at: number; width: number }[] }).shown,
    );
    const dragged = shown.filter(({ at }) => at >= from && at <= until).length;
    put(`time between pictures while dragging, ${projectionId}`, (until - from) / Math.max(1, dragged), 'ms', 50);
    const full = shown.find(({ at, width }) => at > until && width > 512);
    if (full)
      put(`hand at rest to the full picture, ${projectionId}`, full.at - until, 'ms', 1000, `${full.width} pixels`);
    await page.close();
  }
  await browser.close();
}
