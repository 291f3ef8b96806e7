import type { SpoiledStep } from '../../../core/scheme/advice/spoiled';
import { Button } from '../../../ui/Button/Button';
import { Notice } from '../../../ui/Notice/Notice';
import { differenceText } from '../../../ui/format';

export interface SpoiledBy {
  /** What does it, in the painter's words. */
  by: string;
  what: SpoiledStep['what'];
  /** What bringing it back would take over the unit, minutes. */
  backMinutes: number;
}

const DOES = {
  dulled: 'dulls the metal here',
  greyed: 'greys what is so light',
  misted: 'lands on it',
  dusted: 'dusts it',
} as const satisfies Record<SpoiledStep['what'], string>;

/** A later step spoils this one, and what can be done about it. */
export function Spoiled({ by, onBringBack }: { by: SpoiledBy; onBringBack: () => void }) {
  return (
    <Notice kind="flag">
      <div data-testid="spoiled">
        <p>
          {by.by} {DOES[by.what]}, and nothing brings it back. Leave it weathered, move this step behind it, or paint it once more on top.
        </p>
        <Button onClick={onBringBack}>Bring it back: {differenceText(by.backMinutes)}</Button>
      </div>
    </Notice>
  );
}
