/** A file of this device, read as text or as it is. */
import { useRef } from 'react';
import { Press } from './Press';
import { Words } from './Words';

type Props = {
  /** On the key. */
  text: string;
  label: string;
  accept: string;
  disabled?: boolean;
  onText?: (text: string, name: string) => void;
  onBytes?: (bytes: Uint8Array, name: string) => void;
};

export function FilePick({ text, label, accept, disabled, onText, onBytes }: Props) {
  const picker = useRef<HTMLInputElement | null>(null);
  return (
    <>
      <Press
        label={label}
        disabled={disabled}
        onPress={() => picker.current?.click()}
        style={{ paddingHorizontal: 14 }}
      >
        <Words>{text}</Words>
      </Press>
      <input
        ref={picker}
        type="file"
        accept={accept}
        aria-label={`${label}: file`}
        style={{ display: 'none' }}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (!file) return;
          if (onText) void file.text().then((read) => onText(read, file.name));
          if (onBytes) void file.arrayBuffer().then((read) => onBytes(new Uint8Array(read), file.name));
        }}
      />
    </>
  );
}
