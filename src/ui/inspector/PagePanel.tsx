'use client';

import { setPage } from '@/core/figure/commands';
import type { ScenePage } from '@/core/scene/scene';
import { LIMITS } from '@/core/figure/model';
import { LENGTH_UNITS } from '@/core/number/units';
import { act } from '@/state/editor';
import { LengthField } from '../common/NumberField';
import { Row, Section } from '../common/Panel';
import { Segmented } from '../common/Segmented';
import { useEditor } from '../editor/EditorContext';

const sideProblem = (side: number): string | null =>
  side > 0 && side <= LIMITS.size ? null : `A page side is above 0 and at most ${LIMITS.size}.`;

/** The page's size and unit. */
export function PagePanel({ page }: { readonly page: ScenePage }) {
  const editor = useEditor();
  const set = (part: Partial<ScenePage>): void =>
    act(editor, 'Change page', (figure) => setPage(figure, part), 'page');
  return (
    <Section title="Page">
      <LengthField
        label="Page width"
        caption="Width"
        value={page.width}
        in={page.unit}
        refuse={sideProblem}
        onChange={(width) => set({ width })}
      />
      <LengthField
        label="Page height"
        caption="Height"
        value={page.height}
        in={page.unit}
        refuse={sideProblem}
        onChange={(height) => set({ height })}
      />
      <Row caption="Unit">
        <Segmented
          label="Unit"
          value={page.unit}
          choices={LENGTH_UNITS.map((unit) => ({ value: unit, label: unit }))}
          onChange={(unit) => set({ unit })}
        />
      </Row>
    </Section>
  );
}
