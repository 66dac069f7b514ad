'use client';

import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';

import { server } from '@/state';
import { ALL_FIGURES, PAGE_SIZE, type FigurePage, type ShelfFacts, type ShelfQuery } from '@/protocol';
import { say } from '@/ui/common';
import equal from 'fast-deep-equal';

/** How often it is asked whether another window did something, in milliseconds; only while this one is seen. */
const ASKED_EVERY = 3000;

/** What is on the Shelf, as it is now, whoever changes it. */
export function useShelf(
  query: ShelfQuery,
  first: { readonly page: FigurePage; readonly facts: ShelfFacts },
): {
  readonly found: FigurePage;
  readonly facts: ShelfFacts;
  readonly problem: string | null;
  readonly refresh: () => Promise<void>;
} {
  const client = useQueryClient();
  const isFirst = equal(query, ALL_FIGURES);
  const { data: found = first.page, error } = useQuery({
    queryKey: ['figures', query, 0],
    queryFn: () => server.list(query, 0, PAGE_SIZE),
    ...(isFirst && { initialData: first.page }),
    placeholderData: keepPreviousData,
  });
  const { data: facts } = useQuery({
    queryKey: ['shelf'],
    queryFn: server.shelf,
    initialData: first.facts,
    refetchInterval: ASKED_EVERY,
  });
  const known = useRef(facts.stamp);
  useEffect(() => {
    if (known.current === facts.stamp) return;
    known.current = facts.stamp;
    void client.invalidateQueries({ queryKey: ['figures'] });
  }, [client, facts.stamp]);
  const refresh = async (): Promise<void> => {
    await Promise.all([
      client.invalidateQueries({ queryKey: ['figures'] }),
      client.invalidateQueries({ queryKey: ['shelf'] }),
    ]);
  };
  return { found, facts, problem: error ? error.message : null, refresh };
}

/** Something that the server is asked to do; what it says against it is told. */
export function useDone<T>(
  work: (asked: T) => Promise<unknown>,
  then: (asked: T) => unknown,
): (asked: T) => void {
  const { mutate } = useMutation({
    mutationFn: work,
    onSuccess: (_, asked) => then(asked),
    onError: (error) => say(error),
  });
  return mutate;
}
