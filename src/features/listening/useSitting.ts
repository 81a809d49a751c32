import { useReducer } from 'react';
import type { Answered, Subject } from '@/core/documents/listening';
import { nextQuestion, SITTING, type Question } from '@/core/practice/listening';

/** A sitting: what was answered, what is asked now, and what was just said of it. */
export interface Sitting {
  id: string;
  from: number;
  answers: Answered[];
  question: Question;
  /** What was said of the question that stands there; nothing while it is open. */
  said?: string;
}

type Step = { do: 'answer'; said: string } | { do: 'next' } | { do: 'begin'; subject: Subject; from: number };

const anySeed = () => Math.floor(Math.random() * 2 ** 32);

const begun = (subject: Subject, from: number): Sitting => ({
  id: crypto.randomUUID(),
  from,
  answers: [],
  question: nextQuestion(subject, { answers: [], from, seed: anySeed() }),
});

function after(sitting: Sitting, step: Step): Sitting {
  const { answers, question, from } = sitting;
  switch (step.do) {
    case 'begin':
      return begun(step.subject, step.from);
    case 'answer': {
      if (sitting.said !== undefined) return sitting;
      const { rung, seed, right } = question;
      return { ...sitting, said: step.said, answers: [...answers, { rung, seed, right, said: step.said }] };
    }
    case 'next':
      return {
        ...sitting,
        said: undefined,
        question: nextQuestion(question.subject, { answers, from, seed: anySeed() }),
      };
  }
}

/** One sitting after another of a subject, each so many questions long. */
export function useSitting(subject: Subject, from: number) {
  const [sitting, step] = useReducer(after, undefined, () => begun(subject, from));
  return { sitting, step, isOver: sitting.said !== undefined && sitting.answers.length >= SITTING };
}
