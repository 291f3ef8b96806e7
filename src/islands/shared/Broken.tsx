import { Button } from '../../ui/Button/Button';

/** What could not be worked out, and the way to have it tried again. */
export const Broken = ({ error, again }: { error: string; again: () => void }) => (
  <p role="alert">
    {error}{' '}
    <Button kind="quiet" onClick={again}>
      Try again
    </Button>
  </p>
);
