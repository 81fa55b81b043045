import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { setProvisionAction } from '@/actions/department';
import type { Refusal } from '@/core/base/result';
import { NO_PROVISION } from '@/core/people/provision';
import type { MemberRow } from '@/server/people/members';
import { CheckLine } from '../parts/CheckLine';
import { CountInput } from '../parts/CountInput';
import { Dialog } from '../parts/Dialog';
import { Trouble } from '../parts/Trouble';
import { refusalText } from '../words/refusals';
import { forField, fromField } from '../words/time';
import { replyTo } from '../parts/reply-to';

interface Props {
  member: MemberRow;
  /** The department's time zone, in which its last day is meant. */
  zone: string;
  onClose: () => void;
}

/** What a student is entitled to in every sitting. */
export function ProvisionDialog({ member, zone, onClose }: Props) {
  const { decidedBy, ...given } = member.provision ?? { ...NO_PROVISION, decidedBy: '' };
  const [provision, setProvision] = useState(given);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const set = (part: Partial<typeof given>): void => setProvision({ ...provision, ...part });
  const keep = async (): Promise<void> => {
    const result = await replyTo(setProvisionAction({ member: member.id, ...provision }));
    if (result.ok) onClose();
    else setRefusal(result.refusal);
  };
  return (
    <Dialog title={member.name} onClose={onClose} acts={<Button onClick={() => void keep()}>Provide it</Button>}>
      <div className="fact-line mb-2">
        extra time
        <CountInput
          label="Extra time in percent"
          count={provision.extraTimePercent}
          least={0}
          most={300}
          onChange={(count) => set({ extraTimePercent: count ?? 0 })}
        />
        % and
        <CountInput
          label="Extra time in minutes"
          count={provision.extraMinutes}
          least={0}
          most={600}
          onChange={(count) => set({ extraMinutes: count ?? 0 })}
        />
        minutes
      </div>
      <CheckLine checked={provision.largePrint} onChange={(largePrint) => set({ largePrint })}>
        large print: the room opens with large text
      </CheckLine>
      <CheckLine checked={provision.readAloud} onChange={(readAloud) => set({ readAloud })}>
        read aloud: the room reads a question when asked
      </CheckLine>
      <CheckLine checked={provision.glosses} onChange={(glosses) => set({ glosses })}>
        words explained: where an exam has explanations of words
      </CheckLine>
      <CheckLine checked={provision.secondLanguage} onChange={(secondLanguage) => set({ secondLanguage })}>
        second language: whoever marks is told
      </CheckLine>
      <div className="fact-line">
        breaks of
        <CountInput
          label="Minutes of breaks in all"
          count={provision.breakMinutes}
          least={0}
          most={240}
          onChange={(count) => set({ breakMinutes: count ?? 0 })}
        />
        minutes in all, while their time stands still
      </div>
      <label className="form-label mt-3" htmlFor="until">
        Until the end of <span className="soft">always when left empty</span>
      </label>
      <input
        id="until"
        type="date"
        className="form-control mb-3"
        style={{ width: 180 }}
        value={provision.until === null ? '' : forField(provision.until, zone).slice(0, 10)}
        onChange={(e) => set({ until: e.target.value === '' ? null : fromField(`${e.target.value}T23:59`, zone) })}
      />
      <label className="form-label" htmlFor="why">
        Why <span className="soft">read only by those who provide</span>
      </label>
      <input
        id="why"
        className="form-control"
        maxLength={500}
        value={provision.reason}
        onChange={(e) => set({ reason: e.target.value })}
      />
      <p className="soft mt-3 mb-0">
        It holds in every sitting that is begun from now on; a sitting’s own page can give another extra time.
        {decidedBy && ` Decided by ${decidedBy}.`}
      </p>
      {refusal && <Trouble>{refusalText(refusal)}</Trouble>}
    </Dialog>
  );
}
