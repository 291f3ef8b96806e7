import { useRef, useState } from 'react';
import { hasScheme, modelsOf, type Unit } from '../../../core/scheme/model/definitions';
import { Button } from '../../../ui/Button/Button';
import { counted } from '../../../ui/format';
import sheet from './whole.module.css';
import styles from '../View.module.css';

export interface Linking {
  /** Whose scheme it is. */
  lead: string;
  link: string[];
  unlink: string[];
}

interface LinkedProps {
  unit: Unit;
  /** The other units of the commission. */
  others: Unit[];
  onLink: (linking: Linking) => Promise<void>;
}

/** Which units are painted by this scheme too, so that what is changed is changed for all of them. */
export function Linked({ unit, others, onLink }: LinkedProps) {
  const [problem, setProblem] = useState<string | null>(null);
  const last = useRef(Promise.resolve());
  // One after the other; a box that cannot be ticked meanwhile would lose the focus.
  const act = (linking: Linking) => {
    last.current = last.current
      .then(() => onLink(linking))
      .then(
        () => setProblem(null),
        (error: Error) => setProblem(error.message),
      );
  };
  if (others.length === 0) return null;
  const isLinked = (other: Unit) => unit.linked !== null && other.linked === unit.linked;
  const linked = others.filter(isLinked);
  if (!hasScheme(unit)) {
    const leads = others.filter(hasScheme);
    if (leads.length === 0) return null;
    return (
      <div className={styles.starts} data-testid="linked">
        {leads.map((lead) => (
          <Button key={lead.id} onClick={() => act({ lead: lead.id, link: [unit.id], unlink: [] })}>
            Paint by the scheme of {lead.name}
          </Button>
        ))}
        {problem && <p role="alert">{problem}</p>}
      </div>
    );
  }
  return (
    <details className={styles.section} data-testid="linked">
      <summary>
        Painted by this scheme too: <strong>{linked.length === 0 ? 'no other unit' : linked.map(({ name }) => name).join(', ')}</strong>
      </summary>
      <p>
        What is changed here is changed for each of them as well. Leaders and groups stay by unit, and so does what is painted; a scheme
        that a unit has of its own is kept among its revisions.
      </p>
      <ul className={sheet.linked}>
        {others.map((other) => (
          <li key={other.id}>
            <label>
              <input
                type="checkbox"
                checked={isLinked(other)}
                onChange={(event) => act({ lead: unit.id, ...(event.target.checked ? joining(other) : leaving(other)) })}
              />{' '}
              {other.name}, {isLinked(other) ? counted(modelsOf(other), 'model') : hasScheme(other) ? 'own scheme' : 'no scheme yet'}
            </label>
          </li>
        ))}
      </ul>
      {linked.length > 0 && <Button onClick={() => act({ lead: unit.id, ...leaving(unit) })}>Give {unit.name} a scheme of its own</Button>}
      {problem && <p role="alert">{problem}</p>}
    </details>
  );
}

const joining = ({ id }: Unit) => ({ link: [id], unlink: [] });
const leaving = ({ id }: Unit) => ({ link: [], unlink: [id] });
