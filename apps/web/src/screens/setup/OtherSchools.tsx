/** The other schools of this projection, with their numbers for this patient in this room, when they are asked for. */
import type { SchoolsOfRule, SetupRequest } from '@taktik/core';
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { Press } from '../../ui/Press';
import { Words } from '../../ui/Words';
import { compute } from '../../workers/client';
import { SchoolList } from '../projection/SchoolList';
import type { Address } from './address';

type Props = { request: SetupRequest; address: Address };

export function OtherSchools({ request, address }: Props) {
  const router = useRouter();
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
