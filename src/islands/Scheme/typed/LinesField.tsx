import { useId, useLayoutEffect, useRef, useState, type ClipboardEvent, type KeyboardEvent } from 'react';
import { completeLine, type Completion, type CompletionOption } from '../../../core/formats/scheme/typed/completeLine';
import type { KnownNames } from '../../../core/formats/scheme/typed/definitions';
import { isRows, linesOfRows } from '../../../core/formats/scheme/typed/linesOfRows';
import { Swatch } from '../../../ui/Swatch/Swatch';
import { counted } from '../../../ui/format';
import { Hidden } from '../../../ui/Hidden/Hidden';
import styles from './typed.module.css';

interface LinesFieldProps {
  id: string;
  value: string;
  onChange: (text: string) => void;
  known: KnownNames;
  placeholder: string;
  autoFocus: boolean;
  /** Ctrl + Enter. */
  onTake: () => void;
}

const WHAT: Record<CompletionOption['what'], string> = {
  part: 'part',
  share: 'how large',
  technique: 'technique',
  paint: 'paint',
  mix: 'mix',
  group: 'for whom',
  coats: 'coats',
};

/** Lines are typed here; what may be meant stands below while a word is typed, and Tab takes it. */
export function LinesField({ id, value, onChange, known, placeholder, autoFocus, onTake }: LinesFieldProps) {
  const field = useRef<HTMLTextAreaElement>(null);
  const list = useId();
  const [caret, setCaret] = useState<number | null>(null);
  const [active, setActive] = useState(0);
  /** Where the caret goes once the text is there. */
  const goesTo = useRef<number | null>(null);
  useLayoutEffect(() => {
    if (goesTo.current === null) return;
    field.current?.setSelectionRange(goesTo.current, goesTo.current);
    goesTo.current = null;
  }, [value]);
  const { from, options }: Completion = caret === null ? { from: 0, options: [] } : completeLine(value, caret, known);
  const insert = (text: string, begin: number, end: number) => {
    goesTo.current = begin + text.length;
    setCaret(null);
    onChange(value.slice(0, begin) + text + value.slice(end));
  };
  const take = (option: CompletionOption) => {
    insert(option.text, from, caret ?? from);
    field.current?.focus();
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const isPlain = !event.shiftKey && !event.altKey && !event.ctrlKey && !event.metaKey;
    if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) {
      event.preventDefault();
      onTake();
    }
    if (options.length === 0 || !isPlain) return;
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (by !== undefined) setActive((active + by + options.length) % options.length);
    else if (event.key === 'Tab') take(options[active]!);
    else if (event.key === 'Escape') setCaret(null);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const onPaste = (event: ClipboardEvent<HTMLTextAreaElement>) => {
    const text = event.clipboardData.getData('text/plain');
    if (!isRows(text)) return;
    event.preventDefault();
    insert(linesOfRows(text, known), event.currentTarget.selectionStart, event.currentTarget.selectionEnd);
  };
  const optionId = (index: number) => `${list}-${index}`;
  return (
    <div className={styles.field}>
      <textarea
        ref={field}
        id={id}
        rows={5}
        maxLength={20_000}
        placeholder={placeholder}
        value={value}
        // On a scheme with nothing in it there is nothing else to do.
        autoFocus={autoFocus}
        spellCheck={false}
        aria-autocomplete="list"
        aria-controls={options.length > 0 ? list : undefined}
        aria-activedescendant={options.length > 0 ? optionId(active) : undefined}
        aria-keyshortcuts="Control+Enter"
        onKeyDown={onKeyDown}
        onPaste={onPaste}
        onBlur={() => setCaret(null)}
        onChange={(event) => {
          setCaret(event.target.selectionStart);
          setActive(0);
          onChange(event.target.value);
        }}
      />
      {options.length > 0 && (
        <ul role="listbox" id={list} aria-label="What may be meant" className={styles.options}>
          {options.map((option, index) => (
            <li
              key={`${option.what} ${option.text}`}
              id={optionId(index)}
              role="option"
              aria-selected={index === active}
              // The field keeps the focus.
              onPointerDown={(event) => event.preventDefault()}
              onClick={() => take(option)}
            >
              {option.paint && <Swatch hex={option.paint.hex} kind={option.paint.kind} />}
              <span>{option.text}</span>
              <small>
                {WHAT[option.what]}
                {option.isNew && ', not on the shelf yet'}
              </small>
            </li>
          ))}
          <li role="presentation" className={styles.hint}>
            Tab takes it, arrows choose, Esc closes
          </li>
        </ul>
      )}
      <Hidden role="status">
        {options.length > 0 ? `${counted(options.length, 'suggestion')}, Tab takes ${options[active]!.text}` : ''}
      </Hidden>
    </div>
  );
}
