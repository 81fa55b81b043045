'use client';
import { useEffect, useRef, useState } from 'react';
import { MOST_FILE_BYTES } from '@/core/content/file-limits';
import { recordingName } from '@/core/content/recordings';
import type { RecordResponse, RecordSheet } from '@/core/kinds/record/record';
import { Trouble } from '../../parts/Trouble';
import { ReadAloud } from '../../recording/ReadAloud';
import { Player } from '../../recording/Player';
import { RecorderActs } from '../../recording/RecorderActs';
import { type Take, useRecorder } from '../../recording/recorder';
import { DEVICE_TROUBLES, takeTrouble } from '../../recording/troubles';
import { hearHere, secondForm, useRecording } from '../../recording/use-recording';
import { useFileKeeper } from '../../sheet/FileKeeper';
import { OnItsWay } from '../../sheet/OnItsWay';
import { fileSize } from '../../words/file-size';
import { refusalText } from '../../words/refusals';
import type { ReviewProps, StudentProps } from '../contract';
import { askedFor } from './asked';

const NOTHING: RecordResponse = { file: null, seconds: 0, tries: 0 };

export function Student({ label, sheet, response = NOTHING, onChange }: StudentProps<RecordSheet, RecordResponse>) {
  const { takes, seconds, tries, reads } = sheet;
  const { keep, onTheirWay } = useFileKeeper();
  const [trouble, setTrouble] = useState<string | null>(null);
  const { file } = response;
  const url = useRecording(file, file !== null && !onTheirWay.has(file.hash));

  const hold = async (brought: File, long: number, taken: number): Promise<void> => {
    const kept = await keep(brought);
    if (!kept.ok) return setTrouble(refusalText(kept.refusal));
    hearHere(kept.value.hash, brought);
    onChange({ file: kept.value, seconds: long, tries: taken });
  };
  const recorder = useRecorder({
    takes,
    seconds,
    bytes: MOST_FILE_BYTES * 0.95,
    onTake({ blob, seconds: long, silent, cutOff }: Take) {
      const ending = blob.type.includes('mp4') ? 'mp4' : blob.type.includes('ogg') ? 'ogg' : 'webm';
      setTrouble(takeTrouble({ silent, cutOff }));
      void hold(new File([blob], `recording.${ending}`, { type: blob.type }), long, response.tries + 1);
    },
  });
  const choose = (chosen: File | undefined): void => {
    if (!chosen) return;
    if (!recordingName(takes, chosen.name)) return setTrouble(`${chosen.name} is no recording of the kind asked for.`);
    setTrouble(null);
    void hold(chosen, 0, response.tries);
  };
  const { state } = recorder;
  const busy = state.name === 'recording' || state.name === 'paused';
  return (
    <div className="recorder">
      {reads && (
        <p className="reads" dir="auto">
          {reads}
        </p>
      )}
      <p className="soft mb-0">{askedFor(sheet)}</p>
      {busy && takes === 'film' && <Preview stream={recorder.preview} />}
      <RecorderActs
        recorder={recorder}
        label={label}
        seconds={seconds}
        verbs={['Record', 'Record again']}
        again={file !== null}
        left={tries === null ? null : tries - response.tries}
      />
      {state.name === 'trouble' && (
        <Trouble>{DEVICE_TROUBLES[state.why]} Or record with another device and hand the file in.</Trouble>
      )}
      <Trouble>{trouble}</Trouble>
      {file && !busy && (
        <>
          {url && <Player url={url} film={takes === 'film'} label={`${label}: listen`} seconds={response.seconds} />}
          <span className="soft">
            {fileSize(file.size)} <OnItsWay progress={onTheirWay.get(file.hash)} />
          </span>
        </>
      )}
      {!busy && (
        <label className="add-file soft">
          Or hand a recording in as a file
          <input
            type="file"
            className="form-control form-control-sm"
            aria-label={`${label}: a recording as a file`}
            accept={takes === 'film' ? 'video/*' : 'audio/*'}
            onChange={(e) => {
              const chosen = e.target.files?.[0];
              e.target.value = '';
              choose(chosen);
            }}
          />
        </label>
      )}
    </div>
  );
}

/** What the camera sees. */
function Preview({ stream }: { stream: MediaStream | null }) {
  const screen = useRef<HTMLVideoElement>(null);
  useEffect(() => {
    if (screen.current) screen.current.srcObject = stream;
  }, [stream]);
  return <video ref={screen} autoPlay muted playsInline aria-label="What the camera sees" />;
}

/** The recording, to be heard at any speed. */
export function Review({ sheet, response, remarks = [], onPin }: ReviewProps<RecordSheet, RecordResponse>) {
  const { onTheirWay } = useFileKeeper();
  const file = response?.file ?? null;
  const url = useRecording(file, file !== null && !onTheirWay.has(file.hash));
  if (!file) return <div className="slot-box soft">no answer</div>;
  return (
    <div className="recorder">
      {sheet.reads && <ReadAloud text={sheet.reads} seconds={response?.seconds ?? 0} remarks={remarks} onPin={onPin} />}
      {url ? (
        <Player
          url={url}
          second={secondForm(file, sheet.takes === 'film')}
          film={sheet.takes === 'film'}
          label="The recording"
          seconds={response?.seconds ?? 0}
          remarks={remarks}
          onPin={onPin}
        />
      ) : (
        <span className="soft">The recording comes…</span>
      )}
      <span className="soft">
        {file.attempt === '' ? file.name : <a href={`/api/room/${file.attempt}/files/${file.hash}`}>{file.name}</a>}{' '}
        {fileSize(file.size)}
        {response && response.tries > 1 && `, try ${response.tries}`}
      </span>
    </div>
  );
}
