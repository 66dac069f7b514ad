import PQueue from 'p-queue';
import { useEffect, useRef, useState } from 'react';

import { exportAddress } from '@/state';
import type { FigureSummary } from '@/protocol';

/**
 * Pictures that are fetched at once. A browser asks a server some six things at a time: whoever saves or searches must not wait behind
 * pictures that take long to draw.
 */
const queue = new PQueue({ concurrency: 2 });

type Picture = { readonly address: string } | { readonly why: string };

async function fetched(address: string, signal: AbortSignal): Promise<Picture> {
  const answer = await fetch(address, { signal });
  if (answer.ok) return { address: URL.createObjectURL(await answer.blob()) };
  const { error } = (await answer.json().catch(() => ({}))) as { error?: string };
  return { why: error ?? 'No picture could be made of it.' };
}

/** A picture once its place is seen, or why there is none; null until then. */
function usePicture(
  address: string,
  priority: number,
): {
  readonly ref: React.RefObject<HTMLSpanElement | null>;
  readonly picture: Picture | null;
} {
  const ref = useRef<HTMLSpanElement>(null);
  const [picture, setPicture] = useState<Picture | null>(null);
  useEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    const gone = new AbortController();
    let made: string | null = null;
    const observer = new IntersectionObserver(
      ([entry]) => {
        if (!entry?.isIntersecting) return;
        observer.disconnect();
        queue
          .add(() => fetched(address, gone.signal), { signal: gone.signal, priority })
          .then(
            (found) => {
              if (gone.signal.aborted) {
                if ('address' in found) URL.revokeObjectURL(found.address);
                return;
              }
              if ('address' in found) made = found.address;
              setPicture(found);
            },
            () => undefined,
          );
      },
      { rootMargin: '200px' },
    );
    observer.observe(element);
    return () => {
      observer.disconnect();
      gone.abort();
      if (made) URL.revokeObjectURL(made);
    };
  }, [address, priority]);
  return { ref, picture };
}

interface PictureProps {
  readonly address: string;
  /** It is what one looks at: it does not wait behind small ones. */
  readonly isLarge?: boolean;
}

/** A picture that the server draws, as large as there is room; why there is none where it takes the server too long. */
export function ServerPicture({ address, isLarge = false }: PictureProps) {
  const { ref, picture } = usePicture(address, isLarge ? 1 : 0);
  return (
    <span ref={ref} className="grid size-full min-h-0 place-items-center">
      {picture && 'why' in picture && (
        <span className="px-3 text-center text-[12px] leading-4 text-muted">{picture.why}</span>
      )}
      {picture && 'address' in picture && (
        // The picture is made by our own server as SVG: there is nothing for an image optimiser to do.
        // eslint-disable-next-line @next/next/no-img-element
        <img src={picture.address} alt="" draggable={false} className="size-full min-h-0 object-contain" />
      )}
    </span>
  );
}

/** Of every small picture. */
export const CARD = { to: 'svg', decimals: '2', card: '1' } as const;

/** A stored figure, small. */
export const FigurePicture = ({ figure: { id, revision } }: { readonly figure: FigureSummary }) => (
  <ServerPicture address={exportAddress(id, { ...CARD, revision: String(revision) })} />
);
