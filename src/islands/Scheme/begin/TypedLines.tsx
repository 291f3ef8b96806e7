import { useId, useState } from 'react';
import { ulid } from 'ulid';
import { readSchemeLines, withSchemeLines, type TypedStep } from '../../../core/formats/scheme/schemeLines';
import type { Paint, Scheme } from '../../../core/scheme/model/definitions';
import { factsOf, labelOf, type OwnTechnique } from '../../../core/scheme/model/techniques';
import { Button } from '../../../ui/Button/Button';
import { Swatch } from '../../../ui/Swatch/Swatch';
import { shareText } from '../step/shareText';
import own from './TypedLines.module.css';
import styles from '../View.module.css';

interface TypedLinesProps {
  scheme: Scheme;
  paints: Paint[];
  /** The painter's own. */
  techniques: readonly OwnTechnique[];
  onChange: (scheme: Scheme) => void;
}

const EXAMPLE = 'Coat, large: base Sea blue x2, layer Foam, edge\nEye, dot: detail Foam\nOver everything: prime Fog, wash Bog';

/** A whole scheme typed in as lines, with what it would become below. */
export function TypedLines({ scheme, paints, techniques, onChange }: TypedLinesProps) {
  const id = useId();
  const [text, setText] = useState('');
  const { lines, problems } = readSchemeLines(text, paints, techniques);
  const steps = lines.flatMap((line) => line.steps);
  const add = () => {
    onChange(withSchemeLines(scheme, lines, ulid));
    setText('');
  };
  return (
    <details className={styles.section} data-testid="typed">
      <summary>Type parts and steps as lines</summary>
      <div className={own.typed}>
        <label htmlFor={id}>
          One part a line: its name (and how large: dot, small, medium, large, 8 %), a colon, its steps with commas between
        </label>
        <textarea
          id={id}
          rows={5}
          maxLength={20_000}
          placeholder={EXAMPLE}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        {problems.map(({ line, message }) => (
          <p key={`${line} ${message}`} role="alert">
            Line {line}: {message}
          </p>
        ))}
        <ul data-testid="typed-preview">
          {lines.map((line, index) => (
            <li key={`${index} ${line.part}`}>
              <strong>
                {line.part ?? 'Over everything'}
                {line.surface !== null && `, ${shareText(line.surface)}`}
              </strong>
              {line.steps.map((step, place) => (
                <span key={place} className={own.typedStep}>
                  <Swatch hex={step.paint?.hex ?? null} kind={step.paint?.kind ?? null} />
                  {stepWords(step)}
                </span>
              ))}
            </li>
          ))}
        </ul>
        {steps.length > 0 && <Button onClick={add}>Add these lines</Button>}
      </div>
    </details>
  );
}

function stepWords(step: TypedStep): string {
  const { technique, paint, unknownPaint, coats } = step;
  const facts = factsOf(technique);
  const what = `${labelOf(step)}${coats > 1 ? ` ×${coats}` : ''}`;
  if (paint) return `${what}, ${paint.name}`;
  if (unknownPaint !== null) return `${what}: "${unknownPaint}" is not on the shelf, so no paint yet`;
  return facts.usesPaint ? `${what}, no paint yet` : what;
}
