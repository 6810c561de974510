/** The other schools of this projection, with their numbers for this patient in this room, when they are asked for. */
import { RULES, type HouseRules, type RuleId, type SchoolsOfRule, type Setup, type SetupRequest } from '@taktik/core';
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { useVersionsQuery } from '../../state/api';
import { Press } from '../../ui/Press';
import { Words } from '../../ui/Words';
import { compute } from '../../workers/client';
import { SchoolList } from '../projection/SchoolList';
import type { Address } from './address';

type Props = {
  /** Schools that this set-up follows. */
  followed: Setup['schools'];
  request: SetupRequest;
  address: Address;
  /** Rules that are another choice here. */
  chosen: Partial<HouseRules>;
  onChoose: (rule: RuleId, choice: string | undefined) => void;
};

/** What the department has decided otherwise than is shipped, where it bears on this set-up. */
function OfHouse({ followed, chosen, setBy }: Pick<Props, 'followed' | 'chosen'> & { setBy: string | null }) {
  const decided = followed.filter(({ rule, choice }) => {
    const { choices, default: usual } = RULES[rule as RuleId] as {
      choices: Readonly<Record<string, string>>;
      default: string;
    };
    return !(rule in chosen) && choice !== choices[usual];
  });
  return decided.map(({ rule, title, choice }) => (
    <Words key={rule} kind="small" tone="soft">
      {`Rule of this department${setBy ? `, last set by ${setBy}` : ''}: ${title}: ${choice}`}
    </Words>
  ));
}

/** What is done here otherwise than the house does it, with the way back. */
function ChosenHere({ chosen, onChoose }: Pick<Props, 'chosen' | 'onChoose'>) {
  const rules = Object.entries(chosen) as [RuleId, string][];
  return rules.map(([rule, choice]) => {
    const { title, choices } = RULES[rule] as { title: string; choices: Readonly<Record<string, string>> };
    return (
      <View key={rule} role="status" style={{ gap: 2 }}>
        <Words kind="small" tone="mauve">{`● Here, not as the house: ${title}: ${choices[choice]}`}</Words>
        <Press
          label={`As the house has it: ${title}`}
          plain
          onPress={() => onChoose(rule, undefined)}
          style={{ paddingHorizontal: 2 }}
        >
          <Words kind="small" tone="lamp">
            As the house has it
          </Words>
        </Press>
      </View>
    );
  });
}

export function OtherSchools({ followed, request, address, chosen, onChoose }: Props) {
  const router = useRouter();
  const { data: versions } = useVersionsQuery();
  const [open, setOpen] = useState(false);
  const [found, setFound] = useState<{ key: string; schools: SchoolsOfRule[] } | null>(null);
  const key = JSON.stringify(request);
  useEffect(() => {
    if (!open) return;
    let here = true;
    compute()
      .schools(JSON.parse(key) as SetupRequest)
      .then((schools) => here && setFound({ key, schools }))
      // What cannot be computed is said where the set-up stands.
      .catch(() => undefined);
    return () => {
      here = false;
    };
  }, [open, key]);
  return (
    <View style={{ gap: 8 }}>
      <OfHouse followed={followed} chosen={chosen} setBy={versions?.changedBy.rules ?? null} />
      <ChosenHere chosen={chosen} onChoose={onChoose} />
      <Press
        label={open ? 'Hide the other schools' : 'Show the other schools with their numbers'}
        plain
        onPress={() => setOpen(!open)}
        style={{ paddingHorizontal: 2 }}
      >
        <Words kind="small" tone="lamp">
          {open ? 'Hide the other schools' : 'Other schools with their numbers'}
        </Words>
      </Press>
      {open &&
        found?.key === key &&
        found.schools.map((rule) => (
          <SchoolList
            key={rule.rule}
            schools={rule}
            setBy={versions?.changedBy.rules}
            onChoose={(choice) => onChoose(rule.rule, choice)}
            onCompare={(choice) =>
              router.push({
                pathname: '/compare',
                params: { ...address, a: request.projectionId, b: request.projectionId, rb: `${rule.rule}:${choice}` },
              })
            }
          />
        ))}
    </View>
  );
}
