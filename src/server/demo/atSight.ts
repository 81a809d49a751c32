import { readSightPlan, type SightPlanJson } from '@/core/documents/sightPlan';
import { sentence } from '@/core/result';
import type { Db } from '../database';
import { keepSight } from '../sightPlans';
import { demoId } from './demoId';

/** What the boathouse reads at sight. */
const DEMO_SIGHT: { title: string; tempo: number; plan: Omit<SightPlanJson, 'version'> }[] = [
  {
    title: 'Off the ferry board',
    tempo: 66,
    plan: { kind: 'line', level: 'first year', values: ['quarters', '8ths'], meter: '4/4', bars: 4, lookS: 20 },
  },
  {
    title: 'Buoy after buoy',
    tempo: 72,
    plan: { kind: 'line', level: 'advanced', values: ['8ths', '16ths', 'triplets'], meter: '3/4', bars: 8, lookS: 30 },
  },
  {
    title: 'Call sheet for the evening boat',
    tempo: 96,
    plan: { kind: 'chart', level: 'concert', values: ['8ths', 'triplets'], meter: '4/4', bars: 24, lookS: 45 },
  },
];

export async function fillAtSight(db: Db, teacher: { id: string; workshop_id: string }): Promise<void> {
  for (const { plan, ...named } of DEMO_SIGHT) {
    const read = readSightPlan({ version: 1, ...plan });
    if (!read.ok) throw new Error(sentence(read.problems[0]!));
    await keepSight(db, teacher, { ...named, id: demoId(`at sight ${named.title}`), plan: read.value });
  }
}
