'use client';

import styled from 'styled-components';
import type { JobCard, Lesson } from '@/core/card';
import { describeLesson } from '@/messages/lessons';
import { Button } from '@/ui/Button';
import { Row } from '@/ui/layout';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import { useFocusNext } from '@/ui/use-focus-next';
import { useOpenCard } from '../shell/card/use-open-card';
import { useNotify } from '../shell/notices/notices';

const List = styled.ul`
  margin-top: 8px;
  li { padding: 3px 0; border-top: 1px solid ${colour.line}; }
`;

/** What earlier cards taught of this machine and this editor; each line can be dropped. */
export function Lessons({ card }: { readonly card: JobCard }) {
  const { run } = useOpenCard();
  const notify = useNotify();
  const { ref: place, focusNext } = useFocusNext<HTMLDivElement>();
  const { lessons } = card;
  const projects = [...new Set(lessons.map(({ from }) => from))];
  const ofEditor = lessons.filter(({ of }) => of.includes('editor'));
  const drop = (dropped: readonly Lesson[], text: string) => {
    if (!run({ type: 'setLessons', input: { lessons: lessons.filter((lesson) => !dropped.includes(lesson)) } }).ok)
      return;
    focusNext();
    notify({
      kind: 'info',
      text,
      action: { label: 'Undo', run: () => run({ type: 'setLessons', input: { lessons } }) },
    });
  };
  return (
    <div ref={place} tabIndex={-1}>
      {lessons.length > 0 && (
        <Sheet title="From your last project" aside={projects.length === 1 ? projects[0] : null}>
          <p>Taken as likely, until what you measure here says otherwise. Drop what is no longer so.</p>
          <List>
            {lessons.map((lesson) => (
              <li key={lesson.id}>
                <Row $isSpread $isOneLine>
                  <span>{describeLesson(lesson)}</span>
                  <Button
                    variant="quiet"
                    aria-label={`Drop: ${describeLesson(lesson)}`}
                    onPress={() => drop([lesson], `Dropped: ${describeLesson(lesson)}.`)}
                  >
                    Drop
                  </Button>
                </Row>
              </li>
            ))}
          </List>
          {ofEditor.length > 1 && (
            <Row $abovePx={8}>
              <Button onPress={() => drop(ofEditor, 'Dropped what was learned of the editor before.')}>
                I edit in another editor now
              </Button>
            </Row>
          )}
        </Sheet>
      )}
    </div>
  );
}
