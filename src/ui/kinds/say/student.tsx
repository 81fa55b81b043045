'use client';
import { useEffect, useRef, useState } from 'react';
import type { HandedFile } from '@/core/content/handed-file';
import type { SayResponse, SaySheet } from '@/core/kinds/say/say';
import { SURE_ENOUGH, type Understood } from '@/core/speech/understood';
import { Trouble } from '../../parts/Trouble';
import { Player } from '../../recording/Player';
import { type Take, useRecorder } from '../../recording/recorder';
import { RecorderActs } from '../../recording/RecorderActs';
import { DEVICE_TROUBLES, takeTrouble } from '../../recording/troubles';
import { hearHere, useRecording } from '../../recording/use-recording';
import { useFileKeeper } from '../../sheet/FileKeeper';
import { OnItsWay } from '../../sheet/OnItsWay';
import { asWave } from '../../speech/wave';
import { plural } from '../../words/marks';
import { refusalText } from '../../words/refusals';
import type { ReviewProps, StudentProps } from '../contract';
import { understoodText } from './understood-text';

const NOTHING: SayResponse = { file: null, seconds: 0, tries: 0, understood: null };
/** Bytes that a recording may have before it is made into a wave; a minute of any browser's is far less. */
const MOST_BYTES = 20_000_000;
const ASK_AGAIN = 3000;

export function Student({ label, sheet, response = NOTHING, onChange }: StudentProps<SaySheet, SayResponse>) {
  const { seconds, tries } = sheet;
  const { keep, onTheirWay } = useFileKeeper();
  const [trouble, setTrouble] = useState<string | null>(null);
  const [working, setWorking] = useState(false);
  const { file } = response;
  const arrived = file !== null && !onTheirWay.has(file.hash);
  const url = useRecording(file, arrived);
  const hearing = useUnderstood(response, arrived, (understood) => onChange({ ...response, understood }));

  const take = async ({ blob, seconds: long, silent, cutOff }: Take): Promise<void> => {
    setTrouble(takeTrouble({ silent, cutOff }));
    setWorking(true);
    const wave = await asWave(blob, 'said.wav');
    const kept = wave && (await keep(wave));
    setWorking(false);
    if (!wave || !kept) return setTrouble('This browser cannot read its own recording. Try another one.');
    if (!kept.ok) return setTrouble(refusalText(kept.refusal));
    hearHere(kept.value.hash, wave);
    onChange({ file: kept.value, seconds: long, tries: response.tries + 1, understood: null });
  };
  const recorder = useRecorder({ takes: 'voice', seconds, bytes: MOST_BYTES, onTake: (took) => void take(took) });
  const { state } = recorder;
  const busy = state.name === 'recording' || working;
  return (
    <div className="recorder">
      <p className="soft mb-0">
        Say it in up to {plural(seconds, 'second')}
        {tries === null ? ', as often as you like' : tries === 1 ? ', once' : `, up to ${tries} times`}.
      </p>
      <RecorderActs
        recorder={recorder}
        label={label}
        seconds={seconds}
        verbs={['Say it', 'Say it again']}
        again={file !== null}
        left={tries === null ? null : tries - response.tries}
        pauses={false}
      />
      {state.name === 'trouble' && <Trouble>{DEVICE_TROUBLES[state.why]} Or tell whoever is in charge.</Trouble>}
      <Trouble>{trouble}</Trouble>
      {file && !busy && (
        <>
          <p className="mb-0" role="status">
            <OnItsWay progress={onTheirWay.get(file.hash)} />{' '}
            {response.understood ? (
              <>
                <Heard understood={response.understood} />
                {response.understood.sure < SURE_ENOUGH[sheet.sure] && ' A person will listen.'}
              </>
            ) : (
              <span className="soft">{hearing}</span>
            )}
          </p>
          {/* What was just said has no captions. */}
          {url && <audio controls src={url} aria-label={`${label}: listen`} />}
        </>
      )}
    </div>
  );
}

/** What was understood, and how sure that is. */
function Heard({ understood }: { understood: Understood }) {
  const { words } = understood;
  return (
    <span className="understood">
      {words && (
        <>
          Understood: <strong dir="auto">“{words}”</strong> ·{' '}
        </>
      )}
      {understoodText(understood)}
    </span>
  );
}

/** Asks what was understood once the recording has arrived, and tells how it stands with that. */
function useUnderstood(
  { file, understood }: SayResponse,
  arrived: boolean,
  onUnderstood: (understood: Understood) => void,
): string {
  const { hear } = useFileKeeper();
  const [said, setSaid] = useState<{ hash: string; text: string } | null>(null);
  const told = useRef(onUnderstood);
  useEffect(() => {
    told.current = onUnderstood;
  });
  const recording = useRef<HandedFile | null>(file);
  useEffect(() => {
    recording.current = file;
  });
  const hash = file?.hash ?? '';
  const wanted = hash !== '' && arrived && understood === null && hear !== undefined;
  useEffect(() => {
    if (!wanted) return;
    let here = true;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const ask = async (): Promise<void> => {
      if (!recording.current) return;
      const heard = await hear(recording.current);
      if (!here) return;
      if (heard?.ok) return told.current(heard.value);
      // It is listened to at the latest when it is handed in.
      setSaid({
        hash,
        text: heard ? refusalText(heard.refusal) : 'It is listened to when there is a connection.',
      });
      if (!heard) timer = setTimeout(() => void ask(), ASK_AGAIN);
    };
    void ask();
    return () => {
      here = false;
      clearTimeout(timer);
    };
  }, [wanted, hear, hash]);
  if (hear === undefined) return 'What was understood is said where it is an exam.';
  if (!arrived) return 'It is listened to when it has arrived.';
  return said?.hash === hash ? said.text : 'Listening…';
}

/** The recording, and what was understood of it. */
export function Review({ response, remarks = [], onPin }: ReviewProps<SaySheet, SayResponse>) {
  const { onTheirWay } = useFileKeeper();
  const file = response?.file ?? null;
  const url = useRecording(file, file !== null && !onTheirWay.has(file.hash));
  if (!file || !response) return <div className="slot-box soft">no answer</div>;
  return (
    <div className="recorder">
      {url ? (
        <Player
          url={url}
          film={false}
          label="The recording"
          seconds={response.seconds}
          remarks={remarks}
          onPin={onPin}
        />
      ) : (
        file.attempt !== '' && <span className="soft">The recording comes…</span>
      )}
      <p className="mb-0">
        {response.understood ? (
          <Heard understood={response.understood} />
        ) : (
          <span className="soft">not listened to yet</span>
        )}
        {response.tries > 1 && <span className="soft">, try {response.tries}</span>}
      </p>
    </div>
  );
}
