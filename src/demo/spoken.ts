import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import path from 'node:path';

/** A voice of the demo, made by espeak-ng: a recording of a browser (`.ogg`) or a wave (`.wav`). */
export const spoken = (file: string): Uint8Array =>
  new Uint8Array(readFileSync(path.join(import.meta.dirname, 'voices', file)));

export const hashOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');

/** Calls over the radio as the department says them, by two voices. */
export const CALLS: readonly { words: string; file: string }[] = [
  { words: 'stop the rotor', file: 'calls/sample-stop.wav' },
  { words: 'stop the rotor', file: 'calls/sample-stop-2.wav' },
  { words: 'turn the rotor', file: 'calls/sample-turn.wav' },
  { words: 'release the brake', file: 'calls/sample-release.wav' },
  { words: 'lower the hoist', file: 'calls/sample-lower.wav' },
];

/** Calls as students say them. */
export const SAID = ['said-stop', 'said-stop-slowly', 'said-stop', 'said-turn', 'said-other'].map(
  (name) => `calls/${name}.wav`,
);
