/** A sheet over the screen: from below on a phone, at the right on a wide screen. Escape, the key or the shade closes it. */
import { useEffect, useRef, type PropsWithChildren } from 'react';
import { Modal, Pressable, ScrollView, useWindowDimensions, View, type Text } from 'react-native';
import { Press } from './Press';
import { useTheme } from './theme';
import { NO_OUTLINE, RAIL_FROM } from './tokens';
import { useBackCloses } from './useBackCloses';
import { useEscape } from './useEscape';
import { Words } from './Words';

export function Sheet({
  title,
  open,
  onClose,
  children,
}: PropsWithChildren<{ title: string; open: boolean; onClose: () => void }>) {
  const theme = useTheme();
  const { width, height } = useWindowDimensions();
  const wide = width >= RAIL_FROM;
  useEscape(open, onClose);
  useBackCloses(open, onClose);
  const heading = useRef<Text>(null);
  // What was opened is named at once, by its title; the keys follow.
  useEffect(() => {
    if (!open) return undefined;
    const timer = setTimeout(() => heading.current?.focus(), 0);
    return () => clearTimeout(timer);
  }, [open]);
  return (
    <Modal visible={open} transparent animationType="none" onRequestClose={onClose} aria-label={title}>
      <View style={{ flex: 1, flexDirection: wide ? 'row' : 'column', justifyContent: 'flex-end' }}>
        <Pressable
          aria-hidden
          tabIndex={-1}
          onPress={onClose}
          style={{ position: 'absolute', top: 0, left: 0, right: 0, bottom: 0, backgroundColor: '#000', opacity: 0.45 }}
        />
        <View
          style={{
            backgroundColor: theme.ground,
            width: wide ? 440 : '100%',
            maxHeight: wide ? height : height * 0.82,
            borderColor: theme.line,
            borderTopWidth: wide ? 0 : 1,
            borderLeftWidth: wide ? 1 : 0,
          }}
        >
          <View style={{ flexDirection: 'row', alignItems: 'center', paddingLeft: 16, paddingRight: 8, paddingTop: 8 }}>
            <Words ref={heading} tabIndex={-1} kind="title" role="heading" style={{ flex: 1, ...NO_OUTLINE }}>
              {title}
            </Words>
            <Press label="Close" onPress={onClose} plain style={{ alignItems: 'center', paddingHorizontal: 12 }}>
              <Words kind="heading" tone="lamp">
                Done
              </Words>
            </Press>
          </View>
          <ScrollView contentContainerStyle={{ padding: 16, paddingTop: 8, gap: 14 }}>{children}</ScrollView>
        </View>
      </View>
    </Modal>
  );
}
