'use client';
import { X } from 'lucide-react';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { MOST_SPOKEN, saysRight, spokenAs, type SaySetup, type SpokenWords } from '@/core/kinds/say/say';
import { Trouble } from '../../parts/Trouble';
import { useLatest } from '../../parts/use-latest';
import { useRecorder } from '../../recording/recorder';
import { RecorderActs } from '../../recording/RecorderActs';
import { DEVICE_TROUBLES, takeTrouble } from '../../recording/troubles';
import { PlaySound } from '../../sheet/ShownThing';
import { asWave } from '../../speech/wave';
import { uploadRecording } from '../../tray/upload';
import { refusalText } from '../../words/refusals';
import type { EditorProps } from '../contract';
import './say.scss';

const MOST_BYTES = 20_000_000;

/** What a recording is compared with: the right words, and others that may be said, as somebody says them. */
export function SpokenSamples({ setup, letter, onChange }: Omit<EditorProps<SaySetup>, 'marks'>) {
  const { spoken, seconds } = setup;
  const [words, setWords] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const latest = useLatest(setup);

  const add = async (recording: Blob): Promise<void> => {
    setBusy(true);
    const wave = await asWave(recording, 'sample.wav');
    const added = wave && (await uploadRecording(wave, 'sound', spokenAs(words.trim())));
    setBusy(false);
    if (!added) return setTrouble('This browser cannot read that as a sound.');
    if (!added.ok) return setTrouble(refusalText(added.refusal));
    const { spoken: there } = latest.current;
    const sample = { id: freeId(there), words: words.trim(), sound: added.value.media };
    setWords('');
    onChange({ ...latest.current, spoken: [...there, sample] }, 'apart');
  };
  const recorder = useRecorder({
    takes: 'voice',
    seconds,
    bytes: MOST_BYTES,
    onTake({ blob, silent, cutOff }) {
      setTrouble(takeTrouble({ silent, cutOff }));
      if (!silent) void add(blob);
    },
  });
  const change = (id: string, part: Partial<SpokenWords>): void =>
    onChange({ ...setup, spoken: spoken.map((one) => (one.id === id ? { ...one, ...part } : one)) });
  const { state } = recorder;
  return (
    <section className="spoken-samples" aria-label={`Slot ${letter}: samples`}>
      <p className="soft mb-1">
        Somebody says the right words, and others that may be said. A recording is understood as the nearest of them.
      </p>
      {spoken.length > 0 && (
        <ul>
          {spoken.map(({ id, words: said, sound }, i) => (
            <li key={id}>
              <PlaySound
                thing={{ id, text: said, media: { hash: sound, medium: 'sound', ratio: 1 } }}
                at={i}
                called={`sample ${i + 1}`}
              />
              <input
                className="form-control"
                aria-label={`Words of sample ${i + 1}`}
                value={said}
                maxLength={200}
                onChange={(e) => change(id, { words: e.target.value })}
              />
              <span className={saysRight(setup, said) ? 'good' : 'soft'}>
                {saysRight(setup, said) ? 'right' : 'other'}
              </span>
              <Button
                variant="quiet"
                aria-label={`Take sample ${i + 1} out`}
                onClick={() => onChange({ ...setup, spoken: spoken.filter((one) => one.id !== id) }, 'apart')}
              >
                <X size={14} />
              </Button>
            </li>
          ))}
        </ul>
      )}
      {spoken.length < MOST_SPOKEN && (
        <div className="acts">
          <input
            className="form-control"
            aria-label={`Slot ${letter}: words of the next sample`}
            placeholder="words of the next sample"
            value={words}
            maxLength={200}
            onChange={(e) => setWords(e.target.value)}
          />
          <RecorderActs
            recorder={recorder}
            label={`Slot ${letter}: sample`}
            seconds={seconds}
            verbs={['Record', 'Record']}
            again={false}
            left={null}
            pauses={false}
            idle={words.trim() === '' || busy}
          />
          <label className="add-file soft">
            or a file
            <input
              type="file"
              className="form-control form-control-sm"
              aria-label={`Slot ${letter}: a sample as a file`}
              accept="audio/*"
              disabled={words.trim() === '' || busy}
              onChange={(e) => {
                const chosen = e.target.files?.[0];
                e.target.value = '';
                if (chosen) void add(chosen);
              }}
            />
          </label>
        </div>
      )}
      {state.name === 'trouble' && <Trouble>{DEVICE_TROUBLES[state.why]} Or choose a file.</Trouble>}
      <Trouble>{trouble}</Trouble>
    </section>
  );
}

function freeId(spoken: readonly SpokenWords[]): string {
  const taken = new Set(spoken.map(({ id }) => id));
  let n = spoken.length + 1;
  while (taken.has(`s${n}`)) n += 1;
  return `s${n}`;
}
