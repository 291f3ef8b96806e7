import { useState, type ReactNode } from 'react';
import { SIZE_LABELS } from '../../core/scheme/model/definitions';
import type { LibraryEntry, LibraryUse } from '../../contract/library';
import { TextField } from '../../ui/Field/Field';
import { Swatch } from '../../ui/Swatch/Swatch';
import { counted, dayOfText, minutesText } from '../../ui/format';
import styles from './LibraryList.module.css';

interface LibraryListProps {
  entries: readonly LibraryEntry[];
  /** What can be done with one. */
  tools: (entry: LibraryEntry) => ReactNode;
}

/** Found by any word: name, part, paint, size, standard, or where it was used. */
const textOf = ({ name, kind, size, standard, parts, paints, uses }: LibraryEntry): string =>
  [name, kind, size, standard, ...parts, ...paints.map((paint) => paint.name), ...uses.flatMap((use) => [use.unit, use.commission])]
    .join(' ')
    .toLowerCase();

/** Schemes and base recipes with where they were used and what they took. */
export function LibraryList({ entries, tools }: LibraryListProps) {
  const [wanted, setWanted] = useState('');
  const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = entries.filter((entry) => words.every((word) => textOf(entry).includes(word)));
  return (
    <>
      <TextField label="Find in the library" placeholder="coat, Sea blue, foot, Tide coast" value={wanted} onChange={setWanted} />
      {entries.length > 0 && shown.length === 0 && <p>Nothing has all of these words: leave one out.</p>}
      <ul className={styles.list}>
        {shown.map((entry) => (
          <li key={entry.id} data-library={entry.name}>
            <div>
              <strong>{entry.name}</strong>
              <small>
                {entry.kind === 'scheme'
                  ? `${SIZE_LABELS[entry.size]}, ${entry.standard}, ${counted(entry.parts.length, 'part')}, made for ${counted(entry.models, 'model')}`
                  : `recipe for ${entry.parts.join(', ').toLowerCase()}`}
              </small>
              <span className={styles.swatches}>
                {entry.paints.map((paint) => (
                  <span key={paint.name} title={paint.name}>
                    <Swatch hex={paint.hex} kind={null} />
                  </span>
                ))}
              </span>
              {entry.uses.map((use, index) => (
                <small key={`${use.at} ${index}`}>{wordsOfUse(use)}</small>
              ))}
            </div>
            <span className={styles.tools}>{tools(entry)}</span>
          </li>
        ))}
      </ul>
    </>
  );
}

const wordsOfUse = ({ unit, commission, at, minutesPerModel }: LibraryUse): string =>
  `${unit}, ${commission}, ${dayOfText(Date.parse(at))}: ${minutesPerModel === null ? 'nothing logged yet' : `${minutesText(minutesPerModel)} a model logged so far`}`;
