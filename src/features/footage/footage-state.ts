import type { FootageFailure } from '@/core/footage';

/** Why a file did not become a clip; `already-there` is no failure of the file. */
export type NotTaken = FootageFailure | { readonly code: 'already-there' };

/** Reading of dropped files, as the screen shows it. */
export type FootageState =
  | { readonly status: 'idle'; readonly notTaken: readonly NotTakenFile[] }
  | {
      readonly status: 'running';
      readonly notTaken: readonly NotTakenFile[];
      readonly fileCount: number;
      readonly doneCount: number;
      readonly current: string;
    };

export interface NotTakenFile {
  readonly fileName: string;
  readonly reason: NotTaken;
}

export type FootageAction =
  | { readonly type: 'begun'; readonly fileCount: number }
  | { readonly type: 'reading'; readonly fileName: string }
  | { readonly type: 'read' }
  | { readonly type: 'not-taken'; readonly file: NotTakenFile }
  | { readonly type: 'ended' }
  | { readonly type: 'dismissed' };

export const idleFootage: FootageState = { status: 'idle', notTaken: [] };

/** Steps the reading on; pure. A second drop while one is running adds to its count. */
export function reduceFootage(state: FootageState, action: FootageAction): FootageState {
  switch (action.type) {
    case 'begun': {
      const running = state.status === 'running' ? state : { ...state, fileCount: 0, doneCount: 0, current: '' };
      return { ...running, status: 'running', fileCount: running.fileCount + action.fileCount };
    }
    case 'reading':
      return state.status === 'running' ? { ...state, current: action.fileName } : state;
    case 'read':
      return state.status === 'running' ? { ...state, doneCount: state.doneCount + 1 } : state;
    case 'not-taken':
      return { ...state, notTaken: [...state.notTaken, action.file] };
    case 'ended':
      return state.status === 'running' && state.doneCount >= state.fileCount
        ? { status: 'idle', notTaken: state.notTaken }
        : state;
    case 'dismissed':
      return { ...state, notTaken: [] };
  }
}
