'use client';

import { FolderOpen } from 'lucide-react';
import { useDeferredValue, useEffect, useMemo, useReducer, useRef } from 'react';
import { deleteProxies } from '@/adapters/browser/proxy-folder';
import { canPickFolder } from '@/adapters/browser/proxy-place';
import { saveFile } from '@/adapters/browser/save-file';
import { applyCommand, type CardProxy, proxyStates } from '@/core/card';
import { forecastProxies } from '@/core/diagnose';
import { fitsOnDrive, isSuggested, listProxyCandidates, type ProxyCandidate } from '@/core/fixes';
import { isOver, proxyFileNames, proxySuffix } from '@/core/proxies';
import { hasPracticeMachine } from '@/demo/practice-cards';
import { proxyStateTexts } from '@/messages/editor';
import { formatBytes, formatCount, formatFpsRange, formatMinutes, formatWaitRange } from '@/messages/format';
import { describeInterrupted, describeRoom } from '@/messages/proxies';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { LinkButton } from '@/ui/LinkButton';
import { Row, Soft, Spaced } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { SelectField } from '@/ui/SelectField';
import { Sheet } from '@/ui/Sheet';
import { findFile, rememberFile } from '../footage/session-files';
import { useDiagnosis } from '../shell/diagnosis-context';
import { useNotify } from '../shell/notices';
import { useCardStore } from '../shell/store-context';
import { ToolPage } from '../shell/ToolPage';
import { useOpenCard } from '../shell/use-open-card';
import { CheckOthers } from './CheckOthers';
import { ClipChoice } from './ClipChoice';
import { chosenOf, firstChoice, stepChoice } from './choice-state';
import { FrameCompare } from './FrameCompare';
import { MadeProxies } from './MadeProxies';
import { proxySession } from './proxy-session';
import { QueueTable, useProxyQueue } from './QueueTable';
import { RecipeFields } from './RecipeFields';
import { type ProxyPlace, useProxyFolder } from './use-proxy-folder';
import { useSampleClip } from './use-sample-clip';
import { useUndecodable } from './use-undecodable';

const totalOf = (chosen: readonly ProxyCandidate[], key: 'proxyBytes' | 'minutes'): number =>
  chosen.reduce((sum, candidate) => sum + candidate[key], 0);

/** Where proxies go, and whether there is room. */
function PlaceLine({ place, neededBytes }: { readonly place: ProxyPlace; readonly neededBytes: number }) {
  const { status, folder, freeBytes, interrupted, pick, allow, handle, isOwn } = place;
  const room = freeBytes === null ? null : fitsOnDrive(neededBytes, freeBytes);
  return (
    <>
      <Row>
        {status === 'asks-again' && (
          <Button look="primary" onPress={allow}>
            Allow “{handle?.name}” again
          </Button>
        )}
        {!isOwn && (
          <Button look={status === 'none' || status === 'failed' ? 'primary' : 'plain'} onPress={pick}>
            <FolderOpen size={18} aria-hidden="true" /> {folder ? 'Another folder' : 'Choose where they go'}
          </Button>
        )}
        <span>
          {folder && !isOwn && (
            <>
              Into <b>{folder.name}</b>.{' '}
            </>
          )}
          {isOwn && 'Into this browser’s own storage; save each to your drive when it is made. '}
          {neededBytes > 0 && <Soft>{describeRoom(neededBytes, freeBytes)}.</Soft>}
        </span>
      </Row>
      {status === 'failed' && (
        <Spaced>
          <Note kind="alarm">The folder “{handle?.name}” cannot be opened any more. Choose another one.</Note>
        </Spaced>
      )}
      {interrupted.length > 0 && (
        <Spaced>
          <Note>{describeInterrupted(interrupted)}</Note>
        </Spaced>
      )}
      {room && !room.fits && (
        <Spaced>
          <Note kind="alarm">
            {formatBytes(room.missingBytes)} more room is needed there, with a tenth to spare. Choose fewer clips or a
            smaller form, or free some room.
          </Note>
        </Spaced>
      )}
    </>
  );
}

/** Asks once more for the files of clips that were not chosen since this page was opened. */
function MissingFiles({
  missing,
  onFound,
}: {
  readonly missing: readonly ProxyCandidate[];
  readonly onFound: () => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  if (missing.length === 0) return null;
  return (
    <Spaced>
      <input
        ref={input}
        type="file"
        multiple
        hidden
        accept="video/*,.mkv,.mts,.m2ts,.mov"
        aria-label="Choose the files of the chosen clips"
        onChange={(event) => {
          const files = [...(event.target.files ?? [])];
          for (const { clip, facts } of missing) {
            const file = files.find(({ name, size }) => name === facts.fileName && size === facts.sizeBytes);
            if (file) rememberFile(clip.id, file);
          }
          event.target.value = '';
          onFound();
        }}
      />
      <Row>
        <Button look="primary" onPress={() => input.current?.click()}>
          Choose the {missing.length === 1 ? 'file' : 'files'}
        </Button>
        <Soft>
          {formatCount(missing.length, 'chosen clip')} {missing.length === 1 ? 'was' : 'were'} not opened since this
          page was: browsers forget files.
        </Soft>
      </Row>
    </Spaced>
  );
}

/** Asks before the tab is closed while something is being made. */
function useAskBeforeClosing(isBusy: boolean): void {
  useEffect(() => {
    if (!isBusy) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [isBusy]);
}

/** Proxies: which clips, how, where they go; made and checked here, and brought into the editor. */
export function ProxiesTool() {
  const { card, run } = useOpenCard();
  const store = useCardStore();
  const { diagnosis } = useDiagnosis();
  const notify = useNotify();
  const place = useProxyFolder();
  const queue = useProxyQueue();
  const [choice, dispatch] = useReducer(stepChoice, proxySuffix, firstChoice);
  const sample = useSampleClip((clipId) => dispatch({ type: 'picked', clipIds: [clipId] }));
  const queueTop = useRef<HTMLDivElement>(null);
  const [, lookAgain] = useReducer((count: number) => count + 1, 0);
  const candidates = useMemo(() => listProxyCandidates(card, choice.recipe), [card, choice.recipe]);
  const unreadable = useUndecodable(candidates);
  const inHand = useMemo(
    () => new Set(queue.items.filter((item) => !isOver(item)).map(({ clipId }) => clipId)),
    [queue.items],
  );
  const chosen = useMemo(
    () => chosenOf(choice, candidates).filter(({ clip }) => !unreadable.has(clip.id) && !inHand.has(clip.id)),
    [choice, candidates, unreadable, inHand],
  );
  const chosenIds = useMemo(() => new Set(chosen.map(({ clip }) => clip.id)), [chosen]);
  const askedIds = useDeferredValue(chosenIds);
  const { before, after } = useMemo(
    () => forecastProxies(card, diagnosis?.sketch ?? null, askedIds, choice.recipe),
    [card, diagnosis, askedIds, choice.recipe],
  );
  const missing = chosen.filter(({ clip }) => !findFile(clip.id));
  const comparable = candidates.filter(
    ({ clip, verdict }) => verdict !== 'small' && !unreadable.has(clip.id) && findFile(clip.id),
  );
  const isBusy = queue.items.some((item) => !isOver(item));
  useAskBeforeClosing(isBusy);
  const doneCount = queue.items.filter(isOver).length;
  const { refresh } = place;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the folder is looked into again when a file in it is done
  useEffect(() => {
    if (doneCount > 0) refresh();
  }, [doneCount]);
  const neededBytes = totalOf(chosen, 'proxyBytes');
  const originalBytes = chosen.reduce((sum, { facts }) => sum + facts.sizeBytes, 0);
  const hasRoom = place.freeBytes === null || fitsOnDrive(neededBytes, place.freeBytes).fits;
  const { handle, folder } = place;
  const start = () => {
    if (!handle || !folder || !store) return;
    const there = new Map(folder.state.whole.map((entry) => [entry.name, entry.originalName]));
    // By all clips of the card, so that a clip's name does not change with what else is chosen.
    const names = proxyFileNames(
      candidates.map(({ facts }) => facts),
      choice.suffix,
    );
    const nameOf = new Map(candidates.map(({ clip }, i) => [clip.id, names[i] as string]));
    proxySession.add(
      chosen.flatMap(({ clip, facts }) => {
        const file = findFile(clip.id);
        const name = nameOf.get(clip.id) as string;
        const onMade = (proxy: CardProxy) => {
          store.run(card.id, (on, atMs) => applyCommand(on, { type: 'setProxies', input: { proxies: [proxy] } }, atMs));
        };
        // One of its own that lies there is made anew: its clip was ticked although it has one.
        return file
          ? [
              {
                cardId: card.id,
                clipId: clip.id,
                file,
                facts,
                recipe: choice.recipe,
                folder: handle,
                name,
                isReplacing: there.get(name) === facts.fileName,
                onMade,
              },
            ]
          : [];
      }),
    );
    // What is in the queue is no longer to be chosen.
    dispatch({ type: 'suggested' });
    queueTop.current?.scrollIntoView({ block: 'start' });
    queueTop.current?.focus({ preventScroll: true });
  };
  const save = async (name: string) => {
    if (handle) saveFile(name, await (await handle.getFileHandle(name)).getFile());
  };
  const remove = async (names: readonly string[]) => {
    if (!handle) return;
    const gone = await deleteProxies(handle, names);
    const clipIds = card.proxies.filter(({ fileName }) => gone.includes(fileName)).map(({ clipId }) => clipId);
    if (clipIds.length > 0) run({ type: 'removeProxies', input: { clipIds } });
    notify({ kind: 'info', text: `Deleted ${formatCount(gone.length, 'proxy', 'proxies')}.` });
    await refresh();
  };
  const href = (step: string): string => `/card/${encodeURIComponent(card.id)}/${step}`;
  return (
    <ToolPage
      title="Proxies"
      lead="Small copies of heavy clips to edit with: made here, checked, and taken out again before export."
    >
      <div ref={queueTop} tabIndex={-1} style={{ scrollMarginTop: 76, outline: 'none' }}>
        <QueueTable />
      </div>
      {candidates.length === 0 ? (
        <Sheet title="Which clips">
          <p style={{ marginBottom: 10 }}>There are no clips on this card yet.</p>
          <Row>
            <LinkButton href={href('footage')}>Add your footage</LinkButton>
            <Button look="quiet" isDisabled={sample.isTaking} onPress={sample.take}>
              Try it with a sample clip
            </Button>
          </Row>
        </Sheet>
      ) : (
        <>
          <Sheet
            title="Which clips"
            aside={
              choice.clipIds
                ? `${chosen.length} of ${candidates.length} chosen`
                : chosen.length > 0
                  ? `${chosen.length} of ${candidates.length} suggested`
                  : candidates.some(isSuggested)
                    ? 'what needs one cannot be made here, or is being made'
                    : 'none needs one'
            }
          >
            {hasPracticeMachine(card.id) && !candidates.some(({ clip }) => findFile(clip.id)) && (
              <Spaced>
                <Note>
                  This card’s clips are made up.{' '}
                  <Button look="quiet" isDisabled={sample.isTaking} onPress={sample.take}>
                    Try it with a sample clip
                  </Button>
                </Note>
              </Spaced>
            )}
            <ClipChoice
              candidates={candidates}
              chosenIds={chosenIds}
              unreadableIds={unreadable}
              inHandIds={inHand}
              onEvent={dispatch}
            />
          </Sheet>
          <Sheet title="How they are made">
            <RecipeFields
              recipe={choice.recipe}
              suffix={choice.suffix}
              onRecipe={(recipe) => dispatch({ type: 'recipe', recipe })}
              onSuffix={(suffix) => dispatch({ type: 'suffix', suffix })}
            />
          </Sheet>
          <FrameCompare card={card} candidates={comparable} recipe={choice.recipe} />
          <Sheet title="Make them" kind={chosen.length > 0 && !isBusy ? 'next' : 'plain'}>
            {chosen.length > 0 && (
              <p style={{ marginBottom: 10 }}>
                Once they are shown: {formatFpsRange(before.shownFps)} → <b>{formatFpsRange(after.shownFps)}</b> a
                second, and a jump takes {formatWaitRange(before.scrubMs)} → <b>{formatWaitRange(after.scrubMs)}</b>.
              </p>
            )}
            <PlaceLine place={place} neededBytes={neededBytes} />
            <MissingFiles missing={missing} onFound={lookAgain} />
            <Spaced>
              <Row>
                {chosen.length === 0 && <Soft>Tick the clips above that are to have one.</Soft>}
                {chosen.length > 0 && (
                  <Button
                    look={missing.length === 0 && folder ? 'primary' : 'plain'}
                    isDisabled={chosen.length === missing.length || !folder || !hasRoom}
                    onPress={start}
                  >
                    Make {formatCount(chosen.length - missing.length, 'proxy', 'proxies')}
                  </Button>
                )}
                {chosen.length > 0 && (
                  <Soft>
                    About {formatMinutes(Math.max(1, totalOf(chosen, 'minutes')))}; {formatBytes(neededBytes)} in place
                    of {formatBytes(originalBytes)}. Originals are only read.
                  </Soft>
                )}
              </Row>
            </Spaced>
          </Sheet>
        </>
      )}
      {folder && <MadeProxies card={card} folder={folder} onDelete={remove} onSave={canPickFolder() ? null : save} />}
      {candidates.length > 0 && <CheckOthers candidates={candidates} />}
      {card.proxies.length > 0 && (
        <Sheet title="Get them into the editor" kind={card.editor.proxies === 'made' && !isBusy ? 'next' : 'plain'}>
          <SelectField
            label="How far they are"
            value={card.editor.proxies}
            options={proxyStates.map((state) => ({ value: state, label: proxyStateTexts[state] }))}
            onChange={(proxies) => run({ type: 'setEditor', input: { patch: { proxies } } })}
          />
          <Spaced>
            <Row>
              <LinkButton href={href('fixes')}>How to attach and show them</LinkButton>
              <LinkButton href={href('export-check')}>What to put back before export</LinkButton>
            </Row>
          </Spaced>
        </Sheet>
      )}
      <Disclosure label="What a proxy is, and when it does not help">
        <p>
          The editor plays the small copy and exports from the original. It helps where decoding the clips takes the
          time; it does nothing for effects that are computed on the finished picture, and it is no help before the
          preview really shows it.
        </p>
      </Disclosure>
    </ToolPage>
  );
}
