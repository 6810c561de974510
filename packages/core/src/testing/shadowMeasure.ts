/** Measuring on shadows, for tests. */
export type Vec2 = [number, number];

/** Direction in which points are spread most, pointing as `like` does. */
export function pcaAxis(points: readonly Vec2[], like: Vec2): Vec2 {
  const [mx, my] = [0, 1].map((k) => points.reduce((sum, p) => sum + p[k], 0) / points.length);
  let [xx, xy, yy] = [0, 0, 0];
  for (const [x, y] of points) {
    xx += (x - mx) ** 2;
    xy += (x - mx) * (y - my);
    yy += (y - my) ** 2;
  }
  const turn = Math.atan2(2 * xy, xx - yy) / 2;
  const axis: Vec2 = [Math.cos(turn), Math.sin(turn)];
  return axis[0] * like[0] + axis[1] * like[1] < 0 ? [-axis[0], -axis[1]] : axis;
}
