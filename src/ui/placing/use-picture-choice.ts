'use client';
import type { SlotPicture } from '@/core/content/document';
import { useTray } from '../tray/tray-context';

/** Opens the tray for the picture that a slot is about; anything else than a picture is passed over. */
export function usePictureChoice(onChoose: (picture: SlotPicture) => void): () => void {
  const openTray = useTray();
  return () =>
    openTray(({ medium, media, ratio, pixels, description }) => {
      if (medium === 'picture') onChoose({ media, ratio, description, ...(pixels === null ? {} : { pixels }) });
    });
}
