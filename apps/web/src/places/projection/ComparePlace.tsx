/** Two projections, or one under two schools, side by side with the differences marked. */
import { RULES, type RuleId, type SetupRequest, type SummaryLine } from '@taktik/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { Press } from '../../ui/Press';
import { Note, Skeleton } from '../../ui/States';
import { useTheme } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { compute } from '../../workers/client';
import { toAddress, type Params } from '../setup/address';
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

export function ComparePlace() {
  const params: Params = useLocalSearchParams();
  const router = useRouter();
  const theme = useTheme();
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
  const rows =
    columns && !failed
      ? one.lines.map((line, i) => ({ name: line.name, texts: [line.text, other.lines[i].text] }))
      : [];
  const unlike = rows.filter(({ texts }) => texts[0] !== texts[1]).length;
  return (
    <Frame
      header={
        <PlaceHeader
          title="Side by side"
          detail={columns && !failed ? `${unlike} of ${rows.length} lines differ` : undefined}
        />
      }
    >
      <ScrollView contentContainerStyle={{ padding: 16, paddingTop: 0, gap: 10 }}>
        {!columns && <Skeleton rows={6} height={64} />}
        {failed && <Note tone="brick" title="This comparison cannot be computed" text={failed.error} />}
        {columns && !failed && (
          <View role="table" aria-label="Comparison" style={{ gap: 2 }}>
            <View role="row" style={{ flexDirection: 'row', gap: 8 }}>
              {[a, b].map((side, i) => (
                <View key={i} role="columnheader" style={{ flex: 1 }}>
                  <Press
                    label={`Set up ${(i === 0 ? one : other).name}`}
                    role="link"
                    onPress={() =>
                      router.push({
                        pathname: '/setup',
                        params: toAddress({ ...side.asked, side: side.request?.side }),
                      })
                    }
                    style={{ padding: 10 }}
                  >
                    <Words kind="heading">{(i === 0 ? one : other).name}</Words>
                    {schools[i] && (
                      <Words kind="label" tone="soft">
                        {schools[i].label}
                      </Words>
                    )}
                    {!schools[i] && schools.some(Boolean) && (
                      <Words kind="label" tone="soft">
                        as in force here
                      </Words>
                    )}
                  </Press>
                </View>
              ))}
            </View>
            {rows.map(({ name, texts }) => {
              const differs = texts[0] !== texts[1];
              return (
                <View
                  key={name}
                  role="row"
                  style={{ paddingVertical: 8, borderTopWidth: 1, borderTopColor: theme.line, gap: 4 }}
                >
                  <Words role="rowheader" kind="label" tone={differs ? 'lamp' : 'soft'}>
                    {differs ? `◆ ${name} differs` : name}
                  </Words>
                  <View style={{ flexDirection: 'row', gap: 8 }}>
                    {texts.map((each, i) => (
                      <View
                        key={i}
                        role="cell"
                        style={{
                          flex: 1,
                          padding: 8,
                          backgroundColor: theme.surface,
                          borderBottomWidth: 2,
                          borderBottomColor: differs ? theme.lamp : 'transparent',
                        }}
                      >
                        <Words kind="small" tone={differs ? 'ink' : 'soft'}>
                          {each}
                        </Words>
                      </View>
                    ))}
                  </View>
                </View>
              );
            })}
          </View>
        )}
      </ScrollView>
    </Frame>
  );
}
