import { useEffect, useState } from 'react';
import { Button } from '../../ui/Button/Button';
import { settingPanel } from '../../contract/settings';
import { Panel } from '../../ui/Panel/Panel';
import { canNotify, mayNotify } from '../client/notify';
import { playTones } from '../client/sound';
import { DEVICE_SWITCHES } from '../shared/deviceSwitches';
import { useRemembered } from '../shared/useRemembered';
import styles from './View.module.css';

const KEY_NAMES: Partial<Record<string, string>> = { ' ': 'Space' };
const nameOf = (key: string) => KEY_NAMES[key] ?? key;
/** Keys that lead through the page, and those that are only held. */
const NOT_FOR_PEDALS = ['Tab', 'Escape', 'Shift', 'Control', 'Alt', 'Meta'];

/** The foot pedal, and what is heard at the bench. */
export function AtTheBench({ pedal, onPedal }: { pedal: string; onPedal: (key: string) => void }) {
  return (
    <Panel {...settingPanel('pedal-and-sounds')}>
      <PedalKey pedal={pedal} onPedal={onPedal} />
      <Switches />
    </Panel>
  );
}

/** A pedal is a keyboard with one key: whichever it sends is learned by treading on it. */
function PedalKey({ pedal, onPedal }: { pedal: string; onPedal: (key: string) => void }) {
  const [isListening, setListening] = useState(false);
  useEffect(() => {
    if (!isListening) return;
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'Escape' && NOT_FOR_PEDALS.includes(event.key)) return;
      event.preventDefault();
      event.stopPropagation();
      if (event.key !== 'Escape') onPedal(event.key);
      setListening(false);
    };
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, [isListening, onPedal]);
  return (
    <div className={styles.pedal} data-testid="pedal">
      <p aria-live="polite">
        {isListening
          ? 'Press the pedal now, or any key; Escape cancels.'
          : pedal === ''
            ? 'No foot pedal is set.'
            : `Foot pedal: key ${nameOf(pedal)}. Press: the big button of the bench. Hold: undo.`}
      </p>
      <Button onClick={() => setListening(true)} disabled={isListening}>
        {pedal === '' ? 'Set a pedal' : 'Set another key'}
      </Button>
      {pedal !== '' && (
        <Button kind="quiet" onClick={() => onPedal('')}>
          No pedal
        </Button>
      )}
      <p className={styles.learned}>
        A telephone can be the pedal: open <a href="/pedal">the pedal page</a> on it. All of it is one button.
      </p>
    </div>
  );
}

/** Chosen for this browser alone: the tablet at the bench may ring, and the computer in the next room not. */
function Switches() {
  const [sounds, setSounds] = useRemembered<boolean>(DEVICE_SWITCHES.sounds, false);
  const [messages, setMessages] = useRemembered<boolean>(DEVICE_SWITCHES.messages, false);
  const [problem, setProblem] = useState<string | null>(null);
  const chooseSounds = (on: boolean) => {
    setSounds(on);
    if (on) playTones('ready');
  };
  const chooseMessages = async (on: boolean) => {
    const may = on && (await mayNotify());
    setMessages(may);
    setProblem(
      on && !may
        ? canNotify()
          ? 'This browser does not let Neat Relay show messages: allow them in its settings for this address.'
          : 'Messages need this computer’s own address (127.0.0.1) or a certificate: see docs/reliability.md.'
        : null,
    );
  };
  return (
    <fieldset className={styles.switches}>
      <legend>On this device: when something is dry, when a wash may pool, when a session ends</legend>
      <label>
        <input type="checkbox" checked={sounds} onChange={(event) => chooseSounds(event.target.checked)} /> Quiet sounds
      </label>
      <label>
        <input type="checkbox" checked={messages} onChange={(event) => void chooseMessages(event.target.checked)} /> Messages when the bench
        is behind another window
      </label>
      <p className={styles.learned}>Never while a knife, a drill or a spray can is in your hand: they come after it.</p>
      {problem && <p role="alert">{problem}</p>}
    </fieldset>
  );
}
