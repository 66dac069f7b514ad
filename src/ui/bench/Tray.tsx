'use client';

import { memo, useSyncExternalStore } from 'react';

import { toolsBeyond, TRAY_KEYS, TRAYS } from '@/state';
import { useEditor, useEditorState } from '@/ui/desk';
import { keyLetter, subscribeToLayout } from '@/ui/keys';
import { takeTool, TOOLS } from '@/ui/tools';
import { MoreTools } from './MoreTools';
import { PaintAtHand } from './PaintAtHand';

/** The tools of the stage along the Bench's foot, placed as the keys that choose them. */
export const Tray = memo(function Tray() {
  const editor = useEditor();
  const stage = useEditorState((state) => state.stage);
  const chosen = useEditorState((state) => state.tool);
  const letters = useSyncExternalStore(subscribeToLayout, keyLetter, () => null);
  const rows = TRAYS[stage];
  const full = rows.some((tools) => tools.length > 5);
  return (
    <div className="absolute bottom-3 left-1/2 flex -translate-x-1/2 rounded-[12px] border border-line-strong bg-shell p-1.5 shadow-ui @max-[480px]:flex-col">
      <PaintAtHand />
      <div className="mx-1 w-px shrink-0 bg-line @max-[480px]:mx-0 @max-[480px]:my-1 @max-[480px]:h-px @max-[480px]:w-auto" />
      <div role="toolbar" aria-label="Tools">
        <MoreTools
          tools={toolsBeyond(stage)}
          chosen={chosen}
          letter={letters}
          onChoose={(tool) => takeTool(editor, tool)}
        />
        {rows.map((tools, row) => (
          <div key={row} className="flex gap-0.5">
            {tools.map((tool, column) => {
              const Icon = TOOLS[tool].icon;
              const code = TRAY_KEYS[row]?.[column] ?? '';
              const letter = letters?.(code) ?? code.replace('Key', '');
              const on = tool === chosen;
              return (
                <button
                  key={tool}
                  type="button"
                  data-guide-at={tool}
                  aria-pressed={on}
                  aria-keyshortcuts={letter}
                  title={`${TOOLS[tool].name} (${letter})`}
                  onClick={() => takeTool(editor, tool)}
                  className={`relative flex h-[48px] flex-col items-center justify-center gap-[3px] rounded-ui leading-4 whitespace-nowrap transition-colors duration-100 ${full ? 'w-[48px] pt-1 text-[11px] tracking-tight' : 'w-[70px] text-[12px]'} ${on ? 'bg-coral-soft text-coral-text' : 'text-ink hover:bg-line/50'}`}
                >
                  <Icon size={17} strokeWidth={1.7} aria-hidden />
                  {TOOLS[tool].name}
                  <kbd
                    aria-hidden="true"
                    className={`absolute top-[2px] right-[4px] font-mono text-[11px] leading-3 ${on ? 'text-coral-text' : 'text-muted'}`}
                  >
                    {letter}
                  </kbd>
                </button>
              );
            })}
          </div>
        ))}
      </div>
    </div>
  );
});
