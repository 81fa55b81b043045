import { useSyncExternalStore } from 'react';

const COARSE = '(pointer: coarse)';

function subscribe(changed: () => void): () => void {
  const query = matchMedia(COARSE);
  query.addEventListener('change', changed);
  return () => query.removeEventListener('change', changed);
}

/** Whether this device is pointed at with fingers. The server knows no device, so the first picture of a page is that of a mouse. */
export const useFingers = (): boolean =>
  useSyncExternalStore(
    subscribe,
    () => matchMedia(COARSE).matches,
    () => false,
  );
