'use client';
import { type ReactNode, useState } from 'react';
import type { TrayItem } from '@/server/media/tray';
import { Tray } from './Tray';
import { TrayContext } from './tray-context';

/** Puts the tray at hand for everything inside. */
export function TrayProvider({ children }: { children: ReactNode }) {
  const [asked, setAsked] = useState<{ onPick: (item: TrayItem) => void } | null>(null);
  return (
    <TrayContext value={(onPick) => setAsked({ onPick })}>
      {children}
      {asked && (
        <Tray
          onClose={() => setAsked(null)}
          onPick={(item) => {
            asked.onPick(item);
            setAsked(null);
          }}
        />
      )}
    </TrayContext>
  );
}
