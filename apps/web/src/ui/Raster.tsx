/** Grey values as a picture, scaled to its frame. */
import { useEffect, useRef } from 'react';

export type RasterImage = { columns: number; rows: number; grey: Uint8ClampedArray };

/** Four bytes a pixel from one. */
function toRgba({ columns, rows, grey }: RasterImage): ImageData {
  const data = new Uint8ClampedArray(columns * rows * 4);
  for (let i = 0, at = 0; i < grey.length; i += 1, at += 4) {
    data[at] = grey[i];
    data[at + 1] = grey[i];
    data[at + 2] = grey[i];
    data[at + 3] = 255;
  }
  return new ImageData(data, columns, rows);
}

export function Raster({
  image,
  label,
  width,
  height,
  opacity = 1,
}: {
  image: RasterImage;
  label: string;
  width: number;
  height: number;
  opacity?: number;
}) {
  const canvas = useRef<HTMLCanvasElement | null>(null);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (context) context.putImageData(toRgba(image), 0, 0);
  }, [image]);
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={label}
      width={image.columns}
      height={image.rows}
      style={{ width, height, opacity, display: 'block' }}
    />
  );
}
