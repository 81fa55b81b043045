'use client';
import { useState } from 'react';
import Modal from 'react-bootstrap/Modal';
import { type KeyBinding, keysNow, SINGLE_KEYS_OFF, useKeys } from './keys';

/** The keys of this screen, opened with "?". */
export function KeysOverview() {
  const [shown, setShown] = useState<KeyBinding[] | null>(null);
  const [off, setOff] = useState(false);
  useKeys([
    {
      keys: '?',
      what: 'Show the keys of this screen',
      run: () => {
        setOff(localStorage.getItem(SINGLE_KEYS_OFF) === 'yes');
        setShown(keysNow());
      },
    },
  ]);
  return (
    <Modal show={shown !== null} onHide={() => setShown(null)} centered aria-labelledby="keys-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" className="fs-6 fw-bold" id="keys-title">
          Keys on this screen
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <dl className="keycaps">
          {shown?.map((b) => (
            <div key={b.keys + b.what} style={{ display: 'contents' }}>
              <dt>
                <kbd>{b.keys.replace('+', ' ')}</kbd>
              </dt>
              <dd>{b.what}</dd>
            </div>
          ))}
        </dl>
        <label className="d-flex gap-2 mt-3">
          <input
            type="checkbox"
            className="form-check-input"
            checked={off}
            onChange={(e) => {
              localStorage.setItem(SINGLE_KEYS_OFF, e.target.checked ? 'yes' : 'no');
              setOff(e.target.checked);
            }}
          />
          Switch single keys off on this device
        </label>
      </Modal.Body>
    </Modal>
  );
}
