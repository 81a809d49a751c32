'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, useTransition, type ReactNode } from 'react';
import type { WorkshopSettings } from '@/core/documents/settings';
import { sentence, type Problem } from '@/core/result';
import { Page } from '@/ui/Page';
import { saveSettingsAction, type SettingsAnswer, type SettingsProblems } from './actions';
import { BackupSection } from './BackupSection';
import { FeelTable } from './FeelTable';
import { LeaveDemo } from './LeaveDemo';
import { LimitsTable } from './LimitsTable';
import { SchoolTables } from './SchoolTables';
import { ToleranceTable } from './ToleranceTable';
import { ZoneField } from './ZoneField';

export interface SectionProps {
  settings: WorkshopSettings;
  problems: SettingsProblems;
  onChange: (change: Partial<WorkshopSettings>) => void;
}

interface WorkshopPageProps {
  name: string;
  settings: WorkshopSettings;
  /** Which save of them this is. */
  number: number;
  /** What of them could not be read. */
  unread: readonly Problem[];
  /** When the last backup was made. */
  lastBackup: Date | null;
  /** Whether this is the demo. */
  isDemo: boolean;
  /** Only an owner keeps what holds for everybody. */
  isOwner: boolean;
  /** Who teaches here. */
  teachers: ReactNode;
  children: ReactNode;
}

/**
 * What holds for the whole workshop: the teacher's own schools of counting, the limits of speed, which feel a style
 * wants.
 */
export function WorkshopPage({
  name,
  settings: opened,
  number: openedNumber,
  unread,
  lastBackup,
  isDemo,
  isOwner,
  teachers,
  children,
}: WorkshopPageProps) {
  const [settings, setSettings] = useState(opened);
  const [called, setCalled] = useState(name);
  const [number, setNumber] = useState(openedNumber);
  const [problems, setProblems] = useState<SettingsProblems>({});
  const [say, setSay] = useState<string>();
  const [busy, start] = useTransition();
  const section: SectionProps = {
    settings,
    problems,
    onChange: (change) => {
      setSettings({ ...settings, ...change });
      setSay(undefined);
    },
  };
  const keep = () =>
    start(async () => {
      try {
        const answer = await saveSettingsAction(settings, number, called);
        setSay(answer.kind === 'kept' ? 'Kept. It holds for everybody in the workshop from now on.' : undefined);
        setProblems(problemsIn(answer));
        if (answer.kind === 'kept') setNumber(answer.number);
      } catch {
        setProblems({
          '': 'The server cannot be reached. Nothing is lost: what you typed stays here, try again in a moment.',
        });
      }
    });
  const wrong = Object.keys(problems).length;
  return (
    <Page
      title="Workshop"
      note={name}
      actions={
        <>
          <Button href="/hear" variant="outlined">
            Hear a file
          </Button>
          <Button href="/workshop/mail">Mail</Button>
          <Button href="/workshop/changes" variant="outlined">
            Who changed what
          </Button>
          {isOwner && (
            <Button variant="contained" onClick={keep} loading={busy}>
              Keep changes
            </Button>
          )}
        </>
      }
    >
      <Box sx={{ display: 'grid', gap: 5, maxWidth: 980 }}>
        {unread.length > 0 && !say && (
          <Alert severity="warning">
            Some of what was set for the workshop cannot be read, and holds as usual until you keep it anew:{' '}
            {unread.map(sentence).join(' ')}
          </Alert>
        )}
        {say && (
          <Alert severity="success" role="status">
            {say}
          </Alert>
        )}
        {wrong > 0 && (
          <Alert severity="error">
            {problems[''] ?? 'Something cannot be kept as it is. The fields below say what.'}
          </Alert>
        )}
        <Section title="You" note="How you sit and how you count: every strip, stave and message speaks so.">
          {children}
        </Section>
        {teachers}
        {!isOwner && (
          <Typography color="textSecondary">What holds for the whole workshop is the owner’s to set.</Typography>
        )}
        {isOwner && (
          <>
            <Section title="Its name" note="What your students call it: it stands on invitations and on paper.">
              <TextField
                label="Name of the workshop"
                value={called}
                onChange={({ target }) => setCalled(target.value)}
                error={Boolean(problems['name'])}
                helperText={problems['name']}
                sx={{ width: 340, maxWidth: '100%' }}
              />
            </Section>
            <OwnersSections section={section} lastBackup={lastBackup} />
            {isDemo && <LeaveDemo />}
          </>
        )}
      </Box>
    </Page>
  );
}

/** What an owner sets for the whole workshop. */
function OwnersSections({ section, lastBackup }: { section: SectionProps; lastBackup: Date | null }) {
  return (
    <>
      <Section
        title="Schools of counting"
        note="Yours stand beside those that come with Mochila, for you and for each student."
      >
        <SchoolTables {...section} />
      </Section>
      <Section
        title="The clock"
        note="Days and times are said by it on every page, wherever it is read; weeks of lessons and totals begin with its first day."
      >
        <ZoneField {...section} />
      </Section>
      <Section
        title="Backup"
        note="One file holds everything: people, grooves, lessons, every take and sound. Keep it where only you look: who has it can try everybody’s password. Older than this, Today says so."
      >
        <BackupSection {...section} last={lastBackup} />
      </Section>
      <Section
        title="Strokes a second"
        note="Up to these a limb is comfortable, fast, at its limit. The bench warns above the limit, the room before fast rungs."
      >
        <LimitsTable {...section} />
      </Section>
      <Section
        title="What passes"
        note="So many times what can be heard (6 ms, or 2.5 % of the gap between strokes) a stroke may miss by at each level. It holds for takes from now on; those that were judged keep their verdicts."
      >
        <ToleranceTable {...section} />
      </Section>
      <Section title="Which feel a style wants" note="A hint with its reason on the bench, never a lock.">
        <FeelTable {...section} />
      </Section>
    </>
  );
}

function problemsIn(answer: SettingsAnswer): SettingsProblems {
  if (answer.kind === 'refused') return answer.problems;
  if (answer.kind === 'kept') return {};
  return {
    '': 'Another window has changed the workshop since this one was opened, so nothing is overwritten. Load this page again, then change it there.',
  };
}

function Section({ title, note, children }: { title: string; note: string; children: ReactNode }) {
  return (
    <section>
      <Typography variant="h2">{title}</Typography>
      <Typography color="textSecondary" sx={{ mb: 2 }}>
        {note}
      </Typography>
      {children}
    </section>
  );
}
