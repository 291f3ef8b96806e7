import type { IntakePicture } from '../../../contract/commission';
import { counted, momentText, positionsText } from '../../../ui/format';
import styles from '../View.module.css';

/** What was noted at the bench, for the hand-over. */
export function Notes({ picture }: { picture: IntakePicture }) {
  if (picture.notes.length === 0) return null;
  const names = new Map(picture.units.map((unit) => [unit.id, unit.name]));
  return (
    <details className={styles.removed} data-testid="notes">
      <summary>{counted(picture.notes.length, 'note')} from the bench</summary>
      <ul>
        {picture.notes.map((note) => (
          <li key={note.eventId}>
            {momentText(note.at)}, {names.get(note.unit!)}
            {note.models.length > 0 && ` model ${positionsText(note.models)}`}: {note.text}
          </li>
        ))}
      </ul>
    </details>
  );
}
