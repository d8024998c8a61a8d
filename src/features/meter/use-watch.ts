'use client';

import { useEffect, useMemo, useReducer } from 'react';
import type { FixUse } from '@/core/card';
import { listWatchableFixes } from '@/core/diagnose';
import {
  type CutRun,
  compareStretches,
  cutStretches,
  type PictureRegion,
  type WatchedSetup,
  type WatchVerdict,
} from '@/core/meter';
import { useGlance } from '../shell/answer/at-a-glance';
import { useOpenCard } from '../shell/card/use-open-card';
import type { CaptureControls } from './use-capture';
import { noWatch, reduceWatch, setupNow, type WatchState } from './watch-state';

/** What came of a run that was watched. */
export interface WatchOutcome extends CutRun {
  readonly verdict: WatchVerdict;
  readonly startMs: number;
  readonly ownLoadRatio: number;
}

export interface WatchControls {
  readonly state: WatchState;
  readonly setup: WatchedSetup;
  readonly press: (atMs: number) => void;
  readonly takeBack: () => void;
  readonly begin: (request: { readonly region: PictureRegion | null; readonly clipFps: number }) => void;
  /** Null until it has ended, or where it gave nothing. */
  readonly outcome: WatchOutcome | null;
}

/** What can be switched to and fro on this card, the likeliest first; worked out only where it is asked for. */
export function useWatchableFixes(isAsked: boolean): readonly FixUse[] {
  const { card } = useOpenCard();
  const { move } = useGlance().conclusion;
  const next = move && 'fix' in move && move.kind !== 'give-back' ? move.fix : null;
  return useMemo(() => (isAsked ? listWatchableFixes(card, next) : []), [isAsked, card, next]);
}

/** Somebody who watches longer has found what there is to find. */
const mostMs = 600_000;

/** The change that is switched to and fro; null where it stands on no list. */
export type WatchedFix = FixUse | null;

/** Watches the shared window while a setting is switched to and fro, and cuts what came by the presses. */
export function useWatch(capture: CaptureControls, isOn: boolean, clipFps: number, countInMs: number): WatchControls {
  const [state, dispatch] = useReducer(reduceWatch, noWatch);
  const progress = isOn && capture.state.status === 'running' ? capture.state.progress : null;
  useEffect(() => {
    if (progress) dispatch({ type: 'progress', atMs: Date.now(), progress });
  }, [progress]);
  const reading = isOn && capture.state.status === 'done' ? capture.state.value : null;
  const outcome = useMemo(() => {
    if (!reading) return null;
    const { course, startedAtMs, measuredMs, ownLoadRatio, ceilingFps } = reading;
    const cut = cutStretches({
      course,
      startMs: startedAtMs,
      endMs: startedAtMs + measuredMs,
      first: 'as-before',
      presses: state.presses,
      clipFps,
      ceilingFps,
    });
    return { ...cut, verdict: compareStretches(cut.stretches), startMs: startedAtMs, ownLoadRatio };
  }, [reading, state.presses, clipFps]);
  return {
    state,
    setup: setupNow(state),
    press: (atMs) => dispatch({ type: 'press', atMs }),
    takeBack: () => dispatch({ type: 'take-back' }),
    begin: (request) => {
      dispatch({ type: 'begin' });
      capture.measure({ ...request, countInMs, lengthMs: mostMs, isOpenEnded: true });
    },
    outcome,
  };
}
