'use client';

import type { CombineOp, Round, Shape } from '@/core/figure';
import {
  divideShapes,
  makeBands,
  makeCombinedPlain,
  makePlain,
  takeApart,
  trimToShape,
} from '@/core/figure/commands';
import { act, newId } from '@/state';
import { Button } from '@/ui/common';
import { useEditor } from '@/ui/desk';
import { useMaking } from './useMaking';

interface Props {
  readonly round: Round;
  readonly shapes: readonly Shape[];
  /** How they are combined. */
  readonly op: CombineOp | null;
  /** Nothing comes of their combination. */
  readonly isNothing: boolean;
}

/** Buttons that make other shapes of those that are selected, or of their combination. */
export function MadeOfShapes({ round, shapes, op, isNothing }: Props) {
  return (
    <div className="grid grid-cols-2 gap-1.5">
      {op ? (
        <OfCombination round={round} shapes={shapes} isNothing={isNothing} />
      ) : (
        <OfEach round={round} shapes={shapes} />
      )}
    </div>
  );
}

function OfCombination({ round, shapes, isNothing }: Omit<Props, 'op'>) {
  const editor = useEditor();
  const make = useMaking(round);
  const ids = new Set(shapes.map(({ id }) => id));
  return (
    <>
      <Button
        disabled={round.locked}
        onClick={() => act(editor, 'Take apart', (figure) => takeApart(figure, round.id, ids))}
      >
        Take apart
      </Button>
      <Button
        disabled={round.locked || isNothing}
        onClick={() =>
          make(
            'Make plain',
            (figure, work) => makeCombinedPlain(figure, round.id, ids, work),
            'Nothing is left of them so.',
          )
        }
      >
        Make plain
      </Button>
    </>
  );
}

function OfEach({ round, shapes }: Pick<Props, 'round' | 'shapes'>) {
  const editor = useEditor();
  const make = useMaking(round);
  const ids = new Set(shapes.map(({ id }) => id));
  return (
    <>
      <Button
        disabled={round.locked}
        title="A shape for each cell that the outlines make"
        onClick={() =>
          make(
            'Divide',
            (figure, work) => divideShapes(figure, round.id, ids, newId, work),
            'Open lines cover nothing to divide.',
          )
        }
      >
        Divide
      </Button>
      <Button
        disabled={round.locked || shapes.length < 2}
        title="What reaches past the frontmost shape goes, and that shape with it"
        onClick={() =>
          make(
            'Trim',
            (figure, work) => trimToShape(figure, round.id, ids, newId, work),
            'Nothing of them is inside the frontmost.',
          )
        }
      >
        Trim to front
      </Button>
      <Button
        disabled={round.locked}
        title="Lines become closed shapes of a width"
        onClick={() =>
          make(
            'Band',
            (figure, work) => makeBands(figure, round.id, ids, newId, work),
            'These are bands already, or too short for one.',
          )
        }
      >
        Band
      </Button>
      <Button
        disabled={round.locked || shapes.every(({ form }) => form.kind === 'path')}
        onClick={() =>
          act(editor, 'Make plain', (figure, work) => makePlain(figure, round.id, ids, newId, work))
        }
      >
        Make plain
      </Button>
    </>
  );
}
