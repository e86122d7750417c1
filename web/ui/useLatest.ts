import { type RefObject, useLayoutEffect, useRef } from 'react';

/** The value of the last drawing, for listeners that live longer than it. It is written after drawing, never during it. */
export function useLatest<T>(value: T): RefObject<T> {
  const ref = useRef(value);
  useLayoutEffect(() => {
    ref.current = value;
  });
  return ref;
}
