'use client';

import { type ReactNode, useRef } from 'react';

interface FilePickerOptions {
  /** What the input is called: "Choose report files". */
  readonly label: string;
  /** Kinds of files to show first, as an input takes them; without it all. */
  readonly accept?: string;
  readonly isMultiple?: boolean;
  /** Told once at least one file was chosen; the same one can be chosen again. */
  readonly onFiles: (files: readonly File[]) => void;
}

/** The system's own dialog for choosing files: its input, which is not seen and stands somewhere on the page, and what opens it. */
export function useFilePicker({ label, accept, isMultiple = false, onFiles }: FilePickerOptions): {
  readonly input: ReactNode;
  readonly open: () => void;
} {
  const element = useRef<HTMLInputElement>(null);
  const input = (
    <input
      ref={element}
      type="file"
      hidden
      multiple={isMultiple}
      accept={accept}
      aria-label={label}
      onChange={(event) => {
        const files = [...(event.target.files ?? [])];
        event.target.value = '';
        if (files.length > 0) onFiles(files);
      }}
    />
  );
  return { input, open: () => element.current?.click() };
}
