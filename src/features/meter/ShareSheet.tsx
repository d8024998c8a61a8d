'use client';

import { AppWindow, Gauge, Square } from 'lucide-react';
import styled from 'styled-components';
import { type FixUse, keyOfFix, type Reading } from '@/core/card';
import { type CaptureProgress, type PictureRegion, recentMs, runningFps } from '@/core/meter';
import { fixTitle } from '@/messages/fix-titles';
import { formatFps } from '@/messages/format';
import { BesideButton } from '@/ui/BesideButton';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { LinkButton } from '@/ui/LinkButton';
import { FieldGrid, Row, Soft } from '@/ui/layout';
import { SegmentedField } from '@/ui/SegmentedField';
import { SelectField } from '@/ui/SelectField';
import { Sheet } from '@/ui/Sheet';
import { colour, font } from '@/ui/tokens';
import { NumberField } from '../fields/NumberField';
import { MeasuredView } from './MeasuredView';
import { RegionFields } from './RegionFields';
import type { CaptureControls } from './use-capture';
import type { WatchControls, WatchedFix } from './use-watch';
import { WatchView } from './WatchView';

const Now = styled.p`
  font: 700 26px/1.2 ${font.heading};
  font-variant-numeric: tabular-nums;
`;
const Strip = styled.div`
  position: relative;
  height: 34px;
  margin: 10px 0 6px;
  border: 1px solid ${colour.line};
  border-radius: 4px;
  background: ${colour.inset};
  overflow: hidden;
  i { position: absolute; top: 4px; bottom: 4px; width: 3px; border-radius: 1px; background: ${colour.oil}; }
`;

/** What is measured of the shared window. */
export interface CaptureChoice {
  readonly doing: Reading['doing'] | 'switching';
  readonly lengthSec: number;
  readonly region: PictureRegion | null;
  /** What is switched to and fro. */
  readonly fix: WatchedFix;
}

const doings = [
  { value: 'playing' as const, label: 'Playing' },
  { value: 'scrubbing' as const, label: 'Scrubbing' },
  { value: 'switching' as const, label: 'Switching' },
];
const usualLengthSec = { playing: 15, scrubbing: 10 } as const;
const onNoList = 'on-no-list';

/** Which setting is switched to and fro: those that can be switched while it plays, and whatever stands on no list. */
function WatchedFixField({
  fixes,
  fix,
  onChange,
}: {
  readonly fixes: readonly FixUse[];
  readonly fix: WatchedFix;
  readonly onChange: (fix: WatchedFix) => void;
}) {
  return (
    <SelectField
      label="Setting that you switch"
      options={[
        ...fixes.map((each) => ({ value: keyOfFix(each), label: fixTitle(each.id, each.level) })),
        { value: onNoList, label: 'Something else' },
      ]}
      value={fix ? keyOfFix(fix) : onNoList}
      onChange={(key) => onChange(fixes.find((each) => keyOfFix(each) === key) ?? null)}
    />
  );
}

function RunningView({
  progress,
  doing,
}: {
  readonly progress: CaptureProgress | null;
  readonly doing: CaptureChoice['doing'];
}) {
  if (!progress || progress.phase === 'counting-in')
    return (
      <>
        <Now role="status">{progress ? `Begins in ${Math.ceil(progress.leftMs / 1000)}` : 'Beginning'}</Now>
        <p>
          {doing === 'playing'
            ? 'Go to your editor and press play on the stretch that lags.'
            : 'Go to your editor and drag the playhead to and fro until this is over.'}
        </p>
      </>
    );
  return (
    <>
      <Now role="status">{Math.ceil(progress.leftMs / 1000)} s to go</Now>
      <Strip role="img" aria-label="New pictures of the last seconds">
        {progress.newBeforeMs.map((ms) => (
          <i key={ms} style={{ left: `${100 * (1 - ms / recentMs)}%` }} />
        ))}
      </Strip>
      <p>
        {progress.isQuiet
          ? 'Nothing has come for two seconds: the window may be minimised or paused, or nothing moves.'
          : progress.isRegionKnown
            ? `About ${formatFps(Math.round(runningFps(progress)))} new pictures a second just now.`
            : 'Looking for the part of the window where the picture plays.'}
      </p>
    </>
  );
}

interface ShareSheetProps {
  readonly capture: CaptureControls;
  readonly choice: CaptureChoice;
  readonly onChoose: (patch: Partial<CaptureChoice>) => void;
  readonly onMeasure: () => void;
  /** While a setting is switched to and fro, in place of one reading. */
  readonly watch: WatchControls | null;
  readonly watchableFixes: readonly FixUse[];
  readonly targetFps: number;
}

/** Shares the editor's window and measures what its preview shows. */
export function ShareSheet(props: ShareSheetProps) {
  const { capture, choice, onChoose, onMeasure, watch, watchableFixes, targetFps } = props;
  const { state, isAsking, shared, share, stop, finish, unshare } = capture;
  const measured = state.status === 'done' ? state.value : null;
  const region = choice.region ?? measured?.reading.region ?? null;
  const isRunning = state.status === 'running';
  return (
    <Sheet title="Share the editor’s window" aside="nothing is recorded, and nothing leaves this computer">
      {!shared && (
        <Row $belowPx={12}>
          <Button variant="primary" onPress={share} isDisabled={isAsking}>
            <AppWindow size={18} aria-hidden="true" /> {isAsking ? 'Choose a window…' : 'Share a window'}
          </Button>
          <LinkButton href="/practice" isNewTab variant="quiet">
            Open the practice window
          </LinkButton>
          <BesideButton $isAlone>
            <Soft>
              The browser asks which. Choose the editor’s window, and leave it in sight while it is measured. To try it
              without an editor, open the practice window and share that.
            </Soft>
          </BesideButton>
        </Row>
      )}
      {shared && (
        <MeasuredView
          source={shared.stream}
          label="The shared window"
          region={region}
          size={measured}
          onRegion={(drawn) => onChoose({ region: drawn })}
        />
      )}
      {state.status === 'running' &&
        (watch ? (
          <WatchView watch={watch} progress={state.progress} fix={choice.fix} targetFps={targetFps} onEnd={finish} />
        ) : (
          <RunningView progress={state.progress} doing={choice.doing} />
        ))}
      {!isRunning && (
        <FieldGrid $leastPx={290} $belowPx={12}>
          <SegmentedField
            label="What you will do"
            options={doings}
            value={choice.doing}
            onChange={(doing) =>
              onChoose(doing === 'switching' ? { doing } : { doing, lengthSec: usualLengthSec[doing] })
            }
          />
          {choice.doing === 'switching' ? (
            <WatchedFixField fixes={watchableFixes} fix={choice.fix} onChange={(fix) => onChoose({ fix })} />
          ) : (
            <NumberField
              label="Measure for"
              unit="s"
              minValue={3}
              maxValue={600}
              value={choice.lengthSec}
              onChange={(lengthSec) => lengthSec !== null && onChoose({ lengthSec })}
            />
          )}
        </FieldGrid>
      )}
      {!isRunning && shared && region && (
        <FieldGrid $leastPx={150} $belowPx={12}>
          <RegionFields region={region} size={measured} onChange={(typed) => onChoose({ region: typed })} />
        </FieldGrid>
      )}
      {shared && (
        <Row $abovePx={14} $belowPx={8}>
          {isRunning ? (
            !watch && (
              <Button onPress={stop}>
                <Square size={16} aria-hidden="true" /> Stop
              </Button>
            )
          ) : (
            <Button variant={measured ? 'plain' : 'primary'} onPress={onMeasure}>
              <Gauge size={17} aria-hidden="true" />{' '}
              {choice.doing === 'switching'
                ? 'Watch live'
                : measured
                  ? 'Measure again'
                  : `Measure for ${choice.lengthSec} s`}
            </Button>
          )}
          {choice.region && !isRunning && (
            <Button variant="quiet" onPress={() => onChoose({ region: null })}>
              Look for the part again
            </Button>
          )}
          <Button variant="quiet" onPress={unshare}>
            Stop sharing
          </Button>
        </Row>
      )}
      <Disclosure label="What it cannot see">
        A window that others cover may send nothing, or old pictures: keep it in front. What another screen’s refresh
        does to the picture is not seen either. Sharing is a load of its own, which the result states; on a machine at
        its limit tap along instead.{' '}
        <Soft>To try it without an editor, open the practice window beside this one and share that.</Soft>
      </Disclosure>
    </Sheet>
  );
}
