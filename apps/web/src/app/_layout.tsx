import {
  AtkinsonHyperlegible_400Regular,
  AtkinsonHyperlegible_700Bold,
} from '@expo-google-fonts/atkinson-hyperlegible';
import {
  BarlowSemiCondensed_500Medium,
  BarlowSemiCondensed_600SemiBold,
} from '@expo-google-fonts/barlow-semi-condensed';
import { useFonts } from 'expo-font';
import { Slot } from 'expo-router';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { Provider } from 'react-redux';
import { useIdle } from '../screens/people/useIdle';
import { keepAnswers } from '../state/kept';
import { store } from '../state/appStore';
import { useFollowVersions } from '../state/useFollowVersions';
import { ThemeProvider } from '../ui/theme';
// It hears of a step back before the router does.
import '../ui/useBackCloses';

keepAnswers(store);

function IdleWatch() {
  useIdle();
  useFollowVersions();
  return null;
}

export default function Layout() {
  // The system's fonts stand in until ours are there: nothing waits for them.
  useFonts({
    AtkinsonHyperlegible_400Regular,
    AtkinsonHyperlegible_700Bold,
    BarlowSemiCondensed_500Medium,
    BarlowSemiCondensed_600SemiBold,
  });
  return (
    <Provider store={store}>
      <SafeAreaProvider>
        <ThemeProvider>
          <IdleWatch />
          <Slot />
        </ThemeProvider>
      </SafeAreaProvider>
    </Provider>
  );
}
