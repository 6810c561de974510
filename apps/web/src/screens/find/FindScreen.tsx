/** Find: any projection by words or by touch; every row already answers for the patient in hand. */
import { Button, Input } from '@rneui/themed';
import { findExams, findForms, findTerms, findViews, projections, type Projection } from '@taktik/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { FlatList, useWindowDimensions, View, type TextInput, type TextStyle } from 'react-native';
import { useAppSelector } from '../../state/hooks';
import { Choice } from '../../ui/Choice';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { Press } from '../../ui/Press';
import { Note } from '../../ui/States';
import { TermEntry } from '../../ui/terms/TermEntry';
import { useTheme } from '../../ui/theme';
import { RADIUS, RAIL_FROM } from '../../ui/tokens';
import { useKeys } from '../../ui/useKeys';
import { Words } from '../../ui/Words';
import { useOwnEntries } from '../projection/useOwnEntries';
import { useRoom } from '../room/useRoom';
import { patientText } from '../setup/words';
import { FindRow, ROW_HEIGHT, type Base } from './FindRow';
import { FormRow } from './FormRow';
import { TouchFigure, type Touched } from './TouchFigure';

/** Round every row; what stands above the rows is as far from the edge. */
const ROW_PADDING = 5;
const MAX_QUERY = 200;
/** The address follows the hand after this pause. */
const ADDRESS_AFTER_MS = 300;
/** Named forms shown above the hits. */
const MAX_FORMS = 3;
/** Exams offered beside the hits. */
const MAX_EXAMS = 6;
/** Terms of the glossary shown beside the hits, for a query of at least so many letters. */
const MAX_TERMS = 2;
const LEAST_FOR_TERMS = 2;
/** No region or part picked. */
const ALL = '';

/** What the list shows, and how it is called. */
type Shown = {
  rows: readonly Projection[];
  says: string;
  /** Other names through which rows were answered, by id. */
  matched?: ReadonlyMap<string, string>;
  /** The digit that was typed, by id of the views that can be set for it. */
  digits?: ReadonlyMap<string, number>;
};

export function FindScreen() {
  const theme = useTheme();
  const router = useRouter();
  const { width } = useWindowDimensions();
  const session = useAppSelector((state) => state.session.current);
  const { pinned, recent } = useAppSelector((state) => state.preferences);
  const { room, rules } = useRoom(session?.roomId);
  const { own } = useOwnEntries();
  // The address keeps what was asked: reload and back find it again.
  const inAddress = useLocalSearchParams().q;
  const [query, setQuery] = useState(typeof inAddress === 'string' ? inAddress.slice(0, MAX_QUERY) : '');
  const [side, setSide] = useState<'left' | 'right'>('right');
  const [region, setRegion] = useState(ALL);
  const [part, setPart] = useState(ALL);
  const [touched, setTouched] = useState<Touched | null>(null);
  const [examId, setExamId] = useState(ALL);
  const [pair, setPair] = useState<readonly string[]>([]);
  const field = useRef<TextInput>(null);
  const asked = useDeferredValue(query.trim());
  useEffect(() => {
    const timer = setTimeout(() => router.setParams({ q: asked === '' ? undefined : asked }), ADDRESS_AFTER_MS);
    return () => clearTimeout(timer);
    // The router is the same for as long as the screen is.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [asked]);
  const base = useMemo(
    (): Base => ({ patient: session?.patient ?? {}, situation: session?.situation, room, rules, side }),
    [session, room, rules, side],
  );
  const baseKey = JSON.stringify([base.patient, base.situation, room?.id, rules, side]);
  useKeys({ f: () => field.current?.focus() });

  const every = useMemo(() => [...projections, ...own], [own]);
  const byId = useMemo(() => new Map(every.map((entry) => [entry.id, entry])), [every]);
  const regions = useMemo(() => [...new Set(every.map((entry) => entry.region))], [every]);
  const parts = useMemo(
    () => [...new Set(every.filter((entry) => entry.region === region).map((entry) => entry.part))],
    [every, region],
  );
  const exams = useMemo(() => findExams(asked).slice(0, MAX_EXAMS), [asked]);
  const namedForms = useMemo(() => findForms(asked).slice(0, MAX_FORMS), [asked]);
  const exam = exams.find(({ id }) => id === examId);
  const shown = useMemo((): Shown => {
    if (exam) {
      const rows = exam.projections.flatMap((id) => byId.get(id) ?? []);
      return { rows, says: `${rows.length} in ${exam.name}` };
    }
    if (asked !== '') {
      const ownHits = own.filter((entry) => entry.name.toLowerCase().includes(asked.toLowerCase()));
      const hits = findViews(asked);
      const rows = [...ownHits, ...hits.map(({ projection }) => projection)];
      const matched = new Map(
        hits.flatMap((hit) => (hit.matched === null ? [] : [[hit.projection.id, hit.matched] as const])),
      );
      const digits = new Map(
        hits.flatMap(({ projection, digit }) => (digit === null ? [] : [[projection.id, digit] as const])),
      );
      return { rows, says: `${rows.length} found`, matched, digits };
    }
    if (touched) {
      const rows = touched.ids.flatMap((id) => byId.get(id) ?? []);
      return { rows, says: `${rows.length} at the ${touched.name}` };
    }
    if (region !== ALL) {
      const rows = every.filter((entry) => entry.region === region && (part === ALL || entry.part === part));
      return { rows, says: `${rows.length} of ${region}${part === ALL ? '' : `: ${part}`}` };
    }
    return { rows: every, says: `${every.length} projections in ${regions.length} regions` };
  }, [exam, asked, touched, region, part, every, own, byId, regions]);

  const nothing = shown.rows.length === 0;
  // Who types the name of a part wants its projections: a term is shown for an abbreviation, an everyday word, or instead.
  const terms = useMemo(() => {
    if (asked.length < LEAST_FOR_TERMS) return [];
    const typed = asked.toLowerCase();
    return findTerms(asked, nothing ? 1 : 0)
      .filter(({ term, forms }) => nothing || ![term, ...forms].some((each) => each.toLowerCase() === typed))
      .slice(0, MAX_TERMS);
  }, [asked, nothing]);

  const compare = useCallback(
    (id: string) => setPair((now) => (now.includes(id) ? now.filter((each) => each !== id) : [...now, id].slice(-2))),
    [],
  );
  const columns = width >= RAIL_FROM ? 2 : 1;
  const row = (projection: Projection): ReactNode => (
    <FindRow
      projection={projection}
      base={projection.id.startsWith('own-') ? { ...base, own: projection } : base}
      baseKey={baseKey}
      matched={shown.matched?.get(projection.id)}
      digit={shown.digits?.get(projection.id)}
      comparing={pair.includes(projection.id)}
      onCompare={compare}
    />
  );
  const quick = asked === '' && !touched && region === ALL;
  const kept = (ids: readonly string[]) => ids.flatMap((id) => byId.get(id) ?? []);
  const head = (
    <View style={{ gap: 12, paddingBottom: 10, paddingTop: 6, paddingHorizontal: ROW_PADDING }}>
      {quick && pinned.length > 0 && <Short title="Pinned" rows={kept(pinned)} columns={columns} row={row} />}
      {quick && recent.length > 0 && (
        <Short title="Opened last" rows={kept(recent).slice(0, 4)} columns={columns} row={row} />
      )}
      {asked === '' && (
        <>
          <View style={{ flexDirection: columns === 2 ? 'row' : 'column', gap: 16 }}>
            <View style={{ flex: columns === 2 ? 1 : undefined }}>
              <TouchFigure
                touched={touched}
                onTouch={(next) => {
                  setTouched(next);
                  setRegion(ALL);
                }}
              />
            </View>
            <View
              style={{
                flex: columns === 2 ? 1 : undefined,
                gap: 10,
                display: touched && columns === 1 ? 'none' : 'flex',
              }}
            >
              <Choice
                label="Region"
                options={[
                  { value: ALL, label: `all ${every.length}` },
                  ...regions.map((name) => ({
                    value: name as string,
                    label: `${name} ${every.filter((entry) => entry.region === name).length}`,
                  })),
                ]}
                value={touched ? undefined : region}
                onChange={(value) => {
                  setRegion(value);
                  setPart(ALL);
                  setTouched(null);
                }}
              />
              {region !== ALL && (
                <Choice
                  label={`Part, ${region}`}
                  options={[{ value: ALL, label: 'all' }, ...parts.map((value) => ({ value, label: value }))]}
                  value={part}
                  onChange={setPart}
                />
              )}
            </View>
          </View>
          {touched && (
            <Press label="Show all again" onPress={() => setTouched(null)} plain style={{ paddingHorizontal: 4 }}>
              <Words kind="small" tone="lamp">{`◆ ${touched.name}: show all again`}</Words>
            </Press>
          )}
        </>
      )}
      {exams.length > 0 && (
        <Choice
          label="Exam"
          options={[
            { value: ALL, label: 'single projections' },
            ...exams.map(({ id, name, projections: ids }) => ({ value: id, label: `${name} ${ids.length}` })),
          ]}
          value={exam ? exam.id : ALL}
          onChange={setExamId}
        />
      )}
      {namedForms.map((form) => (
        <FormRow key={`${form.id} ${baseKey}`} form={form} base={base} />
      ))}
      {terms.map((term) => (
        <Press
          key={term.id}
          label={`In the glossary: ${term.term}. ${term.says}`}
          role="link"
          onPress={() => router.push({ pathname: '/glossary', params: { q: term.term } })}
          style={{ padding: 12 }}
        >
          <TermEntry term={term} />
        </Press>
      ))}
      <Words kind="small" tone="soft" role="status">
        {shown.says}
      </Words>
      {shown.rows.length === 0 && (
        <Note
          title={`Nothing for “${asked.slice(0, 60)}”`}
          text="Try the part of the body, the name of the method, or fewer words."
        />
      )}
    </View>
  );
  return (
    <Frame
      header={
        <PlaceHeader
          title="Find"
          detail={session ? `for ${session.initials}: ${patientText(session.patient)}` : 'for a median adult'}
        />
      }
      footer={
        pair.length > 0 ? (
          <CompareBar
            names={pair.map((id) => byId.get(id)?.name ?? id)}
            onClear={() => setPair([])}
            onOpen={() => router.push({ pathname: '/compare', params: { a: pair[0], b: pair[1], side } })}
          />
        ) : undefined
      }
    >
      <View style={{ paddingHorizontal: 16, gap: 8 }}>
        <Input
          ref={field as never}
          label="Projection, method, part or order wording"
          aria-label="Find a projection"
          value={query}
          onChangeText={(text) => setQuery(text.slice(0, MAX_QUERY))}
          autoFocus
          autoCorrect={false}
          autoCapitalize="none"
          errorMessage={query.length >= MAX_QUERY ? `Only the first ${MAX_QUERY} characters are read` : undefined}
          renderErrorMessage={query.length >= MAX_QUERY}
          containerStyle={{ paddingHorizontal: 0 }}
          inputContainerStyle={{ borderBottomWidth: 0, marginTop: 4 }}
          inputStyle={
            {
              paddingHorizontal: 12,
              borderWidth: 1,
              borderColor: theme.inkSoft,
              borderRadius: RADIUS,
              outlineColor: theme.lamp,
            } as TextStyle
          }
        />
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12, alignItems: 'flex-end', paddingBottom: 8 }}>
          <Choice
            label="Side for limbs"
            options={[
              { value: 'right', label: 'Right' },
              { value: 'left', label: 'Left' },
            ]}
            value={side}
            onChange={setSide}
          />
          <Press
            label="The room's book: print projections as this room does them"
            onPress={() => router.push('/book')}
            style={{ paddingHorizontal: 16 }}
          >
            <Words kind="body">Room’s book</Words>
          </Press>
          <Press
            label="Glossary: the words of the trade, explained"
            role="link"
            onPress={() => router.push('/glossary')}
            style={{ paddingHorizontal: 16 }}
          >
            <Words kind="body">Glossary</Words>
          </Press>
        </View>
      </View>
      <FlatList
        key={columns}
        data={shown.rows as Projection[]}
        keyExtractor={({ id }) => id}
        numColumns={columns}
        renderItem={({ item }) => <View style={{ flex: 1, padding: ROW_PADDING }}>{row(item)}</View>}
        ListHeaderComponent={head}
        contentContainerStyle={{ paddingHorizontal: 16 - ROW_PADDING, paddingBottom: 16 }}
        keyboardShouldPersistTaps="handled"
        initialNumToRender={6}
        maxToRenderPerBatch={6}
        windowSize={5}
      />
    </Frame>
  );
}

function Short({
  title,
  rows,
  columns,
  row,
}: {
  title: string;
  rows: readonly Projection[];
  columns: number;
  row: (projection: Projection) => ReactNode;
}) {
  if (rows.length === 0) return null;
  return (
    <View style={{ gap: 8 }}>
      <Words kind="heading" role="heading" aria-level={2}>
        {title}
      </Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', marginHorizontal: -ROW_PADDING }}>
        {rows.map((projection) => (
          <View
            key={projection.id}
            style={{ width: columns === 2 ? '50%' : '100%', padding: ROW_PADDING, minHeight: ROW_HEIGHT }}
          >
            {row(projection)}
          </View>
        ))}
      </View>
    </View>
  );
}

function CompareBar({ names, onOpen, onClear }: { names: readonly string[]; onOpen: () => void; onClear: () => void }) {
  const theme = useTheme();
  return (
    <View style={{ padding: 10, gap: 10, flexDirection: 'row', alignItems: 'center', backgroundColor: theme.raised }}>
      <Words kind="small" style={{ flex: 1 }} role="status">
        {names.length === 1 ? `${names[0]} with …` : names.join(' with ')}
      </Words>
      <Press label="Forget the comparison" plain onPress={onClear} style={{ paddingHorizontal: 10 }}>
        <Words kind="small" tone="soft">
          Forget
        </Words>
      </Press>
      <Button title="Side by side" disabled={names.length < 2} onPress={onOpen} />
    </View>
  );
}
