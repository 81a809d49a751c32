'use client';

import { fileNamed } from '@/core/format/grooveFile';
import { fontsIn } from './fonts';
import { svgOf } from './svgOf';

/** A picture as lines, or as dots. */
export type PictureKind = 'svg' | 'png';

/** Dots of a picture for each pixel of the screen, so that it can be printed. */
const DOTS = 3;
/** The most dots a side may have: what every browser can draw. */
const MOST_DOTS = 12_000;

/** Gives a picture of parts of the page as a file; throws where this browser cannot draw it. */
export async function takePicture(parts: readonly HTMLElement[], name: string, kind: PictureKind): Promise<void> {
  const svg = svgOf(parts, name, await fontsIn(svgOf(parts, name)));
  const made = kind === 'svg' ? new Blob([svg], { type: 'image/svg+xml' }) : await dotted(svg);
  give(made, fileNamed(name, kind));
}

async function dotted(svg: string): Promise<Blob> {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  await image.decode();
  const scale = Math.min(DOTS, MOST_DOTS / Math.max(image.width, image.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(image.width * scale);
  canvas.height = Math.round(image.height * scale);
  canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
  const made = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
  if (!made) throw new Error('This browser cannot make a picture so large. Take it as SVG.');
  return made;
}

function give(blob: Blob, name: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
}
