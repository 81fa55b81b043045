'use client';
import { useCallback, useEffect, useRef, useState } from 'react';

/** What the device is doing. */
export type Recording =
  | { name: 'idle' }
  | { name: 'asking' }
  | { name: 'recording' | 'paused' }
  | { name: 'trouble'; why: 'refused' | 'missing' | 'unable' };

/** What was recorded: how long, and whether anything was heard at all. */
export interface Take {
  blob: Blob;
  seconds: number;
  silent: boolean;
  /** The microphone or camera went away before it was stopped. */
  cutOff: boolean;
}

interface Wanted {
  takes: 'voice' | 'film';
  /** At most, in seconds. */
  seconds: number;
  /** At most, in bytes. */
  bytes: number;
  onTake: (take: Take) => void;
}

/** Bits a second: speech is clear, and a film of some minutes stays below the largest file. */
const BITS = { audioBitsPerSecond: 48_000, videoBitsPerSecond: 500_000 };
/** Below this level, of 1, nothing is heard (common practice, no source). */
const SILENCE = 0.01;
const PIECE_MS = 1000;

/** Records a voice or a film on this device, with its level and length while it does. */
export function useRecorder({ takes, seconds, bytes, onTake }: Wanted) {
  const [state, setState] = useState<Recording>({ name: 'idle' });
  const [level, setLevel] = useState(0);
  const [length, setLength] = useState(0);
  const recorder = useRef<MediaRecorder | null>(null);
  const stopMeter = useRef<() => void>(() => undefined);
  const [preview, setPreview] = useState<MediaStream | null>(null);

  const stop = useCallback((): void => {
    if (recorder.current && recorder.current.state !== 'inactive') recorder.current.stop();
  }, []);
  useEffect(
    () => () => {
      stopMeter.current();
      for (const track of recorder.current?.stream.getTracks() ?? []) track.stop();
    },
    [],
  );

  const start = async (): Promise<void> => {
    setState({ name: 'asking' });
    let stream: MediaStream;
    try {
      stream = await navigator.mediaDevices.getUserMedia({
        audio: true,
        video: takes === 'film' ? { width: { ideal: 640 }, height: { ideal: 480 } } : false,
      });
    } catch (error) {
      const name = error instanceof DOMException ? error.name : '';
      const why = name === 'NotAllowedError' ? 'refused' : name === 'NotFoundError' ? 'missing' : 'unable';
      return setState({ name: 'trouble', why });
    }
    const parts: Blob[] = [];
    let [size, heard, cutOff] = [0, false, false];
    const made = new MediaRecorder(stream, BITS);
    recorder.current = made;
    let [begun, before] = [performance.now(), 0];
    const lasting = (): number => (before + (made.state === 'recording' ? performance.now() - begun : 0)) / 1000;
    made.onpause = () => {
      before += performance.now() - begun;
    };
    made.onresume = () => {
      begun = performance.now();
    };
    made.ondataavailable = ({ data }) => {
      parts.push(data);
      size += data.size;
      if (size > bytes) stop();
    };
    let ended = 0;
    const finish = made.stop.bind(made);
    made.stop = () => {
      ended = lasting();
      finish();
    };
    made.onstop = () => {
      stopMeter.current();
      for (const track of stream.getTracks()) track.stop();
      setState({ name: 'idle' });
      setPreview(null);
      onTake({ blob: new Blob(parts, { type: made.mimeType }), seconds: ended || lasting(), silent: !heard, cutOff });
    };
    // A device that is pulled out ends the recording; what there is of it is kept.
    for (const track of stream.getTracks())
      track.onended = () => {
        cutOff = true;
        stop();
      };
    stopMeter.current = meter(stream, (now) => {
      heard ||= now > SILENCE;
      setLevel(now);
      setLength(lasting());
      if (lasting() >= seconds) stop();
    });
    made.start(PIECE_MS);
    setLength(0);
    setPreview(takes === 'film' ? stream : null);
    setState({ name: 'recording' });
  };
  const pause = (): void => {
    recorder.current?.pause();
    setState({ name: 'paused' });
  };
  const goOn = (): void => {
    recorder.current?.resume();
    setState({ name: 'recording' });
  };
  return { state, level, length, preview, start, stop, pause, goOn };
}

/** Tells the level of a sound from 0 to 1, ten times a second. */
function meter(stream: MediaStream, onLevel: (level: number) => void): () => void {
  const context = new AudioContext();
  const analyser = context.createAnalyser();
  context.createMediaStreamSource(stream).connect(analyser);
  const samples = new Float32Array(analyser.fftSize);
  const timer = setInterval(() => {
    analyser.getFloatTimeDomainData(samples);
    onLevel(Math.min(1, Math.sqrt(samples.reduce((sum, v) => sum + v * v, 0) / samples.length) * 3));
  }, 100);
  return () => {
    clearInterval(timer);
    if (context.state !== 'closed') void context.close();
  };
}

export type Recorder = ReturnType<typeof useRecorder>;
