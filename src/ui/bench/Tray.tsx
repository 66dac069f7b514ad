'use client';

import {
  Hexagon,
  Circle,
  Leaf,
  MousePointer2,
  PaintBucket,
  PenTool,
  Pipette,
  Spline,
  type LucideIcon,
} from 'lucide-react';
import { useSyncExternalStore } from 'react';

import { TOOL_NAMES, TRAY_KEYS, TRAYS, type ToolId } from '@/state/tools';
import { useEditor, useEditorState } from '../editor/EditorContext';
import { keyLetter, subscribeToLayout } from '../editor/keyboardLayout';

const ICONS: Record<ToolId, LucideIcon> = {
  select: MousePointer2,
  nodes: Spline,
  path: PenTool,
  petal: Leaf,
  ellipse: Circle,
  polygon: Hexagon,
  paint: PaintBucket,
  eyedropper: Pipette,
};

/** The tools of the stage along the Bench's foot, placed as the keys that choose them. */
export function Tray() {
  const editor = useEditor();
  const stage = useEditorState((state) => state.stage);
  const chosen = useEditorState((state) => state.tool);
  const letters = useSyncExternalStore(subscribeToLayout, keyLetter, () => null);
  const rows = TRAYS[stage];
  return (
    <div
      role="toolbar"
      aria-label="Tools"
      className="absolute bottom-3 left-1/2 -translate-x-1/2 rounded-[12px] border border-line-strong bg-shell p-1.5 shadow-ui"
    >
      {rows.map((tools, row) => (
        <div key={row} className="flex gap-0.5">
          {tools.map((tool, column) => {
            const Icon = ICONS[tool];
            const code = TRAY_KEYS[row]?.[column] ?? '';
            const letter = letters?.(code) ?? code.replace('Key', '');
            const on = tool === chosen;
            return (
              <button
                key={tool}
                type="button"
                aria-pressed={on}
                aria-keyshortcuts={letter}
                title={`${TOOL_NAMES[tool]} (${letter})`}
                onClick={() => editor.setState({ tool, draft: null })}
                className={`relative flex h-[48px] w-[70px] flex-col items-center justify-center gap-[3px] rounded-ui text-[12px] leading-4 transition-colors duration-100 ${on ? 'bg-coral-soft text-coral-text' : 'text-ink hover:bg-line/50'}`}
              >
                <Icon size={17} strokeWidth={1.7} aria-hidden />
                {TOOL_NAMES[tool]}
                <kbd
                  aria-hidden="true"
                  className={`absolute top-[3px] right-[6px] font-mono text-[11px] leading-3 ${on ? 'text-coral-text' : 'text-muted'}`}
                >
                  {letter}
                </kbd>
              </button>
            );
          })}
        </div>
      ))}
    </div>
  );
}
