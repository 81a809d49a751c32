import { readGroove, writeGroove } from '@/core/documents/groove';
import { readWrittenChart, writeWrittenChart, type WrittenChart } from '@/core/documents/writtenChart';
import { readSightPlan, writeSightPlan, type SightPlan } from '@/core/documents/sightPlan';
import { readWrittenDrill, writeWrittenDrill, type WrittenDrill } from '@/core/documents/writtenDrill';
import { metersInWords, type Groove } from '@/core/groove/groove';
import type { Reading } from '@/core/grid/meter';
import type { Level } from '@/core/limits';
import type { Problem } from '@/core/result';
import type { Swing } from '@/core/time/swing';
import { asJson } from './asJson';
import type { Db } from './database';
import type { Person } from './people';

/** A groove as lists show it: nothing of its notes. */
export interface GrooveRow {
  id: string;
  title: string;
  meter: string;
  reading: Reading;
  swing: Swing | null;
  bars: number;
  level: Level;
  tempo: number;
  tags: string[];
  /** Put away, not deleted: takes and what was set keep it. */
  archived: boolean;
  /** Of the person who asks. */
  favourite: boolean;
  saved_at: Date;
  /** Of one that plays a drill: how many exercises, each how often, called every so many bars. */
  drill_exercises: number | null;
  drill_repeats: number | null;
  drill_pace: number | null;
  /** Of one that plays a chart: how many bars. */
  chart_bars: number | null;
  /** Whether it is read at sight, drawn anew each time. */
  at_sight: boolean;
}

/** What a groove holds: its notes and the drill, the chart or the reading it plays, or why they cannot be read. */
export type GrooveContent = Played | { unreadable: Problem };

interface Played {
  groove: Groove;
  drill?: WrittenDrill;
  chart?: WrittenChart;
  sight?: SightPlan;
}

/** Whether its bars were written by something else than by hand on the bench. */
export const playsOther = ({ drill, chart, sight }: Played): boolean => Boolean(drill ?? chart ?? sight);

/** `save_number` is raised with every save. */
export type StoredGroove = GrooveRow & { save_number: number; content: GrooveContent };

/** A row with its documents as they are stored. */
interface Documents extends GrooveRow {
  save_number: number;
  document: unknown;
  drill: unknown;
  chart: unknown;
  sight_plan: unknown;
}

const ROW = `select id, title, meter, reading, swing, bars, level, tempo, tags, archived_at is not null as archived,
  saved_at,
  drill_exercises, drill_repeats, drill_pace, chart_bars, at_sight is not null as at_sight,
  exists (select from favourite f where f.groove_id = groove.id and f.person_id = signed_in_person()) as favourite`;
const IN_ORDER = `order by array_position(array['first year', 'second year', 'advanced', 'concert'], level), title`;

/**
 * All grooves the person may see, the easiest first; those that play a drill or a chart or are read at sight only
 * when asked for.
 */
export async function grooves(db: Db, { drills = false }: { drills?: boolean } = {}): Promise<GrooveRow[]> {
  const { rows } = await db.query<GrooveRow>(
    `${ROW} from groove where $1 or (drill is null and chart is null and at_sight is null) ${IN_ORDER}`,
    [drills],
  );
  return rows;
}

export async function groove(db: Db, id: string): Promise<StoredGroove | undefined> {
  return (await groovesOf(db, [id]))[0];
}

/** These grooves with what they hold, as far as they may be seen. */
export async function groovesOf(db: Db, ids: readonly string[]): Promise<StoredGroove[]> {
  const { rows } = await db.query<Documents>(
    `${ROW}, save_number, document, drill, chart, at_sight as sight_plan from groove where id = any ($1::uuid[]) ${IN_ORDER}`,
    [ids],
  );
  return rows.map(({ save_number, document, drill, chart, sight_plan, ...row }) => ({
    ...row,
    save_number,
    content: contentOf({ document, drill, chart, sight_plan }),
  }));
}

type Content = Pick<Documents, 'document' | 'drill' | 'chart' | 'sight_plan'>;

function contentOf({ document, drill, chart, sight_plan }: Content): GrooveContent {
  if (chart !== null) {
    const read = readWrittenChart(chart, document);
    return read.ok ? { groove: read.value.groove, chart: read.value } : { unreadable: read.problems[0]! };
  }
  if (drill === null) {
    const read = readGroove(document);
    if (!read.ok) return { unreadable: read.problems[0]! };
    if (sight_plan === null) return { groove: read.value };
    const plan = readSightPlan(sight_plan);
    return plan.ok ? { groove: read.value, sight: plan.value } : { unreadable: plan.problems[0]! };
  }
  const read = readWrittenDrill(drill, document);
  return read.ok ? { groove: read.value.groove, drill: read.value } : { unreadable: read.problems[0]! };
}

/** Keeps a new groove in the teacher's workshop. */
export async function addGroove(
  db: Db,
  teacher: Pick<Person, 'id' | 'workshop_id'>,
  made: { id?: string; groove: Groove; level: Level; tags?: string[] } & Pick<Played, 'drill' | 'chart' | 'sight'>,
): Promise<string> {
  const id = made.id ?? crypto.randomUUID();
  await db.query(
    `insert into groove (id, workshop_id, made_by, title, meter, level, tempo, document_version, document, tags,
      drill, chart, at_sight)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13)`,
    [
      id,
      teacher.workshop_id,
      teacher.id,
      made.groove.title,
      metersInWords(made.groove),
      made.level,
      made.groove.tempo,
      made.groove.version,
      asJson(writeGroove(made.groove)),
      made.tags ?? [],
      made.drill ? asJson(writeWrittenDrill(made.drill).drill) : null,
      made.chart ? asJson(writeWrittenChart(made.chart).chart) : null,
      made.sight ? asJson(writeSightPlan(made.sight)) : null,
    ],
  );
  return id;
}

/**
 * `saved` with the new save number; `behind` with what stands there when somebody else saved meanwhile; `gone` when
 * there is none that can be saved.
 */
export type Saved =
  { kind: 'saved'; save_number: number } | { kind: 'behind'; save_number: number; groove: Groove } | { kind: 'gone' };

/**
 * Saves a groove that was edited from the save `from`; a later one is never overwritten, and the bars of a drill stay
 * as they are.
 */
export async function saveGroove(db: Db, id: string, from: number, edited: Groove): Promise<Saved> {
  const { rows } = await db.query<{ save_number: number }>(
    `update groove set title = $3, meter = $4, tempo = $5, document_version = $6, document = $7,
       save_number = save_number + 1, saved_at = now()
     where id = $1 and save_number = $2 and drill is null and chart is null and at_sight is null returning save_number`,
    [id, from, edited.title, metersInWords(edited), edited.tempo, edited.version, asJson(writeGroove(edited))],
  );
  if (rows[0]) return { kind: 'saved', save_number: rows[0].save_number };
  const current = await groove(db, id);
  if (!current || 'unreadable' in current.content || playsOther(current.content)) return { kind: 'gone' };
  return { kind: 'behind', save_number: current.save_number, groove: current.content.groove };
}

/** What the library says of a groove beside its notes. */
export interface GrooveLabels {
  level: Level;
  tags: string[];
}

export async function setLabels(db: Db, id: string, { level, tags }: GrooveLabels): Promise<void> {
  await db.query('update groove set level = $2, tags = $3 where id = $1', [id, level, tags]);
}

/** Puts a groove away, or brings it back. */
export async function setArchived(db: Db, id: string, archived: boolean): Promise<void> {
  await db.query('update groove set archived_at = case when $2 then coalesce(archived_at, now()) end where id = $1', [
    id,
    archived,
  ]);
}

/** Marks a groove as a favourite of the person's own, or takes the mark off. One that may not be seen is left alone. */
export async function setFavourite(
  db: Db,
  person: Pick<Person, 'id' | 'workshop_id'>,
  id: string,
  favourite: boolean,
): Promise<void> {
  if (favourite)
    await db.query(
      `insert into favourite (person_id, groove_id, workshop_id) select $1, id, $3 from groove where id = $2
       on conflict do nothing`,
      [person.id, id, person.workshop_id],
    );
  else await db.query('delete from favourite where person_id = $1 and groove_id = $2', [person.id, id]);
}
