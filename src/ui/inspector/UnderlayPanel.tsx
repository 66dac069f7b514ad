'use client';

import { aboveZero } from '@/core/finding';
import { Eye, EyeOff, ImagePlus, Lock, LockOpen, Trash2 } from 'lucide-react';
import { useRef, useState } from 'react';

import type { TraceOptions } from '@/core/curve';
import { changeUnderlay, setUnderlay } from '@/core/figure/commands';
import { LIMITS, type Underlay } from '@/core/figure';
import { act, activeRound, shownFigure } from '@/state';
import { Button, IconButton, LengthField, Section, ShareField, TurnField } from '@/ui/common';
import { layPicture, useEditor, useEditorState, usePanelState } from '@/ui/desk';
import { fitUnderlay } from '@/ui/tools';
import { SeenPanel } from './SeenPanel';
import { TracePanel } from './TracePanel';

const START_TRACE: TraceOptions = { threshold: 0.5, light: false, smoothness: 1, smallest: 20 };

/** A picture to trace from: chosen or dropped on the Bench, placed by numbers or by hand, never exported. */
export function UnderlayPanel() {
  const editor = useEditor();
  const input = useRef<HTMLInputElement>(null);
  const { underlay } = shownFigure(usePanelState());
  const picking = useEditorState((state) => state.picking?.marks !== undefined);
  const locked = useEditorState((state) => activeRound(state)?.locked ?? true);
  const [trace, setTrace] = useState(START_TRACE);
  const change = (part: Partial<Underlay>): void =>
    act(editor, 'Change underlay', (figure) => changeUnderlay(figure, part), 'underlay');
  return (
    <Section title="Underlay" note={underlay ? underlay.name.slice(0, 24) : 'never exported'}>
      <input
        ref={input}
        type="file"
        accept="image/png,image/jpeg,image/webp,image/svg+xml"
        aria-label="Picture to trace from"
        className="hidden"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          event.target.value = '';
          if (file) void layPicture(editor, file);
        }}
      />
      {!underlay && (
        <>
          <Button onClick={() => input.current?.click()}>
            <ImagePlus size={16} strokeWidth={1.7} aria-hidden /> Choose a picture
          </Button>
          <p className="text-[12px] leading-4 text-muted">
            Or drop one on the Bench: PNG, JPEG, WebP or SVG.
          </p>
        </>
      )}
      {underlay && (
        <>
          <UnderlayButtons underlay={underlay} change={change} />
          <UnderlayPlace underlay={underlay} change={change} />
          <Button
            disabled={underlay.locked || !underlay.visible}
            aria-pressed={picking}
            title="Two points of the picture are put where you click, and it is moved, turned and scaled to it"
            onClick={() => (picking ? editor.setState({ picking: null }) : fitUnderlay(editor))}
          >
            {picking ? 'Click on the Bench …' : 'Fit by two points'}
          </Button>
          <ShareField
            label="Underlay strength"
            caption="Strength"
            value={underlay.strength}
            least={0}
            most={1}
            onChange={(strength) => change({ strength })}
          />
          <SeenPanel disabled={locked || underlay.locked} trace={trace} />
          <TracePanel disabled={locked} options={trace} onChange={setTrace} />
        </>
      )}
    </Section>
  );
}

interface Parts {
  readonly underlay: Underlay;
  readonly change: (part: Partial<Underlay>) => void;
}

/** Seen or not, held fast or not, and taken away. */
function UnderlayButtons({ underlay, change }: Parts) {
  const editor = useEditor();
  return (
    <div className="flex gap-1">
      <IconButton
        label={underlay.visible ? 'Hide underlay' : 'Show underlay'}
        onClick={() => change({ visible: !underlay.visible })}
      >
        {underlay.visible ? <Eye size={16} strokeWidth={1.7} /> : <EyeOff size={16} strokeWidth={1.7} />}
      </IconButton>
      <IconButton
        label={underlay.locked ? 'Unlock underlay' : 'Lock underlay'}
        onClick={() => change({ locked: !underlay.locked })}
      >
        {underlay.locked ? <Lock size={16} strokeWidth={1.7} /> : <LockOpen size={16} strokeWidth={1.7} />}
      </IconButton>
      <IconButton
        label="Remove underlay"
        onClick={() => act(editor, 'Remove underlay', (figure) => setUnderlay(figure, null))}
      >
        <Trash2 size={16} strokeWidth={1.7} />
      </IconButton>
    </div>
  );
}

/** Where an underlay lies, how wide it is and how it is turned. */
function UnderlayPlace({ underlay, change }: Parts) {
  const { unit } = shownFigure(usePanelState()).page;
  return (
    <>
      <LengthField
        label="Underlay x"
        caption="Middle x"
        value={underlay.at.x}
        in={unit}
        disabled={underlay.locked}
        onChange={(x) => change({ at: { ...underlay.at, x } })}
      />
      <LengthField
        label="Underlay y"
        caption="Middle y"
        value={-underlay.at.y}
        in={unit}
        disabled={underlay.locked}
        onChange={(y) => change({ at: { ...underlay.at, y: -y } })}
      />
      <LengthField
        label="Underlay width"
        caption="Width"
        value={underlay.width}
        in={unit}
        disabled={underlay.locked}
        refuse={aboveZero('The width', LIMITS.size)}
        onChange={(width) => change({ width, height: (underlay.height * width) / underlay.width })}
      />
      <TurnField
        label="Underlay rotation"
        caption="Rotation"
        value={underlay.rotation}
        disabled={underlay.locked}
        onChange={(rotation) => change({ rotation })}
      />
    </>
  );
}
