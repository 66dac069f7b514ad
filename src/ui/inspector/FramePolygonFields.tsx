'use client';

import { aboveZero } from '@/core/finding';
import { printNumber } from '@/core/format';
import { setFrame } from '@/core/figure/commands';
import type { Round } from '@/core/figure';
import { MOST_SIDES } from '@/core/maker';
import { cornerRadius, DIAGONALS, type Frame, type FramePolygon, framePolygonProblem } from '@/core/symmetry';
import { actOnRound, shownFigure } from '@/state';
import { CountField, Fact, LengthField, Row, Segmented } from '@/ui/common';
import { useEditor, usePanelState } from '@/ui/desk';

const DIAGONAL_NAMES: Record<FramePolygon['diagonals'], string> = { none: 'None', long: 'Long', all: 'All' };

/** Whether a frame has a polygon, inside its circle or around it. */
export function FramePolygonChoice({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const { page } = shownFigure(usePanelState());
  const { polygon } = round.frame;
  const begun: Omit<FramePolygon, 'fit'> = polygon ?? {
    sides: Math.max(3, round.rule.fold),
    radius: Math.min(page.width, page.height) / 2,
    diagonals: 'none',
  };
  return (
    <>
      <Row caption="Polygon">
        <Segmented
          label="Polygon of the frame"
          value={polygon?.fit ?? 'none'}
          disabled={round.locked}
          choices={[
            { value: 'none', label: 'None' },
            { value: 'in', label: 'Inside' },
            { value: 'about', label: 'Around' },
          ]}
          onChange={(fit) =>
            actOnRound(
              editor,
              'Set out',
              (figure, id) => setFrame(figure, id, { polygon: fit === 'none' ? null : { ...begun, fit } }),
              'frame',
            )
          }
        />
      </Row>
      {polygon && <FramePolygonFields round={round} polygon={polygon} />}
    </>
  );
}

/** The numbers of a frame's polygon. */
function FramePolygonFields({ round, polygon }: { readonly round: Round; readonly polygon: FramePolygon }) {
  const editor = useEditor();
  const { unit } = shownFigure(usePanelState()).page;
  const set = (part: Partial<Frame>): void =>
    actOnRound(editor, 'Set out', (figure, id) => setFrame(figure, id, part), 'frame');
  const setPolygon = (part: Partial<FramePolygon>): void => set({ polygon: { ...polygon, ...part } });
  return (
    <>
      <CountField
        label="Corners of the frame"
        caption="Corners"
        value={polygon.sides}
        least={3}
        most={MOST_SIDES}
        disabled={round.locked}
        refuse={(sides) => framePolygonProblem({ ...polygon, sides })}
        onChange={(sides) => setPolygon({ sides })}
      />
      <LengthField
        label="Radius of the frame"
        caption="Circle"
        value={polygon.radius}
        in={unit}
        disabled={round.locked}
        refuse={aboveZero('A radius')}
        onChange={(radius) => setPolygon({ radius })}
      />
      <Row caption="Diagonals">
        <Segmented
          label="Diagonals of the frame"
          value={polygon.diagonals}
          disabled={round.locked}
          choices={DIAGONALS.map((value) => ({ value, label: DIAGONAL_NAMES[value] }))}
          onChange={(diagonals) =>
            framePolygonProblem({ ...polygon, diagonals }) === null && setPolygon({ diagonals })
          }
        />
      </Row>
      <Row caption="Stands on">
        <Segmented
          label="Polygon stands"
          value={round.frame.phase ? 'half' : 'corner'}
          disabled={round.locked}
          choices={[
            { value: 'corner', label: 'Corner up' },
            { value: 'half', label: 'Half a step' },
          ]}
          onChange={(phase) => set({ phase: phase === 'half' })}
        />
      </Row>
      <Fact caption="Side">
        {printNumber(2 * cornerRadius(polygon) * Math.sin(Math.PI / polygon.sides), 4)} {unit}
      </Fact>
    </>
  );
}
