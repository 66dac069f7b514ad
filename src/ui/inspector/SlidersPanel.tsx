'use client';

import { Plus, Trash2 } from 'lucide-react';
import { useMemo, useState } from 'react';

import { finding } from '@/core/finding';
import { type Formula, LIMITS, type Slider } from '@/core/figure';
import { type Lever, leversOf, movedSlider, nameOf, setFormula, setSliders, spelled } from '@/core/trial';
import { act, figureOf, newId } from '@/state';
import { useEditor, useEditorState, useWork } from '@/ui/desk';
import { Button, IconButton, Section, ShareField, TextField } from '@/ui/common';
import { LeverChoice } from '@/ui/trial';

const FIELD = 'h-[30px] min-w-0 flex-1 rounded-ui border border-line-strong bg-field px-2';

/** A slider begins between these. */
const BEGINS = { value: 5, least: 0, most: 10 } as const;
/** Steps from one end of a slider to the other. */
const STEPS = 200;

/** A name that no slider has. */
function freeName(sliders: readonly Slider[]): string {
  let k = sliders.length + 1;
  while (sliders.some(({ name }) => name === `Slider ${k}`)) k += 1;
  return `Slider ${k}`;
}

/** One slider: its name, its bounds, and where it stands. */
function SliderRow({ slider, sliders }: { readonly slider: Slider; readonly sliders: readonly Slider[] }) {
  const editor = useEditor();
  const { id, name, value, least, most } = slider;
  const change = (part: Partial<Slider>): void =>
    act(editor, `Change ${name}`, (figure) =>
      setSliders(
        figure,
        sliders.map((each) => (each.id === id ? { ...each, ...part } : each)),
      ),
    );
  return (
    <li className="flex flex-col gap-1.5 border-t border-line pt-2 first:border-t-0 first:pt-0">
      <div className="flex items-center gap-1.5">
        <TextField
          label={`Name of ${name}`}
          value={name}
          className={FIELD}
          most={LIMITS.name}
          onChange={(next) => change({ name: next })}
        />
        <IconButton
          label={`Remove ${name}`}
          onClick={() =>
            act(editor, `Remove ${name}`, (figure) =>
              setSliders(
                figure,
                sliders.filter((each) => each.id !== id),
              ),
            )
          }
        >
          <Trash2 size={16} strokeWidth={1.7} />
        </IconButton>
      </div>
      <input
        type="range"
        aria-label={name}
        className="h-6 w-full accent-(--kelp)"
        min={least}
        max={most}
        step={(most - least) / STEPS}
        value={value}
        onChange={({ target }) =>
          act(
            editor,
            `Move ${name}`,
            (figure) => movedSlider(figure, id, target.valueAsNumber),
            `slider:${id}`,
          )
        }
      />
      <div className="grid grid-cols-3 gap-1.5">
        <ShareField
          label={`Least of ${name}`}
          inside="from"
          value={least}
          least={-LIMITS.size}
          most={LIMITS.size}
          refuse={(next) => (next < most ? null : finding('slider.bounds'))}
          onChange={(next) => change({ least: next, value: Math.max(next, value) })}
        />
        <ShareField
          label={`Value of ${name}`}
          inside="is"
          value={value}
          least={least}
          most={most}
          onChange={(next) => change({ value: next })}
        />
        <ShareField
          label={`Most of ${name}`}
          inside="to"
          value={most}
          least={-LIMITS.size}
          most={LIMITS.size}
          refuse={(next) => (next > least ? null : finding('slider.bounds'))}
          onChange={(next) => change({ most: next, value: Math.min(next, value) })}
        />
      </div>
    </li>
  );
}

/** One number that goes by others. */
function FormulaRow({ formula, lever }: { readonly formula: Formula; readonly lever: Lever | null }) {
  const editor = useEditor();
  const name = lever ? spelled(nameOf(lever)) : 'what is gone';
  const set = (text: string | null): void =>
    act(editor, text === null ? `Let ${name} be` : `${name} = ${text}`.slice(0, 120), (figure) =>
      setFormula(figure, formula.lever, text),
    );
  return (
    <li className="flex flex-col gap-1">
      <span className="truncate font-mono text-[12px]" title={name}>
        {name} =
      </span>
      <div className="flex items-center gap-1.5">
        <TextField
          label={`What ${name} goes by`}
          value={formula.text}
          className={`font-mono ${FIELD}`}
          most={LIMITS.formula}
          onChange={set}
        />
        <IconButton label={`Let ${name} be`} onClick={() => set(null)}>
          <Trash2 size={16} strokeWidth={1.7} />
        </IconButton>
      </div>
    </li>
  );
}

/** A number is chosen, and begins by going by what it is now. */
function NewFormula({ levers }: { readonly levers: readonly Lever[] }) {
  const editor = useEditor();
  const [key, setKey] = useState<string | null>(null);
  const lever = levers.find((each) => each.key === key);
  return (
    <div className="flex items-center gap-1.5">
      <LeverChoice
        label="Number that goes by others"
        levers={levers}
        value={key}
        none="a number …"
        onChange={setKey}
      />
      <Button
        disabled={!lever}
        onClick={() => {
          if (!lever) return;
          act(editor, `Bind ${spelled(nameOf(lever))}`, (figure) =>
            setFormula(figure, lever.key, String(lever.value)),
          );
          setKey(null);
        }}
      >
        Bind
      </Button>
    </div>
  );
}

/** Numbers of the figure's own, and numbers that go by expressions over them and over one another. */
export function SlidersPanel() {
  const editor = useEditor();
  const work = useWork();
  // As it was before a drag: all of its numbers are looked at, which would hold up each move.
  const figure = useEditorState(({ history }) => figureOf(history));
  const { sliders = [], formulas = [] } = figure;
  const levers = useMemo(
    () => leversOf(figure, work).filter(({ type }) => type !== 'choice'),
    [figure, work],
  );
  const free = levers.filter(({ key }) => formulas.every(({ lever }) => lever !== key));
  return (
    <Section title="Sliders" note="numbers that belong together">
      <ul aria-label="Sliders" className="flex flex-col gap-2">
        {sliders.map((slider) => (
          <SliderRow key={slider.id} slider={slider} sliders={sliders} />
        ))}
      </ul>
      <Button
        disabled={sliders.length >= LIMITS.sliders}
        onClick={() =>
          act(editor, 'Add slider', (now) =>
            setSliders(now, [...sliders, { id: newId(), name: freeName(sliders), ...BEGINS }]),
          )
        }
      >
        <Plus size={15} strokeWidth={1.7} aria-hidden /> Slider
      </Button>
      {formulas.length > 0 && (
        <ul aria-label="Numbers that go by others" className="flex flex-col gap-2 border-t border-line pt-2">
          {formulas.map((formula) => (
            <FormulaRow
              key={formula.lever}
              formula={formula}
              lever={levers.find(({ key }) => key === formula.lever) ?? null}
            />
          ))}
        </ul>
      )}
      <NewFormula levers={free} />
      <p className="text-[12px] leading-4 text-muted">
        A number can go by sliders and other numbers, by their names:{' '}
        <span className="font-mono">2 * slider_1 + hub.petal.width</span>.
      </p>
    </Section>
  );
}
