import { useRef, useState } from 'react';
import { ulid } from 'ulid';
import {
  guessPaintColumns,
  paintsOf,
  readPaintList,
  writePaintList,
  writePalette,
  type PaintColumns,
  type PaintTable,
} from '../../core/formats/paint/paintList';
import type { ShelfPicture } from '../../contract/shelf';
import { Button } from '../../ui/Button/Button';
import { Dialog } from '../../ui/Dialog/Dialog';
import { FileButton } from '../../ui/FileButton/FileButton';
import { Swatch } from '../../ui/Swatch/Swatch';
import { counted } from '../../ui/format';
import { send } from '../client/api';
import { saveFile } from '../client/saveFile';
import { MatchColumns } from '../shared/MatchColumns';
import { PastedRows } from '../shared/PastedRows';
import styles from './View.module.css';

const LABELS = {
  name: 'Name',
  colour: 'Colour',
  kind: 'Kind',
  maker: 'Maker',
  volume: 'Ml in a new pot',
  left: 'Ml left',
  place: 'Place in the rack',
} as const;

interface PaintFilesProps {
  shelf: ShelfPicture;
  onDone: () => void;
}

/** Paints in and out: CSV, cells pasted from a spreadsheet, `.gpl` palettes. What is on the shelf already is not doubled. */
export function PaintFiles({ shelf, onDone }: PaintFilesProps) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [pasted, setPasted] = useState('');
  const [table, setTable] = useState<PaintTable | null>(null);
  const [columns, setColumns] = useState<PaintColumns | null>(null);
  const [error, setError] = useState<string | null>(null);
  const read = (text: string) => {
    try {
      const found = readPaintList(text);
      setTable(found);
      setColumns(guessPaintColumns(found.header));
      setError(null);
    } catch (problem) {
      setTable(null);
      setError((problem as Error).message);
    }
  };
  const open = (text: string) => {
    setPasted(text);
    setTable(null);
    setError(null);
    if (text !== '') read(text);
    dialog.current?.showModal();
  };
  const { paints, bad } = table && columns ? paintsOf(table, columns) : { paints: [], bad: [] };
  const add = async () => {
    const named = paints.map(({ leftMl, ...paint }) => ({ paint: { ...paint, id: ulid() }, leftMl }));
    try {
      await send('POST', '/api/paints/list', { paints: named.map(({ paint }) => paint) });
      const here = new Set((await send<ShelfPicture>('GET', '/api/shelf')).paints.map(({ id }) => id));
      const levels = named.flatMap(({ paint, leftMl }) =>
        leftMl === null || !here.has(paint.id) ? [] : [{ id: ulid(), paintId: paint.id, ml: leftMl, byEye: false }],
      );
      if (levels.length > 0) await send('PUT', '/api/shelf/levels', { levels });
      dialog.current?.close();
      onDone();
    } catch (problem) {
      setError((problem as Error).message);
    }
  };
  const save = (text: string, name: string, type: string) => saveFile(new Blob([text], { type }), name);
  return (
    <>
      <FileButton autoFocus label="Paint list" accept=".csv,.gpl,.txt,text/csv" onChoose={(file) => void file.text().then(open)}>
        Import CSV or palette
      </FileButton>
      <Button onClick={() => open('')}>Paste a list</Button>
      {shelf.paints.length > 0 && (
        <>
          <Button onClick={() => save(writePaintList(shelf.paints, shelf.left), 'paints.csv', 'text/csv')}>Export CSV</Button>
          <Button onClick={() => save(writePalette(shelf.paints), 'paints.gpl', 'text/plain')}>Export palette</Button>
        </>
      )}
      <Dialog
        ref={dialog}
        title="Match the columns"
        tools={
          <>
            {paints.length > 0 && (
              <Button kind="main" onClick={() => void add()}>
                Add {counted(paints.length, 'paint')}
              </Button>
            )}
            <Button onClick={() => dialog.current?.close()}>Cancel</Button>
          </>
        }
      >
        <PastedRows
          label="Rows from a spreadsheet, with a header"
          value={pasted}
          onChange={(text) => {
            setPasted(text);
            if (text.trim() !== '') read(text);
          }}
        />
        {error && <p role="alert">{error}</p>}
        {table && columns && (
          <MatchColumns
            header={table.header}
            labels={LABELS}
            columns={columns}
            onChange={setColumns}
            bad={bad}
            good={paints.map((paint, index) => (
              <span key={index} className={styles.listed}>
                <Swatch hex={paint.hex} kind={paint.kind} />
                {paint.name}, {paint.kind}
              </span>
            ))}
          />
        )}
      </Dialog>
    </>
  );
}
