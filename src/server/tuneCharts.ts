import type { ChartForm } from '@/core/documents/chart';
import { readWrittenChart, writeWrittenChart, type WrittenChart } from '@/core/documents/writtenChart';
import { writeOutChart, type GroovesById } from '@/core/chart/play/writeOut';
import { metersInWords } from '@/core/groove/groove';
import { ok, type Problem, type Result } from '@/core/result';
import { asJson } from './asJson';
import type { Db } from './database';
import { addGroove, groove, groovesOf } from './grooves';
import type { Person } from './people';

/** The chart of a tune as it is kept. `save_number` is raised with every save. */
export interface TuneChart {
  id: string;
  save_number: number;
  chart: WrittenChart;
}

/**
 * `behind`: somebody else saved meanwhile, and what was sent is not kept; `gone`: the tune is, or its chart cannot be
 * read.
 */
export type ChartSaved = { kind: 'saved'; id: string; save_number: number } | { kind: 'behind' } | { kind: 'gone' };

/** The grooves that a chart's sections play, as far as they can be read. */
async function groovesIn(db: Db, form: ChartForm): Promise<GroovesById> {
  const ids = new Set<string>();
  const look = (sections: ChartForm['sections']) => {
    for (const section of sections) {
      if (section.groove) ids.add(section.groove);
      look(section.parts ?? []);
    }
  };
  look(form.sections);
  const found = ids.size ? await groovesOf(db, [...ids]) : [];
  return new Map(found.flatMap(({ id, content }) => ('groove' in content ? [[id, content.groove] as const] : [])));
}

/**
 * Keeps the chart of a tune, written out with its grooves as they are now: the first one, or in place of the save
 * `from`. A later save is never overwritten. Problems where it cannot be played.
 */
export async function keepChart(
  db: Db,
  teacher: Pick<Person, 'id' | 'workshop_id'>,
  { tune, from, form, id: wanted }: { tune: string; from: number; form: ChartForm; id?: string },
): Promise<Result<ChartSaved>> {
  // Two who keep the first chart of one tune at once: the second finds that of the first.
  const { rows } = await db.query<{ title: string; chart_id: string | null }>(
    'select title, chart_id from tune where id = $1 for update',
    [tune],
  );
  const found = rows[0];
  if (!found) return ok({ kind: 'gone' });
  const written = writeOutChart(form, found.title, await groovesIn(db, form));
  if (!written.ok) return written;
  const kept = writeWrittenChart(written.value);
  // As every document is read, so that nothing is kept that could not be.
  const read = readWrittenChart(JSON.parse(asJson(kept.chart)), JSON.parse(asJson(kept.groove)));
  if (!read.ok) return read;
  const chart = written.value;
  if (!found.chart_id) {
    const id = await addGroove(db, teacher, { id: wanted, groove: chart.groove, level: 'second year', chart });
    await db.query('update tune set chart_id = $2 where id = $1', [tune, id]);
    return ok({ kind: 'saved', id, save_number: 1 });
  }
  const { groove: bars } = chart;
  const saved = await db.query<{ save_number: number }>(
    `update groove set title = $3, meter = $4, tempo = $5, document_version = $6, document = $7, chart = $8,
       save_number = save_number + 1, saved_at = now()
     where id = $1 and save_number = $2 returning save_number`,
    [
      found.chart_id,
      from,
      bars.title,
      metersInWords(bars),
      bars.tempo,
      bars.version,
      asJson(kept.groove),
      asJson(kept.chart),
    ],
  );
  const save = saved.rows[0];
  return ok(save ? { kind: 'saved', id: found.chart_id, save_number: save.save_number } : { kind: 'behind' });
}

/** A chart by its id, or why it cannot be read; undefined where there is none. */
export async function chartOf(
  db: Db,
  id: string,
): Promise<({ kind: 'chart' } & TuneChart) | { kind: 'unreadable'; problem: Problem } | undefined> {
  const found = await groove(db, id);
  if (!found) return undefined;
  const { content, save_number } = found;
  if ('unreadable' in content) return { kind: 'unreadable', problem: content.unreadable };
  return content.chart ? { kind: 'chart', id, save_number, chart: content.chart } : undefined;
}

/** A chart, or something to be read at sight, as it stands among what can be set. */
export interface ChartChoice {
  id: string;
  title: string;
  tempo: number;
  at_sight: boolean;
}

/** The workshop's charts, and what is read at sight, as they can be set, by title: none is read for it. */
export async function chartChoices(db: Db): Promise<ChartChoice[]> {
  const { rows } = await db.query<ChartChoice>(
    `select id, title, tempo, at_sight is not null as at_sight from groove
     where (chart is not null or at_sight is not null) and archived_at is null order by lower(title), id`,
  );
  return rows;
}
