import type { Answered, Subject } from '@/core/documents/listening';
import { nextQuestion, SITTING } from '@/core/practice/listening';
import { randomFrom, seedOf } from '@/core/random';
import type { Db } from '../database';
import { keepListening } from '../listening';
import { atHour, demoId } from './demoId';
import type { DemoStudent } from './people';

/** What the demo's students listened to of late, and how often they are right, the harder the less. */
const DEMO_LISTENING: { subject: Subject; daysAgo: number; skill: number }[] = [
  { subject: 'straight or swung', daysAgo: 8, skill: 0.8 },
  { subject: 'straight or swung', daysAgo: 3, skill: 0.9 },
  { subject: 'where the kick is', daysAgo: 5, skill: 0.75 },
  { subject: 'flam', daysAgo: 2, skill: 0.85 },
];

/** What a student of the demo listened to and answered. */
export async function fillListening(
  db: Db,
  now: Date,
  student: DemoStudent,
  player: { id: string; workshop_id: string },
): Promise<void> {
  for (const { subject, daysAgo, skill } of DEMO_LISTENING.slice(0, student.daysInTen > 6 ? undefined : 1)) {
    const name = `${student.name} listens ${subject} ${daysAgo}`;
    const random = randomFrom(seedOf(name));
    const answers: Answered[] = [];
    while (answers.length < SITTING) {
      const seed = Math.floor(random() * 2 ** 32);
      const { rung, right, choices } = nextQuestion(subject, { answers, from: 0, seed });
      const others = choices.filter((choice) => choice !== right);
      const isRight = random() < skill - rung * 0.12;
      answers.push({ rung, seed, right, said: isRight ? right : others[Math.floor(random() * others.length)]! });
    }
    const id = demoId(name);
    await keepListening(db, player, id, { version: 1, subject, answers });
    await db.query('update listening set received_at = $2 where id = $1', [id, atHour(now, daysAgo, 17, 20)]);
  }
}
