/** The room's book: projections as this room does them, for print; and own entries and rules as a file, out and in. */
import { Button } from '@rneui/themed';
import {
  forms,
  importCatalogue,
  projectionOf,
  projections,
  summaryOf,
  type Projection,
  type Setup,
  type StageLook,
} from '@taktik/core';
import { useEffect, useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { API_BASE, reasonsOf, useImportOwnMutation } from '../../state/api';
import { useAppSelector } from '../../state/hooks';
import { Choice } from '../../ui/Choice';
import { FilePick } from '../../ui/FilePick';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { Press } from '../../ui/Press';
import { Stage } from '../../ui/Stage';
import { Caution } from '../../ui/States';
import { useTheme } from '../../ui/theme';
import { LEAF, NO_PRINT, usePrintStyle } from '../../ui/usePrintStyle';
import { Words } from '../../ui/Words';
import { compute } from '../../workers/client';
import type { StageView } from '../../workers/service';
import { useRoom } from '../room/useRoom';
import { Line } from './Line';
import { useOwnEntries } from './useOwnEntries';

const PINNED = 'pinned';
const ALL = 'all';
const OWN = 'own';
const FORMS = 'forms';
const PICTURE = 210;

/** A leaf of the book: a projection, or a form of one. */
type Chosen = { id: string; name: string; shows: string; entry: Projection; formId?: string };
const ofEntry = (entry: Projection): Chosen => ({ id: entry.id, name: entry.name, shows: entry.shows, entry });
const ofForms: readonly Chosen[] = forms.map(({ id, name, projectionId }) => {
  const entry = projectionOf(projectionId);
  return { id: `form ${id}`, name, shows: `A form of ${entry.name}. ${entry.shows}`, entry, formId: id };
});

type Sheet = { setup: Setup; looks: Record<StageLook, StageView> } | { error: string };

export function BookScreen() {
  const theme = useTheme();
  const { room, rooms, rules } = useRoom();
  const { own } = useOwnEntries();
  const { pinned, unit } = useAppSelector((state) => state.preferences);
  const [roomId, setRoomId] = useState<string | undefined>(undefined);
  const [choice, setChoice] = useState<string>(pinned.length > 0 ? PINNED : 'chest');
  const here = rooms.find(({ id }) => id === roomId) ?? room;
  const every = useMemo(() => [...projections, ...own], [own]);
  const regions = [...new Set(every.map(({ region }) => region))];
  const chosen = useMemo((): readonly Chosen[] => {
    if (choice === FORMS) return ofForms;
    const fits = ({ id, region }: Projection): boolean => {
      if (choice === ALL) return true;
      if (choice === PINNED) return pinned.includes(id);
      return choice === OWN ? own.some((entry) => entry.id === id) : region === choice;
    };
    return every.filter(fits).map(ofEntry);
  }, [every, choice, pinned, own]);
  const key = JSON.stringify([chosen.map(({ id }) => id), here?.id, rules, unit]);
  const [made, setMade] = useState<{ key: string; sheets: ReadonlyMap<string, Sheet> }>({ key: '', sheets: new Map() });
  const [failed, setFailed] = useState({ key: '', error: '' });
  useEffect(() => {
    const asked = { current: true };
    const sheets = new Map<string, Sheet>();
    (async () => {
      for (const { id, entry, formId } of chosen) {
        const side = entry.sided === 'each' ? ('right' as const) : undefined;
        const request = { side, patient: {}, room: here, rules };
        const sheet = await (formId
          ? compute().formPage(formId, request, 1)
          : compute().page({ ...request, projectionId: id, own: own.find((each) => each.id === id) }, 1));
        if (!asked.current) return;
        sheets.set(id, sheet);
        if (sheets.size % 6 === 0 || sheets.size === chosen.length) setMade({ key, sheets: new Map(sheets) });
      }
    })().catch((error: Error) => asked.current && setFailed({ key, error: error.message }));
    return () => {
      asked.current = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  usePrintStyle();
  const ready = made.key === key ? made.sheets.size : 0;
  return (
    <Frame
      header={
        <PlaceHeader title="Room’s book" detail={here ? `as ${here.name} does it, for a median adult` : undefined} />
      }
    >
      <ScrollView contentContainerStyle={{ padding: 16, paddingTop: 0, gap: 16 }}>
        <View style={{ gap: 12 }} {...NO_PRINT}>
          <Choice
            label="Room of the book"
            options={rooms.map(({ id, name }) => ({ value: id, label: name }))}
            value={here?.id}
            onChange={setRoomId}
          />
          <Choice
            label="Which projections"
            options={[
              { value: ALL, label: `all ${every.length}` },
              { value: PINNED, label: `pinned ${pinned.length}` },
              ...(own.length > 0 ? [{ value: OWN, label: `own ${own.length}` }] : []),
              { value: FORMS, label: `named forms ${ofForms.length}` },
              ...regions.map((region) => ({ value: region as string, label: region })),
            ]}
            value={choice}
            onChange={setChoice}
          />
          <Words kind="small" tone="soft" role="status">
            {chosen.length === 0
              ? 'Nothing is pinned yet: pin projections in Find, or choose a region.'
              : ready < chosen.length
                ? `${ready} of ${chosen.length} computed`
                : `${chosen.length} projections ready`}
          </Words>
          {failed.key === key && ready < chosen.length && (
            <Caution text={`The book could not be computed to its end: ${failed.error}. Choose again to try again.`} />
          )}
          <Button
            title="Print"
            disabled={ready < chosen.length || chosen.length === 0}
            onPress={() => window.print()}
          />
          <Exchange />
        </View>
        {chosen.map((each) => {
          const sheet = made.key === key ? made.sheets.get(each.id) : undefined;
          return sheet ? <Leaf key={each.id} of={each} sheet={sheet} /> : null;
        })}
        <Words kind="small" tone="soft" style={{ borderTopWidth: 1, borderTopColor: theme.line, paddingTop: 8 }}>
          A planning aid for trained, licensed staff. Orders, local codes, the department’s protocols and the
          physicist’s technique chart come first.
        </Words>
      </ScrollView>
    </Frame>
  );
}

function Leaf({ of: { name, shows, entry }, sheet }: { of: Chosen; sheet: Sheet }) {
  const theme = useTheme();
  const unit = useAppSelector((state) => state.preferences.unit);
  return (
    <View style={{ gap: 6, borderTopWidth: 1, borderTopColor: theme.line, paddingTop: 10 }} {...LEAF}>
      <Words kind="heading" role="heading" aria-level={2}>
        {name}
      </Words>
      <Words kind="small" tone="soft">
        {shows}
      </Words>
      {'error' in sheet ? (
        <Caution text={sheet.error} />
      ) : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
          {(['side', 'ray'] as const).map((look) => (
            <Stage
              key={look}
              drawing={sheet.looks[look].drawing}
              mannequin={sheet.looks[look].mannequin}
              setup={sheet.setup}
              unit={unit}
              width={PICTURE}
              height={PICTURE}
              small
            />
          ))}
          <View style={{ flexGrow: 1, flexShrink: 1, flexBasis: 300, gap: 2 }}>
            {sheet.setup.problems.map(({ text }) => (
              <Words key={text} kind="small" tone="brick">{`▲ ${text}`}</Words>
            ))}
            {summaryOf(sheet.setup, unit).map((line) => (
              <Line key={line.name} {...line} />
            ))}
            <Line name="Criteria" text={entry.checks.join('; ')} />
            {sheet.setup.cautions.map(({ text }) => (
              <Words key={text} kind="small">{`▲ ${text}`}</Words>
            ))}
          </View>
        </View>
      )}
    </View>
  );
}

/** Own entries and house rules as one file. What is wrong in it is named before anything is sent. */
function Exchange() {
  const [take, { isLoading }] = useImportOwnMutation();
  const [says, setSays] = useState('');
  const [reasons, setReasons] = useState<string[]>([]);
  const read = async (text: string, name: string) => {
    setSays('');
    setReasons([]);
    let document: unknown;
    try {
      document = JSON.parse(text);
    } catch {
      setReasons([`${name} is not valid JSON. Nothing was imported.`]);
      return;
    }
    const checked = importCatalogue(document);
    if (!checked.ok) {
      setReasons([
        ...checked.faults.map(({ entry, field, rule }) => `${entry}, ${field}: ${rule}`),
        'Nothing was imported.',
      ]);
      return;
    }
    try {
      const { entries, rules } = await take(document).unwrap();
      setSays(`${entries} ${entries === 1 ? 'entry' : 'entries'}${rules ? ' and the house rules' : ''} imported`);
    } catch (error) {
      setReasons(reasonsOf(error));
    }
  };
  return (
    <View style={{ gap: 8 }}>
      <Words kind="heading" role="heading" aria-level={2}>
        Own entries and house rules
      </Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Press
          label="Export own entries and house rules"
          download={`${API_BASE}/catalogue/export`}
          style={{ paddingHorizontal: 16 }}
        >
          <Words>Export</Words>
        </Press>
        <FilePick
          text={isLoading ? 'Importing' : 'Import'}
          label="Import own entries and house rules"
          accept="application/json,.json"
          disabled={isLoading}
          onText={(text, name) => void read(text, name)}
        />
      </View>
      <View role="alert" style={{ gap: 6 }}>
        {reasons.map((reason) => (
          <Caution key={reason} text={reason} />
        ))}
      </View>
      {says !== '' && <Words kind="small" tone="sage" role="status">{`✓ ${says}`}</Words>}
    </View>
  );
}
