import { mlWords } from '../../core/paint/amountWords';
import type { ShelfPicture } from '../../contract/shelf';
import { Button, LinkButton } from '../../ui/Button/Button';
import { Panel } from '../../ui/Panel/Panel';
import { counted, dayOfText, exactMoneyText, plain } from '../../ui/format';
import { saveFile } from '../client/saveFile';
import styles from './View.module.css';

/** What has to be bought for the work ahead, and by which day. */
export function Buying({ shelf }: { shelf: ShelfPicture }) {
  const list = shelf.toBuy;
  const unread = shelf.needs.filter(({ leftMl }) => leftMl === null).length;
  const save = async () => {
    const { asCsv } = await import('../../core/formats/paint/paintList');
    saveFile(
      new Blob(
        [
          asCsv(
            ['by', 'paint', 'maker', 'missing ml', 'pots', 'price', 'note'],
            list.map(({ by, name, maker, missingMl, pots, priceMinor, discontinued }) => [
              by === null ? '' : dayOf(by),
              name,
              maker,
              plain(missingMl, 1),
              pots === null ? '' : String(pots),
              priceMinor === null ? '' : exactMoneyText(priceMinor, shelf.currency),
              discontinued ? 'cannot be bought any more' : '',
            ]),
          ),
        ],
        { type: 'text/csv' },
      ),
      'to-buy.csv',
    );
  };
  return (
    <Panel
      title="To buy"
      aside={
        list.length > 0 && (
          <span className={styles.tools}>
            <Button onClick={() => void save()}>Export CSV</Button>
            <LinkButton href={`/api/shelf/to-buy${shelf.of === null ? '' : `?of=${shelf.of}`}`}>List to print</LinkButton>
          </span>
        )
      }
    >
      <div data-testid="buying">
        {list.length === 0 && (
          <p>
            {unread === 0
              ? `Nothing: what is on the shelf is enough for ${shelf.of === null ? 'all open work' : 'this commission'}.`
              : 'Nothing that is known.'}
          </p>
        )}
        {list.length > 0 && (
          <ul className={styles.buying}>
            {list.map(({ paintId, name, maker, missingMl, pots, by, priceMinor, discontinued }) => (
              <li key={paintId}>
                <strong>{by === null ? 'no day' : dayOfText(by)}</strong> {name}
                {maker && ` (${maker})`}: {mlWords(missingMl)} short
                {discontinued
                  ? '; it cannot be bought any more, choose a substitute'
                  : pots === null
                    ? '; the size of a pot is not known'
                    : `; ${counted(pots, 'pot')}${priceMinor === null ? '' : `, ${exactMoneyText(priceMinor, shelf.currency)}`}`}
              </li>
            ))}
          </ul>
        )}
        {unread > 0 && <p className={styles.quiet}>{counted(unread, 'paint')} needed here have not been read yet.</p>}
      </div>
    </Panel>
  );
}

/** A moment as its local calendar day, as files have it. */
function dayOf(at: number): string {
  const date = new Date(at);
  const two = (value: number) => String(value).padStart(2, '0');
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`;
}
