import { useMemo, useState } from 'react';
import { barTyped, withBarTyped } from '@/core/chart/text/atBar';
import { chartInWords } from '@/core/chart/text/chartInWords';
import { readChartText, type ChartTextProblem } from '@/core/chart/text/chartText';
import { engraved, type EngravedBar } from '@/core/chart/play/engraved';
import { writeOutChart, type GroovesById } from '@/core/chart/play/writeOut';
import type { ChartForm, ChartSection } from '@/core/documents/chart';
import type { WrittenChart } from '@/core/documents/writtenChart';
import { sentence, type Problem } from '@/core/result';

/** Which groove each section plays, by its name. */
export type GrooveBySection = Readonly<Record<string, string>>;

interface Typed {
  form?: ChartForm;
  bars?: readonly EngravedBar[];
  chart?: WrittenChart;
  problem?: Problem | ChartTextProblem;
}

const eachSection = function* (sections: readonly ChartSection[]): Generator<ChartSection> {
  for (const section of sections) {
    yield section;
    yield* eachSection(section.parts ?? []);
  }
};

/** The sections of a form that have bars of their own, each once. */
export const sectionNames = ({ sections }: ChartForm): string[] => [
  ...new Set([...eachSection(sections)].filter(({ parts }) => !parts).map(({ name }) => name)),
];

const groovesOf = (form: ChartForm): GrooveBySection =>
  Object.fromEntries([...eachSection(form.sections)].flatMap(({ name, groove }) => (groove ? [[name, groove]] : [])));

function withGrooves(form: ChartForm, grooves: GrooveBySection): ChartForm {
  const set = (section: ChartSection): ChartSection => {
    const { groove: _, ...rest } = section;
    const groove = grooves[section.name];
    return {
      ...rest,
      ...(rest.parts && { parts: rest.parts.map(set) }),
      ...(groove && !rest.parts && { groove }),
    };
  };
  return { ...form, sections: form.sections.map(set) };
}

/** What is typed, read: the form, how it is engraved, and what is wrong with it and where. */
function readTyped(text: string, grooves: GrooveBySection, known: GroovesById): Typed {
  const read = readChartText(text);
  if (!read.ok) return { problem: read.problems[0] };
  const form = withGrooves(read.value, grooves);
  const bars = engraved(form);
  if (!bars.ok) return { problem: bars.problems[0]! };
  const chart = writeOutChart(form, 'Chart', known);
  if (!chart.ok) return { form, bars: bars.value, problem: chart.problems[0]! };
  return { form, bars: bars.value, chart: chart.value };
}

const NO_GROOVES: GroovesById = new Map();

/**
 * A chart while it is typed: the text, its sections' grooves, and what both come to. Pointing at a bar changes the
 * text.
 */
export function useChartText(kept: ChartForm | undefined) {
  const [text, setText] = useState(() => (kept ? chartInWords(kept) : ''));
  const [grooves, setGrooves] = useState<GrooveBySection>(() => (kept ? groovesOf(kept) : {}));
  const typed = useMemo<Typed>(() => (text.trim() ? readTyped(text, grooves, NO_GROOVES) : {}), [text, grooves]);
  // What was last engraved stands while the next word is half typed.
  const [last, setLast] = useState<Pick<Typed, 'bars'>>({});
  if (typed.bars && typed.bars !== last.bars) setLast({ bars: typed.bars });
  return {
    text,
    setText,
    grooves,
    setGroove: (section: string, groove: string | undefined) =>
      setGrooves(({ [section]: _, ...others }) => (groove ? { ...others, [section]: groove } : others)),
    ...typed,
    shown: typed.bars ?? last.bars ?? [],
    /** What stands over a bar, as it would be typed. */
    barTyped: (written: number) => (typed.form ? barTyped(typed.form, written) : ''),
    /** Sets what stands over a bar; what is wrong with it where it cannot be. */
    setBar: (written: number, words: string): string | undefined => {
      if (!typed.form) return 'Mend what is typed first.';
      const after = withBarTyped(typed.form, written, words);
      if (!after.ok) return sentence(after.problems[0]!);
      setText(chartInWords(after.value));
      return undefined;
    },
  };
}

export type ChartTyped = ReturnType<typeof useChartText>;
