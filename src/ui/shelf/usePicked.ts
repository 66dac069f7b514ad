'use client';

import { useEffect, useRef, useState } from 'react';

import { server } from '@/state';
import type { FigureSummary, ShelfQuery } from '@/protocol';
import { keysElsewhere, say } from '@/ui/common';

/** Figures that are asked for at once. */
const AT_ONCE = 500;
/** Figures that may be chosen. */
const MOST = 5000;

/** The figures from one place to another, both counted. */
async function between(query: ShelfQuery, from: number, to: number): Promise<FigureSummary[]> {
  const found: FigureSummary[] = [];
  for (let at = from; at <= Math.min(to, from + MOST - 1); at += AT_ONCE) {
    const { figures, total } = await server.list(query, at, Math.min(AT_ONCE, to - at + 1));
    found.push(...figures);
    if (at + AT_ONCE >= total) break;
  }
  return found;
}

/** The figures that are chosen, by their ids: with Shift all from the last one on, with Ctrl A all that are shown. */
export function usePicked(query: ShelfQuery): {
  readonly picked: ReadonlyMap<string, FigureSummary>;
  readonly pick: (figure: FigureSummary, place: number, through: boolean) => void;
  readonly clear: () => void;
} {
  const [picked, setPicked] = useState<ReadonlyMap<string, FigureSummary>>(new Map());
  const last = useRef<number | null>(null);
  const clear = (): void => {
    last.current = null;
    setPicked(new Map());
  };
  const add = (figures: readonly FigureSummary[]): void =>
    setPicked((before) => new Map([...before, ...figures.map((each) => [each.id, each] as const)]));
  const pick = (figure: FigureSummary, place: number, through: boolean): void => {
    const from = last.current;
    last.current = place;
    if (through && from !== null) {
      between(query, Math.min(from, place), Math.max(from, place)).then(add, say);
      return;
    }
    setPicked((before) => {
      const next = new Map(before);
      if (!next.delete(figure.id)) next.set(figure.id, figure);
      return next;
    });
  };
  const all = (): void => void between(query, 0, MOST - 1).then(add, say);
  const does = useRef({ all, clear });
  useEffect(() => {
    does.current = { all, clear };
  });
  useEffect(() => {
    const down = (event: KeyboardEvent): void => {
      if (keysElsewhere(event.target)) return;
      if (event.key === 'Escape') does.current.clear();
      else if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'a') {
        event.preventDefault();
        does.current.all();
      }
    };
    window.addEventListener('keydown', down);
    return () => window.removeEventListener('keydown', down);
  }, []);
  return { picked, pick, clear };
}
