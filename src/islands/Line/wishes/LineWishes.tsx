import type { LinePicture } from '../../../contract/line';
import { legAround } from '../chart/useCarry';
import type { Line } from '../search/useLine';
import { Wishes } from './Wishes';

const REFUSED_WISH = 'This wish cannot be kept together with the rules and the other wishes: remove one of those first.';

interface LineWishesProps {
  picture: LinePicture;
  line: Line;
  place: number;
  onError: (error: string | null) => void;
}

/** The wishes, and what the one for the job in hand would be. */
export function LineWishes({ picture, line, place, onError }: LineWishesProps) {
  const { plan, order, free, times } = line;
  const leg = legAround(free, order, place);
  return (
    <Wishes
      picture={picture}
      problem={line.problem}
      order={order}
      times={times}
      doneAt={plan.finish}
      job={picture.jobs[order[place]!]!}
      leg={plan.order.slice(leg.from, leg.end)}
      beforeLeg={leg.from === 0 ? null : plan.order[leg.from - 1]!}
      onChange={(wishes) => onError(line.setWishes(wishes) ? null : REFUSED_WISH)}
    />
  );
}
