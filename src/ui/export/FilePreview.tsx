'use client';

import { useEffect, useRef, useState } from 'react';

import { evaluateWhole } from '@/core/figure/evaluateWhole';
import { partOfFigure } from '@/core/figure/part';
import { readDxf } from '@/core/format/dxf/read/readDxf';
import { shapesOfNodes } from '@/core/format/drawing/drawing';
import { pathData, printNumber } from '@/core/format/pathData';
import { svgOf } from '@/core/format/svg/svg';
import { shownFigure, type Editor } from '@/state/editor';
import { sceneOf } from '@/state/scene';
import { PAPER_CHECKS } from '../common/fillBackground';
import type { Asked, FileMade } from './useFile';

/** What a DXF draws, read back from it: lines as thin as a tool is for the eye. */
function picturedDxf(text: string): string | null {
  const read = readDxf(text);
  if (!read.ok) return null;
  const { width, height, nodes } = read.value;
  const around = Math.max(width, height) / 50;
  const n = (value: number): string => printNumber(value, 3);
  const lines = shapesOfNodes(nodes).map(
    ({ paths, paint }) =>
      `<path d="${pathData(paths, 3)}" stroke="${typeof paint.stroke?.colour === 'string' ? paint.stroke.colour : '#000'}"/>`,
  );
  const box = [-around, -around, width + 2 * around, height + 2 * around].map(n).join(' ');
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box}" width="800" height="${n((800 * (height + 2 * around)) / (width + 2 * around))}"><rect x="${n(-around)}" y="${n(-around)}" width="100%" height="100%" fill="#fffefb"/><g fill="none" stroke-width="${n(around / 12)}">${lines.join('')}</g></svg>`;
}

const breath = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

const svgBlob = (text: string): Blob => new Blob([text], { type: 'image/svg+xml' });

/** A picture of what a file shows; null where there is none. */
async function pictureOf(
  editor: Editor,
  { format, options, part }: Asked,
  file: FileMade,
): Promise<Blob | null> {
  if (file.kind !== 'made') return null;
  if (format.kind === 'pixels') return file.blob;
  if (format.id === 'svg' && file.text !== null) return svgBlob(file.text);
  if (format.id === 'dxf' && file.text !== null) {
    const drawn = picturedDxf(file.text);
    return drawn === null ? null : svgBlob(drawn);
  }
  // Of what no browser shows as a picture: the scene that it is made of.
  const state = editor.getState();
  const scene =
    part.of === 'all'
      ? sceneOf(state)
      : await evaluateWhole(partOfFigure(shownFigure(state), part), { pause: breath });
  return svgBlob(
    svgOf(scene, {
      form: 'compact',
      decimals: 4,
      background: options['background'] !== false,
      bleed: options['bleed'] === true,
    }),
  );
}

interface Props {
  readonly editor: Editor;
  readonly asked: Asked;
  readonly file: FileMade;
}

/** The file as it will be handed over. */
export function FilePreview({ editor, asked, file }: Props) {
  const { format, options } = asked;
  const [picture, setPicture] = useState<Blob | null>(null);
  const shown = useRef<HTMLImageElement>(null);
  useEffect(() => {
    let isMine = true;
    void pictureOf(editor, asked, file).then((made) => {
      if (isMine) setPicture(made);
    });
    return () => {
      isMine = false;
    };
  }, [editor, asked, file]);
  useEffect(() => {
    if (!picture || !shown.current) return;
    const address = URL.createObjectURL(picture);
    shown.current.src = address;
    return () => URL.revokeObjectURL(address);
  }, [picture]);
  const isSeenThrough =
    options['background'] === false || shownFigure(editor.getState()).page.background === null;
  return (
    <div
      className="relative flex min-h-0 flex-1 items-center justify-center overflow-hidden rounded-[10px] border border-line-strong p-3"
      style={isSeenThrough ? { background: PAPER_CHECKS } : {}}
    >
      {picture && (
        // eslint-disable-next-line @next/next/no-img-element -- the very file
        <img ref={shown} alt={`The ${format.name} as it will be`} className="size-full object-contain" />
      )}
      {file.kind === 'making' && (
        <p className="absolute rounded-ui bg-field px-2 py-1 text-muted" role="status">
          Making the file …
        </p>
      )}
      {file.kind === 'failed' && (
        <p role="alert" className="absolute m-4 rounded-ui bg-field px-3 py-2 text-coral-text">
          {file.sentence}
        </p>
      )}
    </div>
  );
}
