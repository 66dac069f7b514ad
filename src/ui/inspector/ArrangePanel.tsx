'use client';

import { useEditor, useWork } from '@/ui/desk';
import {
  type Alignment,
  alignShapes,
  type AlignTo,
  removeShapes,
  setForm,
  type SpreadAlong,
  spreadShapes,
} from '@/core/figure/commands';
import { type Contour, joinedPaths } from '@/core/curve';
import { anchorOf, largestNodes, motifTree, type Round, type Shape } from '@/core/figure';
import { grownForm, type Growth, growthToTouch } from '@/core/maker';
import { act } from '@/state';
import { useState } from 'react';
import { toast } from 'sonner';
import { Row, Section, Segmented } from '@/ui/common';

const ALONE: readonly (readonly [Alignment, string])[] = [
  ['axis', 'On the axis'],
  ['centre', 'At the centre'],
];
const TOGETHER: readonly (readonly [Alignment, string])[] = [
  ['left', 'Left'],
  ['middle', 'Middle x'],
  ['right', 'Right'],
  ['top', 'Top'],
  ['level', 'Middle y'],
  ['bottom', 'Bottom'],
];
const ROUND: readonly (readonly [Alignment, string])[] = [
  ['radius', 'One radius'],
  ['angle', 'One angle'],
];
const TO: readonly { value: AlignTo; label: string }[] = [
  { value: 'first', label: 'The first' },
  { value: 'selection', label: 'All of them' },
  { value: 'page', label: 'Page' },
];
const SPREADS: readonly (readonly [SpreadAlong, string])[] = [
  ['across', 'Across'],
  ['up', 'Upward'],
  ['radius', 'By radius'],
  ['angle', 'By angle'],
];

interface Props {
  readonly round: Round;
  readonly shapes: readonly Shape[];
}

/** The one open contour of a path; null for other shapes. */
function openContourOf({ form }: Shape): Contour | null {
  const [contour, another] = form.kind === 'path' ? form.contours : [];
  return contour && !another && !contour.closed ? contour : null;
}

function Chip({ onClick, children }: { readonly onClick: () => void; readonly children: string }) {
  return (
    <button
      type="button"
      onClick={onClick}
      className="h-[28px] rounded-ui border border-line-strong bg-field px-1 text-[12px] hover:border-edge"
    >
      {children}
    </button>
  );
}

/** Puts shapes in line and spreads them; joins open paths. */
export function ArrangePanel({ round, shapes }: Props) {
  const work = useWork();
  const editor = useEditor();
  const [to, setTo] = useState<AlignTo>('first');
  const [asOne, setAsOne] = useState(false);
  const [even, setEven] = useState<'centres' | 'gaps'>('centres');
  const ids = new Set(shapes.map(({ id }) => id));
  const locked = round.locked || shapes.some((shape) => shape.locked);
  if (locked || shapes.length === 0) return null;
  // Groups go as one; a single piece has only the page to go by.
  const pieces = asOne ? 1 : largestNodes(motifTree(round), ids).length;
  const lead = pieces > 1 ? to : 'page';
  const align = (how: Alignment): void =>
    act(editor, 'Align', (figure, work) =>
      alignShapes(figure, round.id, ids, { how, to: lead, asOne }, work),
    );
  const [a, b] = shapes;
  const [one, other] = [a, b].map((shape) => (shape ? openContourOf(shape) : null));
  const canJoin = shapes.length === 2 && one && other;
  const join = (): void => {
    if (!a || !b || !one || !other) return;
    const result = joinedPaths(one, other, 1e-6);
    if (!result.ok) {
      toast.error(result.finding.sentence);
      return;
    }
    act(editor, 'Join paths', (figure) =>
      removeShapes(
        setForm(figure, { roundId: round.id, shapeId: a.id }, { kind: 'path', contours: [result.value] }),
        round.id,
        new Set([b.id]),
      ),
    );
  };
  const grow = (how: keyof Growth): void => {
    if (!a || !b) return;
    const about = anchorOf(a);
    const factor = growthToTouch(a.form, about, [b.form], work)[how];
    if (factor === null)
      toast.error(
        how === 'meets'
          ? `${a.name} meets ${b.name} as it is, or at no size.`
          : `${a.name} is round ${b.name} as it is, or at no size.`,
      );
    else
      act(editor, 'Grow until it touches', (figure) =>
        setForm(figure, { roundId: round.id, shapeId: a.id }, grownForm(a.form, factor, about)),
      );
  };
  return (
    <Section title="Align" note={pieces > 1 ? undefined : 'to the page'}>
      {shapes.length > 1 && (
        <Row caption="Moves">
          <Segmented
            label="Align moves"
            value={asOne ? 'one' : 'each'}
            choices={[
              { value: 'each', label: 'Each' },
              { value: 'one', label: 'All as one' },
            ]}
            onChange={(next) => setAsOne(next === 'one')}
          />
        </Row>
      )}
      <div className="grid grid-cols-2 gap-1.5">
        {ALONE.map(([how, name]) => (
          <Chip key={how} onClick={() => align(how)}>
            {name}
          </Chip>
        ))}
      </div>
      {pieces > 1 && <Segmented label="Align to" value={to} choices={TO} onChange={setTo} />}
      <div className="grid grid-cols-3 gap-1.5">
        {TOGETHER.map(([how, name]) => (
          <Chip key={how} onClick={() => align(how)}>
            {name}
          </Chip>
        ))}
      </div>
      {pieces > 1 && (
        <div className="grid grid-cols-2 gap-1.5">
          {ROUND.map(([how, name]) => (
            <Chip key={how} onClick={() => align(how)}>
              {name}
            </Chip>
          ))}
        </div>
      )}
      {pieces > 2 && (
        <>
          <Row caption="Spread evenly">
            <Segmented
              label="Spread evenly by"
              value={even}
              choices={[
                { value: 'centres', label: 'Centres' },
                { value: 'gaps', label: 'Gaps' },
              ]}
              onChange={setEven}
            />
          </Row>
          <div className="grid grid-cols-4 gap-1.5">
            {SPREADS.map(([along, name]) => (
              <Chip
                key={along}
                onClick={() =>
                  act(editor, 'Spread', (figure, work) =>
                    spreadShapes(figure, round.id, ids, along, even, work),
                  )
                }
              >
                {name}
              </Chip>
            ))}
          </div>
        </>
      )}
      {shapes.length === 2 && a && b && (
        <>
          <Chip onClick={() => grow('meets')}>{`Grow ${a.name} until it meets ${b.name}`}</Chip>
          <Chip onClick={() => grow('encloses')}>{`Grow ${a.name} until it is just round ${b.name}`}</Chip>
        </>
      )}
      {canJoin && <Chip onClick={join}>Join the two paths</Chip>}
    </Section>
  );
}
