/**
 * How well spoken words are understood: phrases by espeak-ng, samples by one or two voices, said by three others at three
 * speeds, without and with noise. Prints the table of docs/speech.md, and how long listening takes beside the sound.
 */
import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { seeded } from '../../src/core/base/random';
import { hear } from '../../src/core/speech/hear';
import { SURE_ENOUGH } from '../../src/core/speech/understood';
import { atRate, RATE, readWav, type Sound } from '../../src/core/speech/wav';

const SETS = [
  ['stop the rotor', 'start the rotor', 'release the brake', 'apply the brake', 'lower the hoist'],
  ['pitch', 'yaw', 'gearbox', 'feather', 'rotor', 'brake', 'hub', 'blade'],
  ['six', 'seven', 'eleven', 'twelve', 'four'],
];
const OTHERS = [
  'good morning',
  'anemometer',
  'I do not know',
  'foundation bolt',
  'cable',
  'nineteen',
  'raise the flag',
];
const SAMPLE_VOICES = ['en-gb', 'en-us+f3'];
const STUDENTS = ['en-gb-scotland+f2', 'en-us+m7', 'en-gb-x-rp+f4'];
const SPEEDS = [130, 160, 200];
/** Decibels of the voice over white noise. */
const NOISES = [Infinity, 20, 10];

const folder = mkdtempSync(path.join(tmpdir(), 'zonda-speech-'));
const said = new Map<string, Sound>();
function speak(voice: string, speed: number, words: string): Sound {
  const name = `${voice}/${speed}/${words}`;
  const there = said.get(name);
  if (there) return there;
  const file = path.join(folder, 'made.wav');
  execFileSync('espeak-ng', ['-v', voice, '-s', String(speed), '-w', file, words]);
  const read = readWav(readFileSync(file));
  if (!read) throw new Error('espeak-ng made no wave');
  const { samples } = atRate(read, RATE);
  // Half a second of nothing on both sides, as when somebody presses a button.
  const padded = new Float32Array(samples.length + RATE);
  padded.set(samples, RATE / 2);
  const sound = { rate: RATE, samples: padded };
  said.set(name, sound);
  return sound;
}

const random = seeded(11);
const normal = (): number => Math.sqrt(-2 * Math.log(random() + 1e-12)) * Math.cos(2 * Math.PI * random());
function noisy({ rate, samples }: Sound, decibels: number): Sound {
  if (decibels === Infinity) return { rate, samples };
  const power = samples.reduce((sum, v) => sum + v * v, 0) / (samples.length - RATE);
  const spread = Math.sqrt(power / 10 ** (decibels / 10));
  return { rate, samples: samples.map((v) => v + spread * normal()) };
}

const percent = (n: number, of: number): string => `${((100 * n) / of).toFixed(1)} %`;
/** The table of docs/speech.md, on the voices of this machine's espeak-ng. */
export function speech(): void {
  if (spawnSync('espeak-ng', ['--version']).status !== 0) {
    console.log('espeak-ng is not on this machine (Debian’s package of that name)');
    return;
  }
  console.log('samples | noise | right | a person hears it | wrong | something else taken for one of them');
  let [listened, lasted] = [0, 0];
  for (const voices of [SAMPLE_VOICES.slice(0, 1), SAMPLE_VOICES]) {
    for (const noise of NOISES) {
      const counts = { right: 0, wrong: 0, known: 0, taken: 0, others: 0 };
      for (const phrases of SETS) {
        const samples = phrases.flatMap((words) => voices.map((voice) => ({ words, sound: speak(voice, 160, words) })));
        for (const student of STUDENTS)
          for (const speed of SPEEDS)
            for (const words of [...phrases, ...OTHERS]) {
              const sound = noisy(speak(student, speed, words), noise);
              const begun = performance.now();
              const understood = hear(sound, samples);
              listened += performance.now() - begun;
              lasted += (1000 * sound.samples.length) / RATE;
              const sure = understood.sure >= SURE_ENOUGH.quite;
              if (phrases.includes(words)) {
                counts.known += 1;
                if (sure && understood.words === words) counts.right += 1;
                else if (sure) counts.wrong += 1;
              } else {
                counts.others += 1;
                if (sure) counts.taken += 1;
              }
            }
      }
      const { right, wrong, known, taken, others } = counts;
      console.log(
        [
          `${voices.length} of each`,
          noise === Infinity ? 'none' : `${noise} dB below the voice`,
          percent(right, known),
          percent(known - right - wrong, known),
          percent(wrong, known),
          percent(taken, others),
        ].join(' | '),
      );
    }
  }
  console.log(`listening takes ${(listened / lasted).toFixed(3)} of the time that the sound lasts`);
  rmSync(folder, { recursive: true });
}
