/** A projection's page: what it shows, how it is set up here, what to look for, what goes wrong, what serves instead. */
import { Button } from '@rneui/themed';
import {
  exposureFaults,
  hasProjection,
  projectionOf,
  summaryOf,
  type Projection,
  type SchoolsOfRule,
  type Setup,
  type StageLook,
  withDepartmentDefaults,
} from '@taktik/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect, useState, type ReactNode } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { useDepartmentQuery } from '../../state/api';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { pinToggled } from '../../state/preferences';
import { Frame, PlaceHeader } from '../../ui/Frame';
import { Press } from '../../ui/Press';
import { Stage } from '../../ui/Stage';
import { Caution, Note, Skeleton, Tag } from '../../ui/States';
import { useTerms } from '../../ui/terms/TermSheet';
import { TermWords } from '../../ui/terms/TermWords';
import { RAIL_FROM } from '../../ui/tokens';
import { Words } from '../../ui/Words';
import { compute } from '../../workers/client';
import type { StageView } from '../../workers/service';
import { toAddress } from '../setup/address';
import { patientText, shownWords } from '../setup/words';
import { FaultList } from './FaultList';
import { Line } from './Line';
import { OwnEntrySheet } from './OwnEntrySheet';
import { SchoolList } from './SchoolList';
import { isOwn } from './useOwnEntries';
import { useRequest } from './useRequest';
import { WhereToLook } from './WhereToLook';

type Page = { setup: Setup; looks: Record<StageLook, StageView> };

const PICTURE_ASPECT = 1;
const MAX_PICTURE = 420;

export function ProjectionScreen() {
  const params = useLocalSearchParams();
  const router = useRouter();
  const { asked, projection, request, key, loading } = useRequest(params);
  const { width } = useWindowDimensions();
  const unit = useAppSelector((state) => state.preferences.unit);
  const { data: department } = useDepartmentQuery();
  const { bands } = withDepartmentDefaults(department);
  const dispatch = useAppDispatch();
  const pinned = useAppSelector((state) => state.preferences.pinned.includes(asked.projectionId));
  const [page, setPage] = useState<{ key: string; page: Page | null; schools: SchoolsOfRule[]; error: string } | null>(
    null,
  );
  const [writing, setWriting] = useState(false);
  const { explain, sheet: terms } = useTerms();

  useEffect(() => {
    if (!request) return;
    let here = true;
    const worker = compute();
    Promise.all([worker.page(request, PICTURE_ASPECT), worker.schools(request)])
      .then(([made, schools]) => {
        if (!here) return;
        setPage(
          'error' in made ? { key, page: null, schools, error: made.error } : { key, page: made, schools, error: '' },
        );
      })
      .catch((error: Error) => here && setPage({ key, page: null, schools: [], error: error.message }));
    return () => {
      here = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);

  if (!projection)
    return (
      <Frame header={<PlaceHeader title="Projection" />}>
        <View style={{ padding: 16 }}>
          {loading ? (
            <Skeleton rows={4} height={110} />
          ) : (
            <Note
              tone="brick"
              title="Unknown projection"
              text={`There is no projection "${asked.projectionId}"`}
              action="Find a projection"
              onAction={() => router.push('/find')}
            />
          )}
        </View>
      </Frame>
    );

  const made = page?.key === key ? page : null;
  const pageWords = [
    projection.name,
    projection.shows,
    ...projection.checks,
    ...projection.faults.flatMap(({ sign, cause, correction }) => [sign, cause, correction]),
    ...(made?.page ? exposureFaults(made.page.setup, unit, bands).flatMap(({ sign, cause }) => [sign, cause]) : []),
    ...(made?.page ? shownWords(made.page.setup) : []),
  ];
  const columns = width >= RAIL_FROM ? 2 : 1;
  const inner = (width >= RAIL_FROM ? (width - 84) / 2 - 40 : width) - 32;
  const picture = Math.min(MAX_PICTURE, inner);
  const address = toAddress({ ...asked, side: request?.side, projectionId: projection.id });
  const open = (id: string) =>
    router.push({ pathname: '/projection', params: { ...address, p: id, side: request?.side ?? 'right' } });
  const setup = made?.page?.setup;
  const left = (
    <>
      <Section title="What it shows">
        <Words>{projection.shows}</Words>
        {projection.confidence !== 'taught' && (
          <Tag
            tone="mauve"
            text={
              projection.confidence === 'unsure'
                ? 'numbers unsure: check with your protocol'
                : 'typical numbers: schools vary'
            }
          />
        )}
        {projection.note && <Words kind="small">{projection.note}</Words>}
      </Section>
      <Section title={`Set-up: ${patientText(asked.patient)}`}>
        {!made && <Skeleton rows={2} height={150} />}
        {made && made.error !== '' && <Note tone="brick" title="This set-up cannot be computed" text={made.error} />}
        {setup && made.page && (
          <>
            {setup.cautions.map(({ text }) => (
              <Caution key={text} text={text} />
            ))}
            {setup.problems.map(({ text }) => (
              <Caution key={text} text={text} />
            ))}
            <Stage
              drawing={made.page.looks.side.drawing}
              mannequin={made.page.looks.side.mannequin}
              setup={setup}
              unit={unit}
              width={picture}
              height={picture}
            />
            {summaryOf(setup, unit).map((line) => (
              <Line key={line.name} {...line} />
            ))}
            {setup.receptor.whyOther && (
              <Words kind="small" tone="soft">
                {setup.receptor.whyOther}
              </Words>
            )}
            {projection.aim.taught && (
              <Words
                kind="small"
                tone="soft"
              >{`Taught for an adult: ${projection.aim.taught}. The distance above is for this patient.`}</Words>
            )}
            {setup.position.part.length > 0 && <List items={setup.position.part} />}
          </>
        )}
      </Section>
      {setup && setup.centre.checkBy.length > 0 && (
        <Section title="Check by touch">
          <List items={setup.centre.checkBy.map(({ text }) => `CR ${text}`)} />
        </Section>
      )}
    </>
  );
  const right = (
    <>
      <Section title="A good picture">
        {setup && made.page && (
          <WhereToLook setup={setup} view={made.page.looks.ray} unit={unit} width={picture} height={picture} />
        )}
        <List items={projection.checks} />
      </Section>
      <Section title="What goes wrong">
        <FaultList faults={projection.faults} />
        {setup && <FaultList faults={exposureFaults(setup, unit, bands)} />}
        <Press
          label={`Rehearse ${projection.name}: its picture, and a fault by its size`}
          role="link"
          onPress={() => router.push({ pathname: '/rehearse', params: address })}
          style={{ padding: 12 }}
        >
          <Words kind="bold">Rehearse</Words>
          <Words kind="small" tone="soft">
            The simulated picture, its criteria measured, and what puts a fault right by its size
          </Words>
        </Press>
      </Section>
      <Section title="When it cannot be done">
        <Press
          label={`Other ways to ${projection.name}`}
          role="link"
          onPress={() => router.push({ pathname: '/ways', params: address })}
          style={{ padding: 12 }}
        >
          <Words kind="bold">Other ways</Words>
          <Words kind="small" tone="soft">
            The same relation of ray and part for who cannot stand, turn or be moved
          </Words>
        </Press>
        {projection.instead.map(({ projection: id, loses }) => (
          <Press
            key={id}
            label={`${nameOf(id)}: ${loses}`}
            role="link"
            onPress={() => open(id)}
            style={{ padding: 12 }}
          >
            <Words kind="bold">{nameOf(id)}</Words>
            <Words kind="small" tone="soft">{`Loses: ${loses}`}</Words>
          </Press>
        ))}
      </Section>
      {made && made.schools.length > 0 && (
        <Section title="Schools">
          {made.schools.map((rule) => (
            <SchoolList
              key={rule.rule}
              schools={rule}
              onCompare={(choice) =>
                router.push({
                  pathname: '/compare',
                  params: { ...address, a: projection.id, b: projection.id, rb: `${rule.rule}:${choice}` },
                })
              }
            />
          ))}
        </Section>
      )}
      <Section title="This page">
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          <Press label="Terms on this page" onPress={() => explain(pageWords)} style={{ paddingHorizontal: 16 }}>
            <Words>? Terms</Words>
          </Press>
          <Press
            label={pinned ? 'Unpin' : 'Pin'}
            onPress={() => dispatch(pinToggled(projection.id))}
            style={{ paddingHorizontal: 16 }}
          >
            <Words>{pinned ? '◆ Pinned' : 'Pin'}</Words>
          </Press>
          <Press
            label={isOwn(projection.id) ? 'Change this entry' : 'Copy and change'}
            onPress={() => setWriting(true)}
            style={{ paddingHorizontal: 16 }}
          >
            <Words>{isOwn(projection.id) ? 'Change' : 'Copy and change'}</Words>
          </Press>
        </View>
        <Words
          kind="small"
          tone="soft"
        >{`Source: ${projection.sources.join('; ')}. Local codes and the department’s protocols come first.`}</Words>
      </Section>
    </>
  );
  return (
    <Frame
      header={
        <PlaceHeader title={setup?.name ?? projection.name} detail={`${projection.region}: ${projection.part}`} />
      }
      footer={
        <View style={{ padding: 10 }}>
          <Button title="Set up" onPress={() => router.push({ pathname: '/setup', params: address })} />
        </View>
      }
    >
      <ScrollView contentContainerStyle={{ padding: 16, paddingTop: 0, gap: 18 }}>
        {columns === 2 ? (
          <View style={{ flexDirection: 'row', gap: 24 }}>
            <View style={{ flex: 1, gap: 18 }}>{left}</View>
            <View style={{ flex: 1, gap: 18 }}>{right}</View>
          </View>
        ) : (
          <>
            {left}
            {right}
          </>
        )}
      </ScrollView>
      <OwnEntrySheet open={writing} from={projection} onClose={() => setWriting(false)} onSaved={(id) => open(id)} />
      {terms}
    </Frame>
  );
}

const nameOf = (id: string): string => (hasProjection(id) ? (projectionOf(id) as Projection).name : id);

function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <View style={{ gap: 8 }}>
      <Words kind="heading" role="heading" aria-level={2}>
        {title}
      </Words>
      {children}
    </View>
  );
}

function List({ items }: { items: readonly string[] }) {
  return (
    <View role="list" style={{ gap: 4 }}>
      {items.map((item) => (
        <View key={item} role="listitem" style={{ flexDirection: 'row', gap: 8 }}>
          <Words tone="lamp" aria-hidden>
            ·
          </Words>
          <TermWords text={item} style={{ flex: 1 }} />
        </View>
      ))}
    </View>
  );
}
