import { Button } from '../../ui/Button/Button';
import { Notice } from '../../ui/Notice/Notice';

/** What could not be worked out, and the way to have it tried again. */
export const Broken = ({ error, again }: { error: string; again: () => void }) => (
  <Notice kind="flag" role="alert">
    <p>{error}</p>
    <Button onClick={again}>Try again</Button>
  </Notice>
);
