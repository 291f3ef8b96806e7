import { useState } from 'react';
import type { TestModelPicture } from '../../../contract/testModelPicture';
import type { TestRound, Answer } from '../../../core/commission/testModel';
import { Button } from '../../../ui/Button/Button';
import { TextField } from '../../../ui/Field/Field';
import { Panel } from '../../../ui/Panel/Panel';
import { minutesText, momentText } from '../../../ui/format';
import { send } from '../../client/api';
import { PictureStrip } from '../../shared/PictureStrip';
import { picturesAt, type PicturePlace, type Pictures } from '../../client/usePictures';
import styles from './commission.module.css';

interface TestModelProps {
  picture: TestModelPicture;
  unitName: string;
  pictures: Pictures;
  /** Stores what is typed and not stored yet. */
  onBefore: () => Promise<unknown>;
  onSent: () => void;
}

/** The first model of a unit: how far it is, what it took, and what the client says to it. The others wait for that. */
export function TestModel({ picture, unitName, pictures, onBefore, onSent }: TestModelProps) {
  const { unitId, state, rounds, stepsDone, stepsTotal, minutesLogged, minutesExpected } = picture;
  const place: PicturePlace = { unitId, partId: null, kind: 'test model' };
  const [to, setTo] = useState(picture.lastTo);
  const [note, setNote] = useState('');
  const [said, setSaid] = useState('');
  const [error, setError] = useState<string | null>(null);
  const attempt = (act: Promise<void>) => void act.catch((problem: Error) => setError(problem.message));
  const waiting = rounds.findLast((round) => round.answer === null) ?? null;
  const sendLetter = async () => {
    await send('POST', `/api/units/${unitId}/test-model`, { to, note, pictureIds: picturesAt(pictures, place).map(({ id }) => id) });
    setNote('');
    setError(null);
    onSent();
  };
  const answer = async (answered: Answer) => {
    await onBefore();
    await send('POST', `/api/units/${unitId}/answer`, { roundId: waiting?.id ?? null, answer: answered, note: said });
    window.location.reload();
  };
  return (
    <Panel title={`Test model of ${unitName}: ${stateWords(state, waiting)}`}>
      <div className={styles.testModel} data-test-model={unitName}>
        <p className={styles.hint}>
          {stepsDone} of {stepsTotal} steps painted
          {minutesLogged !== null && `, ${minutesText(minutesLogged)} hands-on`}, {minutesText(minutesExpected)} expected for the whole
          model.
        </p>
        {rounds.length > 0 && (
          <ul className={styles.rounds}>
            {rounds.map((round) => (
              <li key={round.id}>{roundWords(round)}</li>
            ))}
          </ul>
        )}
        {state === 'waiting' && (
          <>
            <PictureStrip pictures={pictures} place={place} of={`the test model of ${unitName}`} />
            <div className={styles.letter}>
              <TextField label="To" type="email" placeholder="client@example.org" value={to} onChange={setTo} />
              <TextField label="A word to the client" value={note} maxLength={4000} onChange={setNote} />
              <Button onClick={() => attempt(sendLetter())}>Prepare the e-mail</Button>
            </div>
            <div className={styles.letter}>
              <TextField label="What the client said, or why you go on" value={said} maxLength={4000} onChange={setSaid} />
              <span className={styles.answers}>
                <Button kind="main" onClick={() => attempt(answer('approved'))}>
                  Mark as approved
                </Button>
                <Button onClick={() => attempt(answer('changes wanted'))}>Changes wanted</Button>
                <Button onClick={() => attempt(answer('no'))}>No</Button>
                <Button kind="quiet" onClick={() => attempt(answer('on trust'))}>
                  Go on without an answer
                </Button>
              </span>
            </div>
          </>
        )}
        {error && <p role="alert">{error}</p>}
      </div>
    </Panel>
  );
}

function stateWords(state: TestModelPicture['state'], waiting: TestRound | null): string {
  if (state === 'approved') return 'approved';
  if (state === 'on trust') return 'going on without an answer';
  if (state === 'none') return 'not asked for any more';
  return waiting === null ? 'the others wait for it' : `waiting for ${waiting.sentTo}`;
}

function roundWords(round: TestRound) {
  const answered = round.answer === null ? null : `${momentText(Date.parse(round.answeredAt!))}: ${answerWords[round.answer]}`;
  return (
    <>
      {round.mailId !== null && (
        <>
          {momentText(Date.parse(round.sentAt!))}: letter to {round.sentTo} (<a href={`/api/mail/${round.mailId}`}>save the letter</a>)
          {answered && '. '}
        </>
      )}
      {answered}
      {round.answerNote !== '' && `: ${round.answerNote}`}
    </>
  );
}

const answerWords: Record<Answer, string> = {
  approved: 'approved',
  'changes wanted': 'changes wanted',
  no: 'no',
  'on trust': 'you go on without an answer',
};
