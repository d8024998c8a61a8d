'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import styled from 'styled-components';
import type { GrabbedFrame } from '@/adapters/browser/grab-frame';
import type { JobCard } from '@/core/card';
import type { ProxyCandidate } from '@/core/fixes';
import type { ProxyFailure, ProxyRecipe } from '@/core/proxies';
import { describeProxyFailure } from '@/messages/proxies';
import { Button } from '@/ui/Button';
import { Row, Scroller, Soft, Spaced } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { SegmentedField } from '@/ui/SegmentedField';
import { SelectField } from '@/ui/SelectField';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import { startGrab } from '@/workers/frame.client';
import { findFile } from '../footage/session-files';
import { type ComparedView, drawView, type StageSize, stageOf, viewNames, viewsFor } from './compared-views';

const Stage = styled.div`
  position: relative;
  margin-top: 12px;
  overflow: hidden;
  border: 1px solid ${colour.line};
  border-radius: 4px;
  background: ${colour.inset};
  canvas { display: block; position: absolute; inset: 0; width: 100%; height: 100%; }
  b { position: absolute; top: 8px; padding: 1px 8px; border-radius: 4px; background: ${colour.card}; font-size: 13.5px; }
  b:first-of-type { left: 8px; }
  b:last-of-type { right: 8px; }
  i { position: absolute; top: 0; bottom: 0; width: 2px; margin-left: -1px; background: ${colour.oil}; }
`;
const Slide = styled.input`
  display: block;
  width: 100%;
  margin: 6px 0 0;
  accent-color: ${colour.oil};
  div > span + & { margin: 0; }
`;

type Grab =
  | { readonly status: 'none' | 'grabbing' }
  | { readonly status: 'done'; readonly frame: GrabbedFrame }
  | { readonly status: 'failed'; readonly failure: ProxyFailure };

/** One frame of a clip and what its proxy makes of it, while this is shown. */
function useGrab(candidate: ProxyCandidate | undefined, atRatio: number, recipe: ProxyRecipe): Grab {
  const [grab, setGrab] = useState<Grab>({ status: 'none' });
  const { lines, share, keyFrames, grade } = recipe;
  useEffect(() => {
    const file = candidate && findFile(candidate.clip.id);
    if (candidate?.facts.kind !== 'video' || !file) {
      setGrab({ status: 'none' });
      return;
    }
    setGrab((before) => (before.status === 'done' ? before : { status: 'grabbing' }));
    const job = startGrab(file, candidate.facts, atRatio, { lines, share, keyFrames, grade });
    let isGone = false;
    job.outcome.then((outcome) => {
      if (isGone) return;
      setGrab(outcome.ok ? { status: 'done', frame: outcome.value } : { status: 'failed', failure: outcome.failure });
    });
    return () => {
      isGone = true;
      job.stop();
    };
  }, [candidate, atRatio, lines, share, keyFrames, grade]);
  return grab;
}

function View({
  frame,
  view,
  size,
  label,
}: {
  readonly frame: GrabbedFrame;
  readonly view: ComparedView;
  readonly size: StageSize;
  readonly label: string;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    if (canvas.current) drawView(canvas.current, frame, view, size, window.devicePixelRatio);
  }, [frame, view, size]);
  return <canvas ref={canvas} role="img" aria-label={label} />;
}

interface FrameCompareProps {
  readonly card: JobCard;
  /** Clips whose files are at hand and that this browser decodes, those that suffer most first. */
  readonly candidates: readonly ProxyCandidate[];
  readonly recipe: ProxyRecipe;
}

/** A real picture of the person's own clip beside what a proxy or a smaller preview shows of it. */
export function FrameCompare({ card, candidates, recipe }: FrameCompareProps) {
  const [isOpen, setOpen] = useState(false);
  const [clipId, setClipId] = useState<string | null>(null);
  const [place, setPlace] = useState(0.5);
  const [view, setView] = useState<ComparedView>('proxy');
  const [at, setAt] = useState<'viewer' | 'pixels'>('viewer');
  const [divider, setDivider] = useState(50);
  const candidate = candidates.find(({ clip }) => clip.id === clipId) ?? candidates[0];
  const grab = useGrab(isOpen ? candidate : undefined, place, recipe);
  const frame = grab.status === 'done' ? grab.frame : null;
  const viewerHeightPx = card.preview.viewerHeightPx ?? 540;
  const size = useMemo(() => (frame ? stageOf(frame.original, at, viewerHeightPx) : null), [frame, at, viewerHeightPx]);
  if (!candidate) return null;
  const views = viewsFor(card, frame?.proxy !== null);
  const shown = views.includes(view) ? view : (views[0] ?? 'half');
  const names = viewNames(recipe);
  return (
    <Sheet title="See what is given up" aside="on a picture of your own">
      {!isOpen && (
        <Row>
          <Button onPress={() => setOpen(true)}>Show a picture of {candidate.facts.fileName}</Button>
          <Soft>The original beside its proxy, and beside smaller previews.</Soft>
        </Row>
      )}
      {isOpen && (
        <>
          <Row $isAtFoot>
            {candidates.length > 1 && (
              <SelectField
                label="Clip"
                value={candidate.clip.id}
                options={candidates.slice(0, 50).map(({ clip, facts }) => ({ value: clip.id, label: facts.fileName }))}
                onChange={setClipId}
              />
            )}
            <SegmentedField
              label="Beside the original"
              value={shown}
              options={views.map((value) => ({ value, label: names[value] }))}
              onChange={setView}
            />
            <SegmentedField
              label="Seen"
              value={at}
              options={[
                { value: 'viewer', label: 'As the viewer shows it' },
                { value: 'pixels', label: 'At 100 %' },
              ]}
              onChange={setAt}
            />
          </Row>
          {grab.status === 'failed' && (
            <Spaced $abovePx={12}>
              <Note kind="alarm">{describeProxyFailure(grab.failure)}</Note>
            </Spaced>
          )}
          {grab.status === 'grabbing' && (
            <Spaced $abovePx={12}>
              <p role="status">Decoding a picture…</p>
            </Spaced>
          )}
          {frame && size && (
            <>
              <Scroller>
                <Stage
                  style={{
                    width: size.widthPx,
                    height: size.heightPx,
                    maxWidth: at === 'viewer' ? '100%' : undefined,
                    aspectRatio: `${size.widthPx} / ${size.heightPx}`,
                    ...(at === 'viewer' && { height: 'auto' }),
                  }}
                >
                  <View frame={frame} view="original" size={size} label="The original" />
                  <div style={{ position: 'absolute', inset: 0, clipPath: `inset(0 0 0 ${divider}%)` }}>
                    <View frame={frame} view={shown} size={size} label={names[shown]} />
                  </div>
                  <i style={{ left: `${divider}%` }} aria-hidden="true" />
                  <b>Original</b>
                  <b>{names[shown]}</b>
                </Stage>
              </Scroller>
              <Slide
                type="range"
                aria-label="Where the two pictures meet"
                min={0}
                max={100}
                value={divider}
                onChange={(event) => setDivider(Number(event.target.value))}
              />
              <Row $isOneLine $abovePx={8}>
                <Soft>Place&nbsp;in&nbsp;the&nbsp;clip</Soft>
                <Slide
                  type="range"
                  aria-label="Place in the clip"
                  min={0}
                  max={99}
                  defaultValue={50}
                  onPointerUp={(event) => setPlace(Number(event.currentTarget.value) / 100)}
                  onKeyUp={(event) => setPlace(Number(event.currentTarget.value) / 100)}
                />
              </Row>
            </>
          )}
        </>
      )}
    </Sheet>
  );
}
