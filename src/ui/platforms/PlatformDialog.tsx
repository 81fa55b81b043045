'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { dropPlatformAction, keepPlatformAction } from '@/actions/outside-gradebook';
import type { Refusal } from '@/core/base/result';
import type { Platform } from '@/server/platforms/services';
import { Dialog } from '../parts/Dialog';
import { Trouble } from '../parts/Trouble';
import { refusalText } from '../words/refusals';

interface Field {
  name: 'name' | 'clientId' | 'tokenAddress' | 'under' | 'audience';
  words: string;
  /** An address, which is written in even letters. */
  mono: boolean;
}

const FIELDS: readonly Field[] = [
  { name: 'name', words: 'Its name here', mono: false },
  { name: 'clientId', words: 'Client id that it has given to Zonda', mono: true },
  { name: 'tokenAddress', words: 'Address of its access tokens', mono: true },
  { name: 'under', words: 'All line items of its courses lie under', mono: true },
  { name: 'audience', words: 'Audience, where it asks for another than the address of its tokens', mono: true },
];

/** How a platform is reached; a platform that no course uses can be taken out. */
export function PlatformDialog({ platform, onClose }: { platform: Platform | null; onClose: () => void }) {
  const [said, setSaid] = useState({
    name: platform?.name ?? '',
    clientId: platform?.clientId ?? '',
    tokenAddress: platform?.tokenAddress ?? '',
    under: platform?.under ?? '',
    audience: platform?.audience ?? '',
  });
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [busy, setBusy] = useState(false);
  const [asking, setAsking] = useState(false);
  const act = async (work: () => Promise<{ ok: true } | { ok: false; refusal: Refusal }>): Promise<void> => {
    setBusy(true);
    const result = await work();
    setBusy(false);
    if (result.ok) onClose();
    else setRefusal(result.refusal);
  };
  const at = refusal?.at?.[0];
  const placed = FIELDS.some(({ name }) => name === at);
  return (
    <Dialog
      title={platform ? `How ${platform.name} is reached` : 'Register a platform'}
      onClose={onClose}
      onSubmit={() => void act(() => keepPlatformAction({ id: platform?.id ?? null, ...said }))}
      acts={
        <>
          {platform && !asking && (
            <Button variant="quiet" onClick={() => setAsking(true)}>
              Take it out…
            </Button>
          )}
          <Button type="submit" disabled={busy}>
            Keep it
          </Button>
        </>
      }
    >
      {FIELDS.map(({ name, words, mono }, i) => (
        <label key={name} className="d-block mb-2">
          {words}
          <input
            className={`form-control mt-1 ${mono ? 'mono' : ''}`.trim()}
            value={said[name]}
            autoFocus={i === 0}
            autoComplete="off"
            onChange={(e) => setSaid({ ...said, [name]: e.target.value })}
          />
          {refusal && at === name && <Trouble>{refusalText(refusal)}</Trouble>}
        </label>
      ))}
      {platform && asking && (
        // Away from the button that asked, so that a double click asks only.
        <p className="d-flex gap-2 align-items-baseline mb-0">
          <span className="hand">What it calls the students is forgotten here.</span>
          <Button
            variant="outline-primary"
            size="sm"
            disabled={busy}
            onClick={() => void act(() => dropPlatformAction(platform.id))}
          >
            Take it out
          </Button>
        </p>
      )}
      {refusal && !placed && <Trouble>{refusalText(refusal)}</Trouble>}
    </Dialog>
  );
}
