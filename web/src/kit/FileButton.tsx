import { useRef } from 'react';

interface Props {
  words: string;
  /** What the file is, for those who do not see the button. */
  label: string;
  accept: string;
  onFile: (file: File) => void;
}

/** A press that asks for a file of one's own. */
export function FileButton({ words, label, accept, onFile }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <button type="button" className="press" onClick={() => input.current?.click()}>
        {words}
      </button>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          if (chosen) onFile(chosen);
          event.target.value = '';
        }}
      />
    </>
  );
}
