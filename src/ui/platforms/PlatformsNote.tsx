'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { tryPlatformAction } from '@/actions/outside-gradebook';
import type { Platform } from '@/server/platforms/services';
import { useOrigin } from '../parts/use-origin';
import { refusalText } from '../words/refusals';
import { PlatformDialog } from './PlatformDialog';
import { replyTo } from '../parts/reply-to';

/** The learning platforms at which the department is registered, and what their administrators need to know. */
export function PlatformsNote({ platforms }: { platforms: Platform[] }) {
  const [open, setOpen] = useState<Platform | 'new' | null>(null);
  const [tried, setTried] = useState<{ id: string; good: boolean; text: string } | null>(null);
  const [trying, setTrying] = useState<string | null>(null);
  const origin = useOrigin();
  const tryIt = async (id: string): Promise<void> => {
    setTrying(id);
    const result = await replyTo(tryPlatformAction(id));
    setTrying(null);
    setTried({
      id,
      good: result.ok,
      text: result.ok ? 'It knows this installation, and gave access.' : refusalText(result.refusal),
    });
  };
  return (
    <aside className="margin" id="platforms" aria-label="Learning platforms">
      <h2>Learning platforms</h2>
      <div className="note">
        <p className="mb-1">
          Scores of courses can go to the gradebooks of platforms at which Zonda is registered as a tool (LTI 1.3,
          Assignment and Grade Services).
        </p>
        <p className="mb-1">
          Public keys of this installation: <span className="mono text-break">{origin}/.well-known/jwks.json</span>
        </p>
        <Button variant="quiet" aria-haspopup="dialog" onClick={() => setOpen('new')}>
          Register a platform…
        </Button>
      </div>
      {platforms.map((platform) => (
        <div className="note" key={platform.id}>
          <h3>{platform.name}</h3>
          <p className="mb-1 mono text-break">{platform.under}</p>
          {tried?.id === platform.id && (
            <p role="status" className={tried.good ? 'good mb-1' : 'trouble mb-1'}>
              {tried.text}
            </p>
          )}
          <Button
            variant="quiet"
            aria-haspopup="dialog"
            aria-label={`Change ${platform.name}…`}
            onClick={() => setOpen(platform)}
          >
            Change…
          </Button>
          <Button
            variant="quiet"
            disabled={trying !== null}
            aria-label={`Try ${platform.name}`}
            onClick={() => void tryIt(platform.id)}
          >
            {trying === platform.id ? 'Asking…' : 'Try it'}
          </Button>
        </div>
      ))}
      {open && <PlatformDialog platform={open === 'new' ? null : open} onClose={() => setOpen(null)} />}
    </aside>
  );
}
