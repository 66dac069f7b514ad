'use client';

import { Checkbox } from '@headlessui/react';
import { Check } from 'lucide-react';

import { setLowerAction } from '@/core/figure/commands';
import { LOWER_ACTIONS, type LowerAction, type Round } from '@/core/figure';
import { actOnRound, shownFigure } from '@/state';
import { Choices, Section } from '@/ui/common';
import { useEditor, usePanelState } from '@/ui/desk';

type How = LowerAction['how'] | 'on';

const NAMES: Record<How, string> = {
  on: 'On top',
  cut: 'Cut away',
  inside: 'Keep inside',
  join: 'Join',
};

const WORDS: Record<How, string> = {
  on: 'This round lies on those below it.',
  cut: 'Its filled shapes are cut away from the rounds below; it is not shown itself.',
  inside: 'Of the rounds below only what is inside its filled shapes is kept; it is not shown itself.',
  join: 'It takes the rounds below into what becomes of its own copies, in its own paint.',
};

const HOWS: readonly How[] = ['on', ...LOWER_ACTIONS];

/** What a round does to the rounds below it. */
export function LowerActionPanel({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const { rounds } = shownFigure(usePanelState());
  const below = rounds.slice(
    0,
    rounds.findIndex(({ id }) => id === round.id),
  );
  if (below.length === 0 && !round.lowerAction) return null;
  const how: How = round.lowerAction?.how ?? 'on';
  const chosen = new Set(round.lowerAction?.rounds ?? below.map(({ id }) => id));
  const put = (change: LowerAction | null): void =>
    actOnRound(editor, change ? NAMES[change.how] : NAMES.on, (figure, id) =>
      setLowerAction(figure, id, change),
    );
  return (
    <Section title="With the rounds below">
      <Choices
        label="With the rounds below"
        value={how}
        disabled={round.locked}
        choices={HOWS.map((value) => ({ value, label: NAMES[value] }))}
        onChange={(value) =>
          put(
            value === 'on'
              ? null
              : { how: value, ...(round.lowerAction?.rounds && { rounds: round.lowerAction.rounds }) },
          )
        }
      />
      <p className="text-[12px] leading-4 text-muted">{WORDS[how]}</p>
      {round.lowerAction && below.length > 1 && (
        <ul aria-label="Which rounds" className="flex flex-col">
          {[...below].reverse().map(({ id, name }) => (
            <li key={id}>
              <Checkbox
                checked={chosen.has(id)}
                disabled={round.locked}
                onChange={(on) => {
                  if (!round.lowerAction) return;
                  const ids = below
                    .map((each) => each.id)
                    .filter((each) => (each === id ? on : chosen.has(each)));
                  put(
                    ids.length === below.length
                      ? { how: round.lowerAction.how }
                      : { how: round.lowerAction.how, rounds: ids },
                  );
                }}
                aria-label={name}
                className="group flex h-[30px] cursor-pointer items-center gap-2 rounded-ui px-1 hover:bg-line/40"
              >
                <span className="flex size-[16px] items-center justify-center rounded-[4px] border border-line-strong bg-field group-data-[checked]:border-kelp group-data-[checked]:bg-kelp group-data-[checked]:text-field">
                  {chosen.has(id) && <Check size={12} strokeWidth={2.4} />}
                </span>
                <span className="truncate">{name}</span>
              </Checkbox>
            </li>
          ))}
        </ul>
      )}
    </Section>
  );
}
