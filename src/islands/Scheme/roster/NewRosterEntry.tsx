import { useState, type KeyboardEvent } from 'react';
import { GROUP_KINDS, type GroupKind } from '../../../core/scheme/model/definitions';
import { Button } from '../../../ui/Button/Button';
import { SelectField, TextField } from '../../../ui/Field/Field';
import styles from './Roster.module.css';

const KIND_LABELS = { leader: 'leader', squad: 'squad', sculpt: 'same sculpt', odd: 'odd one' } as const satisfies Record<
  GroupKind,
  string
>;
const kindOptions = GROUP_KINDS.map((value) => ({ value, label: KIND_LABELS[value] }));

interface NewRosterEntryProps {
  onGroup: (name: string, kind: GroupKind) => void;
  onVariant: (name: string, options: string[]) => void;
}

const VARIANT = 'variant';

/** A group or a variant more. */
export function NewRosterEntry({ onGroup, onVariant }: NewRosterEntryProps) {
  const [kind, setKind] = useState<GroupKind | typeof VARIANT>('leader');
  const [name, setName] = useState('');
  const [options, setOptions] = useState('');
  const [error, setError] = useState<string | null>(null);
  const add = () => {
    const names = options
      .split(',')
      .map((each) => each.trim())
      .filter(Boolean);
    if (name.trim() === '' && kind !== 'leader') return setError('It has no name: say what tells them apart, as Boots or Second squad.');
    if (kind === VARIANT && new Set(names).size < 2)
      return setError('A variant needs two options or more: name them with commas between, as tan, tar.');
    if (kind === VARIANT) onVariant(name.trim(), [...new Set(names)]);
    else onGroup(name.trim() || 'leader', kind);
    setName('');
    setOptions('');
    setError(null);
  };
  const onEnter = (event: KeyboardEvent) => event.key === 'Enter' && add();
  return (
    <div className={styles.new}>
      <SelectField
        label="Add"
        value={kind}
        options={[
          ...kindOptions.map(({ value, label }) => ({ value: value as GroupKind | typeof VARIANT, label: `a group: ${label}` })),
          { value: VARIANT, label: 'a variant, dealt out' },
        ]}
        onChange={setKind}
      />
      <TextField
        label={kind === VARIANT ? 'What differs' : 'Name of the group'}
        placeholder={kind === VARIANT ? 'Boots' : 'leader'}
        value={name}
        onChange={setName}
        error={error}
        onKeyDown={onEnter}
      />
      {kind === VARIANT && (
        <TextField label="Options, with commas" placeholder="tan, tar" value={options} onChange={setOptions} onKeyDown={onEnter} />
      )}
      <Button onClick={add}>Add</Button>
    </div>
  );
}
