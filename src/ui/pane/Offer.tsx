'use client';

import { X } from 'lucide-react';
import { useMemo } from 'react';

import { screenData } from '@/core/format';
import { pathsOfForm } from '@/core/maker';
import { degreesOf } from '@/core/number';
import { type StrokeSymmetry, takeOffer } from '@/core/rebuild';
import { turnsOf } from '@/core/symmetry';
import { newId, type Offered, refuseOffered, takeOffered } from '@/state';
import { Button, IconButton } from '@/ui/common';
import { useEditor, useWork } from '@/ui/desk';

const WORDS: Record<StrokeSymmetry['from'], string> = {
  copies: 'what you drew repeats',
  sides: 'both sides are alike',
  round: 'your line repeats',
  ends: 'its ends would meet',
  width: 'copies side by side',
};

/** What the figure would be with a symmetry that is offered, in lines. */
export function OfferLines({ figure, round, offer }: Offered) {
  const work = useWork();
  const after = useMemo(() => {
    const taken = takeOffer(figure, round.id, offer, newId, work).figure;
    return taken.rounds.find(({ id }) => id === round.id) ?? round;
  }, [figure, round, offer, work]);
  const d = screenData(
    useMemo(() => after.shapes.flatMap(({ form }) => pathsOfForm(form, work)), [after, work]),
  );
  const images = after.rule.mirror ? [1, -1] : [1];
  return (
    <g fill="none" stroke="var(--coral)" strokeWidth={1.4} strokeDasharray="5 4" data-testid="offer">
      {turnsOf(after.rule).flatMap((by) =>
        images.map((side) => (
          <path
            key={`${by.num}/${by.den} ${side}`}
            d={d}
            transform={`rotate(${degreesOf(by)}) scale(${side} 1)`}
            vectorEffect="non-scaling-stroke"
          />
        )),
      )}
    </g>
  );
}

/** The symmetry that is offered, in words; a key takes it, another leaves what was drawn as it is. */
export function OfferCard({ offer, place }: Pick<Offered, 'offer'> & { readonly place: string }) {
  const editor = useEditor();
  const what = offer.fold > 1 ? `×${offer.fold}${offer.mirror ? ', mirrored' : ''}` : 'Mirror';
  return (
    <div
      role="status"
      aria-label="A symmetry is offered"
      className={`absolute left-1/2 flex h-[42px] -translate-x-1/2 items-center gap-2 rounded-[12px] border border-coral bg-shell pr-1.5 pl-3 whitespace-nowrap shadow-ui ${place}`}
    >
      <span>
        <b className="text-coral-text">{what}</b>: {WORDS[offer.from]}
      </span>
      <Button tone="main" onClick={() => takeOffered(editor)}>
        Take it <kbd className="font-mono text-[11px] opacity-80">C</kbd>
      </Button>
      <IconButton label="Leave it as drawn (Esc)" onClick={() => refuseOffered(editor)}>
        <X size={16} strokeWidth={1.7} />
      </IconButton>
    </div>
  );
}
