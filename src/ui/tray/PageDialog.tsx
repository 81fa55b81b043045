'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { OWN_PAGES, pageAllowed } from '@/core/content/pages';
import { Dialog } from '../parts/Dialog';
import { Trouble } from '../parts/Trouble';

interface Props {
  /** Hosts that the department allows. */
  hosts: readonly string[];
  onPick: (page: { address: string; description: string }) => void;
  onClose: () => void;
}

/** A simulation of our own, or a page of a host that the department allows. */
export function PageDialog({ hosts, onPick, onClose }: Props) {
  const [address, setAddress] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const put = (): void => {
    if (pageAllowed(address.trim(), hosts)) return onPick({ address: address.trim(), description: '' });
    setTrouble('The department does not allow pages from there. The lead allows them under Department.');
  };
  return (
    <Dialog title="Page or simulation" onClose={onClose}>
      <ul className="list-unstyled">
        {OWN_PAGES.map((page) => (
          <li key={page.address}>
            <Button variant="outline-primary" onClick={() => onPick({ address: page.address, description: page.name })}>
              {page.name}
            </Button>
          </li>
        ))}
      </ul>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          put();
        }}
      >
        <label className="form-label" htmlFor="page-address">
          Or by its address{hosts.length > 0 && `, from ${hosts.join(', ')}`}
        </label>
        <div className="d-flex gap-2">
          <input
            id="page-address"
            className="form-control"
            placeholder="https://…"
            value={address}
            onChange={(e) => setAddress(e.target.value)}
          />
          <Button type="submit">Put it there</Button>
        </div>
        <Trouble>{trouble}</Trouble>
      </form>
    </Dialog>
  );
}
