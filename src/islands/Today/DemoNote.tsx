import { useState } from 'react';
import { Sure } from '../../ui/Sure/Sure';
import { send } from '../client/api';

/** Fills the folder with the demo, or empties it, and shows what is there then. */
export function useDemo(here: boolean) {
  const [error, setError] = useState<string | null>(null);
  const set = () =>
    void send('PUT', '/api/demo', { here }).then(
      () => window.location.assign('/'),
      (problem: Error) => setError(problem.message),
    );
  return { error, set };
}

/** Says that all this is made up, and how to begin with one's own. */
export function DemoNote() {
  const { error, set } = useDemo(false);
  return (
    <p>
      This is the demo: everything here is made up.{' '}
      <Sure kind="quiet" question="The demo and all that was done in it goes." yes="Remove the demo" onYes={set}>
        Start empty
      </Sure>
      {error && <span role="alert">{error}</span>}
    </p>
  );
}
