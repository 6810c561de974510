/** Competence by projection and type of patient: practised, exposed, signed; on paper and as a table. */
import { useLocalSearchParams, useRouter } from 'expo-router';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { API_BASE, useCompetenceQuery, usePeopleQuery, useSignOffMutation, type CompetenceRow } from '../../state/api';
import { useAppSelector } from '../../state/hooks';
import { Choice } from '../../ui/Choice';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { Press } from '../../ui/Press';
import { Caution, Note, Skeleton } from '../../ui/States';
import { useTheme } from '../../ui/theme';
import { RADIUS, RAIL_FROM } from '../../ui/tokens';
import { LEAF, NO_PRINT, usePrintStyle } from '../../ui/usePrintStyle';
import { Words } from '../../ui/Words';

const dayOf = (at: number): string =>
  new Date(at).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
const plural = (count: number, one: string, many: string): string => `${count} ${count === 1 ? one : many}`;

export function CompetenceScreen() {
  const me = useAppSelector((state) => state.who.person);
  const params = useLocalSearchParams();
  const router = useRouter();
  usePrintStyle();
  const { data: people } = usePeopleQuery();
  const students = (people ?? []).filter(({ role }) => role === 'student');
  const asked = typeof params.person === 'string' ? params.person : undefined;
  const shownId = me?.role === 'student' ? me.id : (asked ?? students[0]?.id ?? me?.id);
  const shown = (people ?? []).find(({ id }) => id === shownId);
  const { data: rows, error, isFetching, refetch } = useCompetenceQuery(shownId ?? '', { skip: !shownId || !me });
  const maySign = me !== null && me.role !== 'student' && shown?.role === 'student';
  return (
    <Frame header={<PlaceHeader title="Competence" detail={shown?.name} />}>
      <ScrollView contentContainerStyle={{ padding: 16, paddingTop: 4, gap: 14 }}>
        {!me && <Note title="Nobody is signed in" text="Sign in to see what was practised and signed." />}
        {me && me.role !== 'student' && students.length > 0 && (
          <View {...NO_PRINT}>
            <Choice
              label="Student"
              options={students.map(({ id, name }) => ({ value: id, label: name }))}
              value={shownId}
              onChange={(id) => router.setParams({ person: id })}
            />
          </View>
        )}
        {error && !rows && (
          <Note
            tone="brick"
            title="Competence cannot be read"
            text="The server does not answer. Exercises done meanwhile are kept on this device."
            action="Try again"
            onAction={() => void refetch()}
          />
        )}
        {isFetching && !rows && <Skeleton rows={5} height={72} />}
        {rows && shownId && (
          <>
            <View style={{ flexDirection: 'row', gap: 8, flexWrap: 'wrap' }} {...NO_PRINT}>
              <Press label="Print the table" onPress={() => globalThis.print()} style={{ paddingHorizontal: 14 }}>
                <Words kind="small">Print</Words>
              </Press>
              <Press
                label="Save the table as CSV"
                role="link"
                download={`${API_BASE}/people/${encodeURIComponent(shownId)}/competence/table`}
                style={{ paddingHorizontal: 14 }}
              >
                <Words kind="small">Save CSV</Words>
              </Press>
            </View>
            {rows.length === 0 && (
              <Note
                title="Nothing yet"
                text="Exercises that are tried and exposures that are accepted are listed here."
                action="Practise"
                onAction={() => router.push('/rehearse')}
              />
            )}
            <Table rows={rows} studentId={shownId} maySign={maySign} />
          </>
        )}
      </ScrollView>
    </Frame>
  );
}

function Table({ rows, studentId, maySign }: { rows: CompetenceRow[]; studentId: string; maySign: boolean }) {
  const wide = useWindowDimensions().width >= RAIL_FROM;
  const theme = useTheme();
  const [sign, { isLoading, error }] = useSignOffMutation();
  return (
    <View style={{ gap: 6 }}>
      {error && <Caution text="The signature was not taken: the server did not answer, or refused it." />}
      <View role="list" style={{ gap: 6 }}>
        {rows.map((row, i) => {
          const { projectionId, patientType, name, region } = row;
          const signed = row.signedBy !== null;
          return (
            <View key={`${projectionId} ${patientType}`} role="listitem" style={{ gap: 6 }} {...LEAF}>
              {(i === 0 || rows[i - 1].region !== region) && (
                <Words kind="heading" role="heading" aria-level={2} style={{ paddingTop: 8 }}>
                  {region.charAt(0).toUpperCase() + region.slice(1)}
                </Words>
              )}
              <View
                style={{
                  flexDirection: wide ? 'row' : 'column',
                  gap: 8,
                  padding: 10,
                  alignItems: wide ? 'center' : 'stretch',
                  backgroundColor: theme.surface,
                  borderRadius: RADIUS,
                }}
              >
                <View style={{ flex: wide ? 1 : undefined }}>
                  <Words>{`${name} · ${patientType}`}</Words>
                  <Words kind="small" tone="soft">
                    {[
                      row.tried === 0
                        ? 'no exercise tried'
                        : `${row.passed} of ${plural(row.tried, 'exercise', 'exercises')} passed`,
                      plural(row.exposures, 'exposure accepted', 'exposures accepted'),
                      ...(row.lastAt > 0 ? [`last ${dayOf(row.lastAt)}`] : []),
                    ].join(' · ')}
                  </Words>
                  <Words kind="small" tone={signed ? 'sage' : 'soft'}>
                    {signed ? `✓ Signed by ${row.signedBy}, ${dayOf(row.signedAt as number)}` : 'Not signed'}
                  </Words>
                </View>
                {maySign && (
                  <View {...NO_PRINT}>
                    <Press
                      label={`${signed ? 'Take the signature back' : 'Sign'}: ${name}, ${patientType}`}
                      disabled={isLoading}
                      onPress={() => void sign({ id: studentId, projectionId, patientType, signed: !signed })}
                      style={{ paddingHorizontal: 14, backgroundColor: theme.raised }}
                    >
                      <Words kind="small" tone="lamp">
                        {signed ? 'Take back' : 'Sign'}
                      </Words>
                    </Press>
                  </View>
                )}
              </View>
            </View>
          );
        })}
      </View>
    </View>
  );
}
