'use client';

import { SquarePen } from 'lucide-react';

import { setInput, takeOutInput } from '@/core/figure/commands';
import { inputChoices, inputFields, inputName, type Round, type Shape } from '@/core/figure';
import { actAndSelect, LET_GO, newId, select } from '@/state';
import { IconButton, Row } from '@/ui/common';
import { useEditor } from '@/ui/desk';

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
  /** Goes to the nodes of what it follows; of curves of its own, which are taken out for it. */
  const edit = (key: string): void => {
    const source = shape.inputs?.[key];
    if (source !== undefined) select(editor, round.id, [source]);
    else
      actAndSelect(editor, 'Take out a line', round.id, (figure) =>
        takeOutInput(figure, { roundId: round.id, shapeId: shape.id }, key, newId),
      );
    editor.setState({ tool: 'nodes', stage: 'draw' });
  };
  return inputFields(shape.form).map((field) => {
    const { key, label } = field;
    const value = shape.inputs?.[key] ?? ITS_OWN;
    const choices = inputChoices(round, shape, key);
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
        <IconButton
          label={`Edit the nodes of its ${inputName(field).toLowerCase()}`}
          disabled={disabled}
          onClick={() => edit(key)}
        >
          <SquarePen size={15} strokeWidth={1.7} />
        </IconButton>
      </Row>
    );
  });
}
