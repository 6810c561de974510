/** Which schools this house follows here, and what was assumed. */
import type { Setup } from '@taktik/core';
import { View } from 'react-native';
import { Words } from '../../ui/Words';

export function Assumptions({ setup }: { setup: Setup }) {
  return (
    <View style={{ gap: 8 }}>
      {setup.schools.map((school) => (
        <View key={school.rule}>
          <Words kind="label" tone="soft">{`House rule · ${school.title}`}</Words>
          <Words kind="small">{`${school.choice}: ${school.reason}`}</Words>
        </View>
      ))}
      {setup.assumptions.map((assumption) => (
        <View key={assumption.field}>
          <Words kind="label" tone="mauve">{`● ${assumption.provenance}`}</Words>
          <Words kind="small">{`${assumption.value}. Affects ${assumption.affects}.`}</Words>
        </View>
      ))}
    </View>
  );
}
