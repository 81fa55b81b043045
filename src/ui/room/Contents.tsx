'use client';
import type { DrawnSection } from '../sheet/draw-sections';
import { marksText } from '../words/marks';

export type Fullness = 'empty' | 'half' | 'full';

/** How much of a question is answered, as a height and in words. */
export const FULL: Record<Fullness, { height: string; words: string }> = {
  empty: { height: '0%', words: 'not answered' },
  half: { height: '50%', words: 'partly answered' },
  full: { height: '100%', words: 'answered' },
};

interface Props {
  sections: DrawnSection[];
  states: ReadonlyMap<string, Fullness>;
  isLater: (item: string) => boolean;
  current: string[];
  open: boolean;
  onClose: () => void;
  onGo: (item: string) => void;
}

/** The contents of the paper: number, first words, marks, and a small bar that fills. */
export function Contents({ sections, states, isLater, current, open, onClose, onGo }: Props) {
  return (
    <nav className={`contents ${open ? 'open' : ''}`} aria-label="Contents of the paper">
      {open && (
        <button type="button" className="btn btn-outline-primary w-100 text-center d-block mb-2" onClick={onClose}>
          Close the contents
        </button>
      )}
      {sections.map((section) => (
        <div key={section.letter}>
          {sections.length > 1 && (
            <h2>
              Section {section.letter}, {section.title}
            </h2>
          )}
          <ol>
            {section.items.map((item) => {
              const state = FULL[states.get(item.id) ?? 'empty'];
              return (
                <li key={item.id}>
                  <button type="button" aria-current={current.includes(item.id)} onClick={() => onGo(item.id)}>
                    <span className="fullness" style={{ ['--full' as string]: state.height }} aria-hidden="true" />
                    <span className="no">{item.number}</span>
                    <span className="words">
                      {item.label} <span className="visually-hidden">, {state.words}</span>
                    </span>
                    {isLater(item.id) ? (
                      <span className="later-word">later</span>
                    ) : (
                      <small>[{marksText(item.marks)}]</small>
                    )}
                  </button>
                </li>
              );
            })}
          </ol>
        </div>
      ))}
      {/* A full load on purpose: what the room holds is not needed there. */}
      {/* eslint-disable-next-line @next/next/no-html-link-for-pages -- see above */}
      <a className="way-out" href="/my">
        To my page; the time goes on
      </a>
    </nav>
  );
}
