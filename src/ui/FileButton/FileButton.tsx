import { useRef, type ReactNode } from 'react';
import { Button } from '../Button/Button';

interface FileButtonProps {
  /** What kind of file, for those who do not see the button: Time log file. */
  label: string;
  accept: string;
  onChoose: (file: File) => void;
  /** It comes in the place of a button that was pressed. */
  autoFocus?: boolean;
  children: ReactNode;
}

/** Lets the painter choose a file; the same one can be chosen again. */
export function FileButton({ label, accept, onChoose, autoFocus, children }: FileButtonProps) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        hidden
        aria-label={label}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) onChoose(file);
          event.target.value = '';
        }}
      />
      <Button autoFocus={autoFocus} onClick={() => input.current?.click()}>
        {children}
      </Button>
    </>
  );
}
