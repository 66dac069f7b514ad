'use client';

import { toast } from 'sonner';

import { type Contour, joinedPaths } from '@/core/curve';
import { anchorOf, type Round, type Shape } from '@/core/figure';
import { removeShapes, setForm } from '@/core/figure/commands';
import { grownForm, type Growth, growthToTouch } from '@/core/maker';
import { act } from '@/state';
import { useEditor, useWork } from '@/ui/desk';
import { Chip } from './Chip';

/** The one open contour of a path; null for other shapes. */
function openContourOf({ form }: Shape): Contour | null {
  const [contour, another] = form.kind === 'path' ? form.contours : [];
  return contour && !another && !contour.closed ? contour : null;
}

interface Props {
  readonly round: Round;
  readonly pair: readonly [Shape, Shape];
}

/** What is done with two shapes: one grows until it touches the other, or open paths are joined. */
export function PairChips({ round, pair: [a, b] }: Props) {
  const work = useWork();
  const editor = useEditor();
  const ref = { roundId: round.id, shapeId: a.id };
  const [one, other] = [openContourOf(a), openContourOf(b)];
  const grow = (how: keyof Growth): void => {
    const about = anchorOf(a);
    const factor = growthToTouch(a.form, about, [b.form], work)[how];
    const state = how === 'meets' ? 'meets' : 'is round';
    if (factor === null) toast.error(`${a.name} ${state} ${b.name} as it is, or at no size.`);
    else
      act(editor, 'Grow until it touches', (figure) =>
        setForm(figure, ref, grownForm(a.form, factor, about)),
      );
  };
  const join = (from: Contour, to: Contour): void => {
    const joined = joinedPaths(from, to, 1e-6);
    if (!joined.ok) toast.error(joined.finding.sentence);
    else
      act(editor, 'Join paths', (figure) =>
        removeShapes(
          setForm(figure, ref, { kind: 'path', contours: [joined.value] }),
          round.id,
          new Set([b.id]),
        ),
      );
  };
  return (
    <>
      <Chip onClick={() => grow('meets')}>{`Grow ${a.name} until it meets ${b.name}`}</Chip>
      <Chip onClick={() => grow('encloses')}>{`Grow ${a.name} until it is just round ${b.name}`}</Chip>
      {one && other && <Chip onClick={() => join(one, other)}>Join the two paths</Chip>}
    </>
  );
}
