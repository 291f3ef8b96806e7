import { ulid } from 'ulid';
import type { PaintCost } from '../../../core/paint/paintCost';
import { MATERIAL_KINDS, MATERIAL_LABELS, agreedQuote, type Material, type Quote, type Rate } from '../../../core/money/definitions';
import type { StoredCommission } from '../../../core/commission/definitions';
import { Button } from '../../../ui/Button/Button';
import { SelectField, TextField } from '../../../ui/Field/Field';
import { NumberField } from '../../../ui/Field/NumberField';
import { Panel } from '../../../ui/Panel/Panel';
import { counted, exactMoneyText } from '../../../ui/format';
import { MoneyField } from '../../shared/MoneyField';
import { SaveState } from '../../shared/SaveState';
import type { Money } from '../useMoney';
import own from './price.module.css';
import styles from '../View.module.css';

const CHANCES = [50, 60, 70, 75, 80, 85, 90, 95].map((percent) => ({ value: String(percent), label: `${percent} of 100` }));
const KINDS = MATERIAL_KINDS.map((value) => ({ value, label: MATERIAL_LABELS[value] }));

interface TermsProps {
  money: Money;
  commission: StoredCommission;
  rate: Rate;
  quotes: readonly Quote[];
  /** What its paint costs; null where nobody can say. */
  paint: PaintCost | null;
}

/** How the painter prices this commission. */
export function Terms({ money, commission, rate, quotes, paint }: TermsProps) {
  const { terms, changeTerms } = money;
  const { currency } = rate;
  const chance = String(Math.round(terms.chance * 100));
  const accepted = agreedQuote(quotes);
  const options = CHANCES.some(({ value }) => value === chance) ? CHANCES : [...CHANCES, { value: chance, label: `${chance} of 100` }];
  return (
    <Panel title="How you price it" aside={<SaveState saved={money} />}>
      <div className={styles.terms}>
        <p className={styles.hint}>
          {exactMoneyText(rate.hourlyRateMinor, currency)} an hour, {commission.standard} standard:{' '}
          <a href={`/c/${commission.id}/intake`}>change them at Intake</a>.
        </p>
        <div className={own.pair}>
          <SelectField
            label="Safety margin: enough"
            value={chance}
            options={options}
            onChange={(percent) => changeTerms({ chance: Number(percent) / 100 })}
          />
          <NumberField
            label="Other work: photographs, mail"
            unit="min"
            min={0}
            max={100_000}
            value={terms.otherMinutes}
            onChange={(minutes) => changeTerms({ otherMinutes: minutes ?? 0 })}
          />
          <NumberField
            label="Repeat discount on the work"
            unit="%"
            min={0}
            max={100}
            value={percent(terms.discountShare)}
            onChange={(share) => changeTerms({ discountShare: (share ?? 0) / 100 })}
          />
          <NumberField
            label="Deposit before the work"
            unit="%"
            min={0}
            max={100}
            value={percent(terms.depositShare)}
            onChange={(share) => changeTerms({ depositShare: (share ?? 0) / 100 })}
          />
          <MoneyField
            label="Minimum charge"
            currency={currency}
            valueMinor={terms.minimumMinor}
            onChange={(minor) => changeTerms({ minimumMinor: minor ?? 0 })}
          />
          <MoneyField
            label="Agreed price"
            currency={currency}
            valueMinor={terms.ownPriceMinor}
            optional
            placeholder={
              accepted === null ? 'as worked out' : `quote ${accepted.number}: ${exactMoneyText(accepted.offer.price.totalMinor, currency)}`
            }
            onChange={(ownPriceMinor) => changeTerms({ ownPriceMinor })}
          />
        </div>
        <Materials materials={terms.materials} currency={currency} paint={paint} onChange={(materials) => changeTerms({ materials })} />
        <TextField
          label="Note on the quote"
          placeholder="Holds for 30 days. Postage is at cost."
          value={terms.words}
          maxLength={4000}
          onChange={(words) => changeTerms({ words })}
        />
      </div>
    </Panel>
  );
}

/** 0.07 as 7: a share as it is typed. */
const percent = (share: number) => Math.round(share * 10_000) / 100;

interface MaterialsProps {
  materials: Material[];
  currency: string;
  paint: PaintCost | null;
  onChange: (materials: Material[]) => void;
}

/** What is bought for it, as typed; what its paint costs is worked out beside it, and taken over by a press. */
function Materials({ materials, currency, paint, onChange }: MaterialsProps) {
  const setKind = (kind: Material['kind'], what: string, amountMinor: number) => {
    const known = materials.find((each) => each.kind === kind);
    onChange(
      known
        ? materials.map((each) => (each === known ? { ...each, what, amountMinor } : each))
        : [...materials, { id: ulid(), kind, what, amountMinor }],
    );
  };
  const put = (id: string, part: Partial<Material>) => onChange(materials.map((each) => (each.id === id ? { ...each, ...part } : each)));
  return (
    <fieldset className={own.materials}>
      <legend>Materials</legend>
      {materials.map((material, index) => {
        const name = `material ${index + 1}`;
        return (
          <div key={material.id} className={own.material}>
            <SelectField
              label={`Kind of ${name}`}
              hideLabel
              value={material.kind}
              options={KINDS}
              onChange={(kind) => put(material.id, { kind })}
            />
            <span className={own.price}>
              <MoneyField
                label={`Price of ${name}`}
                hideLabel
                currency={currency}
                valueMinor={material.amountMinor}
                onChange={(minor) => put(material.id, { amountMinor: minor ?? 0 })}
              />
            </span>
            <span className={own.what}>
              <TextField
                label={`What ${name} is`}
                hideLabel
                placeholder="what it is"
                value={material.what}
                maxLength={200}
                onChange={(what) => put(material.id, { what })}
              />
            </span>
            <Button
              kind="quiet"
              aria-label={`Remove ${name}`}
              onClick={() => onChange(materials.filter((each) => each.id !== material.id))}
            >
              Remove
            </Button>
          </div>
        );
      })}
      <Button kind="quiet" onClick={() => onChange([...materials, { id: ulid(), kind: nextKind(materials), what: '', amountMinor: 0 }])}>
        Add a material
      </Button>
      {paint && (
        <div data-testid="paint-cost">
          <p>
            By amounts and prices of pots: {exactMoneyText(paint.usedMinor, currency)} of paint
            {paint.unpriced.length > 0 && ` without ${counted(paint.unpriced.length, 'paint')} of no known price`}
            {paint.pots.length > 0 &&
              `; to buy for this job alone: ${paint.pots.map(({ name, count }) => `${count} ${name}`).join(', ')}, ${exactMoneyText(paint.potsMinor, currency)}`}
            .
          </p>
          <Button kind="quiet" onClick={() => setKind('paint', 'by amounts', paint.usedMinor)}>
            Charge the paint used
          </Button>
          {paint.pots.length > 0 && (
            <Button
              kind="quiet"
              onClick={() =>
                setKind(
                  'pots',
                  paint.pots
                    .map(({ name, count }) => `${count} ${name}`)
                    .join(', ')
                    .slice(0, 200),
                  paint.potsMinor,
                )
              }
            >
              Charge the pots to buy
            </Button>
          )}
        </div>
      )}
    </fieldset>
  );
}

/** What is not on the list yet. */
const nextKind = (materials: readonly Material[]) =>
  MATERIAL_KINDS.find((kind) => !materials.some((each) => each.kind === kind)) ?? 'other';
