'use client';

import { aboveZero, finding } from '@/core/finding';
import { setBehind } from '@/core/figure/commands';
import { type Stroke, STROKE_CAPS, STROKE_JOINS } from '@/core/scene';
import { shownFigure } from '@/state';
import { LengthField, ListField, Row, Segmented, ShareField } from '@/ui/common';
import { common, type PaintInUse, usePanelState } from '@/ui/desk';
import { FillField } from '@/ui/colour';
import type { Spreading } from './useSpreading';

const CAP_NAMES: Record<Stroke['cap'], string> = { butt: 'Butt', round: 'Round', square: 'Square' };
const JOIN_NAMES: Record<Stroke['join'], string> = { miter: 'Miter', round: 'Round', bevel: 'Bevel' };
const MOST_DASHES = 20;

interface Props {
  readonly inUse: PaintInUse;
  readonly stroke: Stroke;
  readonly spreading: Spreading;
}

/** The numbers and choices of a stroke. */
export function StrokeFields({ inUse, stroke, spreading }: Props) {
  const { page, palette } = shownFigure(usePanelState());
  const { paints, first, strokeWith } = inUse;
  const strokes = paints.flatMap((paint) => paint.stroke ?? []);
  return (
    <>
      <FillField
        label="Stroke"
        value={stroke.colour}
        mixed={false}
        palette={palette}
        unit={page.unit}
        {...spreading}
        onChange={(colour, key) => strokeWith(colour === null ? null : { colour }, key)}
      />
      <LengthField
        label="Stroke width"
        caption="Width"
        value={common(strokes.length > 0 ? strokes : [stroke], ({ width }) => width)}
        in={page.unit}
        step={0.25}
        refuse={aboveZero('The width of a stroke')}
        onChange={(width) => strokeWith({ width }, 'stroke-width')}
      />
      <Row caption="Cap">
        <Segmented
          label="Cap"
          value={stroke.cap}
          choices={STROKE_CAPS.map((cap) => ({ value: cap, label: CAP_NAMES[cap] }))}
          onChange={(cap) => strokeWith({ cap })}
        />
      </Row>
      <Row caption="Join">
        <Segmented
          label="Join"
          value={stroke.join}
          choices={STROKE_JOINS.map((join) => ({ value: join, label: JOIN_NAMES[join] }))}
          onChange={(join) => strokeWith({ join })}
        />
      </Row>
      {stroke.join === 'miter' && (
        <ShareField
          label="Miter limit"
          caption="Miter limit"
          value={stroke.limit ?? 4}
          least={1}
          most={100}
          step={1}
          onChange={(limit) => strokeWith({ limit }, 'miter-limit')}
        />
      )}
      <ListField
        label="Dashes"
        caption="Dashes"
        value={stroke.dashes ?? []}
        in={page.unit}
        most={MOST_DASHES}
        refuse={(dashes) =>
          dashes.length > 0 && !dashes.some((dash) => dash > 0) ? finding('dashes.none') : null
        }
        onChange={(dashes) => strokeWith({ dashes })}
      />
      {first.fill !== null && <PaintOrder inUse={inUse} />}
    </>
  );
}

/** Whether a stroke lies over its fill, or behind it. */
function PaintOrder({ inUse: { first, target, apply } }: { readonly inUse: PaintInUse }) {
  return (
    <Row caption="Lies">
      <Segmented
        label="The stroke lies"
        value={first.behind ? 'behind' : 'over'}
        choices={[
          { value: 'over', label: 'Over the fill' },
          { value: 'behind', label: 'Behind it' },
        ]}
        onChange={(value) =>
          apply(
            'Paint order',
            (each) => setBehind(each, target, value === 'behind'),
            { ...first, behind: value === 'behind' },
            null,
          )
        }
      />
    </Row>
  );
}
