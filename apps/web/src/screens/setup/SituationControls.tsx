/** The situation: presets that set many things at once, and every single thing that bars or opens a way. */
import {
  AMPUTATIONS,
  CAST_IDS,
  CASTS,
  CONDITION_IDS,
  CONDITIONS,
  IMMOBILIZED_REGIONS,
  levelSign,
  presetHolds,
  situationFor,
  situationPresets,
  SUSPECTED,
  tapPreset,
  WORN,
  type PatientInput,
  type PresetLayers,
  type Side,
  type Situation,
} from '@taktik/core';
import { useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { Choice, Several, Toggle } from '../../ui/Choice';
import { Press } from '../../ui/Press';
import { useTheme } from '../../ui/theme';
import { RAIL_FROM } from '../../ui/tokens';
import { Words } from '../../ui/Words';
import { JointLimitList } from './JointLimitList';

type Props = {
  patient: PatientInput;
  situation: Partial<Situation>;
  side: Side | undefined;
  onChange: (patient: PatientInput, situation: Partial<Situation>) => void;
};

const asOptions = <T extends string>(values: readonly T[]) => values.map((value) => ({ value, label: value }));
const BACK_RESTS = [0, 30, 45, 60] as const;

export function SituationPresets({ patient, situation, side, onChange }: Props) {
  const theme = useTheme();
  const all = situationPresets(side);
  // What was before a preset comes back when it is taken off again.
  const [layers, setLayers] = useState<PresetLayers>({ base: { patient, situation }, on: [] });
  const wide = useWindowDimensions().width >= RAIL_FROM;
  const presets = (
    <View
      role="group"
      aria-label="Situations"
      style={{ flexDirection: 'row', flexWrap: wide ? 'wrap' : 'nowrap', gap: 8 }}
    >
      {all.map((preset) => {
        const on = presetHolds(preset, { patient, situation });
        return (
          <Press
            key={preset.id}
            label={preset.name}
            role="checkbox"
            checked={on}
            chosen={on}
            onPress={() => {
              const tapped = tapPreset(preset, all, { patient, situation }, layers);
              setLayers(tapped.layers);
              onChange(tapped.now.patient, tapped.now.situation);
            }}
            style={{ paddingHorizontal: 14, backgroundColor: theme.surface }}
          >
            <Words kind="small">{`${on ? '✓ ' : ''}${preset.name}`}</Words>
          </Press>
        );
      })}
    </View>
  );
  // One row under the thumb on a phone, so that what comes of it stays in sight.
  return wide ? (
    presets
  ) : (
    <ScrollView horizontal showsHorizontalScrollIndicator={false} tabIndex={-1}>
      {presets}
    </ScrollView>
  );
}

export function SituationControls({ patient, situation, side, onChange }: Props) {
  const known = situationFor(patient.ageYears, situation);
  const can = (change: Partial<Situation>) => onChange(patient, { ...situation, ...change });
  return (
    <View style={{ gap: 14 }}>
      <Words kind="heading">What the patient can do</Words>
      <Toggle label="Stands" on={known.canStand} onChange={(canStand) => can({ canStand })} />
      <Toggle label="Sits" on={known.canSit} onChange={(canSit) => can({ canSit })} />
      <Toggle label="Lies flat" on={known.canLieFlat} onChange={(canLieFlat) => can({ canLieFlat })} />
      <Toggle label="Lies on the front" on={known.canProne} onChange={(canProne) => can({ canProne })} />
      <Toggle label="Kneels" on={known.canKneel !== false} onChange={(canKneel) => can({ canKneel })} />
      <Choice
        label="Turns"
        options={[
          { value: 'both', label: 'both ways' },
          { value: 'left', label: 'left' },
          { value: 'right', label: 'right' },
          { value: 'none', label: 'not at all' },
        ]}
        value={known.canTurn}
        onChange={(canTurn) => can({ canTurn })}
      />
      <Choice
        label="Propped on a back rest that stays"
        options={BACK_RESTS.map((degrees) => ({
          value: String(degrees),
          label: degrees === 0 ? 'no' : `${degrees}°`,
        }))}
        value={String(known.proppedDeg)}
        onChange={(degrees) => can({ proppedDeg: Number(degrees) })}
      />
      <Choice
        label="Raises an arm"
        options={[
          { value: 'both', label: 'both' },
          { value: 'left', label: 'left only' },
          { value: 'right', label: 'right only' },
          { value: 'none', label: 'neither' },
        ]}
        value={known.canRaiseArm}
        onChange={(canRaiseArm) => can({ canRaiseArm })}
      />
      <Toggle label="Holds the breath" on={known.holdsBreath} onChange={(holdsBreath) => can({ holdsBreath })} />
      <Toggle label="Keeps still" on={known.holdsStill} onChange={(holdsStill) => can({ holdsStill })} />
      <Choice
        label="Who could hold"
        options={[
          { value: 'none', label: 'nobody' },
          { value: 'someone', label: 'someone' },
          { value: 'may be pregnant', label: 'may be pregnant: does not hold' },
        ]}
        value={known.holder}
        onChange={(holder) => can({ holder })}
      />
      <Words kind="heading">What must be known</Words>
      <Toggle
        label="Spine not cleared"
        on={known.spineNotCleared}
        onChange={(spineNotCleared) => can({ spineNotCleared })}
      />
      <Toggle
        label="Fracture or dislocation suspected"
        on={known.fractureSuspected}
        onChange={(fractureSuspected) => can({ fractureSuspected })}
      />
      <Several
        label="Suspected"
        options={asOptions(SUSPECTED)}
        values={known.suspected}
        onChange={(suspected) => can({ suspected })}
      />
      {levelSign(known) !== null && (
        <Choice
          label="Suspected on which side of the chest"
          options={[
            { value: 'unknown', label: 'not known' },
            { value: 'left', label: 'left' },
            { value: 'right', label: 'right' },
          ]}
          value={known.suspectedSide ?? 'unknown'}
          onChange={(suspectedSide) => can({ suspectedSide })}
        />
      )}
      <Several
        label="Must not be moved"
        options={asOptions(IMMOBILIZED_REGIONS)}
        values={known.keepStill}
        onChange={(keepStill) => can({ keepStill })}
      />
      <Several
        label="Amputation"
        options={asOptions(AMPUTATIONS)}
        values={patient.amputated ?? []}
        onChange={(amputated) =>
          onChange({ ...patient, amputated: amputated.length > 0 ? amputated : undefined }, situation)
        }
      />
      <Several label="Worn" options={asOptions(WORN)} values={known.worn} onChange={(worn) => can({ worn })} />
      <Choice
        label="Cast round the part"
        options={CAST_IDS.map((value) => ({ value, label: CASTS[value].name }))}
        value={known.cast}
        onChange={(cast) => can({ cast })}
      />
      <Choice
        label="What changes the exposure"
        options={CONDITION_IDS.map((value) => ({ value, label: CONDITIONS[value].name }))}
        value={known.condition}
        onChange={(condition) => can({ condition })}
      />
      <JointLimitList joints={known.joints} side={side} onChange={(joints) => can({ joints })} />
      <Choice
        label="Where"
        options={[
          { value: 'room', label: 'in the room' },
          { value: 'bedside', label: 'at the bedside' },
          { value: 'chair', label: 'in a chair' },
          { value: 'resuscitation bay', label: 'resuscitation bay' },
          { value: 'incubator', label: 'in an incubator' },
        ]}
        value={known.place}
        onChange={(place) => can({ place })}
      />
      <Choice
        label="Pregnancy"
        options={[
          { value: 'not asked', label: 'not asked' },
          { value: 'no', label: 'no' },
          { value: 'possible', label: 'possible' },
        ]}
        value={known.pregnancy}
        onChange={(pregnancy) => can({ pregnancy })}
      />
    </View>
  );
}
