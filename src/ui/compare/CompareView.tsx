'use client';

import { useEffect, useState } from 'react';

import { differences, type Figure } from '@/core/figure';
import { convertLength } from '@/core/number';
import { Button, keysElsewhere, Segmented, ServerPicture } from '@/ui/common';
import { FITTING, useSharedView, type SharedView } from './useSharedView';

/** One of what is compared. */
export interface Side {
  readonly key: string;
  readonly title: string;
  /** What it is, in a few words. */
  readonly note: string;
  /** Where its picture is. */
  readonly address: string;
  /** Not there while it is fetched. */
  readonly figure: Figure | null;
  /** What can be done with it. */
  readonly actions?: React.ReactNode;
}

type How = 'beside' | 'over';

const placed = ({ zoom, x, y }: SharedView): React.CSSProperties => ({
  transform: `translate(${x}px, ${y}px) scale(${zoom})`,
});

/** The longer side of a page, in millimetres, so that pages laid over one another are as large as they are. */
function lengthOf({ figure }: Side): number {
  if (!figure) return 1;
  const { width, height, unit } = figure.page;
  return convertLength(Math.max(width, height), unit, 'mm');
}

const PICTURE = 'pointer-events-none absolute inset-4';

/** Each in a pane of its own. */
function Beside({ sides, shared }: { readonly sides: readonly Side[]; readonly shared: Shared }) {
  return (
    <div
      className="grid min-h-0 flex-1 gap-px bg-line"
      style={{
        gridTemplateColumns: `repeat(${sides.length > 3 ? 2 : sides.length}, minmax(0, 1fr))`,
      }}
    >
      {sides.map((side) => (
        <section key={side.key} aria-label={side.title} className="flex min-h-0 min-w-0 flex-col bg-sand">
          <Title side={side} />
          <div className={PANE} {...shared.pane}>
            <div className={PICTURE} style={placed(shared.view)}>
              <ServerPicture key={side.address} address={side.address} isLarge />
            </div>
          </div>
        </section>
      ))}
    </div>
  );
}

type Shared = ReturnType<typeof useSharedView>;

const PANE = 'relative min-h-0 flex-1 cursor-grab touch-none overflow-hidden active:cursor-grabbing';

const Title = ({ side: { title, note, actions } }: { readonly side: Side }) => (
  <div className="flex min-h-[44px] items-center gap-2 border-b border-line bg-shell px-3">
    <div className="min-w-0 flex-1">
      <h2 className="truncate font-semibold" title={title}>
        {title}
      </h2>
      {note !== '' && <p className="truncate text-[12px] text-muted">{note}</p>}
    </div>
    {actions}
  </div>
);

/** How long each is seen while they blink, in milliseconds: slow enough to see what changes. */
const BLINK = 700;

/** One over the other: parted by a line that is dragged, or one after the other in the same place. */
function Over({ sides, shared }: { readonly sides: readonly [Side, Side]; readonly shared: Shared }) {
  const [below, above] = sides;
  const [split, setSplit] = useState(50);
  const [blinks, setBlinks] = useState(false);
  const [isAbove, setAbove] = useState(true);
  useEffect(() => {
    if (!blinks) return undefined;
    const timer = setInterval(() => setAbove((before) => !before), BLINK);
    return () => clearInterval(timer);
  }, [blinks]);
  const longest = Math.max(...sides.map(lengthOf));
  const sized = (side: Side): React.CSSProperties => {
    return { position: 'absolute', inset: `${50 - (50 * lengthOf(side)) / longest}%` };
  };
  const seen = blinks ? (isAbove ? above : below) : null;
  return (
    <section aria-label="One over the other" className="flex min-h-0 flex-1 flex-col bg-sand">
      <div className="flex min-h-[44px] flex-wrap items-center gap-3 border-b border-line bg-shell px-3 py-1.5">
        <span className={`truncate ${seen === above ? 'text-muted' : 'font-semibold'}`}>{below.title}</span>
        {blinks ? (
          <span className="flex-1" />
        ) : (
          <input
            type="range"
            min={0}
            max={100}
            value={split}
            aria-label={`How much is seen of ${below.title}, from the left`}
            onChange={(event) => setSplit(Number(event.target.value))}
            className="min-w-[120px] flex-1 accent-kelp"
          />
        )}
        <span className={`truncate ${seen === below ? 'text-muted' : 'font-semibold'}`}>{above.title}</span>
        <Button aria-pressed={blinks} onClick={() => setBlinks(!blinks)}>
          {blinks ? 'Stop blinking' : 'Blink'}
        </Button>
      </div>
      <div className={PANE} {...shared.pane}>
        {[below, above].map((side, k) => (
          <div
            key={side.key}
            className="absolute inset-0 bg-sand"
            style={{
              ...(k === 1 && !blinks && { clipPath: `inset(0 0 0 ${split}%)` }),
              ...(blinks && { visibility: seen === side ? 'visible' : 'hidden' }),
            }}
          >
            <div className={PICTURE} style={placed(shared.view)}>
              <div style={sized(side)}>
                <ServerPicture key={side.address} address={side.address} isLarge />
              </div>
            </div>
          </div>
        ))}
        {!blinks && (
          <span
            aria-hidden
            className="pointer-events-none absolute inset-y-0 w-px bg-coral"
            style={{ left: `${split}%` }}
          />
        )}
      </div>
    </section>
  );
}

const MOST_LINES = 60;

/** What is different between the first and each of the others, in words. */
function Words({ sides }: { readonly sides: readonly Side[] }) {
  const [first, ...others] = sides;
  if (!first) return null;
  return (
    <div aria-live="polite" className="flex flex-col gap-3 px-4 py-3">
      {others.map((other) => {
        const lines = first.figure && other.figure ? differences(first.figure, other.figure) : null;
        return (
          <section key={other.key} aria-label={`What is different: ${first.title}, ${other.title}`}>
            <h3 className="mb-1 text-[12px] text-muted">
              {first.title} → {other.title}
            </h3>
            {lines === null ? (
              <p className="text-muted">Reading …</p>
            ) : lines.length === 0 ? (
              <p>Nothing: both are the same.</p>
            ) : (
              <ul className="columns-[260px] gap-8 leading-6">
                {lines.slice(0, MOST_LINES).map((line) => (
                  <li key={line} className="break-inside-avoid">
                    {line}
                  </li>
                ))}
                {lines.length > MOST_LINES && (
                  <li className="text-muted">and {lines.length - MOST_LINES} more</li>
                )}
              </ul>
            )}
          </section>
        );
      })}
    </div>
  );
}

/** Figures or states of them beside or over one another, zoomed and moved together, with what is different in words. */
export function CompareView({ sides }: { readonly sides: readonly Side[] }) {
  const [how, setHow] = useState<How>('beside');
  const shared = useSharedView();
  const { setView } = shared;
  const [first, second] = sides;
  useEffect(() => {
    const down = (event: KeyboardEvent): void => {
      if (keysElsewhere(event.target) || event.ctrlKey || event.metaKey) return;
      if (event.key === '0') setView(() => FITTING);
    };
    window.addEventListener('keydown', down);
    return () => window.removeEventListener('keydown', down);
  }, [setView]);
  return (
    <div className="flex min-h-0 min-w-0 flex-1 flex-col">
      <div className="flex h-[46px] items-center gap-3 border-b border-line bg-shell px-3">
        <div className="w-[280px]">
          <Segmented
            label="How they are laid"
            value={how}
            choices={[
              { value: 'beside', label: 'Side by side' },
              { value: 'over', label: 'One over the other' },
            ]}
            onChange={setHow}
          />
        </div>
        <span className="flex-1" />
        <span className="font-mono text-[12px] text-muted">{Math.round(shared.view.zoom * 100)} %</span>
        <Button tone="quiet" title="Show all of it (0)" onClick={() => setView(() => FITTING)}>
          Fit
        </Button>
      </div>
      {how === 'over' && first && second ? (
        <Over sides={[first, second]} shared={shared} />
      ) : (
        <Beside sides={sides} shared={shared} />
      )}
      <div className="max-h-[34%] min-h-[88px] overflow-y-auto border-t border-line bg-shell">
        <Words sides={how === 'over' ? sides.slice(0, 2) : sides} />
      </div>
    </div>
  );
}
