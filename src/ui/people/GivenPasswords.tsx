import { useAskedBeforeLeaving } from '../parts/use-asked-before-leaving';
import { LoginSlip } from './LoginSlip';
import '../print/print.scss';

export interface GivenPassword {
  name: string;
  userName: string;
  password: string;
}

/** Passwords that were given just now: they stand here until the page is left, and nowhere else. */
export function GivenPasswords({ given }: { given: readonly GivenPassword[] }) {
  useAskedBeforeLeaving(given.length > 0);
  return (
    <section role="status" aria-label="Passwords given now">
      {given.length > 0 && (
        <div className="list-sheet pt-2 mb-2">
          <p className="hand mb-2">Write these down now: they are not kept, and cannot be shown again.</p>
          <ul className="login-slips">
            {given.map((one) => (
              <LoginSlip key={one.userName} {...one} />
            ))}
          </ul>
        </div>
      )}
    </section>
  );
}
