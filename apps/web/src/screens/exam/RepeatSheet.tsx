/**
 * The picture is sent to be repeated: only with a cause, which goes to the record. What was measured on it gives the
 * correction with its amount, and the repeat is set up with it.
 */
import { Button } from '@rneui/themed';
import {
  defaultDepartment,
  inches,
  centimetres,
  PICTURE_EDGES,
  type Cure,
  type LengthUnit,
  type Overrides,
  type PictureEdge,
  type Seen,
  type SetupRequest,
} from '@taktik/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useDepartmentQuery, useExposureQuery } from '../../state/api';
import { useAppSelector } from '../../state/hooks';
import { Choice } from '../../ui/Choice';
import { Sheet } from '../../ui/Sheet';
import { Stepper } from '../../ui/Stepper';
import { Words } from '../../ui/Words';
import { compute } from '../../workers/client';
import type { RepeatChoices } from '../../workers/rehearsal';
import { FaultSize } from '../rehearse/FaultSize';
import { useAnswer } from '../rehearse/useAnswer';

export type Corrected = { correction: string; overrides: Overrides };
type Props = {
  open: boolean;
  name: string;
  checks: readonly string[];
  request: SetupRequest;
  unit: LengthUnit;
  exposureId: string;
  onRepeat: (cause: string, corrected: Corrected | null) => void;
  onClose: () => void;
};

type Measure = 'nothing' | 'edge' | 'sign' | 'index' | 'motion';
const MEASURES: readonly { value: Measure; label: string }[] = [
  { value: 'nothing', label: 'nothing measured' },
  { value: 'edge', label: 'an edge is clipped' },
  { value: 'sign', label: 'rotated, tilted, off centre' },
  { value: 'index', label: 'exposure index' },
  { value: 'motion', label: 'motion' },
];
const CURES: Record<Cure, string> = {
  again: 'no: set it where the set-up has it',
  aim: 'yes: another centring point for this patient',
  part: 'move the part',
  tube: 'the part cannot be moved: angle the tube',
  other: 'another way',
  technique: 'technique',
};
/** What is asked where there are two ways to put it right. */
const ASKED: Partial<Record<Cure, string>> = {
  again: 'Was the CR where the set-up has it?',
  part: 'What can be moved?',
};

/** Furthest that anything is missing beyond an edge. */
const MOST_MISSING_MM = 150;

export function RepeatSheet(props: Props) {
  const { open, name, onClose } = props;
  return (
    <Sheet title={`Repeat ${name}`} open={open} onClose={onClose}>
      {/* What was picked and left must not stand ready for the next picture. */}
      {open && <RepeatForm {...props} />}
    </Sheet>
  );
}

function RepeatForm({ checks, request, unit, exposureId, onRepeat }: Props) {
  const { data: department = defaultDepartment } = useDepartmentQuery();
  const waiting = useAppSelector((state) => state.outbox.waiting.some(({ id }) => id === exposureId));
  const { data: recorded } = useExposureQuery(exposureId, { skip: waiting });
  const index = recorded?.exposureIndex;
  const [cause, setCause] = useState<string | undefined>();
  const [measure, setMeasure] = useState<Measure>('nothing');
  const [seen, setSeen] = useState<Seen | null>(null);
  const [cure, setCure] = useState<Cure | undefined>();
  const choices = useAnswer(request, async (asked) => await compute().repeatChoices(asked));
  const asked = measure === 'motion' ? ({ what: 'moved' } as const) : seen;
  const answer = useAnswer(
    asked && { request, asked, cure },
    async (of) => await compute().repeat(of.request, of.asked, of.cure),
  );
  const pick = (next: Measure) => {
    setMeasure(next);
    setSeen(next === 'index' && index !== undefined ? { what: 'index', index } : null);
    setCure(undefined);
  };
  const found = answer && !('error' in answer) ? answer : null;
  const known = choices && !('error' in choices) ? choices : null;
  return (
    <>
      <Words tone="soft">{`A good picture: ${checks.join('; ')}`}</Words>
      <Choice
        label="Cause of the repeat"
        options={department.repeatCauses.map((each) => ({ value: each, label: each }))}
        value={cause}
        onChange={setCause}
      />
      <Choice label="What was measured on the picture" options={MEASURES} value={measure} onChange={pick} />
      {measure === 'edge' && known && <EdgePick edges={known.edges} unit={unit} onSeen={setSeen} />}
      {measure === 'sign' && known && (
        <FaultSize choices={known.faults} onSized={(fault) => setSeen(fault && { what: 'measured', ...fault })} />
      )}
      {measure === 'index' && <IndexPick seen={seen?.what === 'index' ? seen.index : undefined} onSeen={setSeen} />}
      {answer && 'error' in answer && (
        <Words kind="small" tone="brick" role="alert">
          {`▲ ${answer.error}`}
        </Words>
      )}
      {found && found.cures.length > 1 && (
        <Choice
          label={ASKED[found.cures[0]] ?? ''}
          options={found.cures.map((value) => ({ value, label: CURES[value] }))}
          value={found.cure}
          onChange={setCure}
        />
      )}
      {found && (
        <View role="status" aria-label="For the repeat" style={{ gap: 4 }}>
          <Words kind="small" tone="soft">{`${found.cause}. For the repeat:`}</Words>
          <Words kind="bold">{found.text}</Words>
        </View>
      )}
      <Button
        title={found ? 'Repeat it with this' : 'Repeat it'}
        disabled={!cause || (measure !== 'nothing' && !found)}
        onPress={() => {
          if (cause) onRepeat(cause, found && { correction: found.text, overrides: found.overrides });
        }}
      />
    </>
  );
}

function EdgePick({
  edges,
  unit,
  onSeen,
}: {
  edges: RepeatChoices['edges'];
  unit: LengthUnit;
  onSeen: (seen: Seen | null) => void;
}) {
  const [edge, setEdge] = useState<PictureEdge>('up');
  const [mm, setMm] = useState<number | undefined>();
  const perUnit = unit === 'in' ? inches(1) : centimetres(1);
  const tell = (at: PictureEdge, missing: number | undefined) => {
    setEdge(at);
    setMm(missing);
    onSeen(missing === undefined ? null : { what: 'clipped', edge: at, mm: missing });
  };
  return (
    <>
      <Choice
        label="Clipped at the"
        options={PICTURE_EDGES.map((value) => ({ value, label: edges[value] }))}
        value={edge}
        onChange={(at) => tell(at, mm)}
      />
      <Stepper
        label="Missing beyond it"
        unit={unit}
        value={mm === undefined ? undefined : mm / perUnit}
        placeholder="0"
        step={unit === 'in' ? 0.25 : 0.5}
        digits={2}
        range={[0, MOST_MISSING_MM / perUnit]}
        onChange={(value) => tell(edge, value * perUnit)}
        onClear={() => tell(edge, undefined)}
      />
    </>
  );
}

const INDEX_RANGE = [1, 100_000] as const;
function IndexPick({ seen, onSeen }: { seen: number | undefined; onSeen: (seen: Seen | null) => void }) {
  return (
    <Stepper
      label="Exposure index of the picture"
      unit=""
      value={seen}
      step={10}
      range={INDEX_RANGE}
      onChange={(value) => onSeen({ what: 'index', index: value })}
      onClear={() => onSeen(null)}
    />
  );
}
