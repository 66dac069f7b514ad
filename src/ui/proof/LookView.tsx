'use client';

import { useMemo } from 'react';

import { convertLength } from '@/core/number';
import { remembered } from '@/core/remembered';
import type { Scene } from '@/core/scene';
import type { Carrier, Look } from './looks';
import { PixelView } from './PixelView';
import { changed } from './raster';

/** Pixels with their page's background, and without it. */
export interface Rasters {
  readonly scene: Scene;
  readonly withGround: ImageData;
  readonly bare: ImageData;
}

/** A picture as an address, for what is put on things: made once for all of them. */
const pixelAddress = remembered((pixels: ImageData): string => {
  const canvas = document.createElement('canvas');
  canvas.width = pixels.width;
  canvas.height = pixels.height;
  canvas.getContext('2d')?.putImageData(pixels, 0, 0);
  return canvas.toDataURL();
});

const picture = (href: string, x: number, y: number, side: number, clip?: string) => (
  <image href={href} x={x} y={y} width={side} height={side} {...(clip && { clipPath: `url(#${clip})` })} />
);

/** Things that the figure may be on in the end, drawn by us, 100 × 100. */
const CARRIERS: Record<Exclude<Carrier, 'tile'>, (href: string, id: string) => React.ReactNode> = {
  badge: (href, id) => (
    <>
      <clipPath id={id}>
        <circle cx="50" cy="50" r="40" />
      </clipPath>
      <ellipse cx="52" cy="93" rx="30" ry="3.5" fill="#000" fillOpacity="0.14" />
      <circle cx="50" cy="50" r="44" fill="#cfd4d2" />
      {picture(href, 10, 10, 80, id)}
      <circle cx="50" cy="50" r="42" fill="none" stroke="#8d9694" strokeWidth="3" />
      <path
        d="M20 34A34 34 0 0 1 50 15"
        fill="none"
        stroke="#fff"
        strokeOpacity="0.7"
        strokeWidth="4"
        strokeLinecap="round"
      />
    </>
  ),
  flag: (href) => (
    <>
      <rect x="8" y="6" width="3.5" height="90" rx="1.7" fill="#7a6a4f" />
      <path d="M12 12C34 4 52 22 92 12V64C52 74 34 56 12 64Z" fill="#fdfbf5" stroke="#d8d0bf" />
      {picture(href, 31, 17, 42)}
      <path d="M36 8.600C50 12 60 17 70 16.500V68C58 68 48 64 36 60.500Z" fill="#000" fillOpacity="0.06" />
    </>
  ),
  cup: (href) => (
    <>
      <ellipse cx="46" cy="92" rx="32" ry="4" fill="#000" fillOpacity="0.14" />
      <path d="M76 34H86A10 10 0 0 1 86 62H74" fill="none" stroke="#fdfbf5" strokeWidth="7" />
      <path
        d="M76 34H86A10 10 0 0 1 86 62H74"
        fill="none"
        stroke="#d8d0bf"
        strokeWidth="0.8"
        transform="translate(0 3.500)"
      />
      <path d="M16 20H78L72 86A6 5 0 0 1 66 91H28A6 5 0 0 1 22 86Z" fill="#fdfbf5" stroke="#d8d0bf" />
      <ellipse cx="47" cy="20" rx="31" ry="4.500" fill="#eee8da" stroke="#d8d0bf" />
      {picture(href, 27, 33, 40)}
    </>
  ),
  stickers: (href, id) => (
    <>
      <rect x="6" y="4" width="88" height="92" rx="2" fill="#fdfbf5" stroke="#d8d0bf" />
      {[0, 1, 2, 3, 4, 5].map((k) => {
        const [x, y] = [14 + 38 * (k % 2), 9 + 29 * Math.floor(k / 2)];
        return (
          <g key={k}>
            <clipPath id={`${id}-${k}`}>
              <circle cx={x + 17} cy={y + 13} r="12.500" />
            </clipPath>
            {picture(href, x + 4, y, 26, `${id}-${k}`)}
            <circle
              cx={x + 17}
              cy={y + 13}
              r="12.500"
              fill="none"
              stroke="#b9b1a0"
              strokeDasharray="1.500 1.500"
              strokeWidth="0.500"
            />
          </g>
        );
      })}
    </>
  ),
};

/** A figure in real pixels, or as large as it is, of which as much is seen as there is room. */
function RealSize({
  look,
  rasters: { scene, withGround },
}: {
  readonly look: Look;
  readonly rasters: Rasters;
}) {
  const address = pixelAddress(withGround);
  const { width, height, unit } = scene.page;
  const sides =
    look.real === 256
      ? { width: 256, height: (256 * height) / width }
      : { width: `${convertLength(width, unit, 'mm')}mm`, height: `${convertLength(height, unit, 'mm')}mm` };
  return (
    <div className="size-full overflow-auto">
      <div
        role="img"
        aria-label={look.name}
        style={{ ...sides, backgroundImage: `url(${address})`, backgroundSize: '100% 100%' }}
      />
    </div>
  );
}

/** A figure under a look, as large as there is room. */
export function LookView({
  look,
  rasters,
  id,
}: {
  readonly look: Look;
  readonly rasters: Rasters;
  readonly id: string;
}) {
  const from = look.ground === 'own' || look.from === 'own' ? rasters.withGround : rasters.bare;
  const pixels = useMemo(() => (look.change ? changed(from, look.change) : from), [from, look.change]);
  const ground = look.ground === 'other' ? look.colour : undefined;
  if (look.real) return <RealSize look={look} rasters={rasters} />;
  if (look.carrier === 'tile')
    return (
      <div
        role="img"
        aria-label={look.name}
        className="size-full"
        style={{ backgroundImage: `url(${pixelAddress(pixels)})`, backgroundSize: '33.34% 33.34%' }}
      />
    );
  if (look.carrier)
    return (
      <svg viewBox="0 0 100 100" role="img" aria-label={look.name} className="size-full bg-[#e9e6de]">
        {CARRIERS[look.carrier](pixelAddress(pixels), `carrier-${id}-${look.id}`)}
      </svg>
    );
  return (
    <div
      className="flex size-full items-center justify-center overflow-hidden"
      style={{ background: ground, ...look.style }}
    >
      <PixelView pixels={pixels} label={look.name} className="max-h-full max-w-full" />
    </div>
  );
}
