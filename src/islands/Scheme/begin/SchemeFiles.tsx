import { useState } from 'react';
import { ulid } from 'ulid';
import { adoptScheme } from '../../../core/scheme/authoring/adoptScheme';
import { modelsOf, type Paint, type Scheme, type Standard, type Unit } from '../../../core/scheme/model/definitions';
import { readJson } from '../../../core/formats/readJson';
import { schemeInARow } from '../../../core/scheme/authoring/gone';
import { allModels } from '../../../core/scheme/model/whoTakes';
import { Button } from '../../../ui/Button/Button';
import { FileButton } from '../../../ui/FileButton/FileButton';
import { counted } from '../../../ui/format';
import { saveFile } from '../../client/saveFile';

interface SchemeFilesProps {
  unit: Unit;
  standard: Standard;
  paints: Paint[];
  /** Some models are painted by the present scheme. */
  isStarted: boolean;
  onNewPaint: (paint: Paint) => Promise<void>;
  onOpen: (scheme: Scheme) => void;
}

// The format comes along only when a file is saved or opened.
const format = () => import('../../../core/formats/scheme/schemeFile');

async function readFile(file: File) {
  const { readScheme } = await format();
  return readScheme(readJson(await file.text(), file.name, 'choose a scheme file'));
}

/** A scheme kept as a file, and one from elsewhere taken for this unit. */
export function SchemeFiles({ unit, standard, paints, isStarted, onNewPaint, onOpen }: SchemeFilesProps) {
  const [said, setSaid] = useState<string | null>(null);
  const save = async () => {
    const { writeScheme } = await format();
    const text = writeScheme({ name: unit.name, size: unit.size, models: modelsOf(unit), standard, paints, scheme: schemeInARow(unit) });
    saveFile(new Blob([text], { type: 'application/json' }), `${unit.name}.scheme.json`);
  };
  const open = async (file: File) => {
    const given = await readFile(file);
    const { scheme, newPaints } = adoptScheme(given, paints, allModels(unit), ulid);
    for (const paint of newPaints) await onNewPaint(paint);
    onOpen(scheme);
    setSaid(
      `${given.name} is the scheme now${newPaints.length === 0 ? '' : `, with ${counted(newPaints.length, 'new paint')} on the shelf`}. Undo brings the one before back.`,
    );
  };
  const attempt = (act: Promise<void>) => void act.catch((problem: Error) => setSaid(problem.message));
  return (
    <>
      {unit.scheme.parts.length > 0 && <Button onClick={() => attempt(save())}>Save the scheme as a file</Button>}
      {!isStarted && (
        <FileButton label="Scheme file" accept=".json,application/json" onChoose={(file) => attempt(open(file))}>
          Open a scheme file
        </FileButton>
      )}
      {said && <p role="status">{said}</p>}
    </>
  );
}
