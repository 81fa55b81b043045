'use client';
import { type RefObject, useEffect, useRef } from 'react';

/** A ref to the value of the last drawing, for handlers that live longer than one. */
export function useLatest<T>(value: T): RefObject<T> {
  const latest = useRef(value);
  useEffect(() => {
    latest.current = value;
  });
  return latest;
}
