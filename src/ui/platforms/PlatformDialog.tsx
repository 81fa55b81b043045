'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { dropPlatformAction, keepPlatformAction } from '@/actions/outside-gradebook';
import type { Platform } from '@/server/platforms/services';
import { Dialog } from '../parts/Dialog';
import { SaidLine } from '../parts/SaidLine';
import { Trouble } from '../parts/Trouble';
import { useAct } from '../parts/use-act';

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
  const [asking, setAsking] = useState(false);
  const { busy, act, troubleAt, troubleBeside } = useAct();
  return (
    <Dialog
      title={platform ? `How ${platform.name} is reached` : 'Register a platform'}
      onClose={onClose}
      onSubmit={() => void act(() => keepPlatformAction({ id: platform?.id ?? null, ...said }), onClose)}
      acts={
        <>
          {platform && (
            <Button variant="quiet" disabled={asking} onClick={() => setAsking(true)}>
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
        <SaidLine
          key={name}
          words={words}
          value={said[name]}
          first={i === 0}
          mono={mono}
          trouble={troubleAt(name)}
          onChange={(value) => setSaid({ ...said, [name]: value })}
        />
      ))}
      {platform && asking && (
        // Away from the button that asked, which stays where it is, so that a double click asks only.
        <p className="d-flex gap-2 align-items-baseline mb-0">
          <span className="hand">What it calls the students is forgotten here.</span>
          <Button
            variant="outline-primary"
            size="sm"
            disabled={busy}
            onClick={() => void act(() => dropPlatformAction(platform.id), onClose)}
          >
            Take it out
          </Button>
        </p>
      )}
      <Trouble>{troubleBeside(FIELDS.map(({ name }) => name))}</Trouble>
    </Dialog>
  );
}
