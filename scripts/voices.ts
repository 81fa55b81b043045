/**
 * Makes the recordings that come with the project, by espeak-ng (Debian's package): the numbers of the gallery's example,
 * and the radio calls of the demo. They are in the repository; this is how they came about.
 */
import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { spectra, spoken } from '../src/core/speech/features';
import { atRate, RATE, readWav, writeWav } from '../src/core/speech/wav';

const root = path.resolve(import.meta.dirname, '..');
const [GALLERY, DEMO] = ['src/server/media/bundled', 'src/demo/voices/calls'];

/** Folder, name, voice, words a minute, and what is said. */
const RECORDINGS: [folder: string, name: string, voice: string, speed: number, words: string][] = [
  [GALLERY, 'seven', 'en-gb', 150, 'seven'],
  [GALLERY, 'eleven', 'en-gb', 150, 'eleven'],
  [GALLERY, 'six', 'en-gb', 150, 'six'],
  [DEMO, 'sample-stop', 'en-gb', 150, 'stop the rotor'],
  [DEMO, 'sample-stop-2', 'en-us+f3', 150, 'stop the rotor'],
  [DEMO, 'sample-turn', 'en-gb', 150, 'turn the rotor'],
  [DEMO, 'sample-release', 'en-gb', 150, 'release the brake'],
  [DEMO, 'sample-lower', 'en-gb', 150, 'lower the hoist'],
  [DEMO, 'said-stop', 'en-us+m7', 170, 'stop the rotor'],
  [DEMO, 'said-stop-slowly', 'en-gb-x-rp+f4', 130, 'stop the rotor'],
  [DEMO, 'said-turn', 'en-us+m7', 160, 'turn the rotor'],
  [DEMO, 'said-other', 'en-gb-x-rp+f4', 160, 'good morning'],
];

/** Seconds of nothing that stay around what is spoken. */
const AROUND = 0.1;

const folder = mkdtempSync(path.join(tmpdir(), 'zonda-voices-'));
for (const [to, name, voice, speed, words] of RECORDINGS) {
  const made = path.join(folder, 'made.wav');
  execFileSync('espeak-ng', ['-v', voice, '-s', String(speed), '-w', made, words]);
  const read = readWav(readFileSync(made));
  if (!read) throw new Error(`espeak-ng made no sound of “${words}”`);
  const { samples } = atRate(read, RATE);
  const part = spoken(spectra({ rate: RATE, samples })) ?? { from: 0, to: samples.length };
  const [from, until] = [part.from * 160 - AROUND * RATE, part.to * 160 + AROUND * RATE];
  mkdirSync(path.join(root, to), { recursive: true });
  const cut = samples.slice(Math.max(0, from), Math.min(samples.length, until));
  writeFileSync(path.join(root, to, `${name}.wav`), writeWav({ rate: RATE, samples: cut }));
}
rmSync(folder, { recursive: true });
