import { expose } from 'comlink';

import { STRAIGHT } from '@/core/derive';
import { boundedFigure, evaluateWhole, type Figure } from '@/core/figure';
import { svgOf } from '@/core/format/svg';
import { afterPicks, type Picked, wallOf, type WallPlan } from '@/core/trial';

/** Where a worker stands among those that share a wall: its own place, and how many there are. */
export interface Shift {
  readonly own: number;
  readonly of: number;
}

/** A variant as it hangs on the wall. */
export interface Hung {
  readonly at: number;
  readonly title: string;
  /** An SVG of it; null where it cannot be drawn. */
  readonly svg: string | null;
}

/** Where what the wall grows from hangs: before all others. */
export const AS_IT_IS = -1;

/** As SVG with symbols; null where it cannot be drawn. */
async function drawn(figure: Figure): Promise<string | null> {
  const scene = await evaluateWhole(boundedFigure(figure, STRAIGHT)).catch(() => null);
  return scene && svgOf(scene, { form: 'compact', decimals: 2, background: true });
}

/** The browser's door to trials: variants of one figure share what is worked out of what they have in common. */
class TrialDoor {
  /**
   * @param picks what the wall grows from
   * @param hang is given each variant of this worker's share, as soon as it is drawn
   * @returns how many there are
   */
  async draw(
    figure: Figure,
    picks: readonly Picked[],
    plan: WallPlan,
    { own, of }: Shift,
    hang: (hung: Hung) => Promise<void>,
  ): Promise<number> {
    const base = afterPicks(figure, picks, STRAIGHT);
    const wall = base ? wallOf(base, plan, STRAIGHT) : [];
    // Who ends this worker waits until all hang: what is told goes another way than the answer.
    const hanging: Promise<void>[] = [];
    if (base && own === 0) hanging.push(hang({ at: AS_IT_IS, title: 'As it is', svg: await drawn(base) }));
    for (const [at, { title, figure: made }] of wall.entries())
      if (at % of === own) hanging.push(hang({ at, title, svg: await drawn(made) }));
    await Promise.all(hanging);
    return wall.length;
  }
}

export type { TrialDoor };

expose(new TrialDoor());
