'use client';

import { Pin, PinOff } from 'lucide-react';
import { useMemo, useState } from 'react';

import { afterPicks, type Lever, leversOf, type Picked, type WallPlan } from '@/core/trial';
import { act, shownFigure, workOf } from '@/state';
import { Button, PAPER_CHECKS, Section, Segmented, Sheet } from '@/ui/common';
import { useEditor } from '@/ui/desk';
import { LeverChoice } from './LeverChoice';
import { useWall, type Picture, type Wall } from './useWall';

/** A variant that was kept in sight: the picks that lead to it. */
type Pinned = readonly Picked[];

/** The figure as it is. */
const NOWHERE: Pinned = [];

const titleOf = (pin: Pinned): string => pin.map(({ title }) => title).join(', ');

function Frame({ picture, alt }: { readonly picture: Picture; readonly alt: string }) {
  return picture.url === null ? (
    <span className="flex size-full items-center justify-center text-[12px] text-muted">not drawn</span>
  ) : (
    // eslint-disable-next-line @next/next/no-img-element -- a picture that is made here
    <img src={picture.url} alt={alt} className="size-full object-contain" />
  );
}

interface HungProps {
  readonly picture: Picture;
  readonly isPointedAt: boolean;
  readonly onPoint: () => void;
  readonly onTake: () => void;
}

/** One variant: pointing at it shows it large, a click takes it. */
function HungPicture({ picture, isPointedAt, onPoint, onTake }: HungProps) {
  return (
    <button
      type="button"
      title={picture.title}
      disabled={picture.url === null}
      onClick={onTake}
      onPointerEnter={onPoint}
      onFocus={onPoint}
      className={`flex min-w-0 flex-col gap-1 rounded-[8px] border p-1 text-left hover:bg-line/30 ${isPointedAt ? 'border-kelp' : 'border-line'}`}
    >
      <span className="block aspect-square w-full" style={{ background: PAPER_CHECKS }}>
        <Frame picture={picture} alt="" />
      </span>
      <span className="w-full truncate text-[11px] leading-4">{picture.title}</span>
    </button>
  );
}

interface PlanRowProps {
  readonly levers: readonly Lever[];
  readonly plan: WallPlan;
  readonly onPlan: (plan: WallPlan) => void;
}

/** Over what the wall goes, how far, and how. */
function PlanRow({ levers, plan, onPlan }: PlanRowProps) {
  const [first = null, second = null] = plan.levers;
  const set = (a: string | null, b: string | null): void =>
    onPlan({ ...plan, levers: [a, b].filter((key) => key !== null) });
  return (
    <div className="mb-3 flex flex-wrap items-center gap-2">
      <div className="flex min-w-[340px] flex-1 items-center gap-1.5">
        <span className="text-muted">Over</span>
        <LeverChoice label="Over" levers={levers} value={first} onChange={(key) => set(key, second)} />
        <span className="text-muted">and</span>
        <LeverChoice
          label="And over"
          levers={levers.filter(({ key }) => key !== first)}
          value={second}
          none="nothing else"
          onChange={(key) => set(first, key)}
        />
      </div>
      <div className="w-[120px]">
        <Segmented
          label="How bold"
          value={plan.bold}
          choices={[
            { value: 'near', label: 'Near' },
            { value: 'far', label: 'Far' },
          ]}
          onChange={(bold) => onPlan({ ...plan, bold })}
        />
      </div>
      <div className="w-[170px]">
        <Segmented
          label="Spread"
          value={plan.how}
          choices={[
            { value: 'even', label: 'Evenly' },
            { value: 'chance', label: 'By chance' },
          ]}
          onChange={(how) => onPlan({ ...plan, how })}
        />
      </div>
      <Button disabled={plan.how === 'even'} onClick={() => onPlan({ ...plan, seed: plan.seed + 1 })}>
        Others
      </Button>
    </div>
  );
}

/** What is to be known of the wall; null where that is seen. */
function noteOf({ isDone, hasFailed }: Wall, count: number): string | null {
  if (hasFailed) return 'These could not be drawn.';
  return isDone && count === 0
    ? 'There is no other value that can be drawn: choose something else, or Far.'
    : null;
}

interface LargeProps {
  readonly picture: Picture | null;
  /** False for what the wall grows from. */
  readonly isVariant: boolean;
  readonly note: string | null;
  readonly onPin: () => void;
  readonly onTake: () => void;
}

/** The variant that is pointed at, large; what the wall grows from where none is. */
function Large({ picture, isVariant, note, onPin, onTake }: LargeProps) {
  return (
    <>
      <div
        className="aspect-square w-full rounded-[10px] border border-line p-2"
        style={{ background: PAPER_CHECKS }}
      >
        {picture && <Frame picture={picture} alt={picture.title} />}
      </div>
      <div className="flex min-h-[30px] items-center gap-2">
        <span className="min-w-0 flex-1 text-[13px] leading-[18px]">
          {note ?? picture?.title ?? 'Being drawn'}
        </span>
        {isVariant && (
          <>
            <Button onClick={onPin}>
              <Pin size={14} strokeWidth={1.7} aria-hidden /> Pin
            </Button>
            <Button tone="main" onClick={onTake}>
              Take it
            </Button>
          </>
        )}
      </div>
    </>
  );
}

interface PinsProps {
  readonly pins: readonly Pinned[];
  /** The one that the wall grows from; none of them where that is the figure as it is. */
  readonly from: Pinned;
  readonly onGrow: (pin: Pinned) => void;
  readonly onDrop: (pin: Pinned) => void;
  readonly onTake: (pin: Pinned) => void;
}

/** What was kept in sight: taken, or grown from. */
function Pins({ pins, from, onGrow, onDrop, onTake }: PinsProps) {
  if (pins.length === 0) return null;
  return (
    <ul aria-label="Pinned" className="flex max-h-[220px] flex-col gap-1.5 overflow-y-auto">
      {pins.map((pin) => (
        <li key={titleOf(pin)} className="flex flex-wrap items-center gap-1.5 border-t border-line pt-1.5">
          <span className="w-full text-[13px] leading-[18px]">{titleOf(pin)}</span>
          <Button onClick={() => onGrow(pin === from ? NOWHERE : pin)}>
            {pin === from ? 'Grow from the figure' : 'Grow from it'}
          </Button>
          <Button onClick={() => onTake(pin)}>Take</Button>
          <button
            type="button"
            aria-label={`Unpin ${titleOf(pin)}`}
            onClick={() => onDrop(pin)}
            className="ml-auto flex size-[30px] items-center justify-center rounded-ui hover:bg-line/40"
          >
            <PinOff size={15} strokeWidth={1.7} />
          </button>
        </li>
      ))}
    </ul>
  );
}

interface TrialsProps {
  /** The lever that is asked for first. */
  readonly first: string;
  readonly onDone: () => void;
}

function Trials({ first, onDone }: TrialsProps) {
  const editor = useEditor();
  // As it was when the sheet was opened.
  const [figure] = useState(() => shownFigure(editor.getState()));
  const [work] = useState(() => workOf(editor.getState()));
  const [plan, setPlan] = useState<WallPlan>({
    levers: [first],
    how: 'even',
    bold: 'near',
    seed: 1,
  });
  const [pins, setPins] = useState<readonly Pinned[]>([]);
  const [from, setFrom] = useState<Pinned>(NOWHERE);
  const [pointed, setPointed] = useState<string | null>(null);
  const levers = useMemo(
    () => leversOf(afterPicks(figure, from, work) ?? figure, work),
    [figure, from, work],
  );
  const wall = useWall(figure, from, plan);
  const hung = wall.pictures.filter(({ at }) => at >= 0);
  const asItIs = wall.pictures.find(({ at }) => at < 0) ?? null;
  const shown = hung.find(({ title }) => title === pointed) ?? null;
  const picked = (title: string): Pinned => [...from, { plan, title }];
  const take = (pin: Pinned): void => {
    act(editor, `Trial: ${titleOf(pin)}`.slice(0, 120), (now, its) => afterPicks(now, pin, its) ?? now);
    onDone();
  };
  const pin = (title: string): void => {
    const kept = picked(title);
    if (pins.every((each) => titleOf(each) !== titleOf(kept))) setPins([...pins, kept]);
  };
  return (
    <>
      <PlanRow
        levers={levers}
        plan={plan}
        onPlan={(next) => {
          setPointed(null);
          setPlan(next);
        }}
      />
      <div className="flex gap-4">
        <div
          role="group"
          aria-label="Trials"
          aria-busy={!wall.isDone && !wall.hasFailed}
          className="grid min-h-[300px] flex-1 grid-cols-6 content-start gap-1.5"
        >
          {hung.map((picture) => (
            <HungPicture
              key={picture.title}
              picture={picture}
              isPointedAt={picture === shown}
              onPoint={() => setPointed(picture.title)}
              onTake={() => take(picked(picture.title))}
            />
          ))}
        </div>
        <div className="flex w-[300px] shrink-0 flex-col gap-2">
          <Large
            picture={shown ?? asItIs}
            isVariant={shown !== null}
            note={noteOf(wall, hung.length)}
            onPin={() => shown && pin(shown.title)}
            onTake={() => shown && take(picked(shown.title))}
          />
          <Pins
            pins={pins}
            from={from}
            onGrow={setFrom}
            onDrop={(gone) => {
              setPins(pins.filter((each) => each !== gone));
              if (gone === from) setFrom(NOWHERE);
            }}
            onTake={take}
          />
          <div className="mt-auto flex justify-end pt-2">
            <Button onClick={onDone}>Leave it as it is</Button>
          </div>
        </div>
      </div>
    </>
  );
}

interface Props {
  /** The lever that is asked for first. */
  readonly first: string;
}

/** Variants of the figure side by side, over its numbers. */
export function FormTrialsPanel({ first }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <Section title="Trials of form">
      <Button onClick={() => setOpen(true)}>Try other forms …</Button>
      <Sheet title="Trials of form" open={open} full onClose={() => setOpen(false)}>
        <Trials first={first} onDone={() => setOpen(false)} />
      </Sheet>
    </Section>
  );
}
