import fc from 'fast-check';
import { tiltToFit } from '../../geometry/rectangle';
import type { Receptor } from '../../room/room';
import { fitReceptor } from './fitReceptor';

const plate = (widthMm: number, heightMm: number, fixed = false): Receptor => ({
  id: `${widthMm}x${heightMm}`,
  name: `${widthMm}×${heightMm}`,
  widthMm,
  heightMm,
  fixed,
});
const plates = [plate(350, 430), plate(180, 240), plate(240, 300)];

describe('the four outcomes', () => {
  it('a hand lies lengthwise on the smallest', () =>
    expect(fitReceptor({ widthMm: 122, heightMm: 224 }, plates)).toMatchObject({
      outcome: 'lengthwise',
      receptor: { id: '180x240' },
    }));
  it('a pelvis lies crosswise', () =>
    expect(fitReceptor({ widthMm: 416, heightMm: 328 }, plates)).toMatchObject({
      outcome: 'crosswise',
      orientation: 'crosswise',
      receptor: { id: '350x430' },
    }));
  it('a long slender leg lies on the diagonal', () => {
    const fit = fitReceptor({ widthMm: 80, heightMm: 470 }, plates, { diagonal: true, split: true });
    expect(fit).toMatchObject({ outcome: 'diagonal', receptor: { id: '350x430' } });
    expect(fit.tiltDeg).toBeGreaterThan(10);
  });
  it('a longer one is split', () => {
    expect(
      fitReceptor({ widthMm: 120, heightMm: 810 }, [plate(350, 430)], { diagonal: true, split: true }),
    ).toMatchObject({ outcome: 'split', exposures: 2 });
    expect(fitReceptor({ widthMm: 120, heightMm: 811 }, [plate(350, 430)], { split: true })).toMatchObject({
      outcome: 'split',
      exposures: 3,
    });
  });
  it('what fits nowhere says so and takes the largest', () =>
    expect(fitReceptor({ widthMm: 500, heightMm: 500 }, plates, { diagonal: true, split: true })).toMatchObject({
      outcome: 'too small',
      receptor: { id: '350x430' },
    }));
});

describe('exact boundaries', () => {
  it('equal fits, a tenth more does not', () => {
    expect(fitReceptor({ widthMm: 180, heightMm: 240 }, plates).receptor.id).toBe('180x240');
    expect(fitReceptor({ widthMm: 180.1, heightMm: 240 }, plates).receptor.id).toBe('240x300');
    expect(fitReceptor({ widthMm: 350, heightMm: 430.1 }, plates).outcome).toBe('too small');
  });
  it('where both ways fit, the long side of the field decides; a square lies lengthwise', () => {
    expect(fitReceptor({ widthMm: 170, heightMm: 170 }, plates).outcome).toBe('lengthwise');
    expect(fitReceptor({ widthMm: 340, heightMm: 280 }, plates)).toMatchObject({
      outcome: 'crosswise',
      receptor: { id: '350x430' },
    });
  });
  it('a built-in receptor is not turned', () =>
    expect(fitReceptor({ widthMm: 300, heightMm: 200 }, [plate(240, 300, true)]).outcome).toBe('too small'));
});

test('refuses an empty list and an impossible field', () => {
  expect(() => fitReceptor({ widthMm: 10, heightMm: 10 }, [])).toThrow(RangeError);
  expect(() => fitReceptor({ widthMm: 0, heightMm: 10 }, plates)).toThrow(RangeError);
  expect(() => fitReceptor({ widthMm: 10, heightMm: NaN }, plates)).toThrow(RangeError);
});

test('whatever is called a fit is one', () => {
  const size = fc.double({ min: 20, max: 900, noNaN: true });
  fc.assert(
    fc.property(size, size, (widthMm, heightMm) => {
      const fit = fitReceptor({ widthMm, heightMm }, plates, { diagonal: true, split: true });
      const { receptor: r } = fit;
      if (fit.outcome === 'lengthwise') expect(widthMm <= r.widthMm && heightMm <= r.heightMm).toBe(true);
      if (fit.outcome === 'crosswise') expect(widthMm <= r.heightMm && heightMm <= r.widthMm).toBe(true);
      if (fit.outcome === 'diagonal') expect(tiltToFit(widthMm, heightMm, r.widthMm, r.heightMm)).not.toBeNull();
      if (fit.outcome === 'split') {
        const along = fit.orientation === 'lengthwise' ? r.heightMm : r.widthMm;
        expect(fit.exposures * along - (fit.exposures - 1) * 50).toBeGreaterThanOrEqual(heightMm - 1e-6);
        expect((fit.exposures - 1) * along - (fit.exposures - 2) * 50).toBeLessThan(heightMm);
      }
    }),
  );
});
