'use client';

import { aboveZero, zeroOrMore } from '@/core/finding';
import { toast } from 'sonner';

import { inUnit, setPage } from '@/core/figure/commands';
import { LIMITS } from '@/core/figure';
import { LENGTH_UNITS, type LengthUnit } from '@/core/number';
import { printNumber } from '@/core/format';
import type { ScenePage } from '@/core/scene';
import { act, type Editor, shownFigure } from '@/state';
import { LengthField, Row, Section, Segmented } from '@/ui/common';
import { useEditor } from '@/ui/desk';
import { BackgroundField } from './BackgroundField';

const sideProblem = aboveZero('A page side', LIMITS.size);

interface Preset {
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly unit: LengthUnit;
  readonly bleed: number;
}

/** Sizes that are asked for often; paper as in ISO 216. */
const PRESETS: readonly Preset[] = [
  { name: 'Icon', width: 512, height: 512, unit: 'px', bleed: 0 },
  { name: 'Square post', width: 1080, height: 1080, unit: 'px', bleed: 0 },
  { name: 'A4 sheet', width: 210, height: 297, unit: 'mm', bleed: 3 },
  { name: 'Round sticker', width: 50, height: 50, unit: 'mm', bleed: 2 },
];

const sizeOf = ({ width, height, unit }: ScenePage): string =>
  `${printNumber(width, 3)} × ${printNumber(height, 3)} ${unit}`;

/** Puts the figure in another unit, as large as it is, and offers to keep its numbers instead. */
function changeUnit(editor: Editor, page: ScenePage, unit: LengthUnit): void {
  const before = shownFigure(editor.getState());
  if (before.page.unit === unit) return;
  // One step, whichever of the two it is.
  const key = `unit ${performance.now()}`;
  const label = 'Change unit';
  act(editor, label, (figure) => inUnit(figure, unit), key);
  const after = shownFigure(editor.getState());
  if (after === before) return;
  toast(`As large as before: ${sizeOf(page)} is ${sizeOf(after.page)}.`, {
    // One note, of the last change.
    id: 'unit',
    duration: 12_000,
    action: {
      label: 'Keep the numbers instead',
      onClick: () => {
        if (shownFigure(editor.getState()) !== after) return;
        act(editor, label, () => before, key);
        act(editor, label, (figure) => setPage(figure, { unit }), key);
      },
    },
  });
}

/** The page: size and unit, where the centre is, what lies beneath. Nothing drawn changes its size with it. */
export function PagePanel({ page }: { readonly page: ScenePage }) {
  const editor = useEditor();
  const set = (part: Partial<ScenePage>): void =>
    act(editor, 'Change page', (figure) => setPage(figure, part), 'page');
  const { unit, centre } = page;
  const setUnit = (next: LengthUnit): void => changeUnit(editor, page, next);
  return (
    <>
      <Section title="Page" note={sizeOf(page)}>
        <div className="grid grid-cols-2 gap-1.5 pb-1">
          {PRESETS.map((preset) => (
            <button
              key={preset.name}
              type="button"
              title={`${preset.width} × ${preset.height} ${preset.unit}`}
              className="h-[30px] rounded-ui border border-line-strong bg-field px-2 text-[12px] hover:border-edge"
              onClick={() => {
                const { name: _, unit: own, ...size } = preset;
                act(editor, 'Change page', (figure) =>
                  setPage(inUnit(figure, own), { ...size, centre: { x: 0, y: 0 } }),
                );
              }}
            >
              {preset.name}
            </button>
          ))}
        </div>
        <LengthField
          label="Page width"
          caption="Width"
          value={page.width}
          in={unit}
          refuse={sideProblem}
          onChange={(width) => set({ width })}
        />
        <LengthField
          label="Page height"
          caption="Height"
          value={page.height}
          in={unit}
          refuse={sideProblem}
          onChange={(height) => set({ height })}
        />
        <LengthField
          label="Bleed"
          caption="Bleed"
          value={page.bleed}
          in={unit}
          refuse={zeroOrMore('Bleed', LIMITS.size)}
          onChange={(bleed) => set({ bleed })}
        />
        <Row caption="Unit">
          <Segmented
            label="Unit"
            value={unit}
            choices={LENGTH_UNITS.map((each) => ({ value: each, label: each }))}
            onChange={setUnit}
          />
        </Row>
        <LengthField
          label="Centre across"
          caption="Centre x"
          value={page.width / 2 + centre.x}
          in={unit}
          onChange={(x) => set({ centre: { ...centre, x: x - page.width / 2 } })}
        />
        <LengthField
          label="Centre up"
          caption="Centre y"
          value={page.height / 2 - centre.y}
          in={unit}
          onChange={(y) => set({ centre: { ...centre, y: page.height / 2 - y } })}
        />
        <p className="text-[12px] leading-4 text-muted">From the lower left corner of the page.</p>
      </Section>
      <Section title="Background">
        <BackgroundField />
      </Section>
    </>
  );
}
