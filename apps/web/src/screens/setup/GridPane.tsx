/** The grid of this set-up: what it bears, which tube angles it allows, and what it takes as it stands in truth. */
import {
  CENTRE_SHARE,
  EDGE_SHARE,
  formatLength,
  GRID_ABOVE_KVP,
  gridFromMm,
  inches,
  centimetres,
  OVERRIDE_RANGES,
  type GridCheck,
  type LengthUnit,
  type Overrides,
  type Setup,
} from '@taktik/core';
import { View } from 'react-native';
import { Stepper } from '../../ui/Stepper';
import { Words } from '../../ui/Words';

type Props = { setup: Setup; unit: LengthUnit; overrides: Overrides; pull: (change: Overrides) => void };

const percent = (share: number): string => `${Math.round(share * 100)} %`;

function losses({ offCentre, offLevel, offFocus, centre, worseEdge }: GridCheck): [string, string][] {
  return [
    ['off-centre', percent(offCentre)],
    ['off-level, or the CR angled across the strips', percent(offLevel)],
    ['off focus, at the edge of the field', percent(offFocus)],
    ['all together, at the centre', percent(centre)],
    ['all together, at the worse edge', percent(worseEdge)],
  ];
}

export function GridPane({ setup, unit, overrides, pull }: Props) {
  const { grid } = setup.image;
  const { exposure, tube } = setup;
  const { wanted, scatter } = exposure.gridBy;
  const rule = `From ${formatLength(gridFromMm(setup.patient), unit)}, or above ${GRID_ABOVE_KVP} kVp in a part that is not thin, a grid is wanted: here ${formatLength(exposure.thicknessMm, unit)} at ${exposure.kVp} kVp, ${scatter.toFixed(1)} parts of scatter to one of primary.`;
  if (!grid)
    return (
      <Words kind="small" tone={wanted ? 'mauve' : 'ink'}>
        {wanted ? `● ${rule} There is none: expect less contrast.` : `No grid. ${rule}`}
      </Words>
    );
  const perUnit = unit === 'in' ? inches(1) : centimetres(1);
  const [near, far] = grid.tolerance.distanceMm;
  const ways = grid.strips === 'up' ? tube.ways.join(' to ') : 'side to side';
  const bad = grid.centre >= CENTRE_SHARE || grid.worseEdge >= EDGE_SHARE;
  return (
    <View style={{ gap: 6 }}>
      <Words kind="heading">Grid</Words>
      <Words kind="small">{rule}</Words>
      <Words kind="small">{`${grid.ratio}:1 for ${formatLength(grid.focusMm, unit)}; strips run ${ways}. The focal spot is ${formatLength(grid.distanceMm, unit)} from it, perpendicular to it.`}</Words>
      <Words kind="small">
        {grid.strips === 'up'
          ? grid.angleUpToDeg > 0
            ? `Along the strips the CR may be angled up to ${Math.floor(grid.angleUpToDeg)}° at this SID; across them no more than ${grid.tolerance.tiltDeg.toFixed(1)}°.`
            : `At this SID the edges lose more than ${percent(EDGE_SHARE)} already without an angle.`
          : `The strips run across the tube’s angle: no more than ${grid.tolerance.tiltDeg.toFixed(1)}°. Turn the grid.`}
      </Words>
      <Words kind="small">{`It bears ${grid.tolerance.tiltDeg.toFixed(1)}° off-level or ${formatLength(grid.tolerance.offCentreMm, unit)} off-centre (${percent(CENTRE_SHARE)} lost), and a distance of ${formatLength(near, unit)} to ${far === null ? 'any' : formatLength(far, unit)} (${percent(EDGE_SHARE)} at the edge).`}</Words>
      <Stepper
        label="Off-level, across the strips"
        unit="°"
        value={overrides.gridLevelDeg ?? 0}
        step={1}
        digits={1}
        range={OVERRIDE_RANGES.gridLevelDeg}
        onChange={(gridLevelDeg) => pull({ gridLevelDeg })}
      />
      <Stepper
        label="Off-centre, across the strips"
        unit={unit}
        value={(overrides.gridCentreMm ?? 0) / perUnit}
        step={0.5}
        digits={1}
        range={[OVERRIDE_RANGES.gridCentreMm[0] / perUnit, OVERRIDE_RANGES.gridCentreMm[1] / perUnit]}
        onChange={(value) => pull({ gridCentreMm: Math.round(value * perUnit) })}
      />
      <View role="table" aria-label="What the grid takes" style={{ gap: 2 }}>
        {losses(grid).map(([name, share]) => (
          <View key={name} role="row" style={{ flexDirection: 'row', gap: 8 }}>
            <Words role="rowheader" kind="small" tone="soft" style={{ flex: 1 }}>
              {name}
            </Words>
            <Words role="cell" kind="small">
              {share}
            </Words>
          </View>
        ))}
      </View>
      {bad && (
        <Words kind="small" tone="brick">
          {grid.centre >= CENTRE_SHARE
            ? '▲ The whole picture is underexposed. More mAs is the wrong cure: level the grid and centre it.'
            : '▲ The edges are underexposed: the distance is not the grid’s.'}
        </Words>
      )}
    </View>
  );
}
