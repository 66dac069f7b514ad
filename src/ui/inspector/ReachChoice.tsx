'use client';

import { CELL_REACHES, type CellReach } from '@/core/figure';
import { Choices, Row, Segmented } from '@/ui/common';
import { useEditor, useEditorState } from '@/ui/desk';

const NAMES: Record<CellReach, string> = {
  one: 'One alone',
  kind: 'Its kind',
  second: 'Every 2nd',
  third: 'Every 3rd',
  ring: 'Its ring',
  sector: 'Its sector',
};

/** What a stroke over cells reaches. */
export function ReachChoice() {
  const editor = useEditor();
  const value = useEditorState((state) => state.cellReach);
  return (
    <Choices
      label="A stroke reaches"
      value={value}
      choices={CELL_REACHES.map((reach) => ({ value: reach, label: NAMES[reach] }))}
      onChange={(cellReach) => editor.setState({ cellReach })}
    />
  );
}

/** What a swap of a crossing reaches: all of its kind, or one alone. */
export function SwapReach() {
  const editor = useEditor();
  const value = useEditorState((state) => (state.cellReach === 'one' ? 'one' : 'kind'));
  return (
    <Row caption="A swap">
      <Segmented
        label="A swap reaches"
        value={value}
        choices={[
          { value: 'kind', label: NAMES.kind },
          { value: 'one', label: NAMES.one },
        ]}
        onChange={(cellReach) => editor.setState({ cellReach })}
      />
    </Row>
  );
}
