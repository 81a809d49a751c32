import type { Clock } from '@/core/documents/settings';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { onClock } from '@/core/plan/agenda';
import { groupBy } from '@/core/stats/groupBy';
import type { AgendaEntry, TimeRow } from '@/server/lessonTimes';
import { EmptyState } from '@/ui/EmptyState';
import { Page } from '@/ui/Page';
import { dateInWords, shortDateInWords, weekdayNamed } from '@/ui/words/dates';
import { namesInWords } from '@/ui/words/text';
import { endTimeAction } from './actions';
import { AgendaLine } from './AgendaLine';
import { Holidays } from './Holidays';
import { TimeForm } from './TimeForm';

interface WeekPageProps {
  entries: readonly AgendaEntry[];
  /** The first day of the week, and those of the weeks before and after. */
  week: { from: string; before: string; after: string; isNow: boolean };
  today: string;
  times: readonly TimeRow[];
  students: readonly { id: string; name: string }[];
  holidays: readonly { id: string; name: string; from: string; to: string }[];
  clock: Clock;
  isOwner: boolean;
}

const everyInWords = (rule: string) => {
  const weeks = Number(/INTERVAL=(\d)/.exec(rule)?.[1] ?? 1);
  return weeks === 1 ? 'every' : `every ${['', '', 'second', 'third', 'fourth'][weeks]}`;
};

/** A week of lessons, the times they come round, and the days on which there are none. */
export function WeekPage({ entries, week, today, times, students, holidays, clock, isOwner }: WeekPageProps) {
  const days = groupBy(entries, ({ startsAt }) => onClock(startsAt, clock.timeZone).day);
  return (
    <Page
      title="Lessons"
      note={`Week of ${dateInWords(week.from, clock)}`}
      actions={
        <>
          <Button href={`/lessons?week=${week.before}`}>Week before</Button>
          {!week.isNow && <Button href="/lessons">This week</Button>}
          <Button href={`/lessons?week=${week.after}`}>Week after</Button>
        </>
      }
    >
      <Box sx={{ display: 'grid', gap: 5, maxWidth: 980 }}>
        {!entries.length && !times.length && (
          <EmptyState title="No lessons are set down yet">
            Set down below who comes and when. From then on the lessons of a day stand on Today, each with its plan, and
            homework is due by the next one.
          </EmptyState>
        )}
        {!entries.length && times.length > 0 && <Typography>No lessons this week.</Typography>}
        {[...days].map(([day, all]) => (
          <section key={day}>
            <Typography variant="h2" sx={{ mb: 0.5 }}>
              {dateInWords(day, clock)}
              {day === today && ', today'}
            </Typography>
            {all.map((entry) => (
              <AgendaLine key={entry.lesson?.id ?? `${entry.time!.id} ${entry.ofDay}`} entry={entry} clock={clock} />
            ))}
          </section>
        ))}
        <section>
          <Typography variant="h2" sx={{ mb: 1.5 }}>
            Set down a lesson
          </Typography>
          {students.length ? (
            <TimeForm students={students} today={today} />
          ) : (
            <Typography color="textSecondary">Add a student first, under People.</Typography>
          )}
        </section>
        {times.length > 0 && (
          <section>
            <Typography variant="h2" sx={{ mb: 0.5 }}>
              Times that come round
            </Typography>
            {times.map((one) => (
              <Box
                key={one.id}
                component="form"
                action={endTimeAction}
                sx={{
                  display: 'flex',
                  flexWrap: 'wrap',
                  gap: 1.5,
                  alignItems: 'center',
                  py: 1,
                  borderTop: 1,
                  borderColor: 'divider',
                }}
              >
                <Typography sx={{ flex: '1 1 320px', overflowWrap: 'anywhere' }}>
                  <strong>{namesInWords(one.students.map(({ name }) => name))}</strong>, {everyInWords(one.rule)}{' '}
                  {weekdayNamed(one.startsOn, clock)} at {one.at}, {one.minutes} minutes
                  <Box component="span" sx={{ color: 'text.secondary' }}>
                    {one.startsOn > today && `, from ${shortDateInWords(one.startsOn, clock)}`}
                    {one.endsOn && `, until ${shortDateInWords(one.endsOn, clock)}`}
                  </Box>
                </Typography>
                <input type="hidden" name="day" value={today} />
                {!one.endsOn && (
                  <Button type="submit" name="time" value={one.id} size="small">
                    Comes round no more
                  </Button>
                )}
              </Box>
            ))}
          </section>
        )}
        {(isOwner || holidays.length > 0) && <Holidays holidays={holidays} clock={clock} isOwner={isOwner} />}
      </Box>
    </Page>
  );
}
