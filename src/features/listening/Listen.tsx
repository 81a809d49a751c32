'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import type { School } from '@/core/counting/schools';
import { RUNGS, type Answered, type Subject } from '@/core/documents/listening';
import { listeningFigures, SITTING, soundOf } from '@/core/practice/listening';
import { choiceInWords, SUBJECT_OF } from '@/core/practice/subjects';
import { PlayArrowRounded, StopRounded } from '@/ui/icons';
import { opening } from '@/ui/words/text';
import { keepListeningAction } from './actions';
import { confusedInWords, figuresInWords } from '@/ui/words/listening';
import { useEar } from './useEar';
import { useSitting } from './useSitting';
import { useStrokesCounted } from './useStrokesCounted';

interface ListenProps {
  subject: Subject;
  /** The rung a sitting begins on. */
  from: number;
  asks: string;
  school: School;
  /** What was answered in the sittings before. */
  before: readonly Answered[];
}

/** One question after another: heard, answered by a touch or the figure before it, told at once, heard again. */
export function Listen({ subject, from, asks, school, before }: ListenProps) {
  const { sitting, step, isOver } = useSitting(subject, from);
  const { question, said, answers } = sitting;
  const ear = useEar();
  const drums = useStrokesCounted(!ear.isPlaying);
  const router = useRouter();
  const [word, setWord] = useState<string>();
  // As it was before this sitting, which is among the kept ones as soon as it is over.
  const [earlier, setEarlier] = useState(before);
  const words = (choice: string) => choiceInWords(subject, choice, school);
  const hear = (choice: string) => void drums.open().then(() => ear.hear(soundOf(question, choice)));
  const toggle = () => (ear.isPlaying ? ear.stop() : hear(question.right));
  const keep = (all: readonly Answered[]) =>
    void keepListeningAction(sitting.id, { version: 1, subject, answers: all }).then(
      (problem) => {
        setWord(problem);
        router.refresh();
      },
      () => setWord('This sitting could not be kept: Mochila does not answer.'),
    );
  const answer = (choice: string) => {
    if (said !== undefined) return;
    ear.stop();
    step({ do: 'answer', said: choice });
    const { rung, seed, right } = question;
    const all = [...answers, { rung, seed, right, said: choice }];
    if (all.length >= SITTING) keep(all);
  };
  const next = () => {
    ear.stop();
    step({ do: 'next' });
    setPlayNext(true);
  };
  // What is asked next sounds at once; the first waits for a touch, as browsers demand.
  const [playNext, setPlayNext] = useState(false);
  const latest = useRef({ hear, answer, next, toggle, question, said, isOver });
  useEffect(() => {
    latest.current = { hear, answer, next, toggle, question, said, isOver };
  });
  useEffect(() => {
    if (!playNext) return;
    setPlayNext(false);
    latest.current.hear(latest.current.question.right);
  }, [playNext]);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.target instanceof HTMLInputElement) return;
      const now = latest.current;
      const choice = now.question.choices[Number(event.key) - 1];
      if (choice !== undefined) now.answer(choice);
      else if (event.key === 'h') now.toggle();
      else if (event.key === 'n' && now.said !== undefined && !now.isOver) now.next();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);

  const { counted } = drums;
  useEffect(() => {
    if (!counted) return;
    const now = latest.current;
    // As many strokes as the figure before an answer; once told, one hears it again and two go on.
    const choice = now.question.choices[counted.count - 1];
    if (now.said === undefined && choice !== undefined) now.answer(choice);
    else if (now.said !== undefined && counted.count === 1) now.toggle();
    else if (now.said !== undefined && counted.count === 2 && !now.isOver) now.next();
  }, [counted]);

  const isRight = said === question.right;
  const hearWord = said === undefined ? 'Hear it' : 'Hear it again';
  return (
    <Box
      component="section"
      aria-label={opening(subject)}
      sx={{ display: 'grid', gap: 2.5, alignContent: 'start', maxWidth: 760 }}
    >
      <Typography color="textSecondary">{SUBJECT_OF[subject].trains}</Typography>
      <Beads answers={answers} number={answers.length + (said === undefined ? 1 : 0)} rung={question.rung} />
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, flexWrap: 'wrap' }}>
        <Button
          variant="contained"
          size="large"
          onClick={toggle}
          startIcon={ear.isPlaying ? <StopRounded /> : <PlayArrowRounded />}
          sx={{ minHeight: 56, minWidth: 150 }}
        >
          {ear.isPlaying ? 'Stop' : hearWord}
        </Button>
        <Typography variant="h2" component="p">
          {asks}
        </Typography>
      </Box>
      <Box
        role="group"
        aria-label={asks}
        sx={{ display: 'grid', gap: 1, gridTemplateColumns: 'repeat(auto-fill, minmax(150px, 1fr))' }}
      >
        {question.choices.map((choice, index) => (
          <Choice
            key={choice}
            words={opening(words(choice))}
            figure={index < 9 ? index + 1 : undefined}
            state={stateOf(choice, question.right, said)}
            onTouch={() => (said === undefined ? answer(choice) : hear(choice))}
          />
        ))}
      </Box>
      <Box role="status" sx={{ minHeight: 56 }}>
        {said !== undefined && (
          <Typography sx={{ fontSize: '1.15rem' }}>
            <strong>{isRight ? 'Right.' : 'Not quite.'}</strong> It was {words(question.right)}
            {isRight ? '.' : `, not ${words(said)}. Touch either to hear it.`}
          </Typography>
        )}
      </Box>
      {word && <Alert severity="warning">{word}</Alert>}
      {ear.say && <Alert severity="warning">{ear.say}</Alert>}
      {drums.say && <Alert severity="warning">{drums.say}</Alert>}
      {drums.isOn && (
        <Typography color="textSecondary">
          On the drums: as many strokes as the figure of the answer. Then one hears it again, two go on.
        </Typography>
      )}
      {said !== undefined && !isOver && (
        <Button variant="outlined" onClick={next} sx={{ justifySelf: 'start', minHeight: 48 }}>
          Next
        </Button>
      )}
      {isOver && (
        <Result
          answers={answers}
          before={earlier}
          words={words}
          onAgain={() => {
            ear.stop();
            setEarlier([...answers, ...earlier]);
            step({ do: 'begin', subject, from: Math.max(0, listeningFigures({ answers }).rung - 1) });
          }}
        />
      )}
    </Box>
  );
}

type State = 'open' | 'right' | 'wrong' | 'other';

function stateOf(choice: string, right: string, said: string | undefined): State {
  if (said === undefined) return 'open';
  if (choice === right) return 'right';
  return choice === said ? 'wrong' : 'other';
}

interface ChoiceProps {
  words: string;
  figure: number | undefined;
  state: State;
  onTouch: () => void;
}

/** One of the answers; once one is given, each may be touched to be heard. */
function Choice({ words, figure, state, onTouch }: ChoiceProps) {
  const color = { open: 'text.primary', right: 'success.main', wrong: 'error.main', other: 'text.secondary' }[state];
  return (
    <Button
      variant="outlined"
      onClick={onTouch}
      sx={{
        minHeight: 64,
        fontSize: '1rem',
        color,
        borderColor: state === 'open' || state === 'other' ? 'divider' : color,
        borderWidth: state === 'right' || state === 'wrong' ? 2 : 1,
        overflowWrap: 'anywhere',
        position: 'relative',
      }}
    >
      {words}
      {state === 'right' && ' ✓'}
      {state === 'wrong' && ' ✗'}
      {figure && state === 'open' && (
        <Box
          component="kbd"
          aria-hidden
          sx={{
            position: 'absolute',
            top: 3,
            left: 8,
            fontSize: 11,
            color: 'text.secondary',
            '@media (pointer: coarse)': { display: 'none' },
          }}
        >
          {figure}
        </Box>
      )}
    </Button>
  );
}

/** How far the sitting is: a bead a question, full where it was right, and the step that is stood on. */
function Beads({ answers, number, rung }: { answers: readonly Answered[]; number: number; rung: number }) {
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.75, flexWrap: 'wrap' }}>
      {Array.from({ length: SITTING }, (_, index) => {
        const one = answers[index];
        const isRight = one?.right === one?.said;
        const told = isRight ? 'success.main' : 'error.main';
        return (
          <Box
            key={index}
            aria-hidden
            sx={{
              width: 16,
              height: 16,
              borderRadius: '50%',
              border: 2,
              borderColor: one ? told : 'divider',
              bgcolor: one && isRight ? told : 'transparent',
            }}
          />
        );
      })}
      <Typography variant="body2" color="textSecondary" sx={{ ml: 1 }}>
        {number} of {SITTING} · step {rung + 1} of {RUNGS}
      </Typography>
    </Box>
  );
}

interface ResultProps {
  answers: readonly Answered[];
  before: readonly Answered[];
  words: (choice: string) => string;
  onAgain: () => void;
}

/** What the sitting came to, and what is taken for what over all of late. */
function Result({ answers, before, words, onAgain }: ResultProps) {
  const figures = listeningFigures({ answers: [...answers] });
  const all = listeningFigures({ answers: [...answers, ...before] });
  return (
    <Box sx={{ borderTop: 1, borderColor: 'divider', pt: 2, display: 'grid', gap: 1.5, justifyItems: 'start' }}>
      <Typography variant="h2" component="p">
        {figuresInWords(figures)}
      </Typography>
      <Typography color="textSecondary">{confusedInWords(all, words)}</Typography>
      <Button variant="contained" onClick={onAgain} sx={{ minHeight: 48 }}>
        Ten more
      </Button>
    </Box>
  );
}
