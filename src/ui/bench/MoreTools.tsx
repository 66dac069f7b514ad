import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { ChevronUp } from 'lucide-react';
import type { KeyboardEvent } from 'react';

import { MORE_KEY, type ToolId } from '@/state';
import { TOOLS } from '@/ui/tools';

interface Props {
  readonly tools: readonly ToolId[];
  readonly chosen: ToolId;
  readonly letter: ((code: string) => string) | null;
  readonly onChoose: (tool: ToolId) => void;
}

/** How many stand in a row. */
const COLUMNS = 5;

/** Moves the focus among the tools by the arrow keys. */
function moveFocus(event: KeyboardEvent<HTMLElement>): void {
  const by = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -COLUMNS, ArrowDown: COLUMNS }[event.key];
  if (by === undefined) return;
  const all = [...event.currentTarget.querySelectorAll('button')];
  const at = all.findIndex((each) => each === document.activeElement);
  all[Math.max(0, Math.min(all.length - 1, at + by))]?.focus();
  event.preventDefault();
  event.stopPropagation();
}

/** A handle on the tray for the tools that it has no room for; it shows the one of them that is in hand. */
export function MoreTools({ tools, chosen, letter, onChoose }: Props) {
  if (tools.length === 0) return null;
  const inHand = tools.includes(chosen) ? chosen : null;
  const Icon = inHand ? TOOLS[inHand].icon : ChevronUp;
  const key = letter?.(MORE_KEY) ?? MORE_KEY.replace('Key', '');
  return (
    <Popover>
      <PopoverButton
        data-more-tools
        aria-keyshortcuts={key}
        aria-label={inHand ? `More tools, ${TOOLS[inHand].name} in hand` : 'More tools'}
        title={`More tools (${key})`}
        className={`absolute right-3 bottom-full flex h-[26px] items-center gap-1.5 rounded-t-[9px] border border-b-0 border-line-strong px-2.5 text-[12px] whitespace-nowrap ${inHand ? 'bg-coral-soft text-coral-text' : 'bg-shell text-ink hover:bg-line/50'}`}
      >
        <Icon size={14} strokeWidth={1.7} aria-hidden />
        {inHand ? TOOLS[inHand].name : 'More'}
        <kbd aria-hidden="true" className="font-mono text-[11px] text-muted">
          {key}
        </kbd>
      </PopoverButton>
      <PopoverPanel
        focus
        onKeyDown={moveFocus}
        className="absolute right-0 bottom-[calc(100%+30px)] z-30 rounded-[12px] border border-line-strong bg-shell p-1.5 shadow-ui"
      >
        {({ close }) => (
          <div role="toolbar" aria-label="More tools" className="grid grid-cols-5 gap-0.5">
            {tools.map((tool) => {
              const ToolIcon = TOOLS[tool].icon;
              return (
                <button
                  key={tool}
                  type="button"
                  aria-pressed={tool === chosen}
                  onClick={() => {
                    onChoose(tool);
                    // The hand goes on at the Bench, and so do the keys.
                    close(document.querySelector<HTMLElement>('[data-pane=bench]') ?? undefined);
                  }}
                  className={`flex h-[48px] w-[66px] flex-col items-center justify-center gap-[3px] rounded-ui text-[11px] leading-4 tracking-tight whitespace-nowrap ${tool === chosen ? 'bg-coral-soft text-coral-text' : 'text-ink hover:bg-line/50'}`}
                >
                  <ToolIcon size={17} strokeWidth={1.7} aria-hidden />
                  {TOOLS[tool].name}
                </button>
              );
            })}
          </div>
        )}
      </PopoverPanel>
    </Popover>
  );
}
