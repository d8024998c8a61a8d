/** Of all cores: what other programs take when somebody edits, and what is left of it when nobody does. Assumptions. */
const busyShare = 0.3;
const quietShare = 0.15;
/** Looks in a row that must find it quiet: an editor that waits for a hand on the mouse is quiet for a moment. */
const quietLooks = 3;

/** Whether making is held because the computer is wanted for something else. */
export interface BusyHold {
  readonly isHeld: boolean;
  readonly quietCount: number;
}

export const notHeld: BusyHold = { isHeld: false, quietCount: 0 };

/** Steps on by what other programs keep busy now, as a share of all cores. */
export function stepBusyHold({ isHeld, quietCount }: BusyHold, othersShare: number): BusyHold {
  if (!isHeld) return othersShare >= busyShare ? { isHeld: true, quietCount: 0 } : notHeld;
  if (othersShare > quietShare) return { isHeld: true, quietCount: 0 };
  return quietCount + 1 >= quietLooks ? notHeld : { isHeld: true, quietCount: quietCount + 1 };
}
