import { useEffect, useId, useMemo, useState } from 'react';
import { ulid } from 'ulid';
import { withSchemeLines } from '../../../core/formats/scheme/typed/addLines';
import type { KnownNames, TypedStep } from '../../../core/formats/scheme/typed/definitions';
import { readSchemeLines } from '../../../core/formats/scheme/typed/readLines';
import { addGroup } from '../../../core/scheme/authoring/rosterEdits';
import { commonPaints } from '../../../core/scheme/authoring/starters';
import type { Paint, Scheme } from '../../../core/scheme/model/definitions';
import { potsOf } from '../../../core/scheme/model/pots';
import { factsOf, labelOf, type OwnTechnique } from '../../../core/scheme/model/techniques';
import { Button } from '../../../ui/Button/Button';
import { Swatch } from '../../../ui/Swatch/Swatch';
import { mixer } from '../../client/mixer';
import { shareText } from '../step/shareText';
import { LinesField } from './LinesField';
import { UnknownPaint } from './UnknownPaint';
import own from './typed.module.css';
import styles from '../View.module.css';

interface TypedLinesProps {
  scheme: Scheme;
  paints: Paint[];
  /** The painter's own. */
  techniques: readonly OwnTechnique[];
  /** Nothing is in the scheme yet: this is where it begins. */
  isFirst: boolean;
  /** The next unit that has no scheme; null where all have one. */
  next: { name: string; onShow: () => void } | null;
  onNewPaint: (paint: Paint) => Promise<void>;
  onChange: (scheme: Scheme) => void;
}

const EXAMPLE =
  'Coat, large: base Blue x2, layer Light blue, edge 2 Light blue + Off white\nEye, dot: eyes Off white for leader\nOver everything: prime Pale primer, wash Brown wash';

/** A whole scheme typed in as lines, with what it would become below; what is unknown is offered to be added. */
export function TypedLines({ scheme, paints, techniques, isFirst, next, onNewPaint, onChange }: TypedLinesProps) {
  const id = useId();
  const [text, setText] = useState('');
  /** How often lines were added: the field is gone on with. */
  const [added, setAdded] = useState(0);
  const [isOpen, setOpen] = useState(false);
  const [error, setError] = useState<string | null>(null);
  const known = useMemo((): KnownNames => {
    const names = new Set(paints.map(({ name }) => name.toLowerCase()));
    return {
      paints,
      common: commonPaints(ulid).filter(({ name }) => !names.has(name.toLowerCase())),
      techniques,
      mixes: scheme.mixes,
      who: [...scheme.groups, ...scheme.variants.flatMap(({ options }) => options)],
      parts: scheme.parts.map(({ name }) => name),
    };
  }, [paints, techniques, scheme]);
  const { lines, problems } = readSchemeLines(text, known);
  const bad = new Set(problems.map(({ line }) => line));
  const steps = lines.flatMap((line) => line.steps);
  const unknownWho = [...new Set(steps.flatMap((step) => step.unknownWho))];
  const isWaiting = (line: (typeof lines)[number]) => bad.has(line.line) || line.steps.some((step) => step.unknownWho.length > 0);
  const good = lines.filter((line) => !isWaiting(line) && line.steps.length > 0);
  useEffect(() => {
    if (added > 0) document.getElementById(id)?.focus();
  }, [added, id]);
  const add = async () => {
    if (good.length === 0) return;
    // What is not understood stays, to be put right.
    const left = text.split('\n').filter((line, index) => line.trim() !== '' && !good.some((each) => each.line === index + 1));
    try {
      const taken = new Set(good.flatMap((line) => line.steps).flatMap((step) => paintIds(step)));
      for (const paint of known.common ?? []) if (taken.has(paint.id)) await onNewPaint(paint);
      onChange(withSchemeLines(scheme, good, ulid));
      setText(left.join('\n'));
      setError(null);
      setOpen(true);
      setAdded(added + 1);
    } catch (problem) {
      setError((problem as Error).message);
    }
  };
  const unknownPaints = new Map(
    steps.flatMap((step) => step.unknownPaints.map((name) => [name.toLowerCase(), { name, technique: step.technique }] as const)),
  );
  return (
    <details
      className={styles.section}
      data-testid="typed"
      open={isFirst || isOpen}
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary>Type parts and steps as lines</summary>
      <div className={own.typed}>
        <label htmlFor={id}>
          One part per line: its name (and how large: dot, small, medium, large, 8 %), a colon, its steps with commas between. Or paste rows
          from a spreadsheet.
        </label>
        <LinesField
          id={id}
          value={text}
          onChange={setText}
          known={known}
          placeholder={EXAMPLE}
          autoFocus={isFirst}
          onTake={() => void add()}
        />
        {problems.map(({ line, message }) => (
          <p key={`${line} ${message}`} role="alert">
            Line {line}: {message}
          </p>
        ))}
        <ul data-testid="typed-preview">
          {lines.map((line) => (
            <li key={line.line}>
              <strong>
                {line.part ?? 'Over everything'}
                {line.surface !== null && `, ${shareText(line.surface)}`}
              </strong>
              {line.steps.map((step, place) => (
                <span key={place} className={own.typedStep}>
                  <Swatch {...swatchOf(step, known)} />
                  {stepWords(step, known)}
                </span>
              ))}
            </li>
          ))}
        </ul>
        {(unknownPaints.size > 0 || unknownWho.length > 0) && (
          <ul className={own.unknowns} data-testid="typed-unknown">
            {[...unknownPaints].map(([key, each]) => (
              <UnknownPaint key={key} {...each} paints={paints.length} onNewPaint={onNewPaint} />
            ))}
            {unknownWho.map((name) => (
              <li key={name} className={own.unknown}>
                <span>“{name}” is no group of this unit.</span>
                <Button onClick={() => onChange(addGroup(ulid, scheme, name, 'leader'))}>Add {name} as leader, model 1</Button>
                <Button onClick={() => onChange(addGroup(ulid, scheme, name, 'odd'))}>Add {name} as a group</Button>
              </li>
            ))}
          </ul>
        )}
        {error && <p role="alert">{error}</p>}
        <span className={styles.starts}>
          {good.length > 0 && (
            <Button onClick={() => void add()}>
              Add these lines <kbd>Ctrl + Enter</kbd>
            </Button>
          )}
          {added > 0 && text === '' && next && <Button onClick={next.onShow}>Next unit: {next.name}</Button>}
        </span>
      </div>
    </details>
  );
}

const paintIds = ({ paint, mix }: TypedStep): string[] => [
  ...(paint ? [paint.id] : []),
  ...(mix?.of ?? []).flatMap((share) => ('paint' in share ? share.paint : [])),
];

/** What is on the brush, as it would look. */
function swatchOf({ paint, mix }: TypedStep, { paints, common = [], mixes = [] }: KnownNames) {
  if (!mix) return { hex: paint?.hex ?? null, kind: paint?.kind ?? null };
  const shown = { id: 'typed', thin: null, ...mix };
  const shelf = new Map([...paints, ...common].map((each) => [each.id, each]));
  const pot = potsOf({ mixes: [...mixes.filter(({ id }) => id !== shown.id), shown] }, shelf, mixer).get(shown.id);
  return { hex: pot?.hex ?? null, kind: pot?.kind ?? null };
}

function stepWords(step: TypedStep, { who = [], common = [] }: KnownNames): string {
  const { technique, paint, mix, unknownPaints, coats, for: whom, unknownWho } = step;
  const name = (id: string) => who.find((each) => each.id === id)?.name ?? id;
  const of = whom && ('only' in whom ? { word: 'for', ids: whom.only } : { word: 'without', ids: whom.without });
  const forWhom = of ? ` ${of.word} ${[...of.ids.map(name), ...unknownWho].join(' and ')}` : '';
  const what = `${labelOf(step)}${coats > 1 ? ` ×${coats}` : ''}${forWhom}`;
  const isNew = common.some((each) => paintIds(step).includes(each.id));
  if (unknownPaints.length > 0) return `${what}: "${unknownPaints.join('" and "')}" is not on the shelf, so no paint yet`;
  if (mix) return `${what}, mix of ${mix.name}${isNew ? ' (new on the shelf)' : ''}`;
  if (paint) return `${what}, ${paint.name}${isNew ? ' (new on the shelf)' : ''}`;
  return factsOf(technique).usesPaint ? `${what}, no paint yet` : what;
}
