'use client';

import { useEffect, useRef, useState } from 'react';

import { evaluateWhole, partOfFigure } from '@/core/figure';
import { readDxf } from '@/core/format/dxf/read';
import { linesOf } from '@/core/format/drawing';
import { svgOf } from '@/core/format/svg';
import { type Editor, sceneOf, shownFigure } from '@/state';
import { PAPER_CHECKS } from '@/ui/common';
import { BundlePreview } from './BundlePreview';
import type { Asked, FileMade } from './useFile';

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
  if (format.mediaType.startsWith('image/svg') && file.text !== null) return svgBlob(file.text);
  if (format.id === 'dxf' && file.text !== null) {
    const read = readDxf(file.text);
    return read.ok ? svgBlob(linesOf(read.value)) : null;
  }
  // Of what no browser shows as a picture: the scene that it is made of.
  const state = editor.getState();
  const scene =
    part.of === 'all'
      ? sceneOf(state)
      : await evaluateWhole(partOfFigure(shownFigure(state), part), { pause: breath });
  if (format.picture) return svgBlob(format.picture({ figure: shownFigure(state), scene }, options));
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

/** A tile beside itself, three across and three down. */
function SideBySide({
  source,
  sides: [wide, high],
}: {
  readonly source: string;
  readonly sides: readonly [number, number];
}) {
  return (
    <div
      role="img"
      aria-label="Nine tiles side by side"
      data-testid="tiles"
      className={wide > high ? 'w-full' : 'h-full'}
      style={{
        aspectRatio: `${wide} / ${high}`,
        maxHeight: '100%',
        backgroundImage: `url(${source})`,
        backgroundSize: `${100 / 3}% ${100 / 3}%`,
      }}
    />
  );
}

/** The file as it will be handed over; of several in one, each. */
export const FilePreview = (props: Props) =>
  props.asked.format.kind === 'bundle' ? <BundlePreview file={props.file} /> : <PicturePreview {...props} />;

function PicturePreview({ editor, asked, file }: Props) {
  const { format, options } = asked;
  const [picture, setPicture] = useState<Blob | null>(null);
  const shown = useRef<HTMLImageElement>(null);
  const [sides, setSides] = useState<readonly [number, number]>([1, 1]);
  const [source, setSource] = useState<string | null>(null);
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
    setSource(address);
    return () => URL.revokeObjectURL(address);
  }, [picture]);
  const repeats = format.repeats?.(options) ?? false;
  const isSeenThrough =
    options['background'] === false || shownFigure(editor.getState()).page.background === null;
  return (
    <div
      className="relative flex min-h-0 flex-1 items-center justify-center overflow-hidden rounded-[10px] border border-line-strong p-3"
      style={isSeenThrough ? { background: PAPER_CHECKS } : {}}
    >
      {picture && (
        // eslint-disable-next-line @next/next/no-img-element -- the very file
        <img
          ref={shown}
          alt={`The ${format.name} as it will be`}
          className={repeats ? 'absolute size-px opacity-0' : 'size-full object-contain'}
          onLoad={({ currentTarget: { naturalWidth, naturalHeight } }) =>
            setSides([naturalWidth || 1, naturalHeight || 1])
          }
        />
      )}
      {picture && repeats && source && <SideBySide source={source} sides={sides} />}
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
