import { type FileWithPath, fromEvent } from 'file-selector';

/** A file with the folder that it came with. */
export interface FolderFile {
  readonly file: File;
  /** Without a slash at either end; empty where it came by itself. */
  readonly folder: string;
}

/** The folder of "./Day 1/A001.mp4" is "Day 1". */
const folderOf = ({ path = '' }: FileWithPath): string =>
  path
    .split('/')
    .slice(0, -1)
    .filter((part) => part !== '' && part !== '.')
    .join('/');

/** The files of a drop or a choice, folders walked through with all that lies in them. */
export async function listFiles(event: Event): Promise<readonly FolderFile[]> {
  const files = await fromEvent(event);
  return files
    .filter((item): item is FileWithPath => item instanceof File)
    .map((file) => ({ file, folder: folderOf(file) }));
}
