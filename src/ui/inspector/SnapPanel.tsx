'use client';

import { aboveZero } from '@/core/finding';
import { SNAP_KINDS, type SnapKind } from '@/core/symmetry';
import { shownFigure } from '@/state';
import { LengthField, Section } from '@/ui/common';
import { useEditor, useEditorState } from '@/ui/desk';
import { CATCH } from '@/ui/tools';

const NAMES: Record<SnapKind, string> = {
  centre: 'Centre',
  axis: 'Axis',
  ray: 'Rays',
  ring: 'Ring lines',
  node: 'Nodes',
  frame: 'Frame',
  crossing: 'Crossings',
  midpoint: 'Middles',
  quadrant: 'Quadrants',
  touch: 'Tangent, square',
  spacing: 'Even spacing',
  curve: 'Curves',
};

/** What a pointer catches. */
export function SnapPanel() {
  const editor = useEditor();
  const on = useEditorState((state) => state.snapOn);
  const nudge = useEditorState((state) => state.nudge);
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const toggle = (kind: SnapKind): void => {
    const next = new Set(on);
    if (!next.delete(kind)) next.add(kind);
    editor.setState({ snapOn: next });
  };
  return (
    <Section title="Snap" note={`${CATCH} px, Ctrl suspends, Tab next`}>
      <div className="flex flex-wrap gap-1.5">
        {SNAP_KINDS.map((kind) => (
          <button
            key={kind}
            type="button"
            aria-pressed={on.has(kind)}
            onClick={() => toggle(kind)}
            className={`h-[26px] rounded-full border px-3 text-[12px] ${on.has(kind) ? 'border-kelp bg-kelp-soft text-kelp' : 'border-line-strong text-muted hover:border-edge'}`}
          >
            {NAMES[kind]}
          </button>
        ))}
      </div>
      <LengthField
        label="Nudge"
        caption="Arrows move"
        value={nudge}
        in={unit}
        refuse={aboveZero('A nudge')}
        onChange={(value) => editor.setState({ nudge: value })}
      />
    </Section>
  );
}
