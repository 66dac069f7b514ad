'use client';

import { setInput } from '@/core/figure/commands';
import { inputChoices, inputFields } from '@/core/figure/inputs';
import type { Round, Shape } from '@/core/figure/model';
import { actAndSelect } from '@/state/editor';
import { LET_GO } from '@/state/letGo';
import { Row } from '../common/Panel';
import { useEditor } from '../editor/EditorContext';

const ITS_OWN = '';

/** What a construction is made of: curves of its own, or another shape of the motif, which it follows. */
export function MadeOfFields({
  round,
  shape,
  disabled,
}: {
  readonly round: Round;
  readonly shape: Shape;
  readonly disabled: boolean;
}) {
  const editor = useEditor();
  const choose = (key: string, source: string | null): void =>
    actAndSelect(editor, source === null ? LET_GO : 'Follow a shape', round.id, (figure) => {
      const made = setInput(figure, { roundId: round.id, shapeId: shape.id }, key, source);
      return made.ok ? { figure: made.value, ids: [shape.id] } : made;
    });
  return inputFields(shape.form).map(({ key, label }) => {
    const value = shape.inputs?.[key] ?? ITS_OWN;
    const choices = inputChoices(round, shape, key);
    if (choices.length === 0) return null;
    return (
      <Row key={key} caption={label}>
        <select
          aria-label={`${label} is that of`}
          title="Made of another shape, it follows that when it is changed"
          className="h-[30px] w-full min-w-0 rounded-ui border border-line-strong bg-field px-2"
          value={value}
          disabled={disabled}
          onChange={({ target }) => choose(key, target.value === ITS_OWN ? null : target.value)}
        >
          <option value={ITS_OWN}>Its own</option>
          {choices.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </Row>
    );
  });
}
