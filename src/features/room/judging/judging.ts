import dynamic from 'next/dynamic';
import { useEffect } from 'react';

/** What judges and words a take comes when the room stands: nothing that is played waits for it. */
const judge = () => import('@/core/judging/verdict/judge').then((module) => module.judge);
const verdictAloud = () => import('./VerdictAloud').then((module) => module.VerdictAloud);

export const VerdictAloud = dynamic(verdictAloud, { ssr: false });

/** Has the judge brought while the room stands, so that it is there without the network when a take ends. */
export function useJudge(): () => ReturnType<typeof judge> {
  useEffect(() => void Promise.all([judge(), verdictAloud()]).catch(() => {}), []);
  return judge;
}
