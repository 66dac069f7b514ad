import { mapPath, moveMap } from '@/core/curve';
import { pathData } from '@/core/format';
import { petal, petalOfSize } from '@/core/maker';

const PETAL = pathData(
  petal.paths(petalOfSize(9.2, 4.6)).map((path) => mapPath(path, moveMap({ x: 0, y: -2.2 }))),
  3,
);
const TONES = ['#d9512c', '#1f8a76', '#e9b44c', '#113d4c'];

/** Our sign: eight petals of four tones round an open centre. */
export function Mark({ size = 26 }: { readonly size?: number }) {
  return (
    <svg width={size} height={size} viewBox="-12 -12 24 24" aria-hidden="true">
      {Array.from({ length: 8 }, (_, k) => (
        <path
          key={k}
          d={PETAL}
          fill={TONES[k % TONES.length]}
          transform={`rotate(${k * 45})`}
          stroke="var(--field)"
          strokeWidth={0.7}
        />
      ))}
    </svg>
  );
}
