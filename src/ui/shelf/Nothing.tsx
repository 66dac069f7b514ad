import type { ShelfQuery } from '@/protocol';
import { Button, Mark } from '@/ui/common';

interface NothingProps {
  readonly query: ShelfQuery;
  readonly onMake: () => void;
  readonly onStart: () => void;
  readonly isBusy: boolean;
}

/** What stands in place of cards where there are none. */
export function Nothing({ query, onMake, onStart, isBusy }: NothingProps) {
  if (query.search !== '')
    return (
      <p className="py-20 text-center text-muted">
        Nothing {query.binned ? 'in the Bin' : 'here'} is found by “{query.search}”.
      </p>
    );
  if (query.binned)
    return (
      <p className="py-20 text-center text-muted">
        The Bin is empty. What is taken off the Shelf lies here for thirty days.
      </p>
    );
  if (query.collection !== undefined || query.label !== undefined)
    return (
      <p className="py-20 text-center text-muted">
        Nothing here yet: choose figures on the Shelf, and put them here from the bar at the foot.
      </p>
    );
  return (
    <div className="flex flex-col items-center gap-3 py-24 text-center">
      <Mark size={64} />
      <h2 className="font-title text-[20px] leading-7 font-semibold">The Shelf is empty</h2>
      <p className="max-w-[360px] text-muted">
        A figure starts with one wedge: draw a motif in it, say how often it is turned, and the whole is
        there.
      </p>
      <Button tone="main" onClick={onMake} disabled={isBusy}>
        Make the first figure
      </Button>
      <Button onClick={onStart} disabled={isBusy}>
        Begin from a construction
      </Button>
    </div>
  );
}
