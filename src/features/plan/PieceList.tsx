'use client';

import {
  closestCenter,
  DndContext,
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
import Box from '@mui/material/Box';
import { useId, useOptimistic, useState, useTransition } from 'react';
import type { Piece } from '@/core/documents/dayPlan';
import { changePlanAction } from './actions';
import { PieceRow } from './PieceRow';
import type { PlanChange } from './shapes';

/** A piece with why it stands there, in words, and how much of it sounded. */
export interface ShownPiece extends Piece {
  say: string;
  doneMs: number;
}

const HOW =
  'Space takes the piece up, arrows carry it, Space puts it down, Escape leaves it where it was. Alt and an arrow move it by one place.';

/** What is said aloud while a piece is carried. */
const announcing = (pieces: readonly ShownPiece[]): Announcements => {
  const named = (id: UniqueIdentifier) => pieces.find(({ key }) => key === id)?.title ?? 'The piece';
  const placeOf = (id: UniqueIdentifier) => pieces.findIndex(({ key }) => key === id) + 1;
  return {
    onDragStart: ({ active }) => `${named(active.id)} is taken up.`,
    onDragOver: ({ over }) => (over ? `Over place ${placeOf(over.id)}.` : undefined),
    onDragEnd: ({ over }) => (over ? `Put down at place ${placeOf(over.id)}.` : undefined),
    onDragCancel: () => 'Left where it was.',
  };
};

/** The pieces of a plan in order: dragged, or moved by keys; left out; opened. */
export function PieceList({ pieces }: { pieces: readonly ShownPiece[] }) {
  const [say, setSay] = useState<string>();
  const [, start] = useTransition();
  const [shown, show] = useOptimistic(pieces);
  // Named by the page, so that server and browser agree.
  const id = useId();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const change = (next: readonly ShownPiece[], given: PlanChange) =>
    start(async () => {
      show(next);
      setSay(await changePlanAction(given).catch(() => 'It could not be kept: Mochila did not answer. Try again.'));
    });
  const keys = shown.map(({ key }) => key);
  const drop = ({ active, over }: DragEndEvent) => {
    if (!over || over.id === active.id) return;
    move(keys.indexOf(String(active.id)), keys.indexOf(String(over.id)));
  };
  const move = (from: number, to: number) => {
    if (to < 0 || to >= shown.length) return;
    const moved = arrayMove([...shown], from, to);
    change(moved, { order: moved.map(({ key }) => key) });
  };
  const next = shown.findIndex(({ doneMs, minutes }) => doneMs < minutes * 60_000);
  return (
    <>
      {say && (
        <Alert severity="warning" sx={{ my: 1 }}>
          {say}
        </Alert>
      )}
      <DndContext
        id={id}
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={drop}
        accessibility={{ announcements: announcing(shown), screenReaderInstructions: { draggable: HOW } }}
      >
        <SortableContext items={keys} strategy={verticalListSortingStrategy}>
          <Box component="ol" sx={{ listStyle: 'none', m: 0, mt: 1, p: 0 }}>
            {shown.map((piece, index) => (
              <PieceRow
                key={piece.key}
                piece={piece}
                isNext={index === next}
                onMove={(by) => move(index, index + by)}
                onLeave={() =>
                  change(
                    shown.filter((one) => one !== piece),
                    { leave: piece.key },
                  )
                }
              />
            ))}
          </Box>
        </SortableContext>
      </DndContext>
    </>
  );
}
