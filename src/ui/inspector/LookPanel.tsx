'use client';

import { useDeferredValue, useMemo, useState } from 'react';

import { setBlend, setOpacity } from '@/core/figure/commands';
import type { Figure, Round, RoundId } from '@/core/figure';
import { BLEND_MODES, type BlendMode, type Scene } from '@/core/scene';
import { actOnRound, preview, sceneOf, shownFigure } from '@/state';
import { Button, Row, Section, ShareField, SmallScene } from '@/ui/common';
import { useEditor, useEditorState } from '@/ui/desk';

/** The names of Compositing and Blending Level 1, as a person reads them. */
const nameOf = (mode: BlendMode): string => {
  const words = mode.replace('color', 'colour').replace('-', ' ');
  return words.charAt(0).toUpperCase() + words.slice(1);
};

interface SmallProps {
  readonly scene: Scene;
  readonly roundId: RoundId;
  readonly mode: BlendMode;
}

/** The figure as it would look with a blend mode for one round. */
function Small({ scene, roundId, mode }: SmallProps) {
  const blended = useMemo(
    () => ({
      ...scene,
      layers: scene.layers.map((layer) => (layer.roundId === roundId ? { ...layer, blend: mode } : layer)),
    }),
    [scene, roundId, mode],
  );
  return <SmallScene scene={blended} id={`blend-${mode}`} />;
}

/** How each copy of the round is laid on what is below it. */
export function LookPanel({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const [open, setOpen] = useState(false);
  const scene = useDeferredValue(useEditorState((state) => sceneOf({ ...state, live: null })));
  const { locked } = round;
  const blend = round.blend ?? 'normal';
  const set = (mode: BlendMode): void => {
    preview(editor, null);
    actOnRound(editor, `Blend: ${nameOf(mode)}`, (figure, id) => setBlend(figure, id, mode));
  };
  const show = (mode: BlendMode | null): void => {
    const figure: Figure = shownFigure({ ...editor.getState(), live: null });
    preview(editor, mode === null ? null : setBlend(figure, round.id, mode));
  };
  return (
    <Section title="Look" note="of each copy">
      <ShareField
        label="Opacity of the copies"
        caption="Opacity"
        value={round.opacity ?? 1}
        least={0}
        most={1}
        disabled={locked}
        onChange={(opacity) =>
          actOnRound(editor, 'Opacity', (figure, id) => setOpacity(figure, id, opacity), 'opacity')
        }
      />
      <Row caption="Blend mode">
        <Button
          className="flex-1"
          aria-expanded={open}
          disabled={locked}
          onClick={() => {
            show(null);
            setOpen(!open);
          }}
        >
          {nameOf(blend)}
        </Button>
      </Row>
      {open && (
        <div
          role="group"
          aria-label="Blend modes"
          className="grid grid-cols-3 gap-1.5"
          onPointerLeave={() => show(null)}
        >
          {BLEND_MODES.map((mode) => (
            <button
              key={mode}
              type="button"
              aria-pressed={mode === blend}
              className={`flex min-w-0 flex-col rounded-ui border p-[3px] text-[11px] leading-4 ${mode === blend ? 'border-kelp bg-kelp-soft text-kelp' : 'border-line hover:border-edge'}`}
              onPointerEnter={() => show(mode)}
              onClick={() => set(mode)}
            >
              <Small scene={scene} roundId={round.id} mode={mode} />
              <span className="truncate">{nameOf(mode)}</span>
            </button>
          ))}
        </div>
      )}
    </Section>
  );
}
