'use client';

import type { Shape } from '@/core/figure/model';
import type { EditorState } from '@/state/editor';
import { Section } from '../common/Panel';
import { Segmented } from '../common/Choices';
import { useEditor, useEditorState } from '../editor/EditorContext';
import { HandPanel } from './HandPanel';
import { StampPanel } from './StampPanel';

type Ways = EditorState['ways'];

const LINES: readonly { value: Ways['line']; label: string }[] = [
  { value: 'straight', label: 'Straight' },
  { value: 'arc', label: 'Arc, 3 points' },
];
const ELLIPSES: readonly { value: Ways['ellipse']; label: string }[] = [
  { value: 'centre', label: 'Centre' },
  { value: 'diameter', label: 'Diameter' },
  { value: 'points', label: '3 points' },
];
const POLYGONS: readonly { value: Ways['polygon']; label: string }[] = [
  { value: 'polygon', label: 'Polygon' },
  { value: 'star', label: 'Star' },
];
const CIRCLES: readonly { value: Ways['circles']; label: string }[] = [
  { value: 'ring', label: 'Ring' },
  { value: 'lattice', label: 'Lattice' },
];
const ARCS: readonly { value: Ways['arc']; label: string }[] = [
  { value: 'along', label: 'Along it' },
  { value: 'ends', label: 'Ends first' },
];
const ARC_HINTS: Record<Ways['arc'], string> = {
  along: 'Click its start, a point that it goes through, and its end. X for the other order.',
  ends: 'Click both ends, then a point between them. X for the other order.',
};
const HINTS: Record<Exclude<Ways['line'], 'arc'> | Ways['ellipse'] | Ways['circles'], string> = {
  ring: 'Circles round a centre, each touching the next.',
  lattice: 'Circles on a 60° grid, through each other’s centres.',
  straight: 'Drag from end to end; Shift holds it to steps of 15°.',
  centre: 'Drag from the middle; Shift makes a circle.',
  diameter: 'Drag from one end of a circle’s diameter to the other.',
  points: 'Click three points of a circle.',
};

/** How the tool at hand draws, where it can in more ways than one. */
export function ToolPanel({ chosen }: { readonly chosen: readonly Shape[] }) {
  const editor = useEditor();
  const tool = useEditorState((state) => state.tool);
  const ways = useEditorState((state) => state.ways);
  const set = (part: Partial<Ways>): void =>
    editor.setState((state) => ({ ways: { ...state.ways, ...part }, spots: [], live: null, wanted: null }));
  if (tool === 'freehand') return <HandPanel />;
  if (tool === 'stamp') return <StampPanel chosen={chosen} />;
  if (tool === 'line')
    return (
      <Section title="Line">
        <Segmented label="A line is" value={ways.line} choices={LINES} onChange={(line) => set({ line })} />
        {ways.line === 'arc' && (
          <Segmented label="Its points" value={ways.arc} choices={ARCS} onChange={(arc) => set({ arc })} />
        )}
        <p className="text-[12px] leading-4 text-muted">
          {ways.line === 'arc' ? ARC_HINTS[ways.arc] : HINTS[ways.line]}
        </p>
      </Section>
    );
  if (tool === 'ellipse')
    return (
      <Section title="Ellipse and circle">
        <Segmented
          label="Drawn by"
          value={ways.ellipse}
          choices={ELLIPSES}
          onChange={(ellipse) => set({ ellipse })}
        />
        <p className="text-[12px] leading-4 text-muted">{HINTS[ways.ellipse]}</p>
      </Section>
    );
  if (tool === 'rectangle')
    return (
      <Section title="Rectangle">
        <p className="text-[12px] leading-4 text-muted">
          Drag from corner to corner, or with Alt from the middle; Shift makes a square.
        </p>
      </Section>
    );
  if (tool === 'polygon')
    return (
      <Section title="Polygon and star">
        <Segmented
          label="Drawn as"
          value={ways.polygon}
          choices={POLYGONS}
          onChange={(way) => set({ polygon: way })}
        />
      </Section>
    );
  if (tool === 'touchingRing')
    return (
      <Section title="Equal circles">
        <Segmented
          label="Circles are"
          value={ways.circles}
          choices={CIRCLES}
          onChange={(circles) => set({ circles })}
        />
        <p className="text-[12px] leading-4 text-muted">{HINTS[ways.circles]}</p>
      </Section>
    );
  return null;
}
