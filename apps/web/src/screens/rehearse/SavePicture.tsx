/** The picture as a file, and one from a file beside it. The libraries for it come when a key is pressed. */
import { orientForViewing, type Setup, type Window } from '@taktik/core';
import type { ReadPicture } from '@taktik/core/picture';
import { useState } from 'react';
import { View } from 'react-native';
import { FilePick } from '../../ui/FilePick';
import { Press } from '../../ui/Press';
import { Raster } from '../../ui/Raster';
import { saveFile } from '../../ui/saveFile';
import { Sheet } from '../../ui/Sheet';
import { Words } from '../../ui/Words';
import { pictureCore } from '../../workers/onDemand';
import type { Developed } from '../../workers/rehearsal';

const OPENED_WIDTH = 320;

type Props = {
  picture: Developed;
  setup: Setup;
  window: Window | null;
  /** For the reader, in the file of DICOM. */
  note?: string;
};

export function SavePicture({ picture, setup, window, note }: Props) {
  const [problem, setProblem] = useState('');
  const [opened, setOpened] = useState<{ name: string; read: ReadPicture } | null>(null);
  const name = `simulated-${setup.projectionId}${setup.side ? `-${setup.side}` : ''}`;
  const shown = { ...picture, window: window ?? picture.window };
  const attempt = (work: () => Promise<void>) =>
    work().then(
      () => setProblem(''),
      (error: Error) => setProblem(error.message),
    );
  const save = (kind: 'png' | 'dcm') =>
    attempt(async () => {
      const { toDicom, toPng } = await pictureCore();
      if (kind === 'png') saveFile(toPng(orientForViewing(shown)), `${name}.png`, 'image/png');
      else
        saveFile(
          toDicom(shown, setup, { at: new Date(), random: Math.random, note }),
          `${name}.dcm`,
          'application/dicom',
        );
    });
  const read = (bytes: Uint8Array, file: string) =>
    attempt(async () => {
      const { fromDicom, fromPng } = await pictureCore();
      setOpened({ name: file, read: /\.png$/i.test(file) ? fromPng(bytes) : fromDicom(bytes) });
    });
  const key = (label: string, text: string, onPress: () => void) => (
    <Press label={label} onPress={onPress} style={{ paddingHorizontal: 14 }}>
      <Words kind="small">{text}</Words>
    </Press>
  );
  return (
    <View style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', gap: 6, flexWrap: 'wrap' }}>
        {key('Save the picture as PNG', 'Save PNG', () => void save('png'))}
        {key('Save the picture as DICOM', 'Save DICOM', () => void save('dcm'))}
        <FilePick
          text="Open"
          label="Open a picture, PNG or DICOM"
          accept=".png,.dcm,image/png,application/dicom"
          onBytes={(bytes, file) => void read(bytes, file)}
        />
      </View>
      {problem !== '' && (
        <Words kind="small" tone="brick" role="alert">
          {`▲ ${problem}`}
        </Words>
      )}
      <Sheet open={opened !== null} title={opened?.name ?? ''} onClose={() => setOpened(null)}>
        {opened && (
          <View style={{ gap: 10 }}>
            <Raster
              image={opened.read}
              label={`Picture from the file ${opened.name}`}
              width={OPENED_WIDTH}
              height={(OPENED_WIDTH * opened.read.rows) / opened.read.columns}
            />
            {opened.read.says.map((line) => (
              <Words key={line.name} kind="small">{`${line.name}: ${line.value}`}</Words>
            ))}
            {opened.read.pixelMm === null && (
              <Words kind="small" tone="mauve">
                ● The file does not say how large a pixel is: nothing can be measured on it
              </Words>
            )}
          </View>
        )}
      </Sheet>
    </View>
  );
}
