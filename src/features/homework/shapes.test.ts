import { describe, expect, test } from 'vitest';
import { assignmentShape, DRILL, TUNE } from './shapes';

const ID = '6d90c925-50c3-4e6e-8a80-44195a7fa942';
const said = (read: { success: boolean; error?: { issues: { path: PropertyKey[]; message: string }[] } }) =>
  read.success ? [] : read.error!.issues.map(({ path, message }) => `${path.join('.')}: ${message}`);

describe('what is set', () => {
  const given = { students: ID, what: ID, tempo: '72,5', click: '2 and 4', minutes: '15', reason: ' Hear the foot. ' };

  test('is a groove or a drill, at a tempo with a point or a comma', () => {
    expect(assignmentShape.parse(given)).toMatchObject({
      what: { what: 'groove', id: ID },
      tempo: 72.5,
      minutes: 15,
      reason: 'Hear the foot.',
    });
    expect(
      assignmentShape.parse({
        ...given,
        bars: '2-3',
        ladderStart: '60',
        ladderStep: '4',
        passTakes: '3',
        due: '2026-11-24T15:00:00.000Z',
      }),
    ).toMatchObject({
      bar_from: 1,
      bar_to: 2,
      ladder_start: 60,
      ladder_step: 4,
      pass_takes: 3,
      due_at: new Date('2026-11-24T15:00:00Z'),
    });
    expect(assignmentShape.parse({ ...given, what: 'ear:flam' }).what).toEqual({ what: 'by ear', subject: 'flam' });
    expect(assignmentShape.parse({ ...given, students: `${ID},${ID}` }).students).toEqual([ID]);
    expect(assignmentShape.parse({ ...given, reason: ' ' }).reason).toBe('');
    expect(assignmentShape.parse({ ...given, what: `${DRILL}${ID}` }).what).toEqual({ what: 'drill', id: ID });
    expect(assignmentShape.parse({ ...given, what: `${TUNE}${ID}` }).what).toEqual({ what: 'tune', id: ID });
  });

  test.each([
    [{ what: 'drill:none' }, 'what: Choose a groove, a drill, a tune or a listening drill.'],
    [{ what: '' }, 'what: Choose a groove, a drill, a tune or a listening drill.'],
    [{ tempo: '' }, 'tempo: Write a tempo in beats a minute, like 72.'],
    [{ tempo: '1000' }, 'tempo: The fastest tempo is 300.'],
    [{ click: 'loud' }, 'click: Choose a click plan from the list.'],
    [{ minutes: '7.5' }, 'minutes: Whole minutes, please.'],
    [{ minutes: '600' }, 'minutes: At most 120 minutes a day.'],
    [{ reason: 'x'.repeat(401) }, 'reason: At most 400 characters.'],
    [{ what: 'ear:whistle' }, 'what: Choose a groove, a drill, a tune or a listening drill.'],
    [{ bars: '3-2' }, 'bars: Write bars like 2 or 1-4, the first one first.'],
    [{ bars: 'all' }, 'bars: Write bars like 2 or 1-4, the first one first.'],
    [{ ladderStart: '60' }, 'ladderStep: Give the ladder a start and a step, or leave both empty.'],
    [{ ladderStart: '60', ladderStep: '90' }, 'ladderStep: At most 40: small steps hurt nobody.'],
    [{ passTakes: '11' }, 'passTakes: 1 to 10 clean takes, or leave it empty.'],
    [{ due: 'soon' }, 'due: Choose a lesson from the list.'],
    [{ students: 'x' }, 'students: This student is not there any more.'],
  ])('%o is said at its field', (change, expected) => {
    expect(said(assignmentShape.safeParse({ ...given, ...change }))).toContain(expected);
  });
});
