import type { FootageFailure, ReportFailure } from '@/core/footage';

/** Why a file did not become a clip; the last two are no failure of the file. */
export type NotTaken = FootageFailure | ReportFailure | { readonly code: 'already-there' };

export interface NotTakenFile {
  readonly fileName: string;
  readonly reason: NotTaken;
}

/** What is told of files beside the clips that they became. */
interface Told {
  readonly notTaken: readonly NotTakenFile[];
  /** Files of dropped folders that are no footage. */
  readonly leftAsideCount: number;
}

/** Reading of dropped files, as the screen shows it. */
export type FootageState =
  | (Told & { readonly status: 'idle' })
  | (Told & {
      readonly status: 'running';
      readonly fileCount: number;
      readonly doneCount: number;
      readonly current: string;
    });

export type FootageAction =
  | { readonly type: 'begun'; readonly fileCount: number; readonly leftAsideCount: number }
  | { readonly type: 'reading'; readonly fileName: string }
  | { readonly type: 'read' }
  | { readonly type: 'not-taken'; readonly files: readonly NotTakenFile[] }
  | { readonly type: 'ended' }
  | { readonly type: 'dismissed' };

export const idleFootage: FootageState = { status: 'idle', notTaken: [], leftAsideCount: 0 };

/** Steps the reading on; pure. A second drop while one is running adds to its count. */
export function reduceFootage(state: FootageState, action: FootageAction): FootageState {
  switch (action.type) {
    case 'begun': {
      const running = state.status === 'running' ? state : { ...state, fileCount: 0, doneCount: 0, current: '' };
      return {
        ...running,
        status: 'running',
        fileCount: running.fileCount + action.fileCount,
        leftAsideCount: running.leftAsideCount + action.leftAsideCount,
      };
    }
    case 'reading':
      return state.status === 'running' ? { ...state, current: action.fileName } : state;
    case 'read':
      return state.status === 'running' ? { ...state, doneCount: state.doneCount + 1 } : state;
    case 'not-taken':
      return { ...state, notTaken: [...state.notTaken, ...action.files] };
    case 'ended':
      return state.status === 'running' && state.doneCount >= state.fileCount
        ? { status: 'idle', notTaken: state.notTaken, leftAsideCount: state.leftAsideCount }
        : state;
    case 'dismissed':
      return { ...state, notTaken: [], leftAsideCount: 0 };
  }
}
