import { projectionOf } from '../../projections/catalogue';
import { TOUCH_VIEWS, touchAt, touchMap, type TouchMap } from './touchMap';

const maps = Object.fromEntries(TOUCH_VIEWS.map((view) => [view, touchMap(view)])) as Record<string, TouchMap>;
const touch = (view: string, name: string) => {
  const map = maps[view];
  return touchAt(map, map.palpable.find((place) => place.name === name)!.at);
};

test.each([
  ['front', 'knee', 'knee-ap'],
  ['front', 'elbow', 'elbow-ap'],
  ['front', 'shoulder', 'shoulder-ap-external'],
  ['front', 'pelvis', 'pelvis-ap'],
  ['front', 'nose', 'nasal-bones-lateral'],
  ['back', 'lumbar spine', 'lumbar-ap'],
  ['back', 'sacrum', 'sacrum-ap-axial'],
  ['back', 'scapula', 'scapula-ap'],
  ['back', 'heel', 'ankle-ap'],
  ['hand', 'ring finger', 'finger-pa'],
  ['hand', 'little finger', 'finger-lateral'],
  ['hand', 'thumb', 'thumb-ap'],
  ['hand', 'scaphoid', 'scaphoid-axial'],
  ['foot', 'fourth toe', 'toes-ap'],
  ['foot', 'heel', 'calcaneus-axial'],
  ['foot', 'great toe', 'toes-lateral'],
])('%s: touching the %s gives %s', (view, name, id) => {
  const found = touch(view, name);
  expect(found.name).toBe(name);
  expect(found.ids).toContain(id);
});

test('a touch narrows: far fewer than all, and never none', () => {
  for (const view of TOUCH_VIEWS) {
    const map = maps[view];
    const { x, y, width, height } = map.box;
    for (let i = 0; i <= 8; i += 1)
      for (let j = 0; j <= 8; j += 1) {
        const { ids } = touchAt(map, [x + (width * i) / 8, y + (height * j) / 8]);
        expect(ids.length).toBeGreaterThanOrEqual(3);
        expect(ids.length).toBeLessThan(80);
      }
    expect(map.figure.skin).toMatch(/^M.*Z$/);
    expect(map.palpable.every(({ at: [px, py] }) => px >= x && px <= x + width && py >= y && py <= y + height)).toBe(
      true,
    );
  }
});

test('hand and foot hold only their own', () => {
  expect(maps.hand.spots.every(({ id }) => projectionOf(id).region === 'hand and wrist')).toBe(true);
  expect(maps.foot.spots.every(({ id }) => projectionOf(id).region === 'foot and ankle')).toBe(true);
});
