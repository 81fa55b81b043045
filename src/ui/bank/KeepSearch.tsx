'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';

/** Asks for a name and keeps the present search under it. */
export function KeepSearch({ onKeep }: { onKeep: (name: string) => Promise<void> }) {
  const [name, setName] = useState<string | null>(null);
  if (name === null) {
    return (
      <Button variant="quiet" className="small-act" onClick={() => setName('')}>
        Keep this search
      </Button>
    );
  }
  return (
    <form
      className="d-flex gap-1"
      onSubmit={async (e) => {
        e.preventDefault();
        if (name.trim() === '') return;
        await onKeep(name);
        setName(null);
      }}
    >
      <input
        className="form-control form-control-sm"
        aria-label="Name of the search"
        placeholder="Its name"
        maxLength={60}
        value={name}
        onChange={(e) => setName(e.target.value)}
        onKeyDown={(e) => e.key === 'Escape' && setName(null)}
        ref={(input) => input?.focus()}
      />
      <Button type="submit" variant="outline-primary" size="sm">
        Keep
      </Button>
    </form>
  );
}
