'use client';

import type { ReactNode } from 'react';

import type { Shape } from '@/core/figure';
import type { EditorState, ToolId } from '@/state';
import { Section, Segmented } from '@/ui/common';
import { useEditor, useEditorState } from '@/ui/desk';
import { HandPanel } from './HandPanel';
import { StampPanel } from './StampPanel';

type Ways = EditorState['ways'];

/** One thing that a tool can do in several ways, each with what it takes of the hand. */
interface Choice<Key extends keyof Ways> {
  readonly label: string;
  readonly ways: readonly { readonly value: Ways[Key]; readonly label: string; readonly hint?: string }[];
}

const CHOICES: { readonly [Key in keyof Ways]: Choice<Key> } = {
  line: {
    label: 'A line is',
    ways: [
      {
        value: 'straight',
        label: 'Straight',
        hint: 'Drag from end to end; Shift holds it to steps of 15°.',
      },
      { value: 'arc', label: 'Arc, 3 points' },
    ],
  },
  arc: {
    label: 'Its points',
    ways: [
      {
        value: 'along',
        label: 'Along it',
        hint: 'Click its start, a point that it goes through, and its end. X for the other order.',
      },
      {
        value: 'ends',
        label: 'Ends first',
        hint: 'Click both ends, then a point between them. X for the other order.',
      },
    ],
  },
  ellipse: {
    label: 'Drawn by',
    ways: [
      { value: 'centre', label: 'Centre', hint: 'Drag from the middle; Shift makes a circle.' },
      {
        value: 'diameter',
        label: 'Diameter',
        hint: 'Drag from one end of a circle’s diameter to the other.',
      },
      { value: 'points', label: '3 points', hint: 'Click three points of a circle.' },
    ],
  },
  polygon: {
    label: 'Drawn as',
    ways: [
      { value: 'polygon', label: 'Polygon' },
      { value: 'star', label: 'Star' },
    ],
  },
  circles: {
    label: 'Circles are',
    ways: [
      { value: 'ring', label: 'Ring', hint: 'Circles round a centre, each touching the next.' },
      { value: 'lattice', label: 'Lattice', hint: 'Circles on a 60° grid, through each other’s centres.' },
    ],
  },
};

function Hint({ children }: { readonly children: ReactNode }) {
  return <p className="text-[12px] leading-4 text-muted">{children}</p>;
}

/** Chooses a way to draw; what was clicked in another is left. */
function WayChoice({ of }: { readonly of: keyof Ways }) {
  const editor = useEditor();
  const way = useEditorState((state) => state.ways[of]);
  const { label, ways } = CHOICES[of] as Choice<keyof Ways>;
  const set = (next: Ways[keyof Ways]): void =>
    editor.setState((state) => ({
      ways: { ...state.ways, [of]: next },
      spots: [],
      live: null,
      wanted: null,
    }));
  const hint = ways.find(({ value }) => value === way)?.hint;
  return (
    <>
      <Segmented label={label} value={way} choices={ways} onChange={set} />
      {hint && <Hint>{hint}</Hint>}
    </>
  );
}

function LineOptions() {
  const isArc = useEditorState(({ ways }) => ways.line === 'arc');
  return (
    <Section title="Line">
      <WayChoice of="line" />
      {isArc && <WayChoice of="arc" />}
    </Section>
  );
}

/** What can be set of each tool that has more to it than a press and a drag. */
const OPTIONS: Partial<Record<ToolId, (chosen: readonly Shape[]) => ReactNode>> = {
  freehand: () => <HandPanel />,
  stamp: (chosen) => <StampPanel chosen={chosen} />,
  line: () => <LineOptions />,
  ellipse: () => (
    <Section title="Ellipse and circle">
      <WayChoice of="ellipse" />
    </Section>
  ),
  rectangle: () => (
    <Section title="Rectangle">
      <Hint>Drag from corner to corner, or with Alt from the middle; Shift makes a square.</Hint>
    </Section>
  ),
  polygon: () => (
    <Section title="Polygon and star">
      <WayChoice of="polygon" />
    </Section>
  ),
  touchingRing: () => (
    <Section title="Equal circles">
      <WayChoice of="circles" />
    </Section>
  ),
};

/** How the tool at hand draws, where it can in more ways than one. */
export function ToolPanel({ chosen }: { readonly chosen: readonly Shape[] }) {
  const tool = useEditorState((state) => state.tool);
  return OPTIONS[tool]?.(chosen) ?? null;
}
