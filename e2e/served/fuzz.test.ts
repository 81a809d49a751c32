import { describe, expect, test } from 'vitest';
import { writeTake } from '@/core/documents/take';
import { randomFrom, seedOf } from '@/core/random';
import { emptyTake, playedTake } from '@/core/testing/takes';
import { STARTER_GROOVES } from '@/server/demo/grooves';
import { sampleArguments } from './samples';
import { actions, ask, call, Form, owner, sessionOf, theCast, type Cast } from './served';

/** Broken calls of each kind, more by night; `FUZZ_CALLS=2000 npm test -- served` tries as many as that. */
const CALLS = Number(process.env.FUZZ_CALLS ?? (process.env.NIGHTLY ? 200 : 8));
const SEED = process.env.FUZZ_SEED ?? 'broken on purpose';

const cast: Cast = theCast();

const nested = (depth: number): unknown => JSON.parse('['.repeat(depth) + ']'.repeat(depth)) as unknown;
/** What honest pages never send, each made when it is wanted. */
const NASTY: (() => unknown)[] = [
  () => null,
  () => undefined,
  () => true,
  () => -1,
  () => 0.1,
  () => 2 ** 31,
  () => 2 ** 53,
  () => 1e308,
  () => -1e-320,
  () => '',
  () => ' \u200b ',
  () => 'a\0b',
  () => '\ud800',
  () => '\udc00\ud800',
  () => '\u202eabc',
  () => "'; drop table take; --",
  () => '1/999999999999999',
  () => '1/0',
  () => '$@1',
  () => '$K9',
  () => 'x'.repeat(100_000),
  () => [],
  () => ({}),
  () => Array.from({ length: 5000 }, () => 1),
  () => nested(500),
  () =>
    JSON.parse(
      '{"__proto__": {"admin": true}, "constructor": {"prototype": {"admin": true}}, "toString": 1}',
    ) as unknown,
  () => ({ then: 'not a promise' }),
  () => crypto.randomUUID(),
  () => 'x'.repeat(4_000_000),
];

class Breaker {
  private readonly random: () => number;
  constructor(name: string) {
    this.random = randomFrom(seedOf(`${SEED} ${name}`));
  }
  private pick<T>(all: readonly T[]): T {
    return all[Math.floor(this.random() * all.length)]!;
  }
  /** The same value with something in it broken, somewhere. */
  broken(value: unknown): unknown {
    if (value instanceof Form) {
      const said = this.pick(NASTY)();
      const text = typeof said === 'string' ? said : (JSON.stringify(said) ?? '');
      return new Form({ ...value.fields, [this.pick([...Object.keys(value.fields), 'more'])]: text });
    }
    const inner = value && typeof value === 'object' && this.random() < 0.8 ? Object.keys(value) : [];
    if (!inner.length) return this.pick(NASTY)();
    const key = this.pick(inner);
    if (Array.isArray(value)) return value.with(Number(key), this.broken(value[Number(key)]));
    const object = value as Record<string, unknown>;
    if (this.random() < 0.1) return Object.fromEntries(Object.entries(object).filter(([name]) => name !== key));
    if (this.random() < 0.1) return { ...object, [`${key}2`]: object[key] };
    return { ...object, [key]: this.broken(object[key]) };
  }
}

/** What must hold of the database whatever was sent: nothing is kept by halves. */
const HALVES: [what: string, sql: string][] = [
  [
    'a take without its figures by place',
    `select id from take t where matched + missed > 0 and not exists (select from take_place p where p.take_id = t.id)`,
  ],
  [
    // Who is invited has none until they come in.
    'a person who signs in without a password',
    `select id from person p where sign_in_name not like 'invited-%' and not exists (select from credential c where c.person_id = p.id)`,
  ],
  ['a groove that is none', `select id from groove where jsonb_typeof(document -> 'bars') is distinct from 'array'`],
  ['settings that are none', `select id from workshop where jsonb_typeof(settings) <> 'object'`],
];

const expectWhole = async () => {
  for (const [what, sql] of HALVES) expect([what, (await owner.query(sql)).rows]).toEqual([what, []]);
  expect((await ask('/health')).status).toBe(200);
};

describe('whatever is sent is answered in words: nothing hangs, nothing breaks, nothing is kept by halves', () => {
  test.each([...actions.keys()].toSorted())('%s', async (name) => {
    const breaker = new Breaker(name);
    for (let time = 0; time < CALLS; time++) {
      const token = await sessionOf(cast.teacher.id);
      const args = sampleArguments(cast)[name]!;
      const sent = args.length ? (breaker.broken(args) as unknown[]) : (breaker.broken([null]) as unknown[]);
      const list = Array.isArray(sent) ? sent : [sent];
      const response = await call(actions.get(name)!, list, token);
      const text = await response.text();
      expect([response.status, time, JSON.stringify(list).slice(0, 300), text.slice(0, 200)]).toEqual([
        expect.toSatisfy((status: number) => status < 500),
        time,
        expect.anything(),
        expect.anything(),
      ]);
    }
    await expectWhole();
  });

  test('a take', async () => {
    const breaker = new Breaker('take');
    const token = await sessionOf(cast.student.id);
    const take = writeTake(playedTake({ spreadMs: 9 }, emptyTake(STARTER_GROOVES[0]!.groove, { rounds: 2 })));
    for (let time = 0; time < 8 * CALLS; time++) {
      const honest = {
        id: crypto.randomUUID(),
        playerId: cast.student.id,
        grooveId: cast.groove,
        assignmentId: cast.assignment,
        playedAt: new Date().toISOString(),
        take: { ...take, playedMs: Math.round(take.playedMs) },
      };
      const body = JSON.stringify(breaker.broken(honest)) ?? '';
      const response = await ask('/api/takes', token, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body,
      });
      const text = await response.text();
      expect([response.status, time, body.slice(0, 300), text.slice(0, 200)]).toEqual([
        expect.toSatisfy((status: number) => status < 500),
        time,
        expect.anything(),
        expect.anything(),
      ]);
    }
    await expectWhole();
  });

  test('addresses', async () => {
    const token = await sessionOf(cast.teacher.id);
    const paths = ['/takes', '/people', '/today', '/room', '/bench', '/drills', '/workshop/changes', '/grooves'];
    const ends = [
      '/%ED%A0%80',
      '/%00',
      '/%2e%2e%2f',
      '/%',
      '//',
      '?from=2147483648',
      '?from=-1',
      '?before=99999999999999999999',
      '?before=0000-01-01T00:00:00Z',
      '?name=%00',
      '?name=%ED%A0%80',
      '?name=a&name=b',
      '?name[]=a',
      '?student=x&before=x',
      '?bpm=1e308&click=x&limbs=x&limbs=y',
      '?tempo=60&places=1/0,x&switch=x&parts=-1&meter=99/99',
      `?name=${'x'.repeat(4000)}`,
    ];
    for (const path of paths)
      for (const end of ends) {
        const response = await ask(path + end, token);
        await response.arrayBuffer();
        expect([path + end, response.status < 500]).toEqual([path + end, true]);
      }
    for (const cookie of ['%00', 'x'.repeat(4000), '%ED%A0%80', '"', '\u00ff']) {
      const response = await ask('/today', cookie);
      expect([cookie.slice(0, 20), response.status]).toEqual([cookie.slice(0, 20), 307]);
    }
  });

  test('bodies that are none', async () => {
    const token = await sessionOf(cast.teacher.id);
    const { id, page } = actions.get('saveGrooveAction')!;
    const types = [
      'text/plain;charset=UTF-8',
      'application/json',
      'multipart/form-data; boundary=x',
      'application/x-www-form-urlencoded',
    ];
    for (const type of types)
      for (const body of [
        '',
        '[',
        '{}',
        'null',
        '"$K1"',
        '["$1"]',
        '["$h1"]',
        '--x\r\n',
        '--x--\r\n',
        '\0',
        'x'.repeat(4_600_000),
      ])
        for (const [path, headers] of [
          [page, { 'next-action': id }],
          [page, { 'next-action': 'no-such-action' }],
          [page, {}],
          ['/api/takes', {}],
        ] as const) {
          const response = await ask(path, token, {
            method: 'POST',
            headers: { 'content-type': type, ...headers } as Record<string, string>,
            body,
          });
          await response.arrayBuffer();
          const told = [path, type, body.slice(0, 10), 'next-action' in headers];
          expect([...told, response.status]).toEqual([...told, expect.toSatisfy((status: number) => status < 500)]);
        }
    await expectWhole();
  });
});
