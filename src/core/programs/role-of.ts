import { ownNames, roleWords } from './role-words';
import type { ProgramRole } from './types';

const escapePattern = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

const ownRoles: ReadonlyMap<string, ProgramRole> = new Map(
  Object.entries(ownNames).flatMap(([role, names]) =>
    names.filter((name) => !name.endsWith('*')).map((name) => [name, role as ProgramRole] as const),
  ),
);
const ownStems: readonly (readonly [string, ProgramRole])[] = Object.entries(ownNames).flatMap(([role, names]) =>
  names.filter((name) => name.endsWith('*')).map((name) => [name.slice(0, -1), role as ProgramRole] as const),
);

const wordRoles = roleWords.map(({ role, within = [], word = [] }) => ({
  role,
  pattern: new RegExp(
    [...within.map(escapePattern), ...word.map((text) => `(?<![a-z])${escapePattern(text)}(?![a-z])`)].join('|') ||
      '(?!)',
  ),
}));

/** Folders that hold an operating system's own programs. */
const systemFolders =
  /^(?:[a-z]:\\windows\\|\/system\/|\/usr\/libexec\/|\/sbin\/|\/usr\/sbin\/|\/lib\/systemd\/|\/usr\/lib\/systemd\/)/;

/** "LoftSync" as "loft sync", so that its words are found. */
const toWords = (name: string): string =>
  name
    .replace(/(?<=[a-z])(?=[A-Z])/g, ' ')
    .replace(/[_.]/g, ' ')
    .toLowerCase();

/**
 * What a process is by its name, and by the folder of its file where that is known. Names of systems' and browsers' own
 * processes come first, then plain words in the name, then the system's folders. Length of the name is bounded by the caller.
 */
export function roleOf(name: string, filePath = ''): ProgramRole {
  const lower = name.toLowerCase();
  // Threads of the kernel stand in square brackets in lists of Linux.
  if (/^\[.*\]$/.test(lower)) return 'system';
  const own = ownRoles.get(lower) ?? ownStems.find(([stem]) => lower.startsWith(stem))?.[1];
  if (own) return own;
  const words = toWords(name);
  const told = wordRoles.find(({ pattern }) => pattern.test(words) || pattern.test(lower));
  if (told) return told.role;
  return systemFolders.test(filePath.toLowerCase()) ? 'system' : 'unknown';
}
