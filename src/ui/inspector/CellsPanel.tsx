'use client';

import {
  boundByFrame,
  forgetLostCells,
  keepCellsInside,
  outlineOfRound,
  partCells,
  restoreCells,
} from '@/core/figure/commands';
import { factsOfCells, lostRefs, NO_CELL_EDITS, type Round } from '@/core/figure';
import { actOnRound, cellsOfRound, divisionOf, shownFigure } from '@/state';
import { Crop } from 'lucide-react';
import { Button, DotsMenu, Fact, Row, Section, Segmented } from '@/ui/common';
import { notYet, plural, useEditor, usePanelState } from '@/ui/desk';
import { ReachChoice } from './ReachChoice';

/** The cells of a divided round: what bounds them, what was done to them, and what a stroke over them reaches. */
export function CellsPanel({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const state = usePanelState();
  const figure = shownFigure(state);
  const division = divisionOf(state, round);
  const cells = cellsOfRound(state, round);
  const work = round.merge?.cells ?? NO_CELL_EDITS;
  const lost = division ? lostRefs(division, work) : [];
  const left = cells && round.merge && factsOfCells(cells, round.merge);
  const fused = cells?.groups.filter((group) => group.fused) ?? [];
  const outlines = figure.rounds.filter(({ shapes }) => shapes.some(({ paint }) => paint.fill !== null));
  const frame = round.frame;
  const hasFrame = frame.polygon !== null || frame.rings.length > 0 || frame.guides.length > 0;
  return (
    <Section
      title="Cells"
      note={
        left
          ? `${plural(left.cells, 'cell', 'cells')} of ${plural(left.kinds, 'kind', 'kinds')}`
          : notYet(state, round)
      }
    >
      <span className="text-[12px] text-muted">A stroke reaches</span>
      <ReachChoice />
      <Row caption="Frame">
        <Segmented
          label="Lines of the frame"
          value={work.frame ? 'bounds' : 'guides'}
          disabled={round.locked || (!hasFrame && !work.frame)}
          choices={[
            { value: 'guides', label: 'Guides' },
            { value: 'bounds', label: 'Bounds' },
          ]}
          onChange={(value) =>
            actOnRound(editor, value === 'bounds' ? 'Frame bounds cells' : 'Frame guides', (each, id) =>
              boundByFrame(each, id, value === 'bounds'),
            )
          }
        />
      </Row>
      <p className="text-[12px] leading-4 text-muted">
        Fuse: drag through cells below; with Alt they are removed. Lines without a fill bound cells too.
      </p>
      {work.fused.length > 0 && <Fact caption="Fused">{plural(fused.length, 'kind', 'kinds')}</Fact>}
      {work.removed.length > 0 && (
        <Fact caption="Removed">{plural(work.removed.length, 'kind or cell', 'kinds or cells')}</Fact>
      )}
      <div className="flex flex-wrap gap-1.5">
        <Button
          disabled={round.locked || work.fused.length === 0}
          onClick={() =>
            actOnRound(editor, 'Part fused cells', (each, id) =>
              partCells(
                each,
                id,
                work.fused.flatMap((group) => group.cells),
              ),
            )
          }
        >
          Part all
        </Button>
        <Button
          disabled={round.locked || work.removed.length === 0}
          onClick={() => actOnRound(editor, 'Bring cells back', (each, id) => restoreCells(each, id))}
        >
          Bring all back
        </Button>
      </div>
      <Row caption="Keep inside">
        <DotsMenu
          label="Keep only cells inside an outline"
          entries={outlines.map(({ id, name }) => ({
            label: `Inside ${name}`,
            disabled: round.locked || !division,
            icon: Crop,
            onClick: () => {
              if (division)
                actOnRound(editor, `Keep cells inside ${name}`, (each, own, work) =>
                  keepCellsInside(each, own, division, outlineOfRound(each, id, own, work), work),
                );
            },
          }))}
        />
      </Row>
      {lost.length > 0 && division && (
        <div
          role="status"
          className="flex flex-col gap-1.5 rounded-ui bg-brass-soft px-2 py-1.5 text-[12px] leading-4"
        >
          <span>
            {plural(lost.length, 'thing', 'things')} that you fused, removed or painted{' '}
            {lost.length === 1 ? 'has' : 'have'} no cell now. {lost.length === 1 ? 'It comes' : 'They come'}{' '}
            back when the cell does.
          </span>
          <Button
            onClick={() =>
              actOnRound(editor, 'Forget lost cells', (each, id) => forgetLostCells(each, id, division))
            }
          >
            Forget
          </Button>
        </div>
      )}
    </Section>
  );
}
