'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { searchAction } from '@/actions/bank';
import { PAGE } from '@/core/bank/searching';
import type { SearchResult, FoundQuestion } from '@/server/bank/search';
import type { Filters } from './sentence';
import { replyTo } from '../parts/reply-to';

interface Place {
  bank: string | null;
  topic: string | null;
}

/** What is found so far: the count, and the pages that were looked at. */
export interface List {
  /** The filters that it answers. */
  of: Filters;
  total: number;
  instead: string | undefined;
  pages: ReadonlyMap<number, FoundQuestion[]>;
}

/** Searches as filters change, and fetches further pages as they come into view. */
export function useSearch(place: Place, filters: Filters, first: SearchResult) {
  const [list, setList] = useState<List>({
    of: filters,
    total: first.total,
    instead: first.instead,
    pages: new Map([[0, first.found]]),
  });
  const [turn, setTurn] = useState(0);
  const current = useRef({ filters, turn });
  const asked = useRef(new Set<number>());
  const { bank, topic } = place;

  useEffect(() => {
    if (current.current.filters === filters && current.current.turn === turn) return;
    current.current = { filters, turn };
    asked.current = new Set([0]);
    let stale = false;
    const timer = setTimeout(async () => {
      const result = await replyTo(searchAction({ bank, topic, ...filters, from: 0 }));
      if (stale) return;
      if (!result.ok) return setList((l) => ({ ...l, of: filters }));
      const { total, instead, found } = result.value;
      setList({ of: filters, total, instead, pages: new Map([[0, found]]) });
    }, 40);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [filters, turn, bank, topic]);

  /** Fetches the page on which a row stands, unless it is there or on its way. */
  const need = useCallback(
    async (row: number): Promise<void> => {
      const page = Math.floor(row / PAGE);
      if (page === 0 || asked.current.has(page)) return;
      asked.current.add(page);
      const { filters: wanted } = current.current;
      const result = await replyTo(searchAction({ bank, topic, ...wanted, from: page * PAGE }));
      if (!result.ok || current.current.filters !== wanted) return;
      setList((l) => ({ ...l, pages: new Map(l.pages).set(page, result.value.found) }));
    },
    [bank, topic],
  );

  const at = useCallback((row: number) => list.pages.get(Math.floor(row / PAGE))?.[row % PAGE], [list.pages]);
  const again = useCallback(() => setTurn((t) => t + 1), []);
  return { total: list.total, instead: list.instead, busy: list.of !== filters, at, need, again };
}
