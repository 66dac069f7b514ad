'use client';

import { setInks } from '@/core/figure/commands';
import { coloursOfFigure, type Figure } from '@/core/figure';
import { firstColour, type Inks, inksOf, MOST_SPOT_NAME, opaque } from '@/core/paint';
import { act, shownFigure } from '@/state';
import { CountField, TextField } from '@/ui/common';
import { useEditor, useEditorState } from '@/ui/desk';

/** Colours that have a row; a figure with more is not printed by inks one by one. */
const MOST_ROWS = 40;

const SHARES = [
  ['c', 'C', 'Cyan'],
  ['m', 'M', 'Magenta'],
  ['y', 'Y', 'Yellow'],
  ['k', 'K', 'Black'],
] as const;

/** The colours of a figure and its page, each once, the most used first. */
function coloursIn(figure: Figure): string[] {
  const page = firstColour(figure.page.background);
  const all = coloursOfFigure(figure).map(({ colour }) => opaque(colour));
  return [...new Set([...all, ...(page ? [opaque(page)] : [])])];
}

/** What each colour is printed with: four shares, and an ink of its own by name, as foil or a line to cut along. */
export function InksTable() {
  const editor = useEditor();
  const figure = useEditorState(shownFigure);
  const colours = coloursIn(figure);
  const change = (colour: string, part: Partial<Inks>): void => {
    const { c, m, y, k, spot } = { ...inksOf(colour, figure.inks), ...part };
    const named = spot?.trim().replace(/^[-–]$/, '') ?? '';
    act(
      editor,
      'Inks',
      (now) =>
        setInks(now, colour, { c, m, y, k, ...(named !== '' && { spot: named.slice(0, MOST_SPOT_NAME) }) }),
      `inks:${colour}`,
    );
  };
  return (
    <section aria-label="Inks" className="flex flex-col gap-1.5 border-t border-line pt-3">
      <h3 className="font-semibold">Inks, in per cent</h3>
      <table className="w-full table-fixed border-separate border-spacing-y-1 text-[12px]">
        <thead>
          <tr className="text-muted">
            <th className="w-[26px]" aria-label="Colour" />
            {SHARES.map(([key, letter, name]) => (
              <th key={key} title={name} className="font-normal">
                {letter}
              </th>
            ))}
            <th className="w-[76px] font-normal">Own ink</th>
          </tr>
        </thead>
        <tbody>
          {colours.slice(0, MOST_ROWS).map((colour) => {
            const inks = inksOf(colour, figure.inks);
            return (
              <tr key={colour}>
                <td>
                  <span
                    role="img"
                    aria-label={colour}
                    className="block size-[20px] rounded-[5px] border border-line-strong"
                    style={{ background: colour }}
                  />
                </td>
                {SHARES.map(([key, , name]) => (
                  <td key={key} className="pr-1">
                    <CountField
                      label={`${name} of ${colour}`}
                      value={inks[key]}
                      least={0}
                      most={100}
                      onChange={(share) => change(colour, { [key]: share })}
                    />
                  </td>
                ))}
                <td>
                  <TextField
                    label={`Own ink of ${colour}`}
                    value={inks.spot ?? ''}
                    className="h-[30px] w-full !border-line-strong bg-field"
                    onChange={(spot) => change(colour, { spot })}
                  />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {colours.length > MOST_ROWS && (
        <p className="text-[12px] leading-4 text-muted">
          And {colours.length - MOST_ROWS} more, by the formula.
        </p>
      )}
      <p className="text-[12px] leading-4 text-muted">
        Shares that nobody said follow from the colour, without a profile of a press. A name makes an ink of
        its own, as Foil or Cut; a dash takes it away.
      </p>
    </section>
  );
}
