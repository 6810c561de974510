/** Text in the sizes of the design. */
import type { Ref } from 'react';
import { Text, type TextProps, type TextStyle } from 'react-native';
import { fonts, type Theme } from './tokens';
import { useTheme } from './theme';

type Kind = 'title' | 'heading' | 'figure' | 'body' | 'bold' | 'small' | 'label';
type Tone = 'ink' | 'soft' | 'lamp' | 'plate' | 'sage' | 'brick' | 'mauve';

const STYLES: Record<Kind, TextStyle> = {
  title: { fontFamily: fonts.figure, fontSize: 24, lineHeight: 30 },
  heading: { fontFamily: fonts.figure, fontSize: 19, lineHeight: 24 },
  figure: { fontFamily: fonts.figure, fontSize: 32, lineHeight: 36, fontVariant: ['tabular-nums'] },
  body: { fontFamily: fonts.body, fontSize: 17, lineHeight: 23 },
  bold: { fontFamily: fonts.bold, fontSize: 17, lineHeight: 23 },
  small: { fontFamily: fonts.label, fontSize: 15, lineHeight: 19 },
  label: { fontFamily: fonts.label, fontSize: 14, lineHeight: 18 },
};

const toneOf = (theme: Theme, tone: Tone): string =>
  ({
    ink: theme.ink,
    soft: theme.inkSoft,
    lamp: theme.lamp,
    plate: theme.plate,
    sage: theme.sage,
    brick: theme.brick,
    mauve: theme.mauve,
  })[tone];

type Props = TextProps & { kind?: Kind; tone?: Tone; ref?: Ref<Text>; tabIndex?: 0 | -1 };

export function Words({ kind = 'body', tone = 'ink', style, ...rest }: Props) {
  const theme = useTheme();
  return <Text {...rest} style={[STYLES[kind], { color: toneOf(theme, tone) }, style]} />;
}
