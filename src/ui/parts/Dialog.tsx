'use client';
import { type ReactNode, useId } from 'react';
import Button from 'react-bootstrap/Button';
import Modal from 'react-bootstrap/Modal';

interface Props {
  title: ReactNode;
  /** The way out; left out where one of the acts has to be chosen. */
  onClose?: () => void;
  /** The acts beside the way out. */
  acts?: ReactNode;
  /** What the way out is called: "Cancel" beside acts, "Close" without, "Done" where everything is kept as it is typed. */
  out?: 'Cancel' | 'Close' | 'Done';
  size?: 'xl';
  /** What is typed is sent by one of the acts: here, or to a server action. */
  onSubmit?: () => void;
  action?: (form: FormData) => void | Promise<void>;
  children: ReactNode;
}

/** A window over the screen, with its title and the way out. */
export function Dialog({ title, onClose, acts, out, size, onSubmit, action, children }: Props) {
  const id = useId();
  const inside = (
    <>
      <Modal.Body>
        <h2 className="fs-6 fw-bold mb-3" id={id}>
          {title}
        </h2>
        {children}
      </Modal.Body>
      <Modal.Footer>
        {onClose && (
          <Button variant="quiet" onClick={onClose}>
            {out ?? (acts ? 'Cancel' : 'Close')}
          </Button>
        )}
        {acts}
      </Modal.Footer>
    </>
  );
  return (
    <Modal
      show
      centered={size === undefined}
      scrollable={size !== undefined}
      animation={false}
      aria-labelledby={id}
      {...(onClose ? { onHide: onClose } : { backdrop: 'static', keyboard: false })}
      {...(size ? { size } : {})}
    >
      {action ? (
        <form action={action}>{inside}</form>
      ) : onSubmit ? (
        <form
          onSubmit={(e) => {
            e.preventDefault();
            onSubmit();
          }}
        >
          {inside}
        </form>
      ) : (
        inside
      )}
    </Modal>
  );
}
