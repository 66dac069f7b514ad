import { useQueries } from '@tanstack/react-query';
import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { useLayoutEffect, useRef, useState } from 'react';

import { server } from '@/state';
import { PAGE_SIZE, type FigurePage, type FigureSummary, type ShelfQuery } from '@/protocol';
import { FigureCard, type CardActions, type CardState } from './FigureCard';

/** As narrow as a card gets, the gap to the next, and what a card is higher than wide: all in pixels. */
const CARD = 200;
const GAP = 18;
const FOOT = 50;

interface Props {
  readonly query: ShelfQuery;
  /** The figures at the beginning, and how many there are. */
  readonly first: FigurePage;
  readonly actions: CardActions;
  readonly stateOf: (figure: FigureSummary) => CardState;
}

/** Cards of figures. Few stand all in the page; of many only those about what is seen, fetched as one gets there. */
export function ShelfGrid(props: Props) {
  const { total, figures } = props.first;
  if (total > figures.length) return <ManyCards {...props} />;
  return (
    <ul className={AS_IT_COMES}>
      <Cards figures={figures} {...props} />
    </ul>
  );
}

/** As many columns as there is room for, by the browser's own layout. */
const AS_IT_COMES = 'grid grid-cols-[repeat(auto-fill,minmax(200px,1fr))] gap-[18px]';

const Cards = ({
  figures,
  actions,
  stateOf,
}: Pick<FigurePage, 'figures'> & Pick<Props, 'actions' | 'stateOf'>) =>
  figures.map((figure, k) => (
    <FigureCard key={figure.id} figure={figure} place={k + 1} actions={actions} {...stateOf(figure)} />
  ));

/** The width of an element, and how far it is from the page's top, as they change; null before that is known. */
function useBox(): {
  readonly ref: React.RefObject<HTMLUListElement | null>;
  readonly box: { readonly width: number; readonly top: number } | null;
} {
  const ref = useRef<HTMLUListElement>(null);
  const [box, setBox] = useState<{ width: number; top: number } | null>(null);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    const measure = () =>
      setBox((before) => {
        const width = element.clientWidth;
        const top = element.getBoundingClientRect().top + window.scrollY;
        return before?.width === width && before.top === top ? before : { width, top };
      });
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return { ref, box };
}

function ManyCards({ query, first, actions, stateOf }: Props) {
  const { ref, box } = useBox();
  const columns = box ? Math.max(1, Math.floor((box.width + GAP) / (CARD + GAP))) : 1;
  const width = box ? (box.width - GAP * (columns - 1)) / columns : CARD;
  const height = width + FOOT + GAP;
  const rows = useWindowVirtualizer({
    count: box ? Math.ceil(first.total / columns) : 0,
    estimateSize: () => height,
    overscan: 2,
    scrollMargin: box?.top ?? 0,
  });
  // Rows are as high as they are computed to be; a window of another width has others.
  useLayoutEffect(() => rows.measure(), [rows, height]);
  const shown = rows.getVirtualItems();
  const places = shown.flatMap(({ index }) =>
    Array.from({ length: columns }, (_, k) => index * columns + k).filter((place) => place < first.total),
  );
  const at = useFigures(query, first, places);
  return (
    <ul
      ref={ref}
      aria-label={`${first.total} figures`}
      className={box ? 'relative' : AS_IT_COMES}
      style={box ? { height: rows.getTotalSize() } : undefined}
    >
      {/* The server does not know how wide the window is: it sends the first as they come. */}
      {!box && <Cards figures={first.figures} actions={actions} stateOf={stateOf} />}
      {places.map((place) => {
        const figure = at(place);
        const x = (place % columns) * (width + GAP);
        const y = Math.floor(place / columns) * height;
        const where = { place: place + 1, of: first.total, x, y, width };
        return figure ? (
          <FigureCard key={place} figure={figure} actions={actions} {...stateOf(figure)} {...where} />
        ) : (
          <li
            key={place}
            aria-busy
            className="absolute rounded-[12px] border border-line bg-shell"
            style={{ left: x, top: y, width, height: height - GAP }}
          />
        );
      })}
    </ul>
  );
}

/** The figures at some places, page by page from the server; undefined where one is not there yet. */
function useFigures(query: ShelfQuery, first: FigurePage, places: readonly number[]) {
  const pages = [...new Set(places.map((place) => Math.floor(place / PAGE_SIZE)))];
  const answers = useQueries({
    queries: pages.map((page) => ({
      queryKey: ['figures', query, page],
      queryFn: () => server.list(query, page * PAGE_SIZE, PAGE_SIZE),
      ...(page === 0 && { placeholderData: first }),
    })),
  });
  const byPage = new Map(pages.map((page, k) => [page, answers[k]?.data]));
  return (place: number) => byPage.get(Math.floor(place / PAGE_SIZE))?.figures[place % PAGE_SIZE];
}
