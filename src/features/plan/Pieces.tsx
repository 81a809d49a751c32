'use client';

import dynamic from 'next/dynamic';

/** The list that is dragged, loaded where there is a plan: Today without one does without it. */
export const Pieces = dynamic(() => import('./PieceList').then((module) => module.PieceList));
