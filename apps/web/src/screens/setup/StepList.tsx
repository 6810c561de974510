/** The steps in the order of the hands, with a tick each; the next one wears the corner ticks. */
import type { LengthUnit, Setup, SetupStep } from '@taktik/core';
import { View } from 'react-native';
import { Tick } from '../../ui/Choice';
import { CornerTicks } from '../../ui/CornerTicks';
import { Press } from '../../ui/Press';
import { Caution } from '../../ui/States';
import { TermWords } from '../../ui/terms/TermWords';
import { Words } from '../../ui/Words';
import { FieldEdges } from './FieldEdges';

export const GROUP_NAMES: Record<SetupStep['group'], string> = {
  room: 'Room',
  patient: 'Patient',
  position: 'Position',
  centre: 'Centre',
  field: 'Field',
  marker: 'Marker',
  protect: 'Protect',
  technique: 'Technique',
  breathe: 'Breathe',
  expose: 'Expose',
  check: 'Check',
};

/** The step beside which stands where the edges of the light lie. */
export const opensField = ({ code }: SetupStep): boolean => code === 'step-light';
/** Where the text of a step begins: behind its tick and its group. */
const TEXT_FROM = 128;

export const nextStep = (setup: Setup, done: readonly string[]): SetupStep | undefined =>
  setup.steps.find((step) => !done.includes(step.id));

export function StepList({
  setup,
  unit,
  notFelt,
  done,
  onTick,
  onAsk,
}: {
  setup: Setup;
  unit: LengthUnit;
  /** Landmarks that are not felt in this patient. */
  notFelt?: readonly string[];
  done: readonly string[];
  onTick: (id: string) => void;
  /** Opens the terms of a line. */
  onAsk: (text: string) => void;
}) {
  const next = nextStep(setup, done);
  if (setup.steps.length === 0) return null;
  return (
    <View role="list" aria-label="Steps" style={{ gap: 2 }}>
      {setup.steps.map((step) => {
        const on = done.includes(step.id);
        return (
          <View key={step.id} role="listitem" style={{ gap: 4 }}>
            {step.cautions.map((text) => (
              <Caution key={text} text={text} />
            ))}
            <Press
              label={`${GROUP_NAMES[step.group]}: ${step.text}`}
              role="checkbox"
              checked={on}
              plain
              onPress={() => onTick(step.id)}
              onAsk={() => onAsk(step.text)}
              style={{
                flexDirection: 'row',
                alignItems: 'center',
                justifyContent: 'flex-start',
                gap: 10,
                paddingHorizontal: 10,
                paddingVertical: 6,
              }}
            >
              <Tick on={on} />
              <Words kind="small" tone="soft" style={{ width: 72 }}>
                {GROUP_NAMES[step.group]}
              </Words>
              <TermWords text={step.text} tone={on ? 'soft' : 'ink'} style={{ flex: 1 }} />
              {step === next && <CornerTicks />}
            </Press>
            {opensField(step) && !on && (
              <View style={{ paddingLeft: TEXT_FROM, paddingRight: 10, paddingBottom: 6 }}>
                <FieldEdges setup={setup} unit={unit} notFelt={notFelt} ofStep />
              </View>
            )}
          </View>
        );
      })}
    </View>
  );
}
