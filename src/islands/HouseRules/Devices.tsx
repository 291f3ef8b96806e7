import { useEffect, useState } from 'react';
import { RIGHTS, type DevicesPicture, type PairingCode, type Rights } from '../../contract/devices';
import { Button } from '../../ui/Button/Button';
import { SelectField } from '../../ui/Field/Field';
import { Notice } from '../../ui/Notice/Notice';
import { settingPanel } from '../../contract/settings';
import { Panel } from '../../ui/Panel/Panel';
import { momentText, timeOfDayText } from '../../ui/format';
import { Sure } from '../../ui/Sure/Sure';
import { send } from '../client/api';
import { useAttempt } from '../client/useAttempt';
import { usePicture } from '../client/usePicture';
import { Working } from '../../ui/Working/Working';
import styles from './View.module.css';

const RIGHT_WORDS = { bench: 'work at the bench', all: 'do everything' } as const satisfies Record<Rights, string>;
const rightOptions = RIGHTS.map((value) => ({ value, label: RIGHT_WORDS[value] }));
/** What was done is in the answer. */
const DONE = () => undefined;
/** While a code is shown, this often it is looked whether somebody came in with it. */
const LOOK_EVERY_MS = 2000;

/** Who may come in over the network of the house: nobody, until the painter opens it and pairs a device. */
export function Devices() {
  const { picture: first, error } = usePicture<DevicesPicture>('/api/devices');
  const [changed, setChanged] = useState<DevicesPicture | null>(null);
  const picture = changed ?? first;
  return (
    <Panel {...settingPanel('devices')}>
      {error && <Notice kind="flag">{error}</Notice>}
      {picture ? (
        <Opened picture={picture} onChange={setChanged} />
      ) : (
        !error && (
          <p role="status">
            <Working label="Looking who may come in …" />
          </p>
        )
      )}
    </Panel>
  );
}

function Opened({ picture, onChange }: { picture: DevicesPicture; onChange: (picture: DevicesPicture) => void }) {
  const { error, attempt } = useAttempt(DONE);
  const set = async (isOpen: boolean) => onChange(await send<DevicesPicture>('PUT', '/api/devices', { isOpen }));
  return (
    <div className={styles.devices} data-testid="devices">
      <label className={styles.tick}>
        <input type="checkbox" checked={picture.isOpen} onChange={(event) => attempt(set(event.target.checked))} /> Open Neat Relay to this
        network
      </label>
      <p className={styles.learned}>
        {picture.isOpen
          ? `Devices that you pair reach it at ${picture.addresses.join(' or ')}. Everybody else on the network gets nothing. ${
              picture.isEncrypted
                ? 'What goes over the network is encrypted.'
                : 'What goes over the network is not encrypted: open it only on a network of your own.'
            }`
          : 'Now only this computer reaches it. Open, it answers on the network too, and lets in the devices you pair here.'}
      </p>
      {(picture.problem ?? error) && (
        <Notice kind="flag" role="alert">
          {picture.problem ?? error}
        </Notice>
      )}
      {picture.isOpen && <Pairing picture={picture} onChange={onChange} />}
      <ul>
        {picture.devices.map((device) => (
          <Device key={device.id} device={device} onChange={onChange} />
        ))}
      </ul>
    </div>
  );
}

function Pairing({ picture, onChange }: { picture: DevicesPicture; onChange: (picture: DevicesPicture) => void }) {
  const [may, setMay] = useState<Rights>('bench');
  const [code, setCode] = useState<PairingCode | null>(null);
  const [before, setBefore] = useState(0);
  const { error, attempt } = useAttempt(DONE);
  const isIn = code !== null && picture.devices.length > before;
  const isWaiting = code !== null && !isIn;
  useEffect(() => {
    if (!isWaiting) return;
    const looking = setInterval(() => {
      send<DevicesPicture>('GET', '/api/devices').then(onChange, () => undefined);
    }, LOOK_EVERY_MS);
    return () => clearInterval(looking);
  }, [isWaiting, onChange]);
  const begin = async () => {
    setBefore(picture.devices.length);
    setCode(await send<PairingCode>('POST', '/api/devices/pairing', { may }));
  };
  return (
    <div className={styles.pairing}>
      <SelectField label="The next device may" value={may} options={rightOptions} onChange={setMay} />
      <Button onClick={() => attempt(begin())}>Pair a device</Button>
      {error && (
        <Notice kind="flag" role="alert">
          {error}
        </Notice>
      )}
      {isWaiting && (
        <div className={styles.code} data-testid="pairing-code">
          <svg viewBox={`-4 -4 ${code.size + 8} ${code.size + 8}`} role="img" aria-label="QR code of the address with the pairing code">
            <path d={`M-4 -4h${code.size + 8}v${code.size + 8}h-${code.size + 8}z`} fill="#fff" />
            <path d={code.path} fill="#000" shapeRendering="crispEdges" />
          </svg>
          <p>
            Point the camera of the device at this, or open {picture.addresses[0]} on it and type <strong>{code.code}</strong>. Valid until{' '}
            {timeOfDayText(code.until)}, for one device.
          </p>
        </div>
      )}
      {isIn && <p role="status">{picture.devices.at(-1)!.name} is paired.</p>}
    </div>
  );
}

function Device({ device, onChange }: { device: DevicesPicture['devices'][number]; onChange: (picture: DevicesPicture) => void }) {
  const { error, attempt } = useAttempt(DONE);
  const revoke = async () => onChange(await send<DevicesPicture>('PUT', `/api/devices/${device.id}`, { revoked: true }));
  return (
    <li data-testid="device">
      <span>
        {device.name}: may {RIGHT_WORDS[device.may]}
        <small>last seen {momentText(Date.parse(device.seenAt))}</small>
        {error && <small role="alert">{error}</small>}
      </span>
      <Sure
        kind="quiet"
        label={`Remove ${device.name}`}
        question="It gets nothing from here any more."
        yes={`Remove ${device.name}`}
        onYes={() => attempt(revoke())}
      >
        Remove
      </Sure>
    </li>
  );
}
