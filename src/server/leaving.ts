import { Zip, ZipDeflate, ZipPassThrough } from 'fflate';
import type { SoundKind } from '@/core/limits';
import type { Db } from './database';
import { recordingOf, soundOf } from './recordings';

/** Takes that are read at a time: each holds its whole document. */
const AT_ONCE = 200;

/** What is written out of a person, a file a table, as the database has it. */
const TABLES: [file: string, sql: string][] = [
  ['person.json', 'select to_jsonb(p) as row from person p where p.id = $1'],
  [
    'homework.json',
    // What is listened to has no groove.
    `select to_jsonb(a) || jsonb_build_object('groove', g.title) as row from assignment a
      left join groove g on g.id = a.groove_id where a.student_id = $1 order by a.set_at, a.id`,
  ],
  [
    'notes.json',
    `select to_jsonb(n) as row from take_note n join take t on t.id = n.take_id where t.player_id = $1
      order by n.written_at, n.id`,
  ],
  ['ladders.json', 'select to_jsonb(l) as row from ladder l where l.person_id = $1 order by l.groove_id'],
  [
    'lessons.json',
    `select to_jsonb(l) - 'teacher_id' || jsonb_build_object('teacher', t.name) as row from lesson_student s
      join lesson l on l.id = s.lesson_id
       join person t on t.id = l.teacher_id where s.student_id = $1 order by l.starts_at, l.id`,
  ],
  ['mail.json', 'select to_jsonb(m) as row from mail_address m where m.person_id = $1'],
  ['plans.json', 'select to_jsonb(d) as row from day_plan d where d.student_id = $1 order by d.day'],
  [
    'paths.json',
    `select to_jsonb(w) || jsonb_build_object('path', p.name) as row from path_student w
      join path p on p.id = w.path_id where w.student_id = $1 order by w.put_at, w.path_id`,
  ],
  ['by ear.json', 'select to_jsonb(l) as row from listening l where l.player_id = $1 order by l.received_at, l.id'],
];

const WORDS = `Everything Mochila keeps of one person: who they are, what was set, every take with every stroke, the words on
takes, lessons with what was taken home, plans of their days, the paths they walk, where they are written to, ladders, listening drills, and the sounds that were kept. Times are in UTC. The files are JSON, a list of rows each; the
sounds are WebM or WAV and are called by their take.
`;

const ENDING: Record<SoundKind, string> = { 'audio/webm': 'webm', 'audio/wav': 'wav' };

type Reading = <T>(work: (db: Db) => Promise<T>) => Promise<T>;
interface OneFile {
  name: string;
  bytes: Uint8Array;
  /** Compressed already. */
  isSmall?: boolean;
}

/**
 * Everything of a person's as one zip file, piece by piece, so that years of takes are never held at once; undefined
 * where whoever asks has no such person.
 */
export async function everythingOf(personId: string, read: Reading): Promise<AsyncGenerator<Uint8Array> | undefined> {
  const known = await read(async (db) => (await db.query('select from person where id = $1', [personId])).rowCount);
  return known ? zipped(filesOf(personId, read)) : undefined;
}

async function* zipped(files: AsyncGenerator<OneFile>): AsyncGenerator<Uint8Array> {
  const ready: Uint8Array[] = [];
  const zip = new Zip((error, chunk) => {
    if (error) throw error;
    ready.push(chunk);
  });
  for await (const { name, bytes, isSmall } of files) {
    const file = isSmall ? new ZipPassThrough(name) : new ZipDeflate(name);
    zip.add(file);
    file.push(bytes, true);
    yield* ready.splice(0);
  }
  zip.end();
  yield* ready.splice(0);
}

async function* filesOf(personId: string, read: Reading): AsyncGenerator<OneFile> {
  yield { name: 'read me.txt', bytes: new TextEncoder().encode(WORDS) };
  for (const [name, sql] of TABLES)
    yield { name, bytes: json(await read(async (db) => (await db.query<Row>(sql, [personId])).rows)) };
  const sounds: string[] = [];
  let last: Row | undefined;
  for (let number = 1; number === 1 || last; number++) {
    const rows: Row[] = await read((db) => takesAfter(db, personId, last?.row));
    last = rows.length === AT_ONCE ? rows.at(-1) : undefined;
    sounds.push(...rows.filter(({ has_sound }) => has_sound).map(({ row }) => row.id));
    if (rows.length) yield { name: `takes/${String(number).padStart(4, '0')}.json`, bytes: json(rows) };
  }
  for (const id of sounds) {
    const found = await read(async (db) => {
      const about = await recordingOf(db, id);
      const sound = about && (await soundOf(db, id, 0, about.bytes));
      return sound && { about, sound };
    });
    if (found)
      yield { name: `sounds/${id}.${ENDING[found.about.kind]}`, bytes: new Uint8Array(found.sound), isSmall: true };
  }
}

interface Row {
  row: { id: string; played_at: string };
  has_sound?: boolean;
}

const takesAfter = async (db: Db, personId: string, last: Row['row'] | undefined): Promise<Row[]> =>
  (
    await db.query<Row>(
      `select to_jsonb(t) as row, exists (select from recording r where r.take_id = t.id) as has_sound from take t
       where t.player_id = $1 and ($2::timestamptz is null or (t.played_at, t.id) > ($2, $3::uuid))
       order by t.played_at, t.id limit $4`,
      [personId, last?.played_at ?? null, last?.id ?? null, AT_ONCE],
    )
  ).rows;

const json = (rows: readonly Row[]): Uint8Array =>
  new TextEncoder().encode(
    `${JSON.stringify(
      rows.map(({ row }) => row),
      undefined,
      1,
    )}\n`,
  );
