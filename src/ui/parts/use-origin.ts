import { useSyncExternalStore } from 'react';

const never = () => () => undefined;

/** Where the application is reached, as the browser knows it; empty until the page is awake. */
export const useOrigin = (): string =>
  useSyncExternalStore(
    never,
    () => location.origin,
    () => '',
  );
