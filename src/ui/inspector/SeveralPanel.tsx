'use client';

import { useState } from 'react';

import { ORIGIN } from '@/core/curve';
import { lockShapes, showShapes } from '@/core/figure/commands';
import type { Figure } from '@/core/figure';
import { turn } from '@/core/number';
import type { Transform } from '@/core/maker';
import {
  act,
  commit,
  type EditorState,
  frameOf,
  overParts,
  select,
  type SelectedPart,
  selectedParts,
  selectParts,
  shapesOfParts,
  shownFigure,
  transformedParts,
} from '@/state';
import { Button, DotsMenu, Row, Section, ShareField, TurnField } from '@/ui/common';
import { plural, selectionActions, useEditor } from '@/ui/desk';

/** What is selected in more than one round: how much of each, and what can be done with all of it, about the centre that they share. */
export function SeveralPanel({ state }: { readonly state: EditorState }) {
  const editor = useEditor();
  const [angle, setAngle] = useState(turn(1, 24));
  const [size, setSize] = useState(110);
  const figure = shownFigure(state);
  const parts = selectedParts(state);
  const shapes = shapesOfParts(state);
  const transform = (label: string, t: Transform): void => {
    // The centre is the same point in every motif.
    const frame = frameOf(state, 'whole', state.active);
    const made = transformedParts(editor.getState(), figure, t, frame);
    commit(editor, label, made.figure);
    selectParts(editor, state.selection.roundId, made.parts);
  };
  const each = (label: string, change: (f: Figure, part: SelectedPart) => Figure): void =>
    act(editor, label, (f) => overParts(state, f, change));
  const areHidden = shapes.every(({ visible }) => !visible);

  return (
    <>
      <div className="border-b border-line px-4 pt-2 pb-2.5">
        <div className="flex items-center gap-0.5">
          <h2 className="flex-1 font-title text-[17px] leading-[30px] font-semibold">
            {plural(shapes.length, 'shape', 'shapes')}
          </h2>
          <DotsMenu label="More for what is selected" entries={selectionActions(editor)} />
        </div>
        <p className="text-[12px] text-muted">in {plural(parts.length, 'round', 'rounds')}</p>
      </div>
      <Section title="Rounds" note="a click selects what is in one">
        <ul className="-mx-1.5 flex flex-col">
          {parts.map(({ roundId, ids, placement }) => (
            <li key={roundId}>
              <button
                type="button"
                className="flex h-[28px] w-full items-center justify-between rounded-[6px] px-1.5 text-left hover:bg-line/50"
                onClick={() => select(editor, roundId, ids, placement)}
              >
                <span className="truncate">{figure.rounds.find(({ id }) => id === roundId)?.name}</span>
                <span className="text-[12px] text-muted">{plural(ids.size, 'shape', 'shapes')}</span>
              </button>
            </li>
          ))}
        </ul>
      </Section>
      <Section title="About the centre" note="all of them together">
        <TurnField label="Turn all by" caption="Turn" value={angle} onChange={setAngle} />
        <ShareField
          label="Scale all to"
          caption="Scale"
          unit="%"
          value={size}
          least={1}
          most={10_000}
          onChange={setSize}
        />
        <Row caption="Apply">
          <div className="grid flex-1 grid-cols-2 gap-1.5">
            <Button onClick={() => transform('Turn', { kind: 'rotate', by: angle, about: ORIGIN })}>
              Turn
            </Button>
            <Button
              onClick={() =>
                transform('Scale', { kind: 'scale', x: size / 100, y: size / 100, about: ORIGIN })
              }
            >
              Scale
            </Button>
          </div>
        </Row>
      </Section>
      <Section title="All of them">
        <div className="grid grid-cols-2 gap-1.5">
          <Button
            onClick={() =>
              each(areHidden ? 'Show' : 'Hide', (f, { roundId, ids }) =>
                showShapes(f, roundId, ids, areHidden),
              )
            }
          >
            {areHidden ? 'Show' : 'Hide'}
          </Button>
          <Button onClick={() => each('Lock', (f, { roundId, ids }) => lockShapes(f, roundId, ids, true))}>
            Lock
          </Button>
        </div>
        <p className="text-[12px] leading-4 text-muted">
          Drag any of them to move all; arrows, Delete and Ctrl D do it too. Their paint is beside the tools.
        </p>
      </Section>
    </>
  );
}
