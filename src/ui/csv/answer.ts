import { writeCsv } from './table';

/** A file of comma-separated values as a route answers it. */
export const csvAnswer = (name: string, heading: readonly string[], rows: Parameters<typeof writeCsv>[1]): Response =>
  new Response(writeCsv(heading, rows), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="${name}"`,
      'cache-control': 'no-store',
    },
  });
