/**
 * A document as the database keeps it. Half a surrogate pair or a NUL in a text, which jsonb refuses, is put down as
 * the mark of an unreadable character; documents are checked before, so that no honest one holds any.
 */
export const asJson = (document: unknown): string =>
  JSON.stringify(document).replace(/\\\\|\\u(?:0000|d[89a-f][0-9a-f]{2})/g, (found) =>
    found === '\\\\' ? found : '\ufffd',
  );
