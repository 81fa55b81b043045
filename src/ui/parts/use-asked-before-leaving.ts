import { useEffect } from 'react';

/** While something would be lost by it, the browser asks before the page is left. */
export function useAskedBeforeLeaving(wouldLose: boolean): void {
  useEffect(() => {
    if (!wouldLose) return;
    const ask = (event: BeforeUnloadEvent): void => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [wouldLose]);
}
