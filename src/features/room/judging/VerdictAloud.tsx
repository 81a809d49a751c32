import { verdictInWords } from '@/core/wording/verdictInWords';
import type { ReportWords } from '@/core/documents/verdict';
import type { School } from '@/core/counting/schools';
import type { Verdict } from '@/core/documents/verdict';

interface VerdictAloudProps {
  verdict: Verdict;
  school: School;
  report: ReportWords;
}

/** A verdict for readers of screens. */
export const VerdictAloud = ({ verdict, school, report }: VerdictAloudProps) =>
  verdictInWords(verdict, school, report).say;
