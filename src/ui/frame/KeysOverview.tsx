'use client';
import { useState } from 'react';
import { type KeyBinding, keysNow, useKeys } from './keys';
import { changeable, changeKey, switchSingleKeys, useOwnKeys } from './own-keys';
import { Dialog } from '../parts/Dialog';
import { CheckLine } from '../parts/CheckLine';

/** The keys of this screen, opened with "?"; single keys are changed here or switched off. */
export function KeysOverview() {
  const [shown, setShown] = useState<KeyBinding[] | null>(null);
  const [changing, setChanging] = useState<string | null>(null);
  const [taken, setTaken] = useState<string | null>(null);
  const own = useOwnKeys();
  useKeys([{ keys: '?', what: 'Show the keys of this screen', run: () => setShown(keysNow()) }]);
  const press = (key: string, pressed: string): void => {
    if (pressed.length !== 1) return setChanging(null);
    const other = shown?.find((b) => b.keys !== key && own.of(b.keys).toLowerCase() === pressed.toLowerCase());
    setTaken(other ? `“${pressed}” does something else here: ${other.what}.` : null);
    if (other) return;
    changeKey(key, pressed);
    setChanging(null);
  };
  if (shown === null) return null;
  return (
    <Dialog title="Keys on this screen" onClose={() => setShown(null)}>
      <dl className="keycaps">
        {shown.map((b) => (
          <div key={b.keys + b.what} style={{ display: 'contents' }}>
            <dt>
              {changeable(b.keys) ? (
                <button
                  type="button"
                  className="keycap-change"
                  aria-label={`Change the key for “${b.what}”, now ${own.of(b.keys)}`}
                  aria-pressed={changing === b.keys}
                  onClick={() => setChanging(b.keys)}
                  onBlur={() => setChanging(null)}
                  onKeyDown={(event) => {
                    if (changing !== b.keys || event.key === 'Tab') return;
                    event.preventDefault();
                    event.stopPropagation();
                    press(b.keys, event.key);
                  }}
                >
                  <kbd>{changing === b.keys ? 'press a key' : own.of(b.keys).toUpperCase()}</kbd>
                </button>
              ) : (
                <kbd>{b.keys.replace('+', ' ')}</kbd>
              )}
            </dt>
            <dd>{b.what}</dd>
          </div>
        ))}
      </dl>
      {taken && (
        <p className="wrong mb-2" role="alert">
          {taken}
        </p>
      )}
      <p className="soft mb-2">Click a key to put another in its place on this device.</p>
      <CheckLine checked={own.off} onChange={switchSingleKeys}>
        Switch single keys off on this device
      </CheckLine>
    </Dialog>
  );
}
