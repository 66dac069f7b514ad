import { inksOfPaint, isGradient } from '@/core/paint';
import type { ScenePage } from '@/core/scene';
import { GradientDefs } from './sceneShapes';

/** What a page's background is painted with: its colour, its gradient by id, or something else where it has none. */
export const backgroundFill = ({ background }: ScenePage, id: string, none: string): string =>
  isGradient(background) ? `url(#${id})` : (background ?? none);

/** What a background may refer to: its gradient, and the checks that stand for none. */
export function BackgroundDefs({ page, id }: { readonly page: ScenePage; readonly id: string }) {
  const { background, width, height, centre } = page;
  const [ink] = inksOfPaint({ fill: background, stroke: null });
  const side = Math.max(width, height) / 40;
  return (
    <defs>
      {ink && ink.kind !== 'flat' && <GradientDefs gradients={new Map([[id, { id, ink }]])} />}
      <pattern
        id="checks"
        x={-width / 2 - centre.x}
        y={-height / 2 - centre.y}
        width={2 * side}
        height={2 * side}
        patternUnits="userSpaceOnUse"
      >
        <rect width={2 * side} height={2 * side} fill="#ffffff" />
        <path d={`M0 0h${side}v${side}H0zM${side} ${side}h${side}v${side}h${-side}z`} fill="#dedbd3" />
      </pattern>
    </defs>
  );
}
