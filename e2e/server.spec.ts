import { expect, test } from '@playwright/test';
import { comeInAs, expectAccessible } from './steps';

for (const scheme of ['light', 'dark'] as const) {
  test(`each screen is accessible when it is ${scheme}`, async ({ page }) => {
    test.setTimeout(900_000);
    await page.emulateMedia({ colorScheme: scheme });
    await page.goto('/sign-in');
    await expectAccessible(page);
    for (const [who, paths] of [
      [
        'Oda',
        ['/today', '/people', '/people/new', '/takes', '/grooves', '/drills', '/workshop', '/workshop/changes', '/you'],
      ],
      ['Ilse', ['/today', '/takes', '/grooves', '/you', '/getting-heard']],
    ] as const) {
      await comeInAs(page, who);
      for (const path of paths) {
        await page.goto(path);
        await expect(page.locator('main h1')).toBeVisible();
        // A few cards stand for the shelf: every one is drawn by the same hand.
        const find = page.getByLabel(/^Find by title/);
        if (path === '/grooves' && (await find.count())) await find.fill('ferry');
        await expectAccessible(page);
      }
      await page.goto('/takes');
      await page.getByRole('row').nth(2).getByRole('link').click();
      await expect(page.getByRole('heading', { name: 'Error by place' })).toBeAttached();
      await expectAccessible(page);
      await page.goto('/grooves');
      await page
        .getByRole('link', { name: /in the room/ })
        .first()
        .click();
      await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeVisible();
      await expectAccessible(page);
      if (who === 'Oda') {
        await page.goto('/people');
        await page.getByRole('link', { name: 'Ilse Marrowby' }).click();
        await expect(page.getByRole('heading', { name: 'Set to practise' })).toBeVisible();
        await expect(page.locator('.recharts-surface').first()).toBeVisible();
        await expectAccessible(page);
      }
      await page.getByRole('button', { name: /Sign out/ }).click();
      await expect(page).toHaveURL(/sign-in$/);
    }
  });
}

test('a student’s address of another’s take, groove or page shows nothing', async ({ page }) => {
  await comeInAs(page, 'Oda');
  await page.goto('/takes');
  await page.getByRole('link', { name: 'Bertil Quayle' }).click();
  // The list of everybody stays until his has come.
  await expect(page).toHaveURL(/student=/);
  await expect(page.getByRole('row').nth(2)).toContainText('Bertil Quayle');
  const bertils = await page.getByRole('row').nth(2).getByRole('link').getAttribute('href');
  await page.goto('/people');
  const person = await page.getByRole('link', { name: 'Bertil Quayle' }).getAttribute('href');
  await page.getByRole('button', { name: /Sign out/ }).click();
  await expect(page).toHaveURL(/sign-in$/);
  await comeInAs(page, 'Pim');
  for (const path of [
    bertils!,
    '/takes/not-an-id',
    '/room/6f1f6a3e-0000-4000-8000-000000000000',
    '/room/x',
    '/nowhere',
  ]) {
    const answer = await page.goto(path);
    expect(answer!.status(), path).toBe(404);
    await expect(page.getByText('There is nothing here')).toBeVisible();
  }
  await page.goto(person!);
  await expect(page).toHaveURL(/today$/);
});

test('the pages carry their policy, and health says that the database answers', async ({ request }) => {
  const page = await request.get('/sign-in');
  const headers = page.headers();
  expect(headers['content-security-policy']).toMatch(/script-src 'nonce-[^']+' 'strict-dynamic'/);
  expect(headers['content-security-policy']).toContain("frame-ancestors 'none'");
  expect(headers).toMatchObject({
    'x-content-type-options': 'nosniff',
    'x-frame-options': 'DENY',
    'referrer-policy': 'same-origin',
  });
  expect(headers['x-powered-by']).toBeUndefined();
  const health = await request.get('/health');
  expect(health.status()).toBe(200);
  expect(await health.json()).toEqual({ ok: true, database: 'answers', writing: 'works' });
});

test('what is sent to the server and cannot be kept is answered in words, never with a 5xx', async ({ page }) => {
  const unsigned = await page.request.post('/api/takes', { data: {} });
  expect(unsigned.status()).toBe(401);
  await comeInAs(page, 'Pim');
  const send = async (data: string, headers: Record<string, string> = {}) => {
    const answer = await page.request.post('/api/takes', {
      data: Buffer.from(data),
      headers: { 'content-type': 'application/json', ...headers },
    });
    return [answer.status(), ((await answer.json()) as { say: string }).say] as const;
  };
  const id = '6f1f6a3e-0000-4000-8000-000000000001';
  // Whose take it is, as the page itself knows it.
  const [, playerId] = /playerId\\?":\\?"([0-9a-f-]{36})/.exec(await (await page.request.get('/today')).text())!;
  const frame = { id, playerId, grooveId: id, playedAt: '2026-11-20T12:00:00Z' };
  expect(await send('{')).toEqual([400, 'This is not JSON.']);
  expect(await send('{}', { origin: 'https://elsewhere.example' })).toEqual([403, 'This was sent from another site.']);
  expect(await send('{}', { 'content-type': 'text/plain' })).toEqual([415, 'Send JSON.']);
  expect((await send('{}'))[0]).toBe(422);
  const another = await send(JSON.stringify({ ...frame, playerId: id, take: {} }));
  expect(another[0]).toBe(422);
  expect(another[1]).toContain('another person’s');
  const many = await send(
    JSON.stringify({ ...frame, take: { version: 1, hits: Array.from({ length: 200_000 }, () => 0) } }),
  );
  expect(many[0]).toBe(422);
  expect(many[1]).toContain('200,000 hits');
  expect((await send(JSON.stringify({ ...frame, take: 'x'.repeat(5_000_000) })))[0]).toBe(413);
});

test('the cookie is out of reach of scripts and other sites', async ({ page, context }) => {
  await comeInAs(page, 'Pim');
  const cookie = (await context.cookies()).find(({ name }) => name === 'mochila_session');
  expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Lax' });
  expect(cookie!.value).toMatch(/^[\w-]{43}$/);
});
