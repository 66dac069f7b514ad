'use client';

import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/react';
import { ChevronDown, SlidersHorizontal } from 'lucide-react';
import equal from 'fast-deep-equal';
import { useState } from 'react';

import type { OwnTarget } from '@/core/figure';
import { CHECKS, checksOf, type Limit, type Limits, type Target, TARGETS } from '@/core/proof';
import { askedTarget, chooseTarget, dropTarget, newId, saveTarget, shownFigure } from '@/state';
import { Button, IconButton, ShareField, Sheet, TextField } from '@/ui/common';
import { useEditor, useEditorState } from '@/ui/desk';
import { useKeptTargets } from './keptTargets';

const NONE: readonly OwnTarget[] = [];

/** What the figure is for: says what is looked for. */
export function TargetChoice() {
  const editor = useEditor();
  const target = useEditorState((state) => askedTarget(shownFigure(state)));
  const own = useEditorState((state) => shownFigure(state).proof?.own) ?? NONE;
  const { kept } = useKeptTargets();
  const [isOpen, setOpen] = useState(false);
  const isOwn = (id: string): boolean => own.some((each) => each.id === id);
  const others = kept.filter(({ id }) => !isOwn(id));
  const choices = [
    ...TARGETS,
    ...own.map((each) => ({ ...each, about: 'A target of this figure.' })),
    ...others.map((each) => ({ ...each, about: 'A target for all figures.' })),
  ];
  const choose = (id: string): void => {
    const one = others.find((each) => each.id === id);
    if (one) saveTarget(editor, one);
    else chooseTarget(editor, id);
  };
  return (
    <div className="flex h-[52px] items-center gap-2 border-b border-line px-3">
      <Listbox value={target.id} onChange={choose}>
        <span className="text-muted">For</span>
        <ListboxButton
          aria-label={`For: ${target.name}`}
          className="flex h-[30px] flex-1 items-center justify-between gap-2 rounded-ui border border-line-strong bg-field px-2.5 font-semibold hover:border-edge"
        >
          {target.name}
          <ChevronDown size={15} strokeWidth={1.8} aria-hidden className="text-muted" />
        </ListboxButton>
        <ListboxOptions
          anchor={{ to: 'bottom start', gap: 4 }}
          className="z-40 w-[270px] rounded-[10px] border border-line-strong bg-shell p-1 shadow-ui"
        >
          {choices.map(({ id, name, about }) => (
            <ListboxOption
              key={id}
              value={id}
              className="cursor-pointer rounded-[6px] px-2.5 py-1.5 data-[focus]:bg-kelp-soft data-[selected]:font-semibold"
            >
              <span className="block">{name}</span>
              <span className="block text-[12px] leading-4 font-normal text-muted">{about}</span>
            </ListboxOption>
          ))}
        </ListboxOptions>
      </Listbox>
      <IconButton label="Checks and limits" onClick={() => setOpen(true)}>
        <SlidersHorizontal size={16} strokeWidth={1.7} />
      </IconButton>
      <LimitsSheet target={target} open={isOpen} onClose={() => setOpen(false)} />
    </div>
  );
}

const UNITS: Record<Limit['unit'], string> = {
  length: 'mm',
  area: 'mm²',
  pixels: 'px',
  ratio: ': 1',
  number: '',
  difference: 'ΔE',
};

const GROUPS = [...new Set(CHECKS.map(({ group }) => group))];

/** The name of a target of the figure's own, whether all figures have it to choose, and what takes it away. */
function OwnTargetRows({
  target,
  onRename,
  onGone,
}: {
  readonly target: Target;
  readonly onRename: (name: string) => void;
  readonly onGone: () => void;
}) {
  const editor = useEditor();
  const { kept, keep, drop } = useKeptTargets();
  const { id, name, checks } = target;
  const known = kept.find((each) => each.id === id);
  const isOther = known !== undefined && !(known.name === name && equal(known.checks, checks));
  return (
    <>
      <div className="mb-2 flex items-center gap-2">
        <span className="w-[84px] text-muted">Name</span>
        <TextField
          label="Name of the target"
          value={name}
          className="h-[30px] flex-1 !border-line-strong bg-field px-2"
          onChange={(next) => next.trim() !== '' && onRename(next.trim())}
        />
        <Button
          tone="danger"
          onClick={() => {
            dropTarget(editor, id);
            onGone();
          }}
        >
          Take it away
        </Button>
      </div>
      <div className="mb-2 ml-[92px] flex min-h-[30px] flex-wrap items-center gap-x-3 gap-y-1">
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="size-[16px] accent-(--kelp)"
            checked={known !== undefined}
            onChange={(event) => (event.target.checked ? keep({ id, name, checks }) : drop(id))}
          />
          For all figures to choose
        </label>
        {isOther && (
          <>
            <span className="text-[12px] text-muted">Another figure has changed it since.</span>
            <Button onClick={() => saveTarget(editor, known)}>Take it as it is there</Button>
          </>
        )}
      </div>
    </>
  );
}

/** The checks of a target with their limits; what is changed becomes a target of the figure's own. */
function LimitsSheet({
  target,
  open,
  onClose,
}: {
  readonly target: Target;
  readonly open: boolean;
  readonly onClose: () => void;
}) {
  const editor = useEditor();
  const isOwn = useEditorState(
    (state) => shownFigure(state).proof?.own?.some(({ id }) => id === target.id) ?? false,
  );
  const { kept, keep } = useKeptTargets();
  const asked = new Map(checksOf(target).map(({ check, limits }) => [check.id, limits]));
  const save = (checks: Readonly<Record<string, Limits>>, name = target.name): void => {
    const own: OwnTarget = {
      id: isOwn ? target.id : newId(),
      name: isOwn || name !== target.name ? name : `${name}, own`,
      checks,
    };
    saveTarget(editor, own);
    if (kept.some(({ id }) => id === own.id)) keep(own);
  };
  const toggle = (id: string, on: boolean): void => {
    const { [id]: _, ...others } = target.checks;
    save(on ? { ...others, [id]: {} } : others);
  };
  return (
    <Sheet title={`What is looked for: ${target.name}`} open={open} onClose={onClose} wide>
      <p className="mb-2 text-[12px] leading-4 text-muted">
        {isOwn
          ? 'A target of this figure, kept in its file.'
          : 'What you change here becomes a target of this figure; the one that was here stays as it is.'}
      </p>
      {isOwn && (
        <OwnTargetRows target={target} onRename={(name) => save(target.checks, name)} onGone={onClose} />
      )}
      {GROUPS.map((group) => (
        <fieldset key={group} className="border-t border-line py-2">
          <legend className="float-left w-[84px] pt-1 font-semibold">{group}</legend>
          <div className="ml-[92px] flex flex-col">
            {CHECKS.filter((each) => each.group === group).map((each) => {
              const limits = asked.get(each.id);
              return (
                <div
                  key={each.id}
                  className="flex min-h-[32px] flex-wrap items-center gap-x-3"
                  title={each.source}
                >
                  <label className="flex min-w-[220px] flex-1 items-center gap-2">
                    <input
                      type="checkbox"
                      className="size-[16px] accent-(--kelp)"
                      checked={limits !== undefined}
                      onChange={(event) => toggle(each.id, event.target.checked)}
                    />
                    {each.title}
                  </label>
                  {limits && each.limits.length > 0 && (
                    <div className="ml-auto flex flex-col items-end gap-1">
                      {each.limits.map((limit) => (
                        <span key={limit.key} className="flex items-center gap-1.5 text-[12px] text-muted">
                          {limit.label}
                          <span className="w-[92px]">
                            <ShareField
                              label={`${each.title}: ${limit.label}`}
                              value={limits[limit.key] ?? limit.start}
                              least={limit.least}
                              most={limit.most}
                              unit={UNITS[limit.unit]}
                              onChange={(value) =>
                                save({
                                  ...target.checks,
                                  [each.id]: { ...target.checks[each.id], [limit.key]: value },
                                })
                              }
                            />
                          </span>
                        </span>
                      ))}
                    </div>
                  )}
                </div>
              );
            })}
          </div>
        </fieldset>
      ))}
      <div className="mt-2 flex justify-end">
        <Button tone="main" onClick={onClose}>
          Done
        </Button>
      </div>
    </Sheet>
  );
}
