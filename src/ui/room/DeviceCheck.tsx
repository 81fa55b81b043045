'use client';
import { useEffect, useState } from 'react';
import { keepsOnDevice } from './device-store';

type Found = 'looking' | 'good' | 'bad';

const KEEPS: Record<Found, string> = {
  looking: 'Looking whether this device keeps answers…',
  good: '✓ This device keeps your answers when the network is gone.',
  bad: '! This device keeps nothing by itself (a private window, or no space). Keep the page open when the network is gone.',
};
const REACHES: Record<Found, string> = {
  looking: 'Looking for the server…',
  good: '✓ The server answers.',
  bad: '! The server does not answer. Look at your network before you begin.',
};

/** Whether this device will do, found out before the time begins. */
export function DeviceCheck() {
  const [keeps, setKeeps] = useState<Found>('looking');
  const [reaches, setReaches] = useState<Found>('looking');
  useEffect(() => {
    let stale = false;
    const tell = (set: (found: Found) => void) => (good: boolean) => {
      if (!stale) set(good ? 'good' : 'bad');
    };
    void keepsOnDevice().then(tell(setKeeps));
    const ask = (): void => {
      fetch('/icon.svg', { cache: 'no-store', signal: AbortSignal.timeout(5000) })
        .then(({ ok }) => ok)
        .catch(() => false)
        .then(tell(setReaches));
    };
    ask();
    window.addEventListener('online', ask);
    window.addEventListener('offline', ask);
    return () => {
      stale = true;
      window.removeEventListener('online', ask);
      window.removeEventListener('offline', ask);
    };
  }, []);
  return (
    <div role="status">
      <ul className="device-check">
        <li className={keeps === 'bad' ? 'hand' : keeps === 'good' ? 'good' : 'soft'}>{KEEPS[keeps]}</li>
        <li className={reaches === 'bad' ? 'hand' : reaches === 'good' ? 'good' : 'soft'}>{REACHES[reaches]}</li>
      </ul>
    </div>
  );
}
