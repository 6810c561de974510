const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);

/** React Native Elements asks for nineteen icon families; the app draws its own few signs and needs none of their fonts. */
const FAMILIES = {
  '@react-native-vector-icons/material-icons': '@expo/vector-icons/MaterialIcons',
  '@react-native-vector-icons/fontawesome': '@expo/vector-icons/FontAwesome',
};

config.resolver.resolveRequest = (context, name, platform) => {
  // The validator ships its messages in fifty languages; the app says its own and needs one of them as a fallback.
  if (/[\\/]zod[\\/]v4[\\/]locales[\\/]index\.c?js$/.test(context.originModulePath) && !/^\.\/en\./.test(name))
    return { type: 'empty' };
  if (name.startsWith('@react-native-vector-icons/') || name.startsWith('react-native-vector-icons')) {
    const mapped = FAMILIES[name];
    if (mapped) return context.resolveRequest(context, mapped, platform);
    return { type: 'empty' };
  }
  // Parts of that library with pictures of their own that the app does not use.
  if (
    context.originModulePath.includes('@rneui') &&
    /\/(\w*Rating|SocialIcon|PricingCard|SpeedDial|Tab|TabView|Slider|BottomSheet|FAB)(\/|$)/.test(name)
  )
    return { type: 'empty' };
  return context.resolveRequest(context, name, platform);
};

/**
 * A module runs when it is first used, not when something that may need it is read: the first numbers are there sooner.
 * The one that remembers where the program came from must look while it is read.
 */
const AT_ONCE = require.resolve('expo/src/winter/ImportMetaRegistry.ts');
config.transformer.getTransformOptions = async () => ({
  transform: { inlineRequires: { blockList: { [AT_ONCE]: true } } },
});

module.exports = config;
