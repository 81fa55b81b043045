'use client';
import { useEffect, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { AddedRecording } from '@/server/media/add-recording';
import { refusalText } from '../words/refusals';
import { uploadRecording } from './upload';
import { Dialog } from '../parts/Dialog';
import { Trouble } from '../parts/Trouble';

interface Props {
  onPick: (recording: AddedRecording) => void;
  onClose: () => void;
}

type Take = { name: 'none' } | { name: 'recording' } | { name: 'taken'; blob: Blob; url: string };

/** A sound or film from a file, or spoken now: record, listen, record again, keep. */
export function RecordingDialog({ onPick, onClose }: Props) {
  const [take, setTake] = useState<Take>({ name: 'none' });
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const recorder = useRef<MediaRecorder | null>(null);
  const url = take.name === 'taken' ? take.url : null;
  useEffect(() => () => void (url && URL.revokeObjectURL(url)), [url]);
  useEffect(
    () => () => {
      for (const track of recorder.current?.stream.getTracks() ?? []) track.stop();
    },
    [],
  );

  const start = async (): Promise<void> => {
    setTrouble(null);
    try {
      const stream = await navigator.mediaDevices.getUserMedia({ audio: true });
      const parts: Blob[] = [];
      const made = new MediaRecorder(stream);
      made.ondataavailable = (e) => parts.push(e.data);
      made.onstop = () => {
        for (const track of stream.getTracks()) track.stop();
        const blob = new Blob(parts, { type: made.mimeType });
        setTake({ name: 'taken', blob, url: URL.createObjectURL(blob) });
      };
      recorder.current = made;
      made.start();
      setTake({ name: 'recording' });
    } catch {
      setTrouble('The microphone could not be opened. Allow it in the browser, or choose a file.');
    }
  };
  const keep = async (file: Blob, as: 'sound' | null): Promise<void> => {
    setBusy(true);
    const added = await uploadRecording(file, as);
    setBusy(false);
    if (added.ok) onPick(added.value);
    else setTrouble(refusalText(added.refusal));
  };
  return (
    <Dialog title="Sound or film" onClose={onClose}>
      <Trouble>{trouble}</Trouble>
      <label className="form-label" htmlFor="recording-file">
        From a file (MP3, M4A, OGG, WAV, MP4, WebM)
      </label>
      <input
        id="recording-file"
        type="file"
        accept="audio/*,video/*"
        className="form-control mb-3"
        disabled={busy}
        onChange={(e) => e.target.files?.[0] && void keep(e.target.files[0], null)}
      />
      <p className="form-label">Or speak it now</p>
      {take.name === 'taken' && (
        // What was just spoken has no captions yet.
        <audio controls src={take.url} className="w-100 mb-2" aria-label="What you recorded" />
      )}
      <div className="d-flex gap-2">
        {take.name === 'recording' ? (
          <Button onClick={() => recorder.current?.stop()}>Stop</Button>
        ) : (
          <Button variant="outline-primary" onClick={start}>
            {take.name === 'taken' ? 'Record again' : 'Record'}
          </Button>
        )}
        {take.name === 'recording' && (
          <span role="status" className="wrong align-self-center">
            ● recording
          </span>
        )}
        {take.name === 'taken' && (
          <Button disabled={busy} onClick={() => keep(take.blob, 'sound')}>
            Keep it
          </Button>
        )}
      </div>
    </Dialog>
  );
}
