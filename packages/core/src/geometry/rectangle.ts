/**
 * Rectangles in rectangles: the arithmetic behind "does it fit, and which way up?".
 */

/**
 * Longest strip of width w that lies on an a × b rectangle (a ≤ b), at any tilt.
 * Interior optima satisfy a cos t − b sin t = w cos 2t; the roots are found by scan and bisection.
 * @param w strip width, ≥ 0; @param a short side; @param b long side (mm)
 * @returns length in mm and the tilt from the long side in degrees
 * @throws RangeError when the strip is wider than the long side or a side is not above 0
 */
export function longestStrip(w: number, a: number, b: number): { lengthMm: number; tiltDeg: number } {
  if (!(a > 0) || !(b >= a)) throw new RangeError(`a rectangle needs sides 0 < a ≤ b, got ${a} × ${b}`);
  if (!(w >= 0) || w > b) throw new RangeError(`the strip width ${w} must lie between 0 and the long side ${b}`);
  let best = { lengthMm: w <= a ? b : a, tiltDeg: w <= a ? 0 : 90 };
  const slope = (t: number) => a * Math.cos(t) - b * Math.sin(t) - w * Math.cos(2 * t);
  const lengthAt = (t: number) => Math.min((b - w * Math.sin(t)) / Math.cos(t), (a - w * Math.cos(t)) / Math.sin(t));
  const steps = 180;
  for (let i = 0; i < steps; i += 1) {
    let low = ((i + 1e-6) / steps) * (Math.PI / 2);
    let high = ((i + 1 - 1e-6) / steps) * (Math.PI / 2);
    if (slope(low) * slope(high) > 0) continue;
    for (let n = 0; n < 50; n += 1) {
      const middle = (low + high) / 2;
      if (slope(low) * slope(middle) <= 0) high = middle;
      else low = middle;
    }
    const found = lengthAt(low);
    if (found > best.lengthMm) best = { lengthMm: found, tiltDeg: (low * 180) / Math.PI };
  }
  return best;
}

/**
 * The tilt at which a w × h rectangle (w across, h along the long side) lies wholly on an a × b one, or null.
 * Tilt 0 = lengthwise. The smallest tilt that works is returned: the less it is turned, the easier it is set.
 */
export function tiltToFit(w: number, h: number, a: number, b: number): number | null {
  const fits = (t: number) =>
    w * Math.cos(t) + h * Math.sin(t) <= a + 1e-9 && w * Math.sin(t) + h * Math.cos(t) <= b + 1e-9;
  if (fits(0)) return 0;
  const steps = 360;
  for (let i = 1; i < steps; i += 1) {
    const t = (i / steps) * (Math.PI / 2);
    if (fits(t)) return (t * 180) / Math.PI;
  }
  return null;
}

/** A rectangle about its own centre, sides turned by `rotationDeg` from the axes: does the point lie inside? */
export function insideRectangle(u: number, v: number, width: number, height: number, rotationDeg = 0): boolean {
  const t = (rotationDeg * Math.PI) / 180;
  const x = u * Math.cos(t) + v * Math.sin(t);
  const y = -u * Math.sin(t) + v * Math.cos(t);
  return Math.abs(x) <= width / 2 + 1e-6 && Math.abs(y) <= height / 2 + 1e-6;
}
