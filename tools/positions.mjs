/** A sheet of the mannequin in many positions and sizes, as a page for `npm run screenshots`. */

const SIDE = { right: [-1, 0, 0], up: [0, 0, 1] };
const FROM_TUBE = { right: [0, -1, 0], up: [0, 0, 1] };

const FIGURES = [
  ['standing, back', { position: 'upright', on: 'back' }, ['arms-clear'], FROM_TUBE],
  ['PA chest', { position: 'upright', on: 'front' }, ['chin-up', 'shoulders-rolled'], FROM_TUBE],
  ['left lateral', { position: 'upright', on: 'left' }, ['arms-overhead'], FROM_TUBE],
  ['RAO 45°', { position: 'upright', on: 'front', turn: { toward: 'right', degrees: 45 } }, ['arms-clear'], FROM_TUBE],
  ['newborn', { position: 'supine' }, ['arms-clear'], SIDE, { ageYears: 0 }],
  ['six years', { position: 'upright', on: 'back' }, ['arms-clear'], FROM_TUBE, { ageYears: 6 }],
  [
    '165 cm, 130 kg',
    { position: 'upright' },
    ['arms-clear'],
    FROM_TUBE,
    { sex: 'female', statureMm: 1650, massKg: 130 },
  ],
  ['stool', { position: 'seated' }, ['sitting-relaxed-arms'], SIDE],
  ['supine, pillow, sponge', { position: 'supine', pillowMm: 60, kneeSpongeMm: 150 }, ['arms-clear'], SIDE],
  ['knees up', { position: 'supine', pillowMm: 60 }, ['knees-up', 'arms-clear'], SIDE],
  ['prone', { position: 'prone' }, ['arms-clear'], SIDE],
  [
    'on the side',
    { position: 'lateral-recumbent', on: 'left', pillowMm: 90 },
    ['knees-drawn-up', 'arms-forward'],
    SIDE,
  ],
  ['back rest 45°', { position: 'semi-erect', backRestDeg: 45 }, ['arms-clear'], SIDE],
  ['kneeling', { position: 'kneeling', on: 'front', surfaceHeightMm: 0 }, ['arms-clear'], SIDE],
  ['Sims', { position: 'sims' }, [], SIDE],
  ['head down 15°', { position: 'head-down' }, ['arms-clear'], SIDE],
];

const dot = (a, b) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

function figure(core, [name, stance, poses, plane, patient = {}]) {
  const body = core.buildBody({ ageYears: 40, sex: 'male', ...patient });
  const { posed, surfaces } = core.restBody(body, core.stanceSchema.parse(stance), core.posesNamed(poses));
  const reach = (d) => core.furthestSkin(posed, d).reachMm;
  const minus = (d) => d.map((value) => -value);
  const [x0, x1] = [-reach(minus(plane.right)), reach(plane.right)];
  const [y0, y1] = [-reach(plane.up), reach(minus(plane.up))];
  const side = Math.max(x1 - x0, y1 - y0) * 1.12;
  const box = { x: (x0 + x1) / 2 - side / 2, y: (y0 + y1) / 2 - side / 2, width: side, height: side };
  const { skin, inner, features } = core.drawFigure(posed, plane, box, { cells: 220, fine: true });
  const line = side / 200;
  const held = surfaces
    .filter(({ kind }) => plane === SIDE && kind !== 'floor' && kind !== 'wall')
    .map(({ profile }) => `M${profile.map((p) => `${dot(p, plane.right)} ${-dot(p, plane.up)}`).join('L')}Z`)
    .join('');
  return `<figure><svg viewBox="${box.x} ${box.y} ${side} ${side}"><path d="${held}" fill="#d8cdba"/><path d="${skin}" fill="#eadfcb" stroke="#5d523f" stroke-width="${line}"/><path d="${inner}${features}" fill="none" stroke="#5d523f" stroke-width="${line * 0.75}" stroke-linecap="round"/></svg><figcaption>${name}</figcaption></figure>`;
}

/** @param core the bundled core */
export const positionsPage = (core) =>
  `<body><style>body{margin:12px;background:#fffdf8;display:grid;grid-template-columns:repeat(8,1fr);gap:8px;font:15px sans-serif;color:#3a342a}figure{margin:0;text-align:center}svg{width:100%}</style>${FIGURES.map((each) => figure(core, each)).join('')}</body>`;
