import type { Recording, Take } from './recorder';

/** Why a device does not record, and what helps. */
export const DEVICE_TROUBLES: Record<Extract<Recording, { name: 'trouble' }>['why'], string> = {
  refused: 'The browser does not let this page use the microphone or camera. Allow it beside the address.',
  missing: 'No microphone or camera was found. Plug one in.',
  unable: 'The microphone or camera could not be opened.',
};

/** What is wrong with what was recorded, if anything is. */
export function takeTrouble({ silent, cutOff }: Pick<Take, 'silent' | 'cutOff'>): string | null {
  if (cutOff) return 'The microphone or camera went away. What was recorded until then is kept.';
  return silent ? 'Nothing could be heard. Listen to it, and look whether the microphone is switched on.' : null;
}
