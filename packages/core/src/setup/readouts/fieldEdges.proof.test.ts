/** The edges of the light as they are told agree with how the light lies, for every entry. */
import { projections } from '../../projections/catalogue';
import { surfacePoint } from '../../body/surface';
import { posedIn } from '../../body/posedIn';
import { throughPoint } from '../../geometry/projection';
import { computeSetup } from '../computeSetup';
import { fieldEdges } from './fieldEdges';

const tried = projections.map(({ id, sided }) => ({
  projectionId: id,
  side: sided === 'each' ? ('left' as const) : undefined,
}));
const setups = tried.map((request) => computeSetup(request)).filter(({ feasible }) => feasible);
const WIDER_MM = 20;

test('nearly every set-up has edges to look for, each told once and with a number that is one', () => {
  const all = setups.map((setup) => ({ name: setup.name, lines: fieldEdges(setup) }));
  expect(all.filter(({ lines }) => lines.length > 0).length).toBeGreaterThan(0.95 * setups.length);
  let lines = 0;
  for (const { name, lines: own } of all) {
    const edges = own.flatMap(({ values }) => values.edges as string[]);
    expect([name, edges]).toEqual([name, [...new Set(edges)]]);
    for (const { text } of own) {
      lines += 1;
      expect([name, text]).toEqual([name, expect.not.stringMatching(/undefined|NaN|null|  /)]);
    }
  }
  expect(lines).toBeGreaterThan(2.5 * setups.length);
});

test('from what is not felt nothing is measured', () => {
  let spared = 0;
  for (const setup of setups) {
    const text = fieldEdges(setup)
      .map(({ text: line }) => line)
      .join();
    if (!/vertebra prominens|iliac crest/.test(text)) continue;
    spared += 1;
    const without = fieldEdges(setup, 'in', ['C7_sp', 'iliac_crest_L', 'iliac_crest_R']);
    expect([setup.name, without.map(({ text: line }) => line).join()]).toEqual([
      setup.name,
      expect.not.stringMatching(/vertebra prominens|iliac crest/),
    ]);
  }
  expect(spared).toBeGreaterThan(10);
});

test('a set-up that is barred for this patient has no edges to look for', () => {
  const request = { projectionId: 'acromioclavicular-ap-weights' } as const;
  expect(fieldEdges(computeSetup(request)).length).toBeGreaterThan(0);
  const barred = computeSetup({
    ...request,
    situation: { fractureSuspected: true, suspected: ['dislocation'] },
  });
  expect(barred.feasible).toBe(false);
  expect(fieldEdges(barred)).toEqual([]);
});

/** Edges past the skin by their name, mm. */
const past = (setup: (typeof setups)[number]): Map<string, number> =>
  new Map(
    fieldEdges(setup).flatMap(({ code, values }) =>
      code === 'edge-beyond'
        ? (values.edges as string[]).map((edge): [string, number] => [edge, values.mm as number])
        : [],
    ),
  );

test('light opened wider runs so much farther past the same skin', () => {
  let [compared, grown] = [0, 0];
  for (const request of tried) {
    const setup = computeSetup(request);
    const { width, height } = setup.field.atReceptorMm;
    const wider = computeSetup({
      ...request,
      overrides: { fieldMm: [width + WIDER_MM, height + WIDER_MM] },
    });
    const opened = wider.field.atReceptorMm;
    if (!setup.feasible || opened.width !== width + WIDER_MM || opened.height !== height + WIDER_MM) continue;
    const [before, after] = [past(setup), past(wider)];
    for (const [edge, mm] of before) {
      compared += 1;
      // Half of it on each side, less where the skin lies nearer the tube; a corner of it may meet what stood beside it.
      const more = (after.get(edge) ?? 0) - mm;
      expect([setup.name, edge, more < WIDER_MM / 2 + 3]).toEqual([setup.name, edge, true]);
      if (more > WIDER_MM / 4) grown += 1;
    }
  }
  expect(compared).toBeGreaterThan(100);
  expect(grown).toBeGreaterThan(0.8 * compared);
});

test('the right side is told as the left is', () => {
  let compared = 0;
  for (const { id, sided } of projections) {
    if (sided !== 'each') continue;
    const [left, right] = (['left', 'right'] as const).map((side) => computeSetup({ projectionId: id, side }));
    if (!left!.feasible || !right!.feasible) continue;
    compared += 1;
    const linesOf = (setup: (typeof setups)[number]) =>
      fieldEdges(setup)
        .flatMap(({ code, values }) =>
          (values.edges as string[]).map((edge) => ({ edge, code, mm: (values.mm as number | undefined) ?? 0 })),
        )
        .filter(({ edge }) => edge !== 'left' && edge !== 'right')
        .sort((a, b) => a.edge.localeCompare(b.edge));
    const same = linesOf(left!).map((each) => ({ ...each, mm: expect.closeTo(each.mm, -1) as number }));
    expect([left!.name, linesOf(right!)]).toEqual([left!.name, same]);
  }
  expect(compared).toBeGreaterThan(80);
});

test('what is taught of the light is what is told: knee, hand, chest', () => {
  const texts = (id: string, side?: 'left') =>
    fieldEdges(computeSetup({ projectionId: id, side })).map(({ text }) => text);
  expect(texts('hand-pa', 'left')).toEqual(
    expect.arrayContaining([
      expect.stringMatching(/^Distal edge: .* beyond the skin of the fingers$/),
      expect.stringMatching(/^Lateral edge: .* beyond the skin of the thumb$/),
      expect.stringMatching(/^Proximal edge: .* proximal to the radial styloid process$/),
    ]),
  );
  expect(texts('chest-pa')).toContain('Superior edge: at the vertebra prominens');
  expect(texts('pelvis-ap')).toContainEqual(expect.stringMatching(/^Superior edge: .* superior to the iliac crest$/));
  const [distal] = fieldEdges(computeSetup({ projectionId: 'knee-ap', side: 'left' }), 'cm');
  expect(distal!.text).toMatch(/^Distal edge: [\d.]+ cm .*distal to the tibial tuberosity$/);
});

test.each([
  ['hand-pa', 'dactylion_L', 'distal'],
  ['hand-oblique', 'dactylion_L', 'distal'],
  ['foot-ap', 'hallux_tip_L', 'distal'],
  ['skull-lateral', 'vertex', 'superior'],
] as const)(
  '%s: the edge lies past the tip that stands out farthest by what the tip’s own shadow says',
  (id, tip, edge) => {
    const setup = computeSetup({ projectionId: id, side: tip.endsWith('_L') ? 'left' : undefined });
    const { receptor, focal } = setup.scene;
    const plane = { origin: receptor.centre, u: receptor.u, v: receptor.v, n: receptor.n };
    const shadow = throughPoint(focal, plane, surfacePoint(posedIn(setup), tip).skin);
    const turn = (setup.field.rotationDeg * Math.PI) / 180;
    const along = Math.abs(-shadow.u * Math.sin(turn) + shadow.v * Math.cos(turn));
    const mm = (setup.field.atReceptorMm.height / 2 - along) / shadow.magnification;
    expect(Math.abs((past(setup).get(edge) ?? 0) - mm)).toBeLessThan(6);
  },
);
