/** Types that React Native Elements asks for and the icon packages do not ship. */
declare module 'react-native-vector-icons/Icon' {
  import type { ComponentType } from 'react';
  export type IconProps = { name: string; size?: number; color?: string };
  export type IconButtonProps = IconProps & { onPress?: () => void };
  const Icon: ComponentType<IconProps>;
  export default Icon;
}
