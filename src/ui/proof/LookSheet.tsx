'use client';

import { useEffect, useState } from 'react';

import { evaluateWhole, type Figure } from '@/core/figure';
import type { Scene } from '@/core/scene';
import { figureOf, sceneOf } from '@/state';
import { Button, Sheet } from '@/ui/common';
import { useEditorState, useRestState } from '@/ui/desk';
import type { Look } from './looks';
import { LookView } from './LookView';
import { useRasters } from './useRasters';

/** Pixels across of a look that is seen large. */
const LARGE = 440;

const breath = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

/** The scene of a figure: the one on the screen, or one of an earlier step, worked out. */
function useSceneOf(figure: Figure | null): { readonly scene: Scene; readonly problem: string | null } {
  const state = useRestState();
  const [made, setMade] = useState<{ of: Figure; scene: Scene } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    if (!figure) return undefined;
    let isGone = false;
    evaluateWhole(figure, { pause: breath, stopped: () => isGone }).then(
      (scene) => {
        if (!isGone) setMade({ of: figure, scene });
      },
      () => {
        if (!isGone) setProblem('This step cannot be drawn.');
      },
    );
    return () => {
      isGone = true;
    };
  }, [figure]);
  return { scene: figure && made?.of === figure ? made.scene : sceneOf(state), problem };
}

const SELECT = 'h-[30px] min-w-0 flex-1 rounded-ui border border-line-strong bg-field px-2 hover:border-edge';

interface SideProps {
  readonly looks: readonly Look[];
  readonly first: string;
  readonly name: string;
}

/** One look, of what is now or was at a step. */
function Side({ looks, first, name }: SideProps) {
  const [chosen, setChosen] = useState(first);
  const [position, setPosition] = useState<number | null>(null);
  const history = useEditorState((state) => state.history);
  const step = history.steps.find((each) => each.position === position);
  const isNow = !step || step.figure === figureOf(history);
  const { scene, problem } = useSceneOf(isNow ? null : step.figure);
  const { drawn } = useRasters(scene, LARGE);
  const look = looks.find(({ id }) => id === chosen) ?? looks[0];
  return (
    <section aria-label={name} className="flex min-w-0 flex-1 flex-col gap-2">
      <div className="flex gap-2">
        <select
          aria-label={`${name}: look`}
          className={SELECT}
          value={look?.id}
          onChange={(event) => setChosen(event.target.value)}
        >
          {looks.map((each) => (
            <option key={each.id} value={each.id}>
              {each.name}
            </option>
          ))}
        </select>
        <select
          aria-label={`${name}: of`}
          className={SELECT}
          value={position ?? 'now'}
          onChange={(event) => setPosition(event.target.value === 'now' ? null : Number(event.target.value))}
        >
          <option value="now">now</option>
          {[...history.steps].reverse().map((each) => (
            <option key={each.position} value={each.position}>
              {each.position}. {each.label}
            </option>
          ))}
        </select>
      </div>
      <div className="aspect-square w-full overflow-hidden rounded-[8px] border border-line bg-field">
        {drawn && look && <LookView look={look} rasters={drawn.rasters} id={name} />}
      </div>
      {problem && <p role="alert">{problem}</p>}
    </section>
  );
}

/** Two looks side by side, each of now or of an earlier step. */
export function LookSheet({
  first,
  looks,
  onClose,
}: {
  readonly first: string;
  readonly looks: readonly Look[];
  readonly onClose: () => void;
}) {
  return (
    <Sheet title="Looks side by side" open onClose={onClose} full>
      <div className="flex gap-4">
        <Side looks={looks} first={first} name="Left" />
        <Side looks={looks} first="plain" name="Right" />
      </div>
      <div className="mt-3 flex justify-end">
        <Button tone="main" onClick={onClose}>
          Close
        </Button>
      </div>
    </Sheet>
  );
}
