'use client';

import { useEditor, useWork } from '@/ui/desk';
import type { Path } from '@/core/curve';
import { makeCombinedPlain, setAxis } from '@/core/figure/commands';
import { type AxisSide, groupOf, type Round, seenPaths, type Shape } from '@/core/figure';
import { act, actAndSelect, newId } from '@/state';
import { Button, Section, Segmented } from '@/ui/common';

type Side = AxisSide | 'drawn';

const SIDES: readonly { value: Side; label: string }[] = [
  { value: 'drawn', label: 'As drawn' },
  { value: 'left', label: 'Left side' },
  { value: 'right', label: 'Right side' },
];

const STEPS: Record<Side, string> = {
  drawn: 'Leave as drawn',
  left: 'Mirror the left side',
  right: 'Mirror the right side',
};

/** What came of it, in words. */
function outcome(paths: readonly Path[]): string {
  const nodes = paths.flatMap(({ segments }) => segments.map(({ from }) => from));
  const { length } = paths;
  const reach = Math.max(...nodes.map(({ x, y }) => Math.hypot(x, y)));
  const onAxis = nodes.filter(({ x }) => Math.abs(x) <= 1e-9 * reach).length;
  const outlines = length === 1 ? 'one outline' : `${length} outlines`;
  return `${outlines}, ${nodes.length} nodes, ${onAxis === 0 ? 'none' : onAxis} on the axis.`;
}

/** Keeps one side of the axis of what is selected, with its reflection, as long as it is not made plain. */
export function AxisPanel({ round, shapes }: { readonly round: Round; readonly shapes: readonly Shape[] }) {
  const work = useWork();
  const editor = useEditor();
  const ids = new Set(shapes.map(({ id }) => id));
  const group = groupOf(round, shapes);
  const sides = new Set((group ? [group] : shapes).map(({ axis }): Side => axis ?? 'drawn'));
  const [first = 'drawn', other] = sides;
  const side = other ? null : first;
  const isLive = side !== 'drawn' && side !== null;
  const paths = !isLive ? [] : seenPaths(round, work, ids);
  const off = round.locked || shapes.some(({ locked }) => locked);
  return (
    <Section title="Axis" note={isLive ? 'live' : undefined}>
      <Segmented
        label="At the axis"
        value={side}
        choices={SIDES}
        disabled={off}
        onChange={(next) =>
          act(editor, STEPS[next], (figure) =>
            setAxis(figure, round.id, ids, next === 'drawn' ? null : next, newId),
          )
        }
      />
      {paths.length > 0 && (
        <p className="text-[12px] leading-4 text-muted">
          Cut at the axis, mirrored and united: {outcome(paths)}
        </p>
      )}
      {isLive && paths.length === 0 && (
        <p role="alert" className="text-[12px] leading-4 text-coral-text">
          Nothing is on that side. Take the other one, or move it across the axis.
        </p>
      )}
      {paths.length > 0 && (
        <Button
          disabled={off}
          onClick={() =>
            actAndSelect(editor, 'Make plain', round.id, (figure, reading) =>
              makeCombinedPlain(figure, round.id, ids, reading),
            )
          }
        >
          Make plain
        </Button>
      )}
    </Section>
  );
}
