import { useEffect, useRef, useState } from 'react';
import type { RowJudgement } from '../../core/log/definitions';
import type { LogColumn, LogPage, LogPicture, LogSearch } from '../../contract/log';
import { Button } from '../../ui/Button/Button';
import { SelectField, TextField } from '../../ui/Field/Field';
import { Notice } from '../../ui/Notice/Notice';
import { Panel } from '../../ui/Panel/Panel';
import { counted, minutesText } from '../../ui/format';
import { Opened } from '../shared/Opened';
import { nextSort, type Sorting } from '../shared/sort/useSorted';
import { send } from '../client/api';
import { Closed } from './Closed';
import { ImportLog } from './ImportLog';
import { Insights } from './Insights';
import { LogTable } from './LogTable';
import { PaceChart } from './PaceChart';
import styles from './View.module.css';

const EVERYTHING: LogSearch = { filter: 'all', commission: null, words: '', by: null, down: false };

export function LedgerView({ first, words }: { first: LogPicture | null; words: string }) {
  return (
    <Opened<LogPicture> first={first} url="/api/ledger" what="the Ledger">
      {(log) => <OpenedLedger log={log} words={words} />}
    </Opened>
  );
}

function pageAt(page: number, by: LogSearch): Promise<LogPage> {
  const query = new URLSearchParams({ page: String(page), filter: by.filter, words: by.words });
  if (by.commission !== null) query.set('commission', by.commission);
  if (by.by !== null) query.set('by', by.by);
  if (by.down) query.set('down', 'yes');
  return send<LogPage>('GET', `/api/time-log/rows?${query}`);
}

function OpenedLedger({ log, words: wanted }: { log: LogPicture; words: string }) {
  const [shown, setShown] = useState<LogPage>(log.first);
  const [search, setSearch] = useState<LogSearch>({ ...EVERYTHING, words: wanted });
  const asked = useRef(0);
  const [error, setError] = useState<string | null>(null);
  const attempt = async (act: () => Promise<void>) => {
    try {
      await act();
      setError(null);
    } catch (problem) {
      setError((problem as Error).message);
    }
  };
  const go = (page: number, by: LogSearch = search) => {
    setSearch(by);
    // Answers may come in another order than they were asked for.
    const turn = ++asked.current;
    return attempt(async () => {
      const found = await pageAt(page, by);
      if (turn === asked.current) setShown(found);
    });
  };
  useEffect(() => {
    if (wanted === '') return;
    pageAt(0, { ...EVERYTHING, words: wanted }).then(
      // Whoever has looked for something else meanwhile sees that.
      (found) => asked.current === 0 && setShown(found),
      (problem: Error) => setError(problem.message),
    );
  }, [wanted]);
  const judge = (id: string, judgement: RowJudgement) =>
    attempt(async () => {
      await send('PUT', `/api/time-log/${id}`, judgement);
      setShown((page) => ({ ...page, rows: page.rows.map((row) => (row.id === id ? { ...row, ...judgement } : row)) }));
    });
  const sorting: Sorting<LogColumn> = {
    by: search.by && { column: search.by, isDown: search.down },
    press: (column) => {
      const next = nextSort(sorting.by, column);
      void go(0, { ...search, by: next?.column ?? null, down: next?.isDown ?? false });
    },
  };
  const { totals } = log;
  return (
    <div className={styles.view}>
      <div className={styles.top}>
        <p>
          {totals.rows === 0
            ? 'Nothing is logged yet. Every step painted at the bench writes a row here; an older log can be imported as CSV.'
            : `${counted(totals.rows, 'row')}, ${counted(totals.models, 'model-step')}, ${minutesText(totals.minutes)} hands-on.`}
        </p>
        <span className={styles.actions}>
          <ImportLog />
          <a href="/api/time-log" className={styles.download}>
            Save the log as CSV
          </a>
        </span>
      </div>
      {error && (
        <Notice kind="flag" role="alert">
          {error}
        </Notice>
      )}
      <div className={styles.columns}>
        <Panel
          title="The log"
          aside={
            <span className={styles.filters}>
              <SelectField
                label="Commission"
                hideLabel
                value={search.commission ?? ''}
                options={[{ value: '', label: 'all commissions' }, ...log.commissions.map((name) => ({ value: name, label: name }))]}
                onChange={(name) => void go(0, { ...search, commission: name === '' ? null : name })}
              />
              <TextField
                label="Find in the log"
                hideLabel
                placeholder="Find a step, unit or note"
                type="search"
                value={search.words}
                onChange={(words) => void go(0, { ...search, words })}
              />
              <label className={styles.filter}>
                <input
                  type="checkbox"
                  checked={search.filter !== 'all'}
                  onChange={(event) => void go(0, { ...search, filter: event.target.checked ? 'to judge' : 'all' })}
                />{' '}
                {totals.toJudge} to check
              </label>
            </span>
          }
        >
          <LogTable rows={shown.rows} sorting={sorting} onJudge={(id, judgement) => void judge(id, judgement)} />
          {shown.pages > 1 && (
            <p className={styles.pages}>
              <Button kind="quiet" disabled={shown.page === 0} onClick={() => void go(shown.page - 1)}>
                Newer
              </Button>
              Page {shown.page + 1} of {shown.pages}
              <Button kind="quiet" disabled={shown.page + 1 >= shown.pages} onClick={() => void go(shown.page + 1)}>
                Older
              </Button>
            </p>
          )}
        </Panel>
        <div className={styles.column}>
          <Panel title="How long do you take, against our default?">
            {log.techniques.length === 0 ? <p>The chart appears with the first rows.</p> : <PaceChart techniques={log.techniques} />}
          </Panel>
          <Closed closed={log.closed} />
        </div>
      </div>
      <Insights />
    </div>
  );
}
