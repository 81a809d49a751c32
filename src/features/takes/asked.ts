import { z } from 'zod';
import { INPUTS, type InputName } from '@/core/documents/take';
import { searchedIn } from '@/core/documents/shapes';
import { MOST_NAME, MOST_TITLE } from '@/core/limits';

/** What of the log is asked for, as it stands in the address of the page. */
export interface AskedOfLog {
  student?: string;
  /** Words of a groove's title. */
  item: string;
  /** Days of the workshop's clock, "2026-11-24", both of them shown. */
  from?: string;
  to?: string;
  input?: InputName;
  /** Takes before this moment: the next page. */
  before?: string;
  /** A student's name that is looked for. */
  name: string;
}

const day = z.iso.date();
const known = <T>(shape: z.ZodType<T>, value: unknown): T | undefined => shape.safeParse(value).data;

/** Reads the address; what cannot be understood is as if it were not there. */
export const logAskedOf = (params: Record<string, string | undefined>): AskedOfLog => ({
  student: known(z.uuid(), params.student),
  item: searchedIn(params.item, MOST_TITLE),
  from: known(day, params.from),
  to: known(day, params.to),
  input: known(z.enum(INPUTS), params.input),
  before: known(z.iso.datetime(), params.before),
  name: searchedIn(params.name, MOST_NAME),
});

/** The same as the query of an address, without what is not asked. */
export function queryOf(asked: Partial<AskedOfLog>): string {
  const query = new URLSearchParams();
  for (const [name, value] of Object.entries(asked)) if (value) query.set(name, value);
  return query.toString();
}

/** Whether anything but a student is asked for. */
export const isNarrowed = ({ item, from, to, input }: AskedOfLog): boolean => Boolean(item || from || to || input);
