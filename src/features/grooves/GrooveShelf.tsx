'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { GrooveContent, GrooveRow } from '@/server/grooves';
import type { Person } from '@/server/people';
import { EmptyState } from '@/ui/EmptyState';
import { Page } from '@/ui/Page';
import { plural } from '@/ui/words/text';
import { DropOn } from './DropOn';
import { FilesMenu } from './FilesMenu';
import { Filters } from './Filters';
import { EVERYTHING, found } from './find';
import { GrooveCard } from './GrooveCard';
import { LabelsDialog } from './LabelsDialog';
import { useContents } from './useContents';

const ImportGrooves = dynamic(() => import('./ImportGrooves').then((module) => module.ImportGrooves), { ssr: false });

/** What the shelf needs to know of whoever looks at it. */
export type ShelfPerson = Pick<Person, 'id' | 'role' | 'school' | 'setup'>;

interface GrooveShelfProps {
  person: ShelfPerson;
  grooves: GrooveRow[];
  /** What the first of them hold; the others are asked for when they come into sight. */
  first: [id: string, content: GrooveContent][];
  newGroove: (form: FormData) => Promise<void>;
}

/** The grooves one may play, each with its strip; what is put away only when asked for. */
export function GrooveShelf({ person, grooves, first, newGroove }: GrooveShelfProps) {
  const { contents, want } = useContents(first);
  const teacher = person.role === 'teacher';
  const [wanted, setWanted] = useState(EVERYTHING);
  const [labelled, setLabelled] = useState<GrooveRow>();
  const [isReading, setReading] = useState(false);
  const [dropped, setDropped] = useState<readonly File[]>([]);
  const close = () => {
    setReading(false);
    setDropped([]);
  };
  const shown = found(grooves, wanted);
  const there = grooves.filter(({ archived }) => archived === wanted.archived).length;
  return (
    <Page
      title="Grooves"
      note={noteOf(shown.length, there)}
      actions={
        teacher && (
          <>
            <Button href="/tunes">Tunes</Button>
            <Button href="/handout/blank">Blank sheet</Button>
            {shown.length > 0 && <FilesMenu ids={shown.map(({ id }) => id)} />}
            <Button onClick={() => setReading(true)}>Read from files</Button>
            <form action={newGroove}>
              <Button type="submit" variant="contained">
                New groove
              </Button>
            </form>
          </>
        )
      }
    >
      {teacher && (
        <DropOn
          onFiles={(files) => {
            setDropped(files);
            setReading(true);
          }}
        />
      )}
      {isReading && <ImportGrooves school={person.school} dropped={dropped} onClose={close} />}
      {!grooves.length && (
        <EmptyState title="No grooves yet">
          Grooves that your teacher sets for you stay here, also when they are done.
        </EmptyState>
      )}
      {grooves.length > 1 && <Filters grooves={grooves} wanted={wanted} onWanted={setWanted} />}
      {grooves.length > 0 && !shown.length && (
        <EmptyState
          title={wanted.archived && !there ? 'Nothing is put away' : 'No groove like that'}
          action={<Button onClick={() => setWanted(EVERYTHING)}>Show all</Button>}
        >
          {wanted.archived && !there
            ? 'What you put away stands here and can be brought back. Takes and what was set keep it all the same.'
            : 'Titles, tags, meters like 7/8, feels like swung or straight, and levels are looked through.'}
        </EmptyState>
      )}
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 520px), 1fr))', gap: 2.5 }}>
        {shown.map((one) => (
          <GrooveCard
            key={one.id}
            one={one}
            content={contents.get(one.id)}
            onSight={want}
            person={person}
            newGroove={newGroove}
            onLabels={() => setLabelled(one)}
            onTag={(tag) => setWanted({ ...wanted, tag: wanted.tag === tag ? undefined : tag })}
          />
        ))}
      </Box>
      {labelled && <LabelsDialog key={labelled.id} one={labelled} onClose={() => setLabelled(undefined)} />}
    </Page>
  );
}

function noteOf(shown: number, there: number): string | undefined {
  if (!there) return undefined;
  return shown < there ? `${shown} of ${plural(there, 'groove')}` : plural(there, 'groove');
}
