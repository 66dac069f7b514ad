'use client';

import { useState } from 'react';

import { largestNodes, motifTree, type Round, type Shape } from '@/core/figure';
import {
  type Alignment,
  alignShapes,
  type AlignTo,
  type SpreadAlong,
  spreadShapes,
} from '@/core/figure/commands';
import { act } from '@/state';
import { Row, Section, Segmented } from '@/ui/common';
import { useEditor } from '@/ui/desk';
import { Chip } from './Chip';
import { PairChips } from './PairChips';

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

/** Puts shapes in line and spreads them; joins open paths. */
export function ArrangePanel({ round, shapes }: Props) {
  const editor = useEditor();
  const [to, setTo] = useState<AlignTo>('first');
  const [asOne, setAsOne] = useState(false);
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
      <AlignChips among={ALONE} columns="grid-cols-2" onAlign={align} />
      {pieces > 1 && <Segmented label="Align to" value={to} choices={TO} onChange={setTo} />}
      <AlignChips among={TOGETHER} columns="grid-cols-3" onAlign={align} />
      {pieces > 1 && <AlignChips among={ROUND} columns="grid-cols-2" onAlign={align} />}
      {pieces > 2 && <SpreadChips round={round} ids={ids} />}
      {shapes.length === 2 && a && b && <PairChips round={round} pair={[a, b]} />}
    </Section>
  );
}

interface AlignProps {
  readonly among: readonly (readonly [Alignment, string])[];
  /** Classes of the grid. */
  readonly columns: string;
  readonly onAlign: (how: Alignment) => void;
}

function AlignChips({ among, columns, onAlign }: AlignProps) {
  return (
    <div className={`grid gap-1.5 ${columns}`}>
      {among.map(([how, name]) => (
        <Chip key={how} onClick={() => onAlign(how)}>
          {name}
        </Chip>
      ))}
    </div>
  );
}

function SpreadChips({ round, ids }: { readonly round: Round; readonly ids: ReadonlySet<string> }) {
  const editor = useEditor();
  const [even, setEven] = useState<'centres' | 'gaps'>('centres');
  const spread = (along: SpreadAlong): void =>
    act(editor, 'Spread', (figure, work) => spreadShapes(figure, round.id, ids, along, even, work));
  return (
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
          <Chip key={along} onClick={() => spread(along)}>
            {name}
          </Chip>
        ))}
      </div>
    </>
  );
}
