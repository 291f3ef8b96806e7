import type { ReactNode } from 'react';
import { Notice } from '../../ui/Notice/Notice';
import { usePicture } from './usePicture';

interface OpenedProps<T> {
  /** Where the server tells what the view shows. */
  url: string;
  /** What is being opened, as in "Opening the trays …". */
  what: string;
  /** `reload` asks the server again; what is shown stays meanwhile. */
  children: (picture: T, reload: () => void) => ReactNode;
}

/** A view of what the server tells beside the page. */
export function Opened<T>({ url, what, children }: OpenedProps<T>) {
  const { picture, error, reload } = usePicture<T>(url);
  if (picture !== undefined) return children(picture, reload);
  if (error === null) return <p role="status">Opening {what} …</p>;
  return (
    <Notice kind="flag" role="alert">
      {error}
    </Notice>
  );
}
