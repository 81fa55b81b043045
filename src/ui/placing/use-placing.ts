'use client';
import { createContext, type RefObject, useContext, useState } from 'react';
import type { Putting } from '@/core/rules/placing/placed';
import { giveBack, type Hand, put } from './placing';

/** A thing or a place as it is said: "gearbox", "place 2". */
export interface Named {
  id: string;
  name: string;
}

export interface PlacingSetting {
  items: readonly Named[];
  /** In reading order. */
  places: readonly Named[];
  /** How many items a place holds at most; null for any number. */
  most: number | null;
  again: boolean;
  placed: readonly Putting[];
  onChange: (placed: Putting[]) => void;
}

/** Taking and putting, for whatever draws items and places. */
export interface Placing extends PlacingSetting {
  hand: Hand | null;
  /** What happened last, in words. */
  said: string;
  take: (hand: Hand) => void;
  letGo: () => void;
  /** Puts what is in the hand, or the given one. */
  putOn: (place: string, hand?: Hand) => void;
  back: (hand?: Hand) => void;
}

export function usePlacing(setting: PlacingSetting): Placing {
  const { items, places, most, again, placed, onChange } = setting;
  const [hand, setHand] = useState<Hand | null>(null);
  const [said, say] = useState('');
  const itemName = (id: string): string => items.find((item) => item.id === id)?.name ?? '';
  const placeName = (id: string): string => places.find((place) => place.id === id)?.name ?? '';
  return {
    ...setting,
    hand,
    said,
    take(taken) {
      setHand(taken);
      say(`${itemName(taken.item)} taken. Choose a place.`);
    },
    letGo() {
      if (hand) say(`${itemName(hand.item)} is where it was.`);
      setHand(null);
    },
    putOn(place, carried = hand ?? undefined) {
      if (!carried) return;
      const { placed: next, out } = put({ most: () => most, again }, placed, carried, place);
      const where = out && (out.to === null ? 'back in the list' : `on ${placeName(out.to)}`);
      say(`${itemName(carried.item)} is on ${placeName(place)}.${out ? ` ${itemName(out.item)} is ${where}.` : ''}`);
      setHand(null);
      onChange(next);
    },
    back(carried = hand ?? undefined) {
      if (!carried) return;
      say(`${itemName(carried.item)} is back in the list.`);
      setHand(null);
      onChange(giveBack(placed, carried));
    },
  };
}

export const PlacingContext = createContext<Placing | null>(null);

/** The same, to be acted on: it never changes, so that what stands as it stood need not be drawn again. */
export const LatestContext = createContext<RefObject<Placing> | null>(null);

export function useLatestBoard(): RefObject<Placing> {
  const latest = useContext(LatestContext);
  if (!latest) throw new Error('Tiles and places stand inside a PlacingArea');
  return latest;
}

/** The taking and putting that a tile or a place belongs to. */
export function useBoard(): Placing {
  const placing = useContext(PlacingContext);
  if (!placing) throw new Error('Tiles and places stand inside a PlacingArea');
  return placing;
}
