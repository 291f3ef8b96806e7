import type { MoneyPicture } from '../../../contract/money';
import { LinkButton } from '../../../ui/Button/Button';
import { Notice } from '../../../ui/Notice/Notice';

/** A count that differs from what was agreed prices too few models or too many, until somebody settles it. */
export function OpenCounts({ picture: { openCounts, commission } }: { picture: MoneyPicture }) {
  if (openCounts.length === 0) return null;
  return (
    <Notice kind="flag" role="status">
      <p>
        {openCounts.map(({ name, counted, expected }) => `${name}: ${counted} counted, ${expected} agreed`).join('; ')}. Prices and hours
        here are of the models counted.
      </p>
      {commission.closedAt === null && <LinkButton href={`/c/${commission.id}/intake#units`}>Settle the count</LinkButton>}
    </Notice>
  );
}
