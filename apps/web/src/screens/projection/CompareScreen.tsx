/** Two projections, or one under two schools, side by side with the differences marked. */
import { RULES, type RuleId, type SetupRequest, type SummaryLine } from '@taktik/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { Note, Skeleton } from '../../ui/States';
import { compute } from '../../workers/client';
import { toAddress, type Params } from '../setup/address';
import { CompareTable, unlikeLines } from './CompareTable';
import { useRequest, type Requested } from './useRequest';

type Column = { name: string; lines: SummaryLine[] } | { error: string };

const text = (params: Params, key: string): string => {
  const value = params[key];
  return (Array.isArray(value) ? value[0] : value) ?? '';
};

/** "rule:choice" as it stands in an address; null when it names nothing. */
function schoolOf(value: string): { rule: RuleId; choice: string; label: string } | null {
  const [rule, choice] = value.split(':');
  const known = (RULES as Record<string, { title: string; choices: Record<string, string> }>)[rule];
  if (!known || !(choice in known.choices)) return null;
  return { rule: rule as RuleId, choice, label: `${known.title}: ${known.choices[choice]}` };
}

function underSchool({ request }: Requested, school: ReturnType<typeof schoolOf>): SetupRequest | null {
  if (!request || !school) return request;
  return { ...request, rules: { ...request.rules, [school.rule]: school.choice } };
}

export function CompareScreen() {
  const params: Params = useLocalSearchParams();
  const router = useRouter();
  const [a, b] = [useRequest({ ...params, p: text(params, 'a') }), useRequest({ ...params, p: text(params, 'b') })];
  const schools = [schoolOf(text(params, 'ra')), schoolOf(text(params, 'rb'))];
  const requests = [underSchool(a, schools[0]), underSchool(b, schools[1])];
  const key = JSON.stringify([a.key, b.key, text(params, 'ra'), text(params, 'rb')]);
  const [made, setMade] = useState<{ key: string; columns: Column[] } | null>(null);
  const missing = [a, b].find(({ projection, loading }) => !projection && !loading);

  useEffect(() => {
    if (!requests[0] || !requests[1]) return;
    let here = true;
    compute()
      .lines(requests as SetupRequest[])
      .then((columns) => here && setMade({ key, columns }))
      .catch((error: Error) => here && setMade({ key, columns: [{ error: error.message }, { error: error.message }] }));
    return () => {
      here = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);

  if (missing)
    return (
      <Frame header={<PlaceHeader title="Side by side" />}>
        <View style={{ padding: 16 }}>
          <Note
            tone="brick"
            title="Nothing to compare"
            text={`There is no projection "${missing.asked.projectionId}". Take two into the comparison in Find.`}
            action="Find a projection"
            onAction={() => router.push('/find')}
          />
        </View>
      </Frame>
    );
  const columns = made?.key === key ? made.columns : null;
  const failed = columns?.find((column): column is { error: string } => 'error' in column);
  const [one, other] = (columns ?? []) as { name: string; lines: SummaryLine[] }[];
  const unlike = columns && !failed ? unlikeLines([one.lines, other.lines]) : 0;
  return (
    <Frame
      header={
        <PlaceHeader
          title="Side by side"
          detail={columns && !failed ? `${unlike} of ${one.lines.length} lines differ` : undefined}
        />
      }
    >
      <ScrollView contentContainerStyle={{ padding: 16, paddingTop: 0, gap: 10 }}>
        {!columns && <Skeleton rows={6} height={64} />}
        {failed && <Note tone="brick" title="This comparison cannot be computed" text={failed.error} />}
        {columns && !failed && (
          <CompareTable
            columns={[a, b].map((side, i) => ({
              ...(i === 0 ? one : other),
              note: schools[i]?.label ?? (schools.some(Boolean) ? 'as in force here' : undefined),
              press: `Set up ${(i === 0 ? one : other).name}`,
              onPress: () =>
                router.push({ pathname: '/setup', params: toAddress({ ...side.asked, side: side.request?.side }) }),
            }))}
          />
        )}
      </ScrollView>
    </Frame>
  );
}
