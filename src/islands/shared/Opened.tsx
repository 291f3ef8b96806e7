import type { ReactNode } from 'react';
import { Notice } from '../../ui/Notice/Notice';
import { usePicture } from '../client/usePicture';
import { Working } from '../../ui/Working/Working';

interface OpenedProps<T> {
  /** Where the server tells what the view shows. */
  url: string;
  /** What the page brought along, where it was there in time. */
  first?: T | null;
  /** What is being opened, as in "Opening the trays …". */
  what: string;
  /** `reload` asks the server again; what is shown stays meanwhile. */
  children: (picture: T, reload: () => void) => ReactNode;
}

/** What stands there until a view is open. */
export const Opening = ({ what, isWorking }: { what: string; isWorking: boolean }) => (
  <p role="status" data-opening={isWorking ? 'working' : 'asked'}>
    <Working
      label={`Opening ${what} …${isWorking ? ' There is a lot to work out: hours and dates follow as soon as they are known.' : ''}`}
    />
  </p>
);

/** A view of what the server tells beside the page, or what the page brought along. */
export function Opened<T>({ first = null, ...asked }: OpenedProps<T>) {
  return first === null ? <Asked {...asked} /> : asked.children(first, () => window.location.reload());
}

function Asked<T>({ url, what, children }: Omit<OpenedProps<T>, 'first'>) {
  const { picture, error, isWorking, reload } = usePicture<T>(url);
  if (picture !== undefined) return children(picture, reload);
  if (error === null) return <Opening what={what} isWorking={isWorking} />;
  return (
    <Notice kind="flag" role="alert">
      {error}
    </Notice>
  );
}
