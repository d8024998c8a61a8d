import { type JobCard, parseQualities } from '@/core/card';
import { describeQualities, describeQualitiesFailure } from '@/messages/editor';
import { Soft } from '@/ui/layout';
import { TextField } from '@/ui/TextField';
import { useOpenCard } from '../shell/card/use-open-card';

/** The preview qualities of the person's editor in their own words, and how they are understood. */
export function QualitiesField({ card }: { readonly card: JobCard }) {
  const { run } = useOpenCard();
  const { qualities } = card.editorProfile;
  const read = parseQualities(qualities);
  return (
    <div>
      <TextField
        label="Its preview qualities, best first"
        value={qualities}
        onCommit={(text) => run({ type: 'setEditorProfile', input: { patch: { qualities: text.slice(0, 500) } } }).ok}
      />
      <Soft role="status">{read.ok ? describeQualities(read.value) : describeQualitiesFailure(read.failure)}</Soft>
    </div>
  );
}
