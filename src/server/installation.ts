import pg from 'pg';

/** What a database holds: the demo workshop, or a workshop of somebody's own. */
export type Kind = 'demo' | 'own';

/**
 * What this database is, as its owner. The first start says what it becomes; from then on it stays that, whatever later
 * starts wish, so that no workshop is ever filled with the demo.
 */
export async function kindOf(ownerUrl: string, wished: Kind): Promise<Kind> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    const { rows } = await client.query<{ kind: Kind }>(
      `update installation set kind = coalesce(kind,
         (select case when bool_and(is_demo) then 'demo' else 'own' end from workshop having count(*) > 0), $1)
       returning kind`,
      [wished],
    );
    return rows[0]!.kind;
  } finally {
    await client.end();
  }
}
