'use client';
import { createContext, useContext } from 'react';
import type { TrayItem } from '@/server/media/tray';

/** Opens the tray; what is picked there comes back. */
export type OpenTray = (onPick: (item: TrayItem) => void) => void;

export const TrayContext = createContext<OpenTray | null>(null);

/** The tray, for whatever wants a picture; throws where none is at hand. */
export function useTray(): OpenTray {
  const open = useContext(TrayContext);
  if (!open) throw new Error('There is no tray here');
  return open;
}
