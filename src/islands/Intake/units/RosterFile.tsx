import { useImperativeHandle, useRef, useState, type Ref } from 'react';
import {
  guessColumns,
  readRoster,
  unitsOf,
  type NewUnit,
  type RosterColumns,
  type RosterTable,
} from '../../../core/formats/commission/readRoster';
import { Button } from '../../../ui/Button/Button';
import { Dialog } from '../../../ui/Dialog/Dialog';
import { FileButton } from '../../../ui/FileButton/FileButton';
import { counted } from '../../../ui/format';
import { MatchColumns } from '../../shared/MatchColumns';
import { PastedRows } from '../../shared/PastedRows';

interface RosterFileProps {
  /** Names of units that are there. */
  names: string[];
  onAdd: (units: NewUnit[]) => void;
  /** Rows that were pasted elsewhere are shown here. */
  ref?: Ref<{ show: (rows: string) => void }>;
}

const FIELD_LABELS = { name: 'The name is in', models: 'How many models is in', size: 'The size is in' } as const;

/** A list of units from a spreadsheet, as a file or pasted: first what would be taken and what is wrong, line by line, then the units. */
export function RosterFile({ names, onAdd, ref }: RosterFileProps) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [pasted, setPasted] = useState('');
  const [table, setTable] = useState<RosterTable | null>(null);
  const [columns, setColumns] = useState<RosterColumns>({ name: 0, models: null, size: null });
  const [error, setError] = useState<string | null>(null);
  const read = (text: string) => {
    setPasted(text);
    try {
      const found = readRoster(text);
      setTable(found);
      setColumns(guessColumns(found.header));
      setError(null);
    } catch (problem) {
      setTable(null);
      setError(text.trim() === '' ? null : (problem as Error).message);
    }
  };
  const show = (text: string) => {
    read(text);
    dialog.current?.showModal();
  };
  useImperativeHandle(ref, () => ({ show }));
  const { units, bad } = table ? unitsOf(table, columns, names) : { units: [], bad: [] };
  return (
    <>
      <FileButton label="Roster file" accept=".csv,text/csv" onChoose={(file) => void file.text().then(show)}>
        Units from CSV
      </FileButton>
      <Button onClick={() => show('')}>Paste a list</Button>
      <Dialog
        ref={dialog}
        title="Match the columns"
        tools={
          <>
            {units.length > 0 && (
              <Button
                kind="main"
                onClick={() => {
                  onAdd(units);
                  dialog.current?.close();
                }}
              >
                Add {counted(units.length, 'unit')}
              </Button>
            )}
            <Button onClick={() => dialog.current?.close()}>Cancel</Button>
          </>
        }
      >
        <PastedRows label="Rows from a spreadsheet: name, models, size" value={pasted} onChange={read} />
        {error && <p role="alert">{error}</p>}
        {table && (
          <MatchColumns
            header={table.header}
            labels={FIELD_LABELS}
            columns={columns}
            onChange={setColumns}
            bad={bad}
            good={units.map((unit) => `${unit.name}: ${counted(unit.promised, 'model')}, ${unit.size}`)}
          />
        )}
      </Dialog>
    </>
  );
}
