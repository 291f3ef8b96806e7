import type { RemovedPiece } from '../../../core/scheme/model/removedPiece';
import { labelOf } from '../../../core/scheme/model/techniques';
import { Button } from '../../../ui/Button/Button';
import { counted } from '../../../ui/format';
import styles from './whole.module.css';

type Piece = RemovedPiece['piece'];

interface RemovedProps {
  pieces: Piece[];
  onPutBack: (piece: Piece) => void;
}

/** What was taken out of the scheme, and can come back with what was painted of it. */
export function Removed({ pieces, onPutBack }: RemovedProps) {
  if (pieces.length === 0) return null;
  return (
    <details className={styles.removed} data-testid="removed">
      <summary>{counted(pieces.length, 'thing')} removed</summary>
      <ul>
        {pieces.map((piece) => (
          <li key={piece.kind === 'part' ? piece.part.id : piece.step.id}>
            {pieceName(piece)}{' '}
            <Button kind="quiet" onClick={() => onPutBack(piece)}>
              Put back
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}

const pieceName = (piece: Piece): string =>
  piece.kind === 'part' ? `${piece.part.name}, ${counted(piece.part.steps.length, 'step')}` : labelOf(piece.step);
