'use client';

import { Row } from '../common/Panel';
import { Segmented } from '../common/Segmented';
import { useEditor, useEditorState } from '../editor/EditorContext';

/** What a stroke over cells, or a swap of a crossing, reaches: all of its kind, or one alone. */
export function ReachChoice({ caption, label }: { readonly caption: string; readonly label: string }) {
  const editor = useEditor();
  const value = useEditorState((state) => state.cellReach);
  return (
    <Row caption={caption}>
      <Segmented
        label={label}
        value={value}
        choices={[
          { value: 'kind', label: 'Its kind' },
          { value: 'one', label: 'One alone' },
        ]}
        onChange={(cellReach) => editor.setState({ cellReach })}
      />
    </Row>
  );
}
