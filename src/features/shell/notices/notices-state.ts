/** Something to be told that leaves by itself, or stays until it is read. */
export interface Notice {
  readonly kind: 'info' | 'alarm';
  readonly text: string;
  /** What the button beside the text does, if there is one. */
  readonly action?: { readonly label: string; readonly run: () => void };
}

/** A notice on the screen; `leavesAtMs` is null for one that stays, and while it is pointed at or focused. */
export interface ShownNotice {
  readonly id: number;
  readonly notice: Notice;
  readonly leavesAtMs: number | null;
}

export interface NoticesState {
  readonly lastId: number;
  /** Oldest first. */
  readonly shown: readonly ShownNotice[];
}

export type NoticesEvent =
  | { readonly type: 'told'; readonly notice: Notice; readonly nowMs: number }
  | { readonly type: 'dismissed'; readonly id: number }
  | { readonly type: 'held'; readonly id: number }
  | { readonly type: 'let-go'; readonly id: number; readonly nowMs: number }
  | { readonly type: 'time'; readonly nowMs: number };

export const noNotices: NoticesState = { lastId: 0, shown: [] };

/** How long a notice stays: longer where something can be undone by it. What went wrong stays until it is read. */
const staysMs = { plain: 7000, withAction: 15_000 } as const;

const leavesAtMs = ({ kind, action }: Notice, nowMs: number): number | null =>
  kind === 'alarm' ? null : nowMs + (action ? staysMs.withAction : staysMs.plain);

/** More than this many are not kept on the screen; the oldest that can do nothing any more goes first. */
const mostShown = 5;

function withinRoom(shown: readonly ShownNotice[]): readonly ShownNotice[] {
  if (shown.length <= mostShown) return shown;
  const out = shown.find(({ notice }) => notice.action === undefined && notice.kind === 'info') ?? shown[0];
  return shown.filter((other) => other !== out);
}

/** The queue of notices: each has a place and a time of its own, and a new one takes none from another. */
export function stepNotices(state: NoticesState, event: NoticesEvent): NoticesState {
  const withTime = (id: number, atMs: (notice: Notice) => number | null): NoticesState => ({
    ...state,
    shown: state.shown.map((each) => (each.id === id ? { ...each, leavesAtMs: atMs(each.notice) } : each)),
  });
  switch (event.type) {
    case 'told': {
      const id = state.lastId + 1;
      const told = { id, notice: event.notice, leavesAtMs: leavesAtMs(event.notice, event.nowMs) };
      return { lastId: id, shown: withinRoom([...state.shown, told]) };
    }
    case 'dismissed':
      return { ...state, shown: state.shown.filter(({ id }) => id !== event.id) };
    case 'held':
      return withTime(event.id, () => null);
    case 'let-go':
      return withTime(event.id, (notice) => leavesAtMs(notice, event.nowMs));
    case 'time': {
      const shown = state.shown.filter((each) => each.leavesAtMs === null || each.leavesAtMs > event.nowMs);
      return shown.length === state.shown.length ? state : { ...state, shown };
    }
    default:
      return event satisfies never;
  }
}

/** When the next notice leaves; null where none does by itself. */
export const nextLeavingMs = ({ shown }: NoticesState): number | null =>
  shown.reduce<number | null>(
    (next, each) => (each.leavesAtMs === null ? next : Math.min(next ?? each.leavesAtMs, each.leavesAtMs)),
    null,
  );
