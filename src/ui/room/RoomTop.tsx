import type { RoomStage } from '@/server/sittings/room';
import { Sign } from '../frame/Sign';
import type { DrawnSection } from '../sheet/draw-sections';
import { marksWords } from '../words/marks';
import { timeLeft } from '../words/time';
import { TakeBreak } from './Breaks';
import { ReadingSize } from './ReadingSize';
import type { DrawnRoom } from './Room';
import { RoomAids } from './RoomAids';

interface Props {
  room: Pick<DrawnRoom, 'attempt' | 'title' | 'marks' | 'calculator' | 'formulas' | 'glosses' | 'largePrint'>;
  /** The section of what is shown, where it is told. */
  section: DrawnSection | undefined;
  stage: RoomStage | null;
  saved: { text: string /** Nothing is wrong with it. */; fine: boolean };
  /** In milliseconds. */
  time: { left: number; total: number; stopped: boolean };
  /** Nobody hears its buttons. */
  disabled: boolean;
  onContents: () => void;
  /** Null while there is more to come. */
  onHandIn: (() => void) | null;
  /** Milliseconds of breaks that are left; null for those who have none, and while they rest. */
  rest: number | null;
  /** The word on the way out. */
  handIn: string;
}

/** What stands over the room: where one is, whether all is saved, aids, time, and the way out. */
export function RoomTop({ room, section, stage, saved, time, disabled, onContents, onHandIn, handIn, rest }: Props) {
  const { left, total, stopped } = time;
  return (
    <header className="room-top">
      <Sign size={26} />
      <div className="what">
        <h1>{room.title}</h1>
        <small>
          {section ? `Section ${section.letter} · ${section.title}` : marksWords(room.marks)}
          {stage && ` · part ${stage.number} of ${stage.of}`}
        </small>
      </div>
      <span className={`saved-state ${saved.fine ? '' : 'off'}`} role="status">
        {saved.text}
      </span>
      <RoomAids calculator={room.calculator} formulas={room.formulas} glosses={room.glosses} disabled={disabled} />
      {rest !== null && <TakeBreak attempt={room.attempt} left={rest} disabled={disabled} />}
      <ReadingSize large={room.largePrint} disabled={disabled} />
      <div className={`time ${left < 300_000 ? 'short' : ''}`}>
        <div className="line">
          <span>
            <strong>{left <= 0 ? 'Time is over' : timeLeft(left)}</strong> {left > 0 && 'left'}
            {stopped && ', stopped'}
          </span>
          <span>of {Math.round(total / 60_000)}</span>
        </div>
        <div className="track" aria-hidden="true">
          <div className="fill" style={{ width: `${Math.max(0, Math.min(100, (left / total) * 100))}%` }} />
        </div>
      </div>
      <button type="button" className="btn btn-outline-primary contents-open" disabled={disabled} onClick={onContents}>
        Contents
      </button>
      {onHandIn && (
        <button type="button" className="btn btn-primary" disabled={disabled} onClick={onHandIn}>
          {handIn}
        </button>
      )}
    </header>
  );
}
