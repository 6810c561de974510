/** One way: drawn small, what it keeps, what it costs in numbers, what the reader must know. */
import type { LengthUnit } from '@taktik/core';
import { Button } from '@rneui/themed';
import { useWindowDimensions, View } from 'react-native';
import { Press } from '../../ui/Press';
import { Stage } from '../../ui/Stage';
import { useTheme } from '../../ui/theme';
import { WIDE_FROM } from '../../ui/tokens';
import { Words } from '../../ui/Words';
import type { WayView } from '../../workers/service';
import { centreText, fieldText, receptorText, sidText, tubeText } from '../setup/words';

/** Large enough to see how the patient lies and is rotated: beside what is said of it, on a phone above it. */
const ON_WIDE = { width: 268, height: 141 };
const ON_PHONE_HEIGHT = 176;
/** Edges of the page and of the card. */
const EDGES = 56;

type Props = {
  way: WayView;
  rank: number;
  unit: LengthUnit;
  comparing: boolean;
  busy: boolean;
  onUse: () => void;
  onCompare: () => void;
};

export function WayCard(props: Props) {
  const { way, rank, unit } = props;
  const theme = useTheme();
  const { width } = useWindowDimensions();
  const wide = width >= WIDE_FROM;
  const size = wide ? ON_WIDE : { width: Math.max(ON_WIDE.width, width - EDGES), height: ON_PHONE_HEIGHT };
  const { setup, stage } = way;
  const readouts = [receptorText(setup), sidText(setup, unit), tubeText(setup), centreText(setup, unit)];
  const field = fieldText(setup, unit);
  return (
    <View
      role="article"
      aria-label={`Way ${rank}: ${way.says}`}
      style={{ backgroundColor: theme.surface, borderRadius: 4, padding: 12, gap: 8 }}
    >
      <View style={{ flexDirection: wide ? 'row' : 'column', gap: wide ? 12 : 6 }}>
        <View style={{ width: size.width, gap: 12 }}>
          <Stage small drawing={stage.drawing} mannequin={stage.mannequin} setup={setup} unit={unit} {...size} />
          {wide && <Acts {...props} />}
        </View>
        <View style={{ flex: wide ? 1 : undefined, gap: 4 }}>
          <Words kind="label" tone="soft">
            {`${rank} · ${way.name}`}
          </Words>
          <Words kind="bold" role="heading" aria-level={2}>
            {way.says}
          </Words>
          <Words kind="small" tone="soft">
            {`${readouts
              .map(({ figure, unit: u, line }) =>
                [figure === 'on' ? '' : `${figure} ${u}`.trim(), line].join(' ').trim(),
              )
              .join(' · ')} · ${field.figure} ${field.unit}`}
          </Words>
          {wide && <Weighed way={way} />}
        </View>
      </View>
      {!wide && <Weighed way={way} />}
      {!wide && <Acts {...props} />}
    </View>
  );
}

/** What a way keeps in one line, what it costs, and what the reader must know. */
function Weighed({ way: { setup, keeps, costs, tell } }: { way: WayView }) {
  const theme = useTheme();
  return (
    <View style={{ gap: 6 }}>
      <View style={{ gap: 3 }}>
        <Words kind="small" tone="sage">
          {`✓ Keeps: ${keeps.map(({ text }) => `${text.charAt(0).toLowerCase()}${text.slice(1)}`).join(' · ')}`}
        </Words>
        {costs.map(({ id, text, points: each }) => (
          <View key={`${id} ${text}`} style={{ flexDirection: 'row', gap: 8 }}>
            <Words kind="small" style={{ flex: 1 }}>{`− Costs: ${text}`}</Words>
            <Words kind="small" tone="soft">
              {each.toFixed(0)}
            </Words>
          </View>
        ))}
        {costs.length === 0 && (
          <Words kind="small" tone="sage">
            ✓ Costs nothing against the usual way
          </Words>
        )}
        {setup.problems.map(({ text }) => (
          <Words key={text} kind="small" tone="mauve">{`● ${text}`}</Words>
        ))}
      </View>
      {tell.length > 0 && (
        <View style={{ borderLeftWidth: 3, borderLeftColor: theme.plate, paddingLeft: 10 }}>
          <Words kind="small">
            <Words kind="small" tone="soft">
              {'Tell the reader: '}
            </Words>
            {tell.map(({ text }) => text).join('. ')}
          </Words>
        </View>
      )}
    </View>
  );
}

function Acts({ way, rank, comparing, busy, onUse, onCompare }: Props) {
  return (
    <View style={{ flexDirection: 'row', gap: 8, alignItems: 'center' }}>
      <View style={{ flex: 1, maxWidth: 320 }}>
        <Button title="Use this" disabled={busy} onPress={onUse} aria-label={`Use way ${rank}: ${way.says}`} />
      </View>
      <Press
        label={`${comparing ? 'Leave out of' : 'Take into'} the comparison: way ${rank}`}
        role="checkbox"
        checked={comparing}
        chosen={comparing}
        onPress={onCompare}
        style={{ paddingHorizontal: 10 }}
      >
        <Words kind="small">{comparing ? '✓ Pair' : 'Compare'}</Words>
      </Press>
      <Words kind="small" tone="soft">{`${way.points.toFixed(0)} points`}</Words>
    </View>
  );
}
