import type { OpenPotUse } from '../../core/bench/guide/openPot';
import { counted, timeOfDayText } from '../../ui/format';

/** What could take the paint in the open pot, at once or after one drying. */
export function OpenPot({ uses }: { uses: readonly OpenPotUse[] }) {
  if (uses.length === 0) return <p>Nothing can take it now, nor after one drying.</p>;
  return (
    <ul data-testid="open-pot">
      {uses.map((use) => (
        <li key={`${use.unitId} ${use.what}`}>
          {use.unitName}: {use.what.toLowerCase()}, {readyText(use)}
        </li>
      ))}
    </ul>
  );
}

function readyText({ ready, soon, soonAt }: OpenPotUse): string {
  const parts = [ready > 0 && `${counted(ready, 'model')} now`, soonAt !== null && `${soon} from ${timeOfDayText(soonAt)} on`];
  return parts.filter(Boolean).join(', ');
}
