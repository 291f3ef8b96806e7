import type { MoneyPicture } from '../../../contract/money';
import { Notice } from '../../../ui/Notice/Notice';
import { counted } from '../../../ui/format';

/** What stands between the commission and its hand-over, or what stood undone when it was handed over. */
export function NotDone({ picture: { undone, commission } }: { picture: MoneyPicture }) {
  if (undone.length === 0) return null;
  const isOpen = commission.closedAt === null;
  return (
    <Notice kind={isOpen ? 'plain' : 'flag'}>
      <details data-testid="undone" open={!isOpen}>
        <summary>
          {isOpen ? `${counted(undone.length, 'thing')} not done yet` : `Delivered with ${counted(undone.length, 'thing')} not done`}
        </summary>
        <ul>
          {undone.map((what) => (
            <li key={what}>{what}</li>
          ))}
        </ul>
      </details>
    </Notice>
  );
}
