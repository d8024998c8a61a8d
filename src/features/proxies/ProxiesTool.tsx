'use client';

import { useEffect, useMemo, useReducer, useRef } from 'react';
import { deleteProxies } from '@/adapters/browser/proxy-folder';
import { canPickFolder } from '@/adapters/browser/proxy-place';
import { saveFile } from '@/adapters/browser/save-file';
import { applyCommand, type CardProxy, proxyStates } from '@/core/card';
import { lightensEffects } from '@/core/diagnose';
import { asLightening, isSuggested, listProxyCandidates, type ProxyCandidate } from '@/core/fixes';
import { isOver, proxyFileNames, proxySuffix } from '@/core/proxies';
import { hasPracticeMachine } from '@/demo/practice-cards';
import { proxyStateTexts } from '@/messages/editor';
import { formatCount } from '@/messages/format';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { LinkButton } from '@/ui/LinkButton';
import { Paragraph, Row, Spaced } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { SelectField } from '@/ui/SelectField';
import { Sheet } from '@/ui/Sheet';
import { findFile } from '../footage/session-files';
import { useBelief } from '../shell/answer/use-belief';
import { useCardStore } from '../shell/card/store-context';
import { useOpenCard } from '../shell/card/use-open-card';
import { ToolPage } from '../shell/frame/ToolPage';
import { useNotify } from '../shell/notices/notices';
import { CheckOthers } from './CheckOthers';
import { ClipChoice } from './ClipChoice';
import { chosenOf, firstChoice, stepChoice } from './choice-state';
import { FrameCompare } from './FrameCompare';
import { MadeProxies } from './MadeProxies';
import { MakeSheet } from './MakeSheet';
import { OwnRecipes } from './OwnRecipes';
import { proxySession } from './proxy-session';
import { QueueTable, useProxyQueue } from './QueueTable';
import { RecipeFields } from './RecipeFields';
import { ShownByClip } from './ShownByClip';
import { useProxyFolder } from './use-proxy-folder';
import { useSampleClip } from './use-sample-clip';
import { useUndecodable } from './use-undecodable';

/** Proxies: which clips, how, where they go; made and checked here, and brought into the editor. */
export function ProxiesTool() {
  const { card, run } = useOpenCard();
  const store = useCardStore();
  const notify = useNotify();
  const place = useProxyFolder();
  const queue = useProxyQueue();
  const [choice, dispatch] = useReducer(stepChoice, proxySuffix, firstChoice);
  const sample = useSampleClip((clipId) => dispatch({ type: 'picked', clipIds: [clipId] }));
  const queueTop = useRef<HTMLDivElement>(null);
  const [, lookAgain] = useReducer((count: number) => count + 1, 0);
  const belief = useBelief();
  const byThemselves = useMemo(() => listProxyCandidates(card, choice.recipe), [card, choice.recipe]);
  const areLightening = useMemo(() => {
    const idsOf = (those: readonly ProxyCandidate[]) => those.map(({ clip }) => clip.id);
    const needed = idsOf(byThemselves.filter(isSuggested));
    const light = idsOf(byThemselves.filter(({ verdict }) => verdict === 'light'));
    return lightensEffects(card, belief, { needed, light }, choice.recipe);
  }, [card, belief, byThemselves, choice.recipe]);
  const candidates = useMemo(
    () => (areLightening ? asLightening(byThemselves) : byThemselves),
    [areLightening, byThemselves],
  );
  const unreadable = useUndecodable(candidates);
  // The queue changes with every frame that is told of; what is in it does not.
  const inHandKey = queue.items.flatMap((item) => (isOver(item) ? [] : item.clipId)).join(' ');
  const inHand = useMemo(() => new Set(inHandKey.split(' ')), [inHandKey]);
  const chosen = useMemo(
    () => chosenOf(choice, candidates).filter(({ clip }) => !unreadable.has(clip.id) && !inHand.has(clip.id)),
    [choice, candidates, unreadable, inHand],
  );
  const chosenIds = useMemo(() => new Set(chosen.map(({ clip }) => clip.id)), [chosen]);
  const comparable = candidates.filter(
    ({ clip, facts, verdict }) =>
      facts.kind === 'video' && verdict !== 'small' && !unreadable.has(clip.id) && findFile(clip.id),
  );
  const isBusy = queue.items.some((item) => !isOver(item));
  const doneCount = queue.items.filter(isOver).length;
  const { refresh } = place;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the folder is looked into again when a file in it is done
  useEffect(() => {
    if (doneCount > 0) refresh();
  }, [doneCount]);
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
          <Paragraph $belowPx={10}>There are no clips on this card yet.</Paragraph>
          <Row>
            <LinkButton href={href('footage')}>Add your footage</LinkButton>
            <Button variant="quiet" isDisabled={sample.isTaking} onPress={sample.take}>
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
              <Spaced $abovePx={12}>
                <Note>
                  This card’s clips are made up.{' '}
                  <Button variant="quiet" isDisabled={sample.isTaking} onPress={sample.take}>
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
            <OwnRecipes recipe={choice.recipe} onRecipe={(recipe) => dispatch({ type: 'recipe', recipe })} />
          </Sheet>
          <FrameCompare card={card} candidates={comparable} recipe={choice.recipe} />
          <MakeSheet
            card={card}
            chosen={chosen}
            recipe={choice.recipe}
            place={place}
            isBusy={isBusy}
            onFilesFound={lookAgain}
            onStart={start}
          />
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
          <Spaced $abovePx={12}>
            <Row>
              <LinkButton href={href('fixes')}>How to attach and show them</LinkButton>
              <LinkButton href={href('export-check')}>What to put back before export</LinkButton>
            </Row>
          </Spaced>
          {(card.editor.proxies === 'attached' || card.editor.proxies === 'shown') && (
            <Spaced $abovePx={12}>
              <ShownByClip card={card} />
            </Spaced>
          )}
        </Sheet>
      )}
      <Disclosure label="What a proxy is, and when it does not help">
        <p>
          The editor plays the small copy and exports from the original. It helps where decoding the clips takes the
          time; it does nothing for effects that are computed on the finished picture, and it is no help before the
          preview really shows it. Some editors show it at a lowered preview quality only.
        </p>
      </Disclosure>
    </ToolPage>
  );
}
