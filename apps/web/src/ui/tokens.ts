/** The two materials - light and plate - and the tones round them, for the dim room and for the day. */
export type Theme = {
  name: 'dim' | 'day';
  ground: string;
  surface: string;
  raised: string;
  line: string;
  ink: string;
  inkSoft: string;
  /** Light as text and thin lines. */
  lamp: string;
  /** Light as fill. */
  lampFill: string;
  onLamp: string;
  plate: string;
  sage: string;
  brick: string;
  mauve: string;
  skin: string;
  skinEdge: string;
  bone: string;
  bright: string;
};

export const dim: Theme = {
  name: 'dim',
  ground: '#15130F',
  surface: '#1F1C17',
  raised: '#2A2620',
  line: '#3B352C',
  ink: '#F3EDE2',
  inkSoft: '#B8AE9E',
  lamp: '#FFC24B',
  lampFill: '#FFC24B',
  onLamp: '#15130F',
  plate: '#8FB4C6',
  sage: '#93C98A',
  brick: '#FF8A70',
  mauve: '#CFAEEB',
  skin: '#38322A',
  skinEdge: '#93876F',
  bone: '#5D5546',
  bright: '#D9C596',
};

export const day: Theme = {
  name: 'day',
  ground: '#F7F3EA',
  surface: '#FFFDF8',
  raised: '#FFFFFF',
  line: '#DDD4C4',
  ink: '#221E17',
  inkSoft: '#6B6152',
  lamp: '#8F5B00',
  lampFill: '#FFC24B',
  onLamp: '#221E17',
  plate: '#2F647A',
  sage: '#2F6F31',
  brick: '#B1361D',
  mauve: '#6D4391',
  skin: '#EADFCB',
  skinEdge: '#85775F',
  bone: '#D3C4A8',
  bright: '#8C7443',
};

/** Widths at which the layout changes. */
export const RAIL_FROM = 900;
export const WIDE_FROM = 1100;
/** Smallest thing a gloved thumb hits. */
export const TARGET = 48;
export const PRIMARY = 56;
export const RADIUS = 4;

export const fonts = {
  body: 'AtkinsonHyperlegible_400Regular',
  bold: 'AtkinsonHyperlegible_700Bold',
  label: 'BarlowSemiCondensed_500Medium',
  figure: 'BarlowSemiCondensed_600SemiBold',
} as const;

/** For what takes the focus so that it is read out, and is no key itself. */
export const NO_OUTLINE = { outlineStyle: 'none' } as object;
/** Windows lower than this scroll as a whole: a phone on its side, or a page at four times its size. */
export const LOW_UNDER = 480;
