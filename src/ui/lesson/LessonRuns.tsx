'use client';

import dynamic from 'next/dynamic';
import { usePathname, useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useRef, useState, type CSSProperties, type ReactNode } from 'react';
import type { LessonScreen, Told } from '@/core/documents/lessonScreen';
import type { Setup } from '@/core/groove/limbs';
import { LessonLiveContext, type LessonLive, type PlayedElsewhere, type RunningLesson } from './lessonLive';
import { playedAfter } from './played';

const LessonBar = dynamic(() => import('./LessonBar').then((module) => module.LessonBar), { loading: () => null });

interface LessonRunsProps {
  /** The one that runs, with the names of who is in it; undefined where none does. */
  lesson: RunningLesson | undefined;
  role: 'teacher' | 'student';
  setup: Setup;
  children: ReactNode;
}

const addressOf = (id: string) => `/api/lessons/${id}/live`;
const post = (id: string | undefined, body: unknown) =>
  id &&
  fetch(addressOf(id), {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
    keepalive: true,
  }).catch(() => {});

/**
 * Around every page while a lesson runs: what one device has open, the other follows, and what is struck there shows
 * here.
 */
export function LessonRuns({ lesson, role, setup, children }: LessonRunsProps) {
  const id = lesson?.id;
  const [isOn, setIsOn] = useState(true);
  const went = useRef<string>(undefined);
  const last = useRef<LessonScreen>(undefined);
  const [isBusy, setBusy] = useState(false);
  const [screen, setScreen] = useState<LessonScreen>();
  const [elsewhere, setElsewhere] = useState<PlayedElsewhere>();
  const router = useRouter();
  useStream(id, {
    onScreen: setScreen,
    onTold: (by, told) => setElsewhere((before) => playedAfter(before, by, told)),
    onOver: () => router.refresh(),
    // The next lesson begins with nothing of this one.
    onLeft: () => {
      setIsOn(true);
      setScreen(undefined);
      setElsewhere(undefined);
      went.current = undefined;
      last.current = undefined;
    },
  });
  useLessonBegins(role === 'student' && !id);
  // A student's device goes where the teacher is, and stays where it is once it is let go.
  const path = usePathname();
  const place = isOn && role === 'student' && screen ? `/room/${screen.grooveId}` : undefined;
  useEffect(() => {
    if (!place || isBusy || went.current === place) return;
    went.current = place;
    if (path !== place) router.push(place);
  }, [place, isBusy, path, router]);

  const show = useCallback(
    (shown: LessonScreen) => {
      last.current = shown;
      void post(id, { screen: shown });
    },
    [id],
  );
  const tell = useCallback((told: Told) => void post(id, { told }), [id]);
  const setOn = useCallback(
    (on: boolean) => {
      setIsOn(on);
      went.current = undefined;
      if (role === 'teacher') void post(id, { screen: on ? (last.current ?? null) : null });
    },
    [id, role],
  );
  const live = useMemo<LessonLive | undefined>(
    () =>
      id === undefined
        ? undefined
        : {
            id,
            role,
            setup,
            isOn,
            setOn,
            setBusy,
            ...(isOn && role === 'student' && { screen }),
            elsewhere,
            show,
            tell,
          },
    [id, role, setup, isOn, setOn, screen, elsewhere, show, tell],
  );
  const isFollowed = role === 'student' && screen !== undefined;
  const isBarShown = lesson !== undefined && path !== `/lessons/${lesson.id}`;
  return (
    <LessonLiveContext value={live}>
      {/* Pages that fill the screen leave room for the bar. */}
      <div style={{ '--lesson-bar': isBarShown ? '40px' : '0px' } as CSSProperties}>
        {isBarShown && <LessonBar lesson={lesson} isFollowed={isFollowed} />}
        {children}
      </div>
    </LessonLiveContext>
  );
}

/** A student's page looks so often whether a lesson has begun: soon enough to be there before the sticks are out. */
const LOOK_MS = 8000;

/** Brings a page up to date once a lesson runs that it does not know of. */
function useLessonBegins(isWaiting: boolean): void {
  const router = useRouter();
  useEffect(() => {
    if (!isWaiting) return;
    const look = async () => {
      if (document.visibilityState !== 'visible') return;
      const answer = await fetch('/api/lessons/running').catch(() => undefined);
      const { lesson } = answer?.ok ? ((await answer.json()) as { lesson: string | null }) : { lesson: null };
      if (lesson) router.refresh();
    };
    const timer = setInterval(() => void look(), LOOK_MS);
    return () => clearInterval(timer);
  }, [isWaiting, router]);
}

interface StreamHandlers {
  onScreen: (screen: LessonScreen | undefined) => void;
  onTold: (by: string, told: Told) => void;
  onOver: () => void;
  onLeft: () => void;
}

/** Hears the lesson for as long as the page is open; the browser asks again by itself where the connection is lost. */
function useStream(id: string | undefined, handlers: StreamHandlers): void {
  const latest = useRef(handlers);
  useEffect(() => {
    latest.current = handlers;
  });
  useEffect(() => {
    if (!id) return;
    const source = new EventSource(addressOf(id));
    // What checks the shapes comes when a lesson runs: pages are there without it.
    const reading = import('@/core/documents/lessonScreen');
    let isOpen = true;
    const on = (event: string, heard: (data: { screen?: unknown; by?: string; told?: unknown }) => unknown) =>
      source.addEventListener(event, ({ data }: MessageEvent<string>) => void heard(JSON.parse(data) as object));
    on('screen', async ({ screen }) => {
      const read = (await reading).readLessonScreen(screen);
      if (isOpen) latest.current.onScreen(read.ok ? read.value : undefined);
    });
    on('told', async ({ by, told }) => {
      const read = (await reading).toldShape.safeParse(told);
      if (isOpen && by && read.success) latest.current.onTold(by, read.data);
    });
    on('over', () => {
      source.close();
      latest.current.onOver();
    });
    return () => {
      isOpen = false;
      source.close();
      latest.current.onLeft();
    };
  }, [id]);
}
