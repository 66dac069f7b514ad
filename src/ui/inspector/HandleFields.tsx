'use client';

import { aboveZero } from '@/core/finding';
import { add, fromPolar, type HandleSide, type PathNode, type Point, polarOf, subtract } from '@/core/curve';
import { setHandle, type ShapeRef } from '@/core/figure/commands';
import { act, shownFigure } from '@/state';
import { AngleField, LengthField } from '@/ui/common';
import { useEditor, useEditorState } from '@/ui/desk';

const SIDES: readonly (readonly [HandleSide, string])[] = [
  ['in', 'In'],
  ['out', 'Out'],
];

interface Props {
  readonly nodeRef: ShapeRef;
  readonly index: number;
  readonly node: PathNode;
  readonly locked: boolean;
}

/** The handles of a node as numbers: how long each is, and the way it points. */
export function HandleFields({ nodeRef, index, node, locked }: Props) {
  const editor = useEditor();
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  return SIDES.map(([side, name]) => {
    const at = node[side];
    if (!at) return null;
    const { r, degrees } = polarOf(subtract(at, node));
    const put = (arm: Point): void =>
      act(editor, 'Move handle', (figure) => setHandle(figure, nodeRef, index, side, add(node, arm)));
    return (
      <div key={side} className="grid grid-cols-2 gap-1.5">
        <LengthField
          label={`Handle ${name.toLowerCase()}, length`}
          inside={name}
          unit=""
          value={r}
          in={unit}
          disabled={locked}
          refuse={aboveZero('The length of a handle')}
          onChange={(value) => put(fromPolar(value, degrees))}
        />
        <AngleField
          label={`Handle ${name.toLowerCase()}, direction`}
          inside={`${name} θ`}
          value={degrees}
          disabled={locked}
          onChange={(value) => put(fromPolar(r, value))}
        />
      </div>
    );
  });
}
