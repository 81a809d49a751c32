/**
 * Writes the JSON Schemas of our own files into docs/schemas: `node scripts/schemas.mjs`. A test says when they are
 * behind.
 */
import fs from 'node:fs';
import path from 'node:path';
import { register } from 'tsx/esm/api';

register();
const { publishedSchemas } = await import('../src/core/format/schemas.ts');
const folder = path.join(import.meta.dirname, '../docs/schemas');
fs.mkdirSync(folder, { recursive: true });
for (const [name, schema] of Object.entries(publishedSchemas()))
  fs.writeFileSync(path.join(folder, `${name}.json`), `${JSON.stringify(schema, null, 2)}\n`);
