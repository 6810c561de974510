/** How a readout was computed, what it may range over, and the hand on it: every other number follows. */
import { Button } from '@rneui/themed';
import {
  centimetres,
  edgeNames,
  formatCm,
  formatInches,
  formatLength,
  formatRectangle,
  inches,
  OVERRIDE_RANGES,
  type LengthUnit,
  type Overrides,
  type Room,
  type Setup,
  type SetupRequest,
  capitalize,
  movedTo,
  movedToSide,
} from '@taktik/core';
import { View } from 'react-native';
import { Choice } from '../../ui/Choice';
import { Sheet } from '../../ui/Sheet';
import { Stepper } from '../../ui/Stepper';
import { Words } from '../../ui/Words';
import { GridPane } from './GridPane';
import { FieldEdges } from './FieldEdges';
import { TechniquePane } from './TechniquePane';

export type ReadoutName = 'receptor' | 'sid' | 'tube' | 'centre' | 'field' | 'technique';
export const READOUTS: readonly ReadoutName[] = ['receptor', 'sid', 'tube', 'centre', 'field', 'technique'];
export const READOUT_TITLES: Record<ReadoutName, string> = {
  receptor: 'Receptor',
  sid: 'SID',
  tube: 'Tube',
  centre: 'Centre',
  field: 'Field',
  technique: 'Technique',
};

/** Which overrides each readout holds, so that "as computed" can take them back. */
const PULLED_BY: Record<ReadoutName, readonly (keyof Overrides)[]> = {
  receptor: ['receptorId', 'orientation', 'grid', 'holder', 'gridLevelDeg', 'gridCentreMm'],
  sid: ['sidMm'],
  tube: ['angleDeg'],
  centre: ['aimMm', 'notFelt'],
  field: ['fieldMm'],
  technique: ['kVp', 'mAs', 'mA', 'focalSpot', 'aecCells', 'aecDensity', 'factors'],
};
export const isPulled = (name: ReadoutName, overrides: Overrides | undefined): boolean =>
  PULLED_BY[name].some((key) => overrides?.[key] !== undefined);

type Props = {
  name: ReadoutName | null;
  setup: Setup;
  request: SetupRequest;
  room: Room | undefined;
  unit: LengthUnit;
  overrides: Overrides;
  onChange: (overrides: Overrides) => void;
  onClose: () => void;
};

export function ReadoutSheet({ name, setup, request, room, unit, overrides, onChange, onClose }: Props) {
  if (!name) return null;
  const pull = (change: Overrides) =>
    onChange(
      Object.fromEntries(
        Object.entries<unknown>({ ...overrides, ...change }).filter(([, value]) => value !== undefined),
      ) as Overrides,
    );
  const release = () =>
    onChange(
      Object.fromEntries(
        Object.entries(overrides).filter(([key]) => !PULLED_BY[name].includes(key as keyof Overrides)),
      ),
    );
  return (
    <Sheet title={READOUT_TITLES[name]} open onClose={onClose}>
      <Body name={name} setup={setup} request={request} room={room} unit={unit} overrides={overrides} pull={pull} />
      {isPulled(name, overrides) && <Button title="As computed" onPress={release} />}
      <View role="status" aria-label="What follows" style={{ gap: 4 }}>
        <Words kind="small" tone="soft">
          With this
        </Words>
        <Words>{`Object ${formatLength(setup.image.objectDistanceMm, unit)} over the receptor, enlargement ${Math.round((setup.image.magnification - 1) * 100)} %, geometric blur ${setup.image.blurMm.toFixed(2)} mm, ${setup.exposure.kVp} kVp, ${setup.exposure.mAs} mAs`}</Words>
        {setup.problems.map((problem) => (
          <Words key={problem.text} kind="small" tone="brick">{`▲ ${problem.text}`}</Words>
        ))}
      </View>
    </Sheet>
  );
}

/** An aim of one's own: so far from the usual one, along the part and across it. */
function OwnAim({
  setup,
  aim = [0, 0],
  pull,
  unit,
}: { aim: Overrides['aimMm'] } & Pick<BodyProps, 'setup' | 'pull' | 'unit'>) {
  const names = edgeNames(setup);
  const perUnit = unit === 'in' ? inches(1) : centimetres(1);
  const range = [OVERRIDE_RANGES.aimMm[0] / perUnit, OVERRIDE_RANGES.aimMm[1] / perUnit] as const;
  return (
    <>
      <Words
        kind="small"
        tone="soft"
      >{`Another centring point than the usual one, for this patient. Above 0 is ${movedToSide(names.up)}, and ${movedToSide(names.right)}.`}</Words>
      <Stepper
        label={capitalize(movedToSide(names.up))}
        unit={unit}
        value={aim[0] / perUnit}
        step={unit === 'in' ? 0.25 : 0.5}
        digits={2}
        range={range}
        onChange={(value) => pull({ aimMm: [Math.round(value * perUnit), aim[1]] })}
      />
      <Stepper
        label={capitalize(movedToSide(names.right))}
        unit={unit}
        value={aim[1] / perUnit}
        step={unit === 'in' ? 0.25 : 0.5}
        digits={2}
        range={range}
        onChange={(value) => pull({ aimMm: [aim[0], Math.round(value * perUnit)] })}
      />
    </>
  );
}

type BodyProps = {
  name: ReadoutName;
  setup: Setup;
  request: SetupRequest;
  room: Room | undefined;
  unit: LengthUnit;
  overrides: Overrides;
  pull: (change: Overrides) => void;
};
const Line = ({ text }: { text: string }) => <Words>{text}</Words>;

function Body({ name, setup, request, room, unit, overrides, pull }: BodyProps) {
  const { field, tube, receptor, centre } = setup;
  const perUnit = unit === 'in' ? inches(1) : centimetres(1);
  const both = (mm: number) => `${formatInches(mm)} in, ${formatCm(mm)} cm`;
  switch (name) {
    case 'receptor': {
      const receptorIds = room?.holders.find(({ kind }) => kind === receptor.holder)?.receptorIds ?? [];
      const options =
        room?.receptors
          .filter(({ id }) => receptorIds.includes(id))
          .map(({ id, name: label }) => ({ value: id, label })) ?? [];
      return (
        <>
          <Line
            text={`The field of ${formatRectangle(field.neededMm.width, field.neededMm.height, unit)} needs it. Usual: ${receptor.usual}.`}
          />
          <Line
            text={`Active area ${formatRectangle(receptor.size.widthMm, receptor.size.heightMm, unit)}; ${formatLength(receptor.clearanceMm, unit)} left at the nearer edge.`}
          />
          <Choice
            label="Only this one is left"
            options={options}
            value={receptor.size.id}
            onChange={(receptorId) => pull({ receptorId })}
          />
          {!receptor.size.fixed && receptor.outcome !== 'diagonal' && (
            <Choice
              label="Way up"
              options={[
                { value: 'lengthwise', label: 'lengthwise' },
                { value: 'crosswise', label: 'crosswise' },
              ]}
              value={receptor.orientation}
              onChange={(orientation) => pull({ orientation })}
            />
          )}
          <Choice
            label="Grid"
            options={[
              { value: 'on', label: 'with grid' },
              { value: 'off', label: 'without' },
            ]}
            value={receptor.grid ? 'on' : 'off'}
            onChange={(value) => pull({ grid: value === 'on' })}
          />
          <GridPane setup={setup} unit={unit} overrides={overrides} pull={pull} />
        </>
      );
    }
    case 'sid':
      return (
        <>
          <Line
            text={`Wanted ${both(tube.sidWantedMm)}. Usual range ${formatLength(tube.sidRangeMm[0], unit)} to ${formatLength(tube.sidRangeMm[1], unit)}. Measured along the CR.`}
          />
          <Line text={`Focal spot ${both(tube.heightMm)} above the ${tube.heightOver}.`} />
          <Stepper
            label="SID I can reach"
            unit={unit}
            value={tube.sidMm / perUnit}
            step={1}
            digits={1}
            range={[OVERRIDE_RANGES.sidMm[0] / perUnit, OVERRIDE_RANGES.sidMm[1] / perUnit]}
            onChange={(value) => pull({ sidMm: Math.round(value * perUnit) })}
          />
        </>
      );
    case 'tube': {
      const signed = tube.angleToward === 'feet' ? -tube.angleDeg : tube.angleDeg;
      return (
        <>
          <Line
            text={`Taught: ${tube.angleRangeDeg[0]} to ${tube.angleRangeDeg[1]}°. Above 0 is ${movedTo(tube.ways[0])}, below 0 ${movedTo(tube.ways[1])}.`}
          />
          {tube.receptorShiftToward && (
            <Line
              text={`The CR then meets the receptor plane ${both(tube.receptorShiftMm)} ${movedTo(tube.receptorShiftSays)}: the receptor goes with it.`}
            />
          )}
          <Stepper
            label="Tube angle"
            unit="°"
            value={signed}
            step={1}
            range={OVERRIDE_RANGES.angleDeg}
            onChange={(angleDeg) => pull({ angleDeg })}
          />
        </>
      );
    }
    case 'centre':
      return (
        <>
          <Line text={centre.text} />
          {centre.checkBy.map((check) => (
            <Line key={check.landmark} text={`Check: ${check.text}`} />
          ))}
          <OwnAim setup={setup} aim={overrides.aimMm} pull={pull} unit={unit} />
          <Words kind="small" tone="soft">
            Computed on the body model of this patient. The hand on the landmark decides.
          </Words>
        </>
      );
    case 'field':
      return (
        <>
          <Line text={`Must show: ${field.mustShow.join(', ')}.`} />
          <Line
            text={`Needed ${formatRectangle(field.neededMm.width, field.neededMm.height, unit)} at the receptor; ${formatRectangle(field.atSkinMm.width, field.atSkinMm.height, unit)} is what the light shows on the skin.`}
          />
          <FieldEdges setup={setup} unit={unit} notFelt={overrides.notFelt} />
          <Stepper
            label="Width"
            unit={unit}
            value={field.atReceptorMm.width / perUnit}
            step={0.5}
            digits={1}
            range={[OVERRIDE_RANGES.fieldMm[0] / perUnit, OVERRIDE_RANGES.fieldMm[1] / perUnit]}
            onChange={(value) => pull({ fieldMm: [Math.round(value * perUnit), field.atReceptorMm.height] })}
          />
          <Stepper
            label="Length"
            unit={unit}
            value={field.atReceptorMm.height / perUnit}
            step={0.5}
            digits={1}
            range={[OVERRIDE_RANGES.fieldMm[0] / perUnit, OVERRIDE_RANGES.fieldMm[1] / perUnit]}
            onChange={(value) => pull({ fieldMm: [field.atReceptorMm.width, Math.round(value * perUnit)] })}
          />
        </>
      );
    case 'technique':
      return (
        <TechniquePane setup={setup} request={request} room={room} unit={unit} overrides={overrides} pull={pull} />
      );
  }
}
