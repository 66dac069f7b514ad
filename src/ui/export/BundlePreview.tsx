'use client';

import { unzip } from 'fflate';
import { useEffect, useState } from 'react';

import { SAFE_RADIUS } from '@/core/format/icons';
import { PAPER_CHECKS } from '@/ui/common';
import type { FileMade } from './useFile';

/** A file of a bundle, with an address where it is a picture. */
interface Shown {
  readonly name: string;
  readonly size: number;
  readonly address: string | null;
}

const TYPES: Readonly<Record<string, string>> = {
  png: 'image/png',
  svg: 'image/svg+xml',
  ico: 'image/x-icon',
};

const typeOf = (name: string): string | undefined => TYPES[name.slice(name.lastIndexOf('.') + 1)];

/** What is in a ZIP, with addresses that have to be given back. */
const unpacked = async (blob: Blob): Promise<readonly Shown[]> => {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  return new Promise((resolve, reject) => {
    unzip(bytes, (error, files) => {
      if (error) reject(error);
      else
        resolve(
          Object.entries(files).map(([name, content]) => {
            const type = typeOf(name);
            const address = type ? URL.createObjectURL(new Blob([new Uint8Array(content)], { type })) : null;
            return { name, size: content.length, address };
          }),
        );
    });
  });
};

/** The part of a maskable icon that every mask leaves. */
const SafeCircle = () => (
  <svg viewBox="0 0 100 100" className="absolute inset-0 size-full" aria-label="Its safe circle" role="img">
    <circle
      cx={50}
      cy={50}
      r={100 * SAFE_RADIUS}
      fill="none"
      stroke="var(--coral)"
      strokeDasharray="3 2"
      vectorEffect="non-scaling-stroke"
    />
  </svg>
);

/** The files of a bundle as they will be: pictures, and what else there is by name. */
export function BundlePreview({ file }: { readonly file: FileMade }) {
  const [files, setFiles] = useState<readonly Shown[]>([]);
  const blob = file.kind === 'made' ? file.blob : null;
  useEffect(() => {
    if (!blob) return;
    let isMine = true;
    let made: readonly Shown[] = [];
    void unpacked(blob).then((list) => {
      made = list;
      if (isMine) setFiles(list);
    });
    return () => {
      isMine = false;
      for (const { address } of made) if (address) URL.revokeObjectURL(address);
    };
  }, [blob]);
  const pictures = files.filter(({ address }) => address !== null);
  return (
    <div className="relative min-h-0 flex-1 overflow-y-auto rounded-[10px] border border-line-strong p-3">
      <ul aria-label="Files of the set" className="grid grid-cols-3 gap-3 max-md:grid-cols-2">
        {pictures.map(({ name, address }) => (
          <li key={name} className="flex min-w-0 flex-col gap-1">
            <div
              className="relative aspect-square rounded-ui border border-line"
              style={{ background: PAPER_CHECKS }}
            >
              {address && (
                // eslint-disable-next-line @next/next/no-img-element -- the very file
                <img src={address} alt={name} className="absolute inset-0 size-full object-contain" />
              )}
              {name.includes('maskable') && <SafeCircle />}
            </div>
            <span className="truncate text-[12px] text-muted">{name}</span>
          </li>
        ))}
      </ul>
      <p className="pt-3 text-[12px] leading-4 text-muted">
        {files
          .filter(({ address }) => address === null)
          .map(({ name }) => name)
          .join(', ')}
      </p>
      {file.kind === 'making' && (
        <p className="absolute inset-x-0 top-1/2 text-center text-muted" role="status">
          Making the files …
        </p>
      )}
      {file.kind === 'failed' && (
        <p role="alert" className="p-2 text-coral-text">
          {file.sentence}
        </p>
      )}
    </div>
  );
}
