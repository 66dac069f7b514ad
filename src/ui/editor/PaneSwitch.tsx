'use client';

import { memo } from 'react';

import type { PaneId } from '@/state/editor';
import { Segmented } from '../common/Choices';
import { useEditor, useEditorState } from './EditorContext';

/** On a window under 1100 px Bench and Whole share one place: this says which of them has it. */
export const PaneSwitch = memo(function PaneSwitch() {
  const editor = useEditor();
  const wide = useEditorState((state) => state.wide);
  return (
    <div className="pointer-events-auto mx-auto w-[150px] min-[1101px]:hidden">
      <Segmented<PaneId>
        label="Pane shown"
        value={wide ?? 'bench'}
        choices={[
          { value: 'bench', label: 'Bench' },
          { value: 'whole', label: 'Whole' },
        ]}
        onChange={(pane) => editor.setState({ wide: pane })}
      />
    </div>
  );
});
