import { Link } from '../parts/Link';
import Button from 'react-bootstrap/Button';
import type { Desk } from '@/server/marking/desk';
import { Strip } from '../frame/Strip';

/** A desk without answers: they are all marked by the rules, or not given out yet. */
export function NothingHere({ desk, onTake }: { desk: Desk; onTake: () => void }) {
  return (
    <>
      <Strip where={{ href: `/marking/${desk.sitting}`, name: desk.title }} title={`Question ${desk.number}`}>
        {desk.inTurn ? <Button onClick={onTake}>Take ten answers</Button> : <Onward desk={desk} />}
      </Strip>
      <div className="page">
        <div className="sheet plain">
          {desk.inTurn
            ? 'Answers are given out as they come: ten that nobody else has. What is not marked in an hour goes back.'
            : desk.second
              ? 'Nothing waits here for a second mark of yours.'
              : desk.part
                ? 'Nothing of this question is yours to mark.'
                : 'Nothing waits here: the rules have decided every answer to this question.'}
        </div>
      </div>
    </>
  );
}

/** Where to go when everything here is marked. */
export function Onward({ desk }: { desk: Desk }) {
  const [href, words] =
    desk.nextItem !== null
      ? [`/marking/${desk.sitting}/${desk.nextItem}`, 'the next question']
      : desk.seesResults
        ? [`/sittings/${desk.sitting}/results`, 'to the results']
        : ['/marking', 'to the list'];
  return (
    <Link className="btn btn-primary" href={href}>
      All marked: {words}
    </Link>
  );
}
