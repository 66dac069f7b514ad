'use client';

import { Check as CheckMark, ChevronLeft, ChevronRight } from 'lucide-react';
import { useEffect, useMemo, useRef, type KeyboardEvent } from 'react';

import type { Mend } from '@/core/finding';
import { CHECKS, type ProofFinding } from '@/core/proof';
import {
  endPreview,
  type FindingGroup,
  groupsOf,
  leave,
  look,
  mend,
  previewMend,
  shownFigure,
  zoomTo,
} from '@/state';
import { Button, IconButton, ProgressBar } from '@/ui/common';
import { plural, useEditor, useEditorState, useProof, useWorkshop } from '@/ui/desk';
import { TargetChoice } from './TargetChoice';

const TITLES = new Map(CHECKS.map(({ id, title }) => [id, title]));

const BADGES = {
  error: 'bg-coral text-field',
  warning: 'bg-brass-soft text-brass-text',
  note: 'bg-line text-ink',
} as const;

/** Said to who does not see the colour. */
const SEVERITIES = { error: 'Wrong', warning: 'To look at', note: 'Good to know' } as const;

/** What is done with a finding, wherever it is listed. */
function useDeeds() {
  const editor = useEditor();
  const { store } = useWorkshop().proofing;
  return {
    choose: (key: string | null) => look(store, key),
    next: (found: ProofFinding, by: number) => {
      const count = found.where.length;
      if (count === 0) return;
      const { chosen, place } = store.getState();
      look(store, found.key, chosen === found.key ? (place + by + count) % count : 0);
    },
    zoom: (found: ProofFinding) => {
      const { place } = store.getState();
      const where = found.where[place % Math.max(1, found.where.length)];
      if (where && where.size > 0) zoomTo(editor, where);
    },
    mend: (label: string, mends: readonly Mend[]) => mend(editor, label, mends),
    leave: (found: ProofFinding) => leave(editor, 'Leave as it is', [found.key], true),
    preview: (each: Mend) => previewMend(editor, each),
    endPreview: () => endPreview(editor),
  };
}

type Deeds = ReturnType<typeof useDeeds>;

/** The buttons of the finding that is looked at. */
function FindingActions({ found, deeds }: { readonly found: ProofFinding; readonly deeds: Deeds }) {
  const place = useProof((state) => state.place);
  const count = found.where.length;
  return (
    <div className="mt-1.5 flex flex-wrap items-center gap-1.5">
      {found.mends.map((each) => (
        <Button
          key={each.label}
          title="Pointing at it shows what it comes to"
          onPointerEnter={() => deeds.preview(each)}
          onPointerLeave={deeds.endPreview}
          onFocus={() => deeds.preview(each)}
          onBlur={deeds.endPreview}
          onClick={() => deeds.mend(each.label, [each])}
        >
          {each.label}
        </Button>
      ))}
      <Button tone="quiet" title="Leave it as it is (L)" onClick={() => deeds.leave(found)}>
        Leave
      </Button>
      {count > 1 && (
        <span className="ml-auto flex items-center text-[12px] text-muted">
          {(place % count) + 1} of {count}
          <IconButton label="Place before" className="size-[26px]" onClick={() => deeds.next(found, -1)}>
            <ChevronLeft size={15} strokeWidth={1.7} />
          </IconButton>
          <IconButton label="Next place (Space)" className="size-[26px]" onClick={() => deeds.next(found, 1)}>
            <ChevronRight size={15} strokeWidth={1.7} />
          </IconButton>
        </span>
      )}
    </div>
  );
}

/** The first mend of each finding of a kind. */
const firstMends = ({ findings }: FindingGroup): Mend[] => findings.flatMap(({ mends }) => mends.slice(0, 1));

interface GroupProps {
  readonly group: FindingGroup;
  readonly chosen: string | null;
  readonly deeds: Deeds;
}

function FindingRow({
  found,
  deeds,
  isChosen,
  isAlone,
}: {
  readonly found: ProofFinding;
  readonly deeds: Deeds;
  readonly isChosen: boolean;
  /** The only one of its kind: its count is in the badge beside it. */
  readonly isAlone: boolean;
}) {
  return (
    <div className={`rounded-ui px-2 py-1.5 ${isChosen ? 'bg-coral-soft' : ''}`}>
      <button
        type="button"
        data-finding={found.key}
        aria-expanded={isChosen}
        className="w-full text-left"
        onClick={() => deeds.choose(isChosen ? null : found.key)}
        onDoubleClick={() => deeds.zoom(found)}
      >
        <span className="block leading-[17px] font-semibold">
          {found.title}
          {!isAlone && (
            <span className="ml-1.5 font-mono text-[11px] font-normal text-muted">×{found.count}</span>
          )}
        </span>
        <span className="block text-[12px] leading-4 text-muted">{found.sentence}</span>
      </button>
      {isChosen && <FindingActions found={found} deeds={deeds} />}
    </div>
  );
}

/** Findings of one kind are so many at first; the others are listed when one asks for them. */
const FIRST_OF_KIND = 4;

function GroupOfFindings({ group, chosen, deeds }: GroupProps) {
  const { findings, severity, count, code } = group;
  const [only, another] = findings;
  const mends = firstMends(group);
  const isOpen = findings.some(({ key }) => key === chosen);
  const listed = isOpen ? findings : findings.slice(0, FIRST_OF_KIND);
  const title = TITLES.get(code) ?? code;
  return (
    <li className="flex gap-1 border-b border-line py-1.5 pr-2 pl-3" aria-label={title}>
      <span
        title={SEVERITIES[severity]}
        className={`mt-1.5 flex h-[30px] min-w-[36px] items-center justify-center rounded-ui px-1 font-mono text-[11px] font-semibold ${BADGES[severity]}`}
      >
        <span className="sr-only">{SEVERITIES[severity]}, </span>×{count}
      </span>
      <div className="min-w-0 flex-1">
        {another && (
          <div className="flex min-h-[30px] items-center justify-between gap-2 pl-2">
            <span className="text-[12px] text-muted">
              {title}, {findings.length}
            </span>
            {mends.length > 1 && (
              <Button
                className="h-[26px] px-2 text-[12px]"
                title={`${mends[0]?.label ?? ''}: each, as one step`}
                onClick={() => deeds.mend(`Mend ${title.toLowerCase()}`, mends)}
              >
                Mend all of these
              </Button>
            )}
          </div>
        )}
        {listed.map((found) => (
          <FindingRow
            key={found.key}
            found={found}
            deeds={deeds}
            isChosen={found.key === chosen}
            isAlone={only === found && !another}
          />
        ))}
        {listed.length < findings.length && (
          <Button
            tone="quiet"
            className="text-[12px]"
            onClick={() => deeds.choose(findings[FIRST_OF_KIND]?.key ?? null)}
          >
            {findings.length - listed.length} more of these
          </Button>
        )}
      </div>
    </li>
  );
}

/** What was left as it is, and the way back. */
function LeftRow({ keys, titles }: { readonly keys: readonly string[]; readonly titles: readonly string[] }) {
  const editor = useEditor();
  return (
    <li className="flex items-center gap-2 border-b border-line px-3 py-2">
      <span className="flex-1 text-[12px] text-muted" title={titles.join('\n')}>
        {plural(keys.length, 'finding is', 'findings are')} left as {keys.length === 1 ? 'it is' : 'they are'}
        .
      </span>
      <Button tone="quiet" className="text-[12px]" onClick={() => leave(editor, 'Look again', keys, false)}>
        Look again
      </Button>
    </li>
  );
}

function Passed({ titles, isAll }: { readonly titles: readonly string[]; readonly isAll: boolean }) {
  return (
    <li className="flex gap-2 px-3 py-2.5">
      <span className="flex size-[36px] shrink-0 items-center justify-center rounded-ui bg-kelp-soft text-kelp">
        <CheckMark size={18} strokeWidth={2.2} aria-hidden />
      </span>
      <div className="min-w-0">
        <details open={isAll}>
          <summary className="cursor-pointer rounded-[5px] leading-[17px] font-semibold">
            {plural(titles.length, 'check passed', 'checks passed')}
          </summary>
          <ul className="mt-1 flex flex-col gap-0.5 text-[13px] leading-[18px] text-muted">
            {titles.map((title) => (
              <li key={title}>{title}</li>
            ))}
          </ul>
        </details>
      </div>
    </li>
  );
}

/** What is under way, or why there is no list. */
function ProofStatus() {
  const { proofing } = useWorkshop();
  const running = useProof((state) => state.running);
  const progress = useProof((state) => state.progress);
  const problem = useProof((state) => state.problem);
  if (problem)
    return (
      <div
        role="alert"
        className="flex items-center gap-2 border-b border-line px-3 py-2 text-[12px] text-coral-text"
      >
        <span className="flex-1">{problem}</span>
        <Button onClick={() => proofing.again()}>Again</Button>
      </div>
    );
  if (!running || progress === null) return null;
  return (
    <div className="flex items-center gap-2 border-b border-line px-3 py-2 text-[12px]">
      <ProgressBar label="Proofing" share={progress} />
      <Button className="h-[26px]" onClick={() => proofing.stop()}>
        Stop
      </Button>
    </div>
  );
}

/** Keys of the list: arrows to the next finding, Space to its next place, Enter closer, M mend, L leave. */
function keysOf(deeds: Deeds, findings: readonly ProofFinding[], chosen: string | null) {
  return (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const at = findings.findIndex(({ key }) => key === chosen);
    const found = findings[at];
    const go = (to: number): void => {
      const next = findings[Math.max(0, Math.min(findings.length - 1, to))];
      if (next) deeds.choose(next.key);
    };
    const isButton = event.target instanceof HTMLElement && event.target.dataset['finding'] === undefined;
    if (event.key === 'ArrowDown') go(at + 1);
    else if (event.key === 'ArrowUp') go(at < 0 ? 0 : at - 1);
    else if (event.key === ' ' && found && !(isButton && event.target instanceof HTMLButtonElement))
      deeds.next(found, event.shiftKey ? -1 : 1);
    else if (event.key === 'Enter' && found && !isButton) deeds.zoom(found);
    else if (event.key.toLowerCase() === 'm' && found?.mends[0])
      deeds.mend(found.mends[0].label, [found.mends[0]]);
    else if (event.key.toLowerCase() === 'l' && found) deeds.leave(found);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
}

/** The list of what the proof found, and what is done about it. */
export function FindingsPanel() {
  const proof = useProof((state) => state.proof);
  const chosen = useProof((state) => state.chosen);
  const isRunning = useProof((state) => state.running);
  const left = useEditorState((state) => shownFigure(state).proof?.left);
  const isEmpty = useEditorState((state) =>
    shownFigure(state).rounds.every(({ shapes }) => shapes.length === 0),
  );
  const deeds = useDeeds();
  const list = useRef<HTMLUListElement>(null);
  const groups = useMemo(() => (proof ? groupsOf(proof, left) : []), [proof, left]);
  const findings = groups.flatMap((group) => group.findings);
  const away = proof?.findings.filter(({ key }) => left?.includes(key)) ?? [];
  const mends = groups.flatMap(firstMends);
  const count = groups.reduce((sum, group) => sum + group.count, 0);

  useEffect(() => {
    if (chosen === null) return;
    const row = [...(list.current?.querySelectorAll<HTMLElement>('[data-finding]') ?? [])].find(
      (each) => each.dataset['finding'] === chosen,
    );
    row?.scrollIntoView({ block: 'nearest' });
    if (list.current?.contains(document.activeElement)) row?.focus({ preventScroll: true });
  }, [chosen]);

  return (
    <aside aria-label="Findings" className="flex min-h-0 flex-col border-r border-line bg-shell">
      <TargetChoice />
      <div className="flex min-h-[52px] items-center gap-2 border-b border-line px-3">
        <h2 className="flex-1 leading-5" aria-live="polite">
          {proof ? (
            <>
              <span className="font-title text-[19px] font-semibold">
                {isEmpty
                  ? 'Nothing is drawn yet'
                  : findings.length === 0
                    ? 'Nothing to mend'
                    : plural(findings.length, 'finding', 'findings')}
              </span>
              {findings.length > 0 && (
                <span className="ml-1.5 text-[12px] text-muted">at {plural(count, 'place', 'places')}</span>
              )}
            </>
          ) : (
            <span className="text-muted">{isRunning ? 'Looking …' : 'Not looked at yet'}</span>
          )}
        </h2>
        {mends.length > 0 && (
          <Button
            tone="main"
            title="The first mend of each, as one step"
            onClick={() => deeds.mend('Mend all', mends)}
          >
            Mend {mends.length === findings.length ? 'all' : `${mends.length} of them`}
          </Button>
        )}
      </div>
      <ProofStatus />
      <ul
        ref={list}
        aria-label="List of findings"
        tabIndex={findings.length > 0 && chosen === null ? 0 : -1}
        data-pane="findings"
        className="min-h-0 flex-1 overflow-y-auto overscroll-contain focus-visible:-outline-offset-2"
        onKeyDown={keysOf(deeds, findings, chosen)}
      >
        {groups.map((group) => (
          <GroupOfFindings key={group.code} group={group} chosen={chosen} deeds={deeds} />
        ))}
        {away.length > 0 && (
          <LeftRow keys={away.map(({ key }) => key)} titles={away.map(({ title }) => title)} />
        )}
        {proof && !isEmpty && proof.passed.length > 0 && (
          <Passed titles={proof.passed} isAll={findings.length === 0 && away.length === 0} />
        )}
      </ul>
    </aside>
  );
}
