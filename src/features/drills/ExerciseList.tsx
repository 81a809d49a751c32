'use client';

import {
  closestCenter,
  DndContext,
  DragOverlay,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
  type UniqueIdentifier,
} from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import Alert from '@mui/material/Alert';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { Virtuoso } from 'react-virtuoso';
import type { School } from '@/core/counting/schools';
import type { Exercise } from '@/core/drill/drill';
import { DraggedRow, ExerciseRow } from './ExerciseRow';
import { useHearExercise } from './useHearExercise';

interface ExerciseListProps {
  exercises: readonly Exercise[];
  school: School;
  /** The exercises by their numbers in the rule, picked and ordered by hand. */
  onOrder: (indexes: number[]) => void;
  onBench: (exercise: Exercise) => void;
}

const HOW =
  'Space takes the exercise up, arrows carry it, Space puts it down, Escape leaves it where it was. Alt and an arrow move it by one place.';

/** What is said aloud while an exercise is carried. */
const announcing = (placeOf: (id: UniqueIdentifier) => number): Announcements => ({
  onDragStart: ({ active }) => `Exercise ${placeOf(active.id)} is taken up.`,
  onDragOver: ({ over }) => (over ? `Over place ${placeOf(over.id)}.` : undefined),
  onDragEnd: ({ over }) => (over ? `Put down at place ${placeOf(over.id)}.` : undefined),
  onDragCancel: () => 'Left where it was.',
});

/**
 * The exercises of a drill, as many as are in sight: heard, left out, and put in another order by dragging or by
 * keys.
 */
export function ExerciseList({ exercises, school, onOrder, onBench }: ExerciseListProps) {
  const ear = useHearExercise();
  const { stop } = ear;
  // What is heard may not be there any more.
  useEffect(() => stop, [exercises, stop]);
  const [dragged, setDragged] = useState<number>();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const order = useMemo(() => exercises.map(({ index }) => index), [exercises]);
  // An index of 0 is nobody's id for the drag and drop, so they are counted from 1 there.
  const ids = useMemo(() => order.map((index) => index + 1), [order]);
  const drop = ({ active, over }: DragEndEvent) => {
    setDragged(undefined);
    if (over && over.id !== active.id)
      onOrder(arrayMove(order, ids.indexOf(Number(active.id)), ids.indexOf(Number(over.id))));
  };
  // The rows stay as they are drawn while only what they call changes.
  const latest = useRef({ order, onOrder, onBench, hear: ear.hear });
  useEffect(() => {
    latest.current = { order, onOrder, onBench, hear: ear.hear };
  });
  const onLeaveOut = useCallback(
    (place: number) => latest.current.onOrder(latest.current.order.toSpliced(place, 1)),
    [],
  );
  const onMove = useCallback(
    (place: number, by: 1 | -1) => latest.current.onOrder(arrayMove(latest.current.order, place, place + by)),
    [],
  );
  const onHear = useCallback((exercise: Exercise) => void latest.current.hear(exercise), []);
  const onSend = useCallback((exercise: Exercise) => latest.current.onBench(exercise), []);
  return (
    <>
      {ear.say && <Alert severity="warning">{ear.say}</Alert>}
      <DndContext
        accessibility={{
          announcements: announcing((id) => ids.indexOf(Number(id)) + 1),
          screenReaderInstructions: { draggable: HOW },
        }}
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragStart={({ active }) => setDragged(ids.indexOf(Number(active.id)))}
        onDragEnd={drop}
        onDragCancel={() => setDragged(undefined)}
      >
        <SortableContext items={ids} strategy={verticalListSortingStrategy}>
          <Virtuoso
            useWindowScroll
            // Drawn before it comes into sight, so that a quick turn of the wheel meets no empty page.
            increaseViewportBy={400}
            data={exercises}
            computeItemKey={(_, { index }) => index}
            itemContent={(place, exercise) => (
              <ExerciseRow
                exercise={exercise}
                place={place}
                last={order.length - 1}
                school={school}
                heard={ear.heard === exercise.index}
                onHear={onHear}
                onStop={stop}
                onMove={onMove}
                onLeaveOut={onLeaveOut}
                onBench={onSend}
              />
            )}
          />
        </SortableContext>
        <DragOverlay>
          {dragged !== undefined && exercises[dragged] && (
            <DraggedRow exercise={exercises[dragged]} place={dragged} school={school} />
          )}
        </DragOverlay>
      </DndContext>
    </>
  );
}
