'use client';

import styled from 'styled-components';
import { type JobCard, unknownProfile } from '@/core/card';
import { findFix, fixCatalogue } from '@/core/fixes';
import { type KnownState, knownStates } from '@/core/machine';
import { fixTitle } from '@/messages/fix-titles';
import { knownStateTexts } from '@/messages/machine';
import { Button } from '@/ui/Button';
import { CheckField } from '@/ui/CheckField';
import { Disclosure } from '@/ui/Disclosure';
import { FieldGrid, Row, Soft, Stack } from '@/ui/layout';
import { SegmentedField } from '@/ui/SegmentedField';
import { Sheet } from '@/ui/Sheet';
import { TextField } from '@/ui/TextField';
import { colour } from '@/ui/tokens';
import { useCards } from '../shell/card/store-context';
import { useOpenCard } from '../shell/card/use-open-card';
import { ToolPage } from '../shell/frame/ToolPage';
import { AttachWayField } from './AttachWayField';
import { QualitiesField } from './QualitiesField';

const Notes = styled.dl`
  dt { font-weight: 650; }
  dd { margin-bottom: 8px; color: ${colour.inkSoft}; }
`;

const nameOfFix = (id: string): string => fixTitle(id, findFix(id)?.defaultLevel ?? null);

/** What other cards know of an editor, to be taken over. */
function OtherProfiles({ card }: { readonly card: JobCard }) {
  const { run } = useOpenCard();
  const { cards } = useCards();
  const others = [...cards.values()]
    .map((open) => open.card)
    .filter(
      ({ id, editorProfile }) => id !== card.id && JSON.stringify(editorProfile) !== JSON.stringify(unknownProfile),
    );
  return (
    <Row>
      {others.slice(0, 4).map((other) => (
        <Button
          key={other.id}
          onPress={() => run({ type: 'replaceEditorProfile', input: { profile: other.editorProfile } })}
        >
          Take over from “{other.title}”
        </Button>
      ))}
      <Button variant="quiet" onPress={() => run({ type: 'replaceEditorProfile', input: { profile: unknownProfile } })}>
        Another editor: start afresh
      </Button>
    </Row>
  );
}

/** What the person's editor can do, in their own words: filled as they go, and taken over by the next card. */
export function MyEditor() {
  const { card, run } = useOpenCard();
  const profile = card.editorProfile;
  const set = (patch: Partial<Pick<typeof profile, 'name' | 'viewers' | 'previews'>>) =>
    run({ type: 'setEditorProfile', input: { patch } }).ok;
  return (
    <ToolPage
      title="My editor"
      lead="What yours can do and where it keeps it, in your own words. The next card takes it over."
    >
      <Sheet title="In your words" aside="stays on this computer, and goes with an exported card">
        <Stack $gapPx={12}>
          <FieldGrid $leastPx={260}>
            <TextField
              label="What you call it"
              value={profile.name}
              onCommit={(name) => set({ name: name.slice(0, 80) })}
            />
            <TextField
              label="How many pictures it shows at once"
              value={profile.viewers}
              onCommit={(viewers) => set({ viewers: viewers.slice(0, 500) })}
            />
            <TextField
              label="Where you find its preview settings"
              value={profile.previews}
              onCommit={(previews) => set({ previews: previews.slice(0, 500) })}
            />
          </FieldGrid>
          <FieldGrid $leastPx={260}>
            <QualitiesField card={card} />
            <AttachWayField card={card} />
            <SegmentedField<KnownState>
              label="Does an export come out small where the preview is?"
              options={knownStates.map((value) => ({ value, label: knownStateTexts[value] }))}
              value={profile.exportFollowsPreview}
              onChange={(exportFollowsPreview) =>
                run({ type: 'setEditorProfile', input: { patch: { exportFollowsPreview } } })
              }
            />
          </FieldGrid>
          <OtherProfiles card={card} />
        </Stack>
      </Sheet>
      <Sheet title="What it lacks" aside="not offered as a fix">
        {profile.lacks.length === 0 && (
          <p>
            <Soft>Nothing yet. Tick what your editor has no setting for, here or at a step of the fixes.</Soft>
          </p>
        )}
        {profile.lacks.map((id) => (
          <CheckField
            key={id}
            isSelected
            onChange={() => run({ type: 'setEditorLacks', input: { fixId: id, isLacking: false } })}
          >
            {nameOfFix(id)}
          </CheckField>
        ))}
        <Disclosure label="All settings that editors may have">
          {fixCatalogue
            .filter(({ id, group }) => group !== 'machine' && group !== 'upgrades' && !profile.lacks.includes(id))
            .map(({ id }) => (
              <CheckField
                key={id}
                isSelected={false}
                onChange={() => run({ type: 'setEditorLacks', input: { fixId: id, isLacking: true } })}
              >
                {nameOfFix(id)}
              </CheckField>
            ))}
        </Disclosure>
      </Sheet>
      <Sheet title="Where it keeps things" aside="from your notes at the steps">
        {profile.notes.length === 0 ? (
          <Soft>No note yet. Each fix has room for one: “Where it is in my editor”.</Soft>
        ) : (
          <Notes>
            {profile.notes.map(({ fixId, text }) => (
              <div key={fixId}>
                <dt>{nameOfFix(fixId)}</dt>
                <dd>
                  {text}{' '}
                  <Button
                    variant="quiet"
                    aria-label={`Forget the note on: ${nameOfFix(fixId)}`}
                    onPress={() => run({ type: 'noteFix', input: { fixId, text: '' } })}
                  >
                    Forget
                  </Button>
                </dd>
              </div>
            ))}
          </Notes>
        )}
      </Sheet>
    </ToolPage>
  );
}
