/** Which view is it: a picture, and four names. */
import { Button } from '@rneui/themed';
import { NO_POSITIONING_ERROR } from '@taktik/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Choice } from '../../ui/Choice';
import { ExercisePicture } from './ExercisePicture';
import type { QuestionProps } from './questionProps';

export function ViewQuestion({ scenario, core, room, size, done, onAnswer }: QuestionProps<'which view'>) {
  const [chosen, setChosen] = useState<string | undefined>(undefined);
  const choices = core.viewChoices(scenario);
  return (
    <View style={{ gap: 12 }}>
      <ExercisePicture
        input={{
          request: { ...scenario.of, room },
          positioningError: NO_POSITIONING_ERROR,
          breath: null,
          motionMm: 0,
          seed: scenario.seed,
          exposure: 0,
        }}
        size={size}
        name="a view to be named"
      />
      <Choice
        label="Which view is it"
        options={choices.map(({ id, name }) => ({ value: id, label: name }))}
        value={chosen}
        onChange={setChosen}
      />
      {!done && (
        <Button
          title="Check"
          disabled={chosen === undefined}
          onPress={() => chosen && onAnswer({ kind: 'which view', projectionId: chosen })}
        />
      )}
    </View>
  );
}
