import { useState } from 'react';
import type { Part } from '../../../core/scheme/model/definitions';
import { Button } from '../../../ui/Button/Button';
import { counted } from '../../../ui/format';
import own from './step.module.css';
import styles from '../View.module.css';

interface CopyStepProps {
  /** Parts that the step can be copied to. */
  parts: Part[];
  onDuplicate: () => void;
  onPaste: (partIds: string[]) => void;
}

/** The step in hand once more: behind itself, or on other parts. */
export function CopyStep({ parts, onDuplicate, onPaste }: CopyStepProps) {
  const [chosen, setChosen] = useState<string[]>([]);
  const toggle = (id: string) => setChosen((all) => (all.includes(id) ? all.filter((each) => each !== id) : [...all, id]));
  const paste = () => {
    onPaste(chosen);
    setChosen([]);
  };
  return (
    <>
      <Button onClick={onDuplicate}>Duplicate step</Button>
      {parts.length > 0 && (
        <details>
          <summary className={styles.more}>Copy this step to other parts</summary>
          <fieldset className={own.touches}>
            <legend>Copy to</legend>
            {parts.map((part) => (
              <label key={part.id} className={styles.check}>
                <input type="checkbox" checked={chosen.includes(part.id)} onChange={() => toggle(part.id)} /> {part.name}
              </label>
            ))}
          </fieldset>
          {chosen.length > 0 && <Button onClick={paste}>Copy to {counted(chosen.length, 'part')}</Button>}
        </details>
      )}
    </>
  );
}
