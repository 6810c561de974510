/** The theme in force: the system's, unless the user picked one. */
import { createTheme, ThemeProvider as ElementsProvider } from '@rneui/themed';
import { createContext, useContext, useEffect, useMemo, useState, type PropsWithChildren } from 'react';
import { flushSync } from 'react-dom';
import { useColorScheme } from 'react-native';
import { useAppSelector } from '../state/hooks';
import { day, dim, fonts, PRIMARY, RADIUS, type Theme } from './tokens';

const Context = createContext<Theme>(dim);
export const useTheme = (): Theme => useContext(Context);

/** Paper is light: while something is printed the day theme holds. */
function usePrinting(): boolean {
  const [printing, setPrinting] = useState(false);
  useEffect(() => {
    if (typeof window.matchMedia !== 'function') return;
    const media = window.matchMedia('print');
    const now = (on: boolean) => flushSync(() => setPrinting(on));
    const change = ({ matches }: MediaQueryListEvent) => now(matches);
    const before = () => now(true);
    const after = () => now(false);
    media.addEventListener('change', change);
    window.addEventListener('beforeprint', before);
    window.addEventListener('afterprint', after);
    return () => {
      media.removeEventListener('change', change);
      window.removeEventListener('beforeprint', before);
      window.removeEventListener('afterprint', after);
    };
  }, []);
  return printing;
}

export function ThemeProvider({ children }: PropsWithChildren) {
  const picked = useAppSelector((state) => state.preferences.theme);
  const system = useColorScheme();
  const printing = usePrinting();
  const theme = printing || (picked ?? (system === 'light' ? 'day' : 'dim')) === 'day' ? day : dim;
  const elements = useMemo(
    () =>
      createTheme({
        mode: theme.name === 'day' ? 'light' : 'dark',
        components: {
          Button: {
            buttonStyle: {
              backgroundColor: theme.lampFill,
              borderRadius: RADIUS,
              minHeight: PRIMARY,
              paddingHorizontal: 20,
            },
            titleStyle: { color: theme.onLamp, fontFamily: fonts.figure, fontSize: 19 },
            disabledStyle: { backgroundColor: theme.raised },
            disabledTitleStyle: { color: theme.inkSoft },
          },
          Input: {
            inputStyle: { color: theme.ink, fontFamily: fonts.body, fontSize: 17, minHeight: 48 },
            inputContainerStyle: { borderBottomColor: theme.inkSoft },
            labelStyle: { color: theme.inkSoft, fontFamily: fonts.label, fontSize: 15, fontWeight: 'normal' },
            errorStyle: { color: theme.brick, fontFamily: fonts.body, fontSize: 15 },
          },
        },
      }),
    [theme],
  );
  return (
    <Context.Provider value={theme}>
      <ElementsProvider theme={elements}>{children}</ElementsProvider>
    </Context.Provider>
  );
}
