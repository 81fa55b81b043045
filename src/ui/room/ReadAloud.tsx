import { useEffect, useState } from 'react';

/** Reads a question aloud with the voice of the device, for those who are entitled to it. */
export function ReadAloud({ item, number }: { item: string; number: string }) {
  const [state, setState] = useState<'quiet' | 'reading' | 'no voice'>('quiet');
  useEffect(() => () => window.speechSynthesis?.cancel(), [item]);
  const read = (): void => {
    const voice = window.speechSynthesis;
    if (!voice) return setState('no voice');
    voice.cancel();
    if (state === 'reading') return setState('quiet');
    const words = new SpeechSynthesisUtterance(textOf(item));
    words.onend = () => setState('quiet');
    words.onerror = (event) =>
      setState(event.error === 'canceled' || event.error === 'interrupted' ? 'quiet' : 'no voice');
    setState('reading');
    voice.speak(words);
  };
  return (
    <div className="read-aloud">
      <button
        type="button"
        className="btn btn-outline-primary"
        aria-label={`Read question ${number} aloud`}
        onClick={read}
      >
        <Speaker />
        <span>{state === 'reading' ? 'Stop reading' : 'Read aloud'}</span>
      </button>
      <span role="status" className="hand">
        {state === 'no voice' && 'This device has no voice. Tell your teacher.'}
      </span>
    </div>
  );
}

/** What stands on the sheet of a question, without its number and marks. */
function textOf(item: string): string {
  const parts = document.querySelectorAll<HTMLElement>(`#question-${item} .qhead > :not(.qno):not(.qmarks)`);
  return [...parts].map((part) => part.innerText.trim()).join('\n');
}

function Speaker() {
  return (
    <svg
      width="26"
      height="26"
      viewBox="0 0 26 26"
      aria-hidden="true"
      fill="none"
      stroke="currentColor"
      strokeWidth="2"
    >
      <path d="M3 10 H8 L14 5 V21 L8 16 H3 Z" fill="currentColor" strokeLinejoin="round" />
      <path d="M18 9.5 a5 5 0 0 1 0 7 M21 6.5 a9 9 0 0 1 0 13" strokeLinecap="round" />
    </svg>
  );
}
