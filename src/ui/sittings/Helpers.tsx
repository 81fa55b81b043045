import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { helpersAction, setHelperAction } from '@/actions/sittings';
import type { Helper } from '@/server/sittings/sitting-staff';
import { ActMenu } from '../parts/ActMenu';
import { Dialog } from '../parts/Dialog';
import { Trouble } from '../parts/Trouble';
import { refusalText } from '../words/refusals';
import { replyTo } from '../parts/reply-to';

const DOES: Record<Helper['role'], string> = { teacher: 'runs and marks it', marker: 'marks it' };

/** Who helps with a sitting besides the staff of its course. */
export function Helpers({ sitting, onClose }: { sitting: string; onClose: () => void }) {
  const [staff, setStaff] = useState<{ helpers: Helper[]; able: Helper[] } | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    void replyTo(helpersAction(sitting)).then((result) => result.ok && setStaff(result.value));
  }, [sitting]);
  const set = async (member: string, helps: boolean): Promise<void> => {
    const result = await replyTo(setHelperAction({ sitting, member, helps }));
    setTrouble(result.ok ? null : refusalText(result.refusal));
    const now = await replyTo(helpersAction(sitting));
    if (now.ok) setStaff(now.value);
  };
  return (
    <Dialog title="Who helps" onClose={onClose} out="Done">
      <p className="soft">The teachers and markers of the course are in it anyhow.</p>
      <ul className="list-unstyled mb-2" aria-busy={staff === null}>
        {staff?.helpers.map(({ id, name, role }) => (
          <li key={id} className="d-flex align-items-center gap-2">
            {name} <span className="soft me-auto">{DOES[role]}</span>
            <Button variant="quiet" aria-label={`${name} no longer helps`} onClick={() => void set(id, false)}>
              ×
            </Button>
          </li>
        ))}
      </ul>
      {staff?.able.length === 0 ? (
        <p className="soft mb-0">Nobody else is there who could.</p>
      ) : (
        <ActMenu
          words="Somebody more…"
          choices={(staff?.able ?? []).map(({ id, name, role }) => ({ value: id, words: `${name}, ${DOES[role]}` }))}
          onChoose={(value) => void set(value, true)}
        />
      )}
      <Trouble>{trouble}</Trouble>
    </Dialog>
  );
}
