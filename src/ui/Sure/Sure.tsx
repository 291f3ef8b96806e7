import { useState, type ReactNode } from 'react';
import { Button } from '../Button/Button';
import styles from './Sure.module.css';

interface SureProps {
  /** What stands on the button before it is pressed. */
  children: ReactNode;
  /** The same for who listens, where a drawing stands on it. */
  label?: string;
  kind?: 'main' | 'plain' | 'quiet';
  question: string;
  /** What the button says that does it. */
  yes: string;
  /** Where nothing is lost it is done at once. */
  isAsked?: boolean;
  onYes: () => void;
}

/**
 * A button that asks once more, where it was pressed. Cancel takes its place and the focus: whoever presses twice has done nothing, and
 * the focus goes back to the button.
 */
export function Sure({ children, label, kind = 'plain', question, yes, isAsked = true, onYes }: SureProps) {
  const [state, setState] = useState<'closed' | 'open' | 'cancelled'>('closed');
  if (state !== 'open')
    return (
      <Button kind={kind} aria-label={label} autoFocus={state === 'cancelled'} onClick={() => (isAsked ? setState('open') : onYes())}>
        {children}
      </Button>
    );
  return (
    <span role="group" aria-label={question} className={styles.sure}>
      <Button autoFocus onClick={() => setState('cancelled')}>
        Cancel
      </Button>
      <span>{question}</span>
      <Button
        onClick={() => {
          setState('closed');
          onYes();
        }}
      >
        {yes}
      </Button>
    </span>
  );
}
