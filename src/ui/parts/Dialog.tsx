'use client';
import { type ReactNode, useId } from 'react';
import Button from 'react-bootstrap/Button';
import Modal from 'react-bootstrap/Modal';

interface Props {
  title: string;
  onClose: () => void;
  /** The acts beside the way out. */
  acts?: ReactNode;
  /** What the way out is called: "Cancel" beside acts, "Close" without, "Done" where everything is kept as it is typed. */
  out?: 'Cancel' | 'Close' | 'Done';
  size?: 'xl';
  children: ReactNode;
}

/** A small window over the screen, with its title and the way out. */
export function Dialog({ title, onClose, acts, out = acts ? 'Cancel' : 'Close', size, children }: Props) {
  const id = useId();
  return (
    <Modal
      show
      onHide={onClose}
      centered={size === undefined}
      animation={false}
      aria-labelledby={id}
      {...(size ? { size } : {})}
    >
      <Modal.Body>
        <h2 className="fs-6 fw-bold mb-3" id={id}>
          {title}
        </h2>
        {children}
      </Modal.Body>
      <Modal.Footer>
        <Button variant="quiet" onClick={onClose}>
          {out}
        </Button>
        {acts}
      </Modal.Footer>
    </Modal>
  );
}
