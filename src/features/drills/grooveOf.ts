import { readGroove } from '@/core/documents/groove';
import type { Groove } from '@/core/groove/groove';
import { grooveJsonAction } from './actions';

/** The notes of a groove of the workshop, asked for when it is picked; undefined where there are none to be read. */
export async function grooveOf(id: string): Promise<Groove | undefined> {
  const json = await grooveJsonAction(id).catch(() => undefined);
  const read = readGroove(json);
  return read.ok ? read.value : undefined;
}
