/** The rooms that ship with the demo: two that differ and a mobile unit. Figures are ordinary, not of any product. */
import { MAS_STATIONS } from '../quantity/station';
import { inches } from '../quantity/length';
import { USUAL_TABLE } from './table';
import { checkRoom, type Grid, type Receptor, type Room } from './room';

/** Plates are named in whole inches; the edge of the housing takes a little of the nominal size. */
const EDGE_MM = 3;
const plate = (w: number, h: number): Receptor => ({
  id: `${w}x${h}`,
  name: `${w}×${h}`,
  widthMm: inches(w) - EDGE_MM,
  heightMm: inches(h) - EDGE_MM,
  fixed: false,
});
const panel = (id: string, w: number, h: number): Receptor => ({ ...plate(w, h), id, fixed: true });

/** Loose receptors beside the patient or underfoot: every room has them. */
const loose = (receptorIds: string[], clip: Grid): Room['holders'] => [
  { kind: 'stand', gapMm: 10, grid: clip, gridRemovable: true, receptorIds, aec: false },
  { kind: 'floor', gapMm: 12, grid: null, gridRemovable: false, receptorIds, aec: false },
];

const clipGrid: Grid = { id: 'clip-6', ratio: 6, focusMm: inches(44) };
const trayGrid: Grid = { id: 'tray-10', ratio: 10, focusMm: inches(40) };
const wallGrid: Grid = { id: 'wall-10', ratio: 10, focusMm: inches(72) };

/** Fixed room with flat panels in table and wall and two loose ones. */
export const ROOM_ONE: Room = checkRoom({
  id: 'room-1',
  name: 'Room 1',
  kind: 'fixed',
  tube: { focusHeightMm: [450, 2150], wallSidMm: [1000, 2000], maxAngleDeg: 45, maxFieldAtMetreMm: 430 },
  surfaceHeightMm: 780,
  table: USUAL_TABLE,
  holders: [
    { kind: 'table-tray', gapMm: 62, grid: trayGrid, gridRemovable: true, receptorIds: ['panel-table'], aec: true },
    { kind: 'table-top', gapMm: 12, grid: null, gridRemovable: false, receptorIds: ['10x12', '14x17'], aec: false },
    { kind: 'wall', gapMm: 40, grid: wallGrid, gridRemovable: true, receptorIds: ['panel-wall'], aec: true },
    ...loose(['10x12', '14x17'], clipGrid),
  ],
  receptors: [panel('panel-table', 17, 17), panel('panel-wall', 17, 17), plate(10, 12), plate(14, 17)],
  generator: {
    maxKvp: 150,
    masStations: [...MAS_STATIONS],
    smallFocusMa: 200,
    largeFocusMa: 500,
    smallFocusKw: 32,
    largeFocusKw: 80,
    smallFocusMm: 0.6,
    largeFocusMm: 1.2,
    filtrationMmAl: 3,
    outputUGyPerMas: 81.6,
    outputPower: 2.09,
    points: [
      { kVp: 60, mAs: 10, distanceMm: 1000, kermaUGy: 452 },
      { kVp: 80, mAs: 10, distanceMm: 1000, kermaUGy: 806 },
      { kVp: 100, mAs: 10, distanceMm: 1000, kermaUGy: 1290 },
      { kVp: 120, mAs: 10, distanceMm: 1000, kermaUGy: 1926 },
    ],
    chartFactor: 0.6,
    targetIndex: 300,
    targetIndexFree: 600,
  },
});

/** Older fixed room: plates of four sizes, a low ceiling, a wall stand that is reached to 60 in only. */
export const ROOM_TWO: Room = checkRoom({
  id: 'room-2',
  name: 'Room 2',
  kind: 'fixed',
  tube: { focusHeightMm: [600, 1900], wallSidMm: [1000, 1525], maxAngleDeg: 35, maxFieldAtMetreMm: 430 },
  surfaceHeightMm: 800,
  table: {
    ...{ lengthMm: 2100, widthMm: 760, topAlongMm: 400, topAcrossMm: 110, trayMm: 320 },
    ...{ mostKg: 180, mostOutKg: 135 },
  },
  holders: [
    {
      kind: 'table-tray',
      gapMm: 70,
      grid: { ...trayGrid, id: 'tray-8', ratio: 8 },
      gridRemovable: false,
      receptorIds: ['8x10', '10x12', '14x17'],
      aec: true,
    },
    {
      kind: 'table-top',
      gapMm: 15,
      grid: null,
      gridRemovable: false,
      receptorIds: ['8x10', '10x12', '14x17'],
      aec: false,
    },
    {
      kind: 'wall',
      gapMm: 45,
      grid: { ...wallGrid, id: 'wall-8', ratio: 8, focusMm: inches(60) },
      gridRemovable: false,
      receptorIds: ['8x10', '10x12', '14x17'],
      aec: true,
    },
    ...loose(['8x10', '10x12', '14x17'], clipGrid),
  ],
  receptors: [plate(8, 10), plate(10, 12), plate(14, 17)],
  generator: {
    maxKvp: 125,
    masStations: [...MAS_STATIONS],
    smallFocusMa: 100,
    largeFocusMa: 300,
    smallFocusKw: 20,
    largeFocusKw: 50,
    smallFocusMm: 0.6,
    largeFocusMm: 1.2,
    filtrationMmAl: 3.2,
    outputUGyPerMas: 72,
    chartFactor: 1,
    targetIndex: 500,
    targetIndexFree: 1000,
    scale: { kind: 'inverse', kUGy: 1750 },
  },
});

/** Mobile unit: two loose panels, a clip-on 6:1 grid, the tube arm ends at about two metres. */
export const MOBILE_UNIT: Room = checkRoom({
  id: 'mobile-1',
  name: 'Mobile unit',
  kind: 'mobile',
  tube: { focusHeightMm: [600, 2000], wallSidMm: null, maxAngleDeg: 30, maxFieldAtMetreMm: 430 },
  surfaceHeightMm: 720,
  holders: [
    {
      kind: 'bed',
      gapMm: 20,
      grid: clipGrid,
      gridRemovable: true,
      receptorIds: ['10x12', '14x17'],
      aec: false,
    },
    ...loose(['10x12', '14x17'], clipGrid),
  ],
  receptors: [plate(10, 12), plate(14, 17)],
  generator: {
    maxKvp: 125,
    masStations: [...MAS_STATIONS],
    smallFocusMa: 200,
    largeFocusMa: 320,
    smallFocusKw: 25,
    largeFocusKw: 40,
    smallFocusMm: 0.7,
    largeFocusMm: 1.3,
    outputUGyPerMas: 75,
    chartFactor: 0.6,
    targetIndex: 300,
    targetIndexFree: 600,
  },
});

export const demoRooms: readonly Room[] = [ROOM_ONE, ROOM_TWO, MOBILE_UNIT];
