'use client';

import { aboveZero, zeroOrMore } from '@/core/finding';
import { type EditorState, shownFigure } from '@/state';
import { LengthField, Row, Section, Segmented, ShareField } from '@/ui/common';
import { useEditor, useEditorState } from '@/ui/desk';

/** How strokes by hand become shapes. */
export function HandPanel() {
  const editor = useEditor();
  const hand = useEditorState((state) => state.hand);
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const set = (part: Partial<EditorState['hand']>): void =>
    editor.setState((state) => ({ hand: { ...state.hand, ...part } }));
  return (
    <Section title="Next stroke">
      <Row caption="Becomes">
        <Segmented
          label="A stroke becomes"
          value={hand.as}
          choices={[
            { value: 'shape', label: 'A shape' },
            { value: 'line', label: 'A line' },
          ]}
          onChange={(as) => set({ as })}
        />
      </Row>
      {hand.as === 'shape' && (
        <>
          <LengthField
            label="Brush width"
            caption="Width"
            value={hand.width}
            in={unit}
            refuse={aboveZero('The width of a brush')}
            onChange={(width) => set({ width })}
          />
          <ShareField
            label="Pressure"
            caption="Pressure"
            value={hand.thinning}
            least={0}
            most={1}
            onChange={(thinning) => set({ thinning })}
          />
          <LengthField
            label="Taper"
            caption="Taper"
            value={hand.taper}
            in={unit}
            refuse={zeroOrMore('A taper')}
            onChange={(taper) => set({ taper })}
          />
        </>
      )}
      <LengthField
        label="Smoothing"
        caption="Smoothing"
        value={hand.smoothing ?? 0}
        in={unit}
        refuse={zeroOrMore('Smoothing')}
        onChange={(value) => set({ smoothing: value > 0 ? value : null })}
      />
      <p className="text-[12px] leading-4 text-muted">
        {hand.smoothing === null
          ? 'As close as a pixel and a half of the view.'
          : 'No farther than this from what the hand drew.'}
      </p>
    </Section>
  );
}
