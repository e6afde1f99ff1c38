import type { Ref } from 'react';

type FileInputProps = {
  /** What is clicked for it. */
  readonly ref: Ref<HTMLInputElement>;
  readonly label: string;
  readonly accept: string;
  readonly onFile: (file: File) => void;
};

/** An unseen input for one file; the same file may be chosen again. */
export const FileInput = ({ ref, label, accept, onFile }: FileInputProps) => (
  <input
    ref={ref}
    type="file"
    hidden
    accept={accept}
    aria-label={label}
    onChange={(event) => {
      const [file] = event.target.files ?? [];
      event.target.value = '';
      if (file) onFile(file);
    }}
  />
);
