import type { TestProject } from 'vitest/node';
import { fillDemo } from '../demo/fill';
import { dropDatabase, ensureDatabase, migrate } from '../migrate';

/** The day of the demo in tests. */
export const DEMO_NOW = new Date('2026-11-20T12:00:00Z');

declare module 'vitest' {
  interface ProvidedContext {
    /** Databases that those of the test files are copied from: a migrated one, and one with the demo in it. */
    templates: { empty: string; demo: string };
  }
}

/** Makes the two templates once for all test files; without a server it makes none, and they say so themselves. */
export default async function makeTemplates(project: TestProject): Promise<(() => Promise<void>) | undefined> {
  const server = process.env.TEST_DATABASE_URL;
  if (!server) return undefined;
  const urlOf = (name: string): string => Object.assign(new URL(server), { pathname: `/${name}` }).href;
  const names = { empty: `mochila_template_${process.pid}`, demo: `mochila_template_demo_${process.pid}` };
  await ensureDatabase(urlOf(names.empty));
  await migrate(urlOf(names.empty));
  await ensureDatabase(urlOf(names.demo), names.empty);
  await fillDemo(urlOf(names.demo), DEMO_NOW);
  project.provide('templates', names);
  return async () => {
    await dropDatabase(urlOf(names.demo));
    await dropDatabase(urlOf(names.empty));
  };
}
