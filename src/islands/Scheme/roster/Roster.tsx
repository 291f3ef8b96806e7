import { ulid } from 'ulid';
import { useState } from 'react';
import { STANDARDS, type Group, type Scheme, type Standard, type Unit, type Variant } from '../../../core/scheme/model/definitions';
import { allModels } from '../../../core/scheme/model/whoTakes';
import { Button } from '../../../ui/Button/Button';
import { SelectField, TextField } from '../../../ui/Field/Field';
import { NumberField } from '../../../ui/Field/NumberField';
import { cx } from '../../../ui/cx';
import { counted } from '../../../ui/format';
import { X } from '../../../ui/icons';
import { NewRosterEntry } from './NewRosterEntry';
import {
  addGroup,
  addVariant,
  changeGroup,
  dealBySquad,
  dealInTurn,
  nextOption,
  removeGroup,
  removeVariant,
  toggleModel,
} from '../../../core/scheme/authoring/rosterEdits';
import styles from './Roster.module.css';

interface RosterProps {
  unit: Unit;
  scheme: Scheme;
  /** What the client pays for. */
  standard: Standard;
  onChange: (scheme: Scheme) => void;
}

/** Who is who in the unit: groups and variants, a row each, and every model's lot in its column. */
export function Roster({ unit, scheme, standard, onChange }: RosterProps) {
  const models = allModels(unit);
  return (
    <details className={styles.roster} data-testid="roster">
      <summary>Leaders and groups: {summaryOf(scheme)}</summary>
      {scheme.groups.length + scheme.variants.length > 0 && (
        <div className={styles.scroll} tabIndex={0} role="region" aria-label="Every model's lot">
          <table className={styles.table}>
            <thead>
              <tr>
                <th scope="col">Model</th>
                {models.map((model) => (
                  <th key={model} scope="col">
                    {model}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {scheme.groups.map((group) => (
                <GroupRow
                  key={group.id}
                  group={group}
                  models={models}
                  onToggle={(model) => onChange(toggleModel(scheme, group.id, model))}
                />
              ))}
              {scheme.variants.map((variant) => (
                <VariantRow
                  key={variant.id}
                  variant={variant}
                  models={models}
                  onNext={(model) => onChange(nextOption(scheme, variant.id, model))}
                />
              ))}
            </tbody>
          </table>
        </div>
      )}
      <ul className={styles.entries}>
        {scheme.groups.map((group) => (
          <GroupEntry
            key={group.id}
            group={group}
            standard={standard}
            onChange={(change) => onChange(changeGroup(scheme, group.id, change))}
            onRemove={() => onChange(removeGroup(scheme, group.id))}
          />
        ))}
        {scheme.variants.map((variant) => (
          <VariantEntry
            key={variant.id}
            variant={variant}
            hasSquads={scheme.groups.some((group) => group.kind === 'squad')}
            onTurn={(shares) => onChange(dealInTurn(scheme, variant.id, shares, models))}
            onSquads={() => onChange(dealBySquad(scheme, variant.id, models))}
            onRemove={() => onChange(removeVariant(scheme, variant.id))}
          />
        ))}
      </ul>
      <NewRosterEntry
        onGroup={(name, kind) => onChange(addGroup(ulid, scheme, name, kind))}
        onVariant={(name, options) => onChange(addVariant(ulid, scheme, name, options, models))}
      />
    </details>
  );
}

function summaryOf({ groups, variants }: Scheme): string {
  const parts = [
    ...groups.map((group) => `${group.models.length} ${group.name}`),
    ...variants.map(
      (variant) => `${variant.name} ${variant.options.map((option) => `${option.models.length} ${option.name}`).join(' / ')}`,
    ),
  ];
  return parts.join(', ') || 'all models alike';
}

function GroupRow({ group, models, onToggle }: { group: Group; models: number[]; onToggle: (model: number) => void }) {
  const members = new Set(group.models);
  return (
    <tr>
      <th scope="row">{group.name}</th>
      {models.map((model) => (
        <td key={model}>
          <button
            type="button"
            className={cx(styles.cell, members.has(model) && styles.in)}
            aria-pressed={members.has(model)}
            aria-label={`Model ${model} is ${group.name}`}
            onClick={() => onToggle(model)}
          >
            {members.has(model) ? '●' : '·'}
          </button>
        </td>
      ))}
    </tr>
  );
}

function VariantRow({ variant, models, onNext }: { variant: Variant; models: number[]; onNext: (model: number) => void }) {
  const optionOf = (model: number) => variant.options.findIndex((option) => option.models.includes(model));
  return (
    <tr>
      <th scope="row">{variant.name}</th>
      {models.map((model) => {
        const option = variant.options[optionOf(model)];
        return (
          <td key={model}>
            <button
              type="button"
              className={styles.cell}
              data-option={optionOf(model) % 4}
              aria-label={`${variant.name} of model ${model}: ${spoken(option?.name)}. Press for the next`}
              onClick={() => onNext(model)}
            >
              {option?.name.slice(0, SHORT) ?? '?'}
            </button>
          </td>
        );
      })}
    </tr>
  );
}

/** So many letters of an option fit into a cell. */
const SHORT = 3;
/** The whole name, with what is seen of it: who says what is on the button means this one. */
const spoken = (name = '?'): string => (name.length > SHORT ? `${name} (${name.slice(0, SHORT)})` : name);

interface GroupEntryProps {
  group: Group;
  standard: Standard;
  onChange: (change: Partial<Group>) => void;
  onRemove: () => void;
}

function GroupEntry({ group, standard, onChange, onRemove }: GroupEntryProps) {
  const notches = group.standard === null ? 0 : Math.abs(STANDARDS.indexOf(group.standard) - STANDARDS.indexOf(standard));
  return (
    <li className={styles.entry} data-group={group.name}>
      <TextField
        label={`Name of the group ${group.name}`}
        hideLabel
        value={group.name}
        onChange={(name) => name.trim() && onChange({ name })}
      />
      <SelectField
        label="Painted to"
        value={group.standard ?? ''}
        options={standardChoices}
        onChange={(value) => onChange({ standard: value || null })}
      />
      <NumberField
        label="Takes longer by"
        unit="×"
        optional
        min={0.1}
        max={20}
        placeholder={group.kind === 'leader' ? 'as leaders do' : '1'}
        value={group.factor}
        onChange={(factor) => onChange({ factor })}
      />
      <Button kind="quiet" aria-label={`Remove the group ${group.name}`} onClick={onRemove}>
        <X aria-hidden="true" size={16} />
      </Button>
      {notches > 1 && (
        <p className={styles.warning} role="status">
          {counted(notches, 'level')} from the unit: it will look as if it came from another box. One is usual.
        </p>
      )}
    </li>
  );
}

const standardChoices: { value: Standard | ''; label: string }[] = [
  { value: '', label: 'as the unit' },
  ...STANDARDS.map((value) => ({ value, label: value })),
];

interface VariantEntryProps {
  variant: Variant;
  hasSquads: boolean;
  onTurn: (shares: number[]) => void;
  onSquads: () => void;
  onRemove: () => void;
}

function VariantEntry({ variant, hasSquads, onTurn, onSquads, onRemove }: VariantEntryProps) {
  const [shares, setShares] = useState('');
  const given = shares
    .split(/[\s:,]+/)
    .filter(Boolean)
    .map(Number);
  const isRatio = given.length === variant.options.length && given.every((share) => Number.isInteger(share) && share > 0 && share <= 100);
  return (
    <li className={styles.entry} data-variant={variant.name}>
      <span>
        {variant.name}: {variant.options.map((option) => `${option.models.length} ${option.name}`).join(', ')}
      </span>
      <TextField
        label="Deal out by ratio"
        placeholder={variant.options.map(() => '1').join(':')}
        value={shares}
        onChange={setShares}
        onKeyDown={(event) => event.key === 'Enter' && isRatio && onTurn(given)}
        error={shares !== '' && !isRatio ? `Give ${variant.options.length} whole numbers, as 2:1.` : null}
      />
      <Button onClick={() => onTurn(isRatio ? given : variant.options.map(() => 1))}>Deal out in turn</Button>
      {hasSquads && <Button onClick={onSquads}>One for each squad</Button>}
      <Button kind="quiet" aria-label={`Remove the variant ${variant.name}`} onClick={onRemove}>
        <X aria-hidden="true" size={16} />
      </Button>
    </li>
  );
}
