'use client';

import { useState, type Dispatch } from 'react';
import { placeInWords } from '@/core/counting/placeInWords';
import type { School } from '@/core/counting/schools';
import type { Groove } from '@/core/groove/groove';
import {
  copyBar,
  deleteBar,
  insertBar,
  moveHeight,
  placeStroke,
  removeStroke,
  setDivision,
  setDivisions,
  setOrnament,
  setTuplet,
  type Place,
  type Regridded,
} from '@/core/groove/edit';
import { slotAt, slotsOfBar } from '@/core/grid/cells';
import { barLength, barStarts } from '@/core/grid/meter';
import { HEIGHTS, type Height, type Ornament } from '@/core/groove/limbs';
import { changeIn, clearRegion, copyRegion } from '@/core/groove/region';
import type { Answer, Transformed } from '@/core/groove/transformed';
import type { Result } from '@/core/result';
import { plural } from '@/ui/words/text';
import type { Fix } from './Checks';
import { keepClip, pasteClip } from './clipboard';
import { regionIn, selectedIn, strokeUnder, type BenchAction, type BenchState } from './history';
import type { Command } from './keys';
import { useStable } from './useStable';

/** A groove, or what makes it of the one that is there when the change is made. */
export type Change = Groove | ((groove: Groove) => Groove);
/** What a transform answered, or what asks one. */
export type Transforming = Answer | Transformed | ((groove: Groove) => Answer | Transformed);

/** Everything that changes the groove, and what the person is told of it. */
export function useEditing(state: BenchState, dispatch: Dispatch<BenchAction>, school: School) {
  const { groove, cursor, height } = state;
  const [said, setNotice] = useState<{ severity: 'info' | 'error'; say: string; of?: Groove }>();
  // What was in the way of one groove is not said of another.
  const notice = said?.of && said.of !== groove ? undefined : said;
  const [losing, setLosing] = useState<{ say: string; groove: Groove }>();
  const under = strokeUnder(state);
  const selection = selectedIn(state);
  const region = regionIn(state);
  const bar = groove.bars[cursor.bar]!;
  const count = slotAt(slotsOfBar(bar.meter, groove.reading, bar.cells), cursor.at)?.count ?? 1;

  const edit = (change: Change, more: { cursor?: Place; height?: Height } = {}) =>
    dispatch({ type: 'edit', groove: typeof change === 'function' ? change(groove) : change, ...more });

  /** Takes what a transform answered, or says what is in its way. */
  const answer = (asked: Transforming) => {
    const given = typeof asked === 'function' ? asked(groove) : asked;
    if ('ok' in given && !given.ok)
      return setNotice({
        severity: 'error',
        say: `${given.problems[0]!.say} ${given.problems[0]!.remedy}`,
        of: groove,
      });
    const { groove: next, say } = 'ok' in given ? given.value : given;
    edit(next);
    setNotice({ severity: 'info', say });
  };
  const take = (given: Result<Groove>) => (given.ok ? edit(given.value) : answer(given));

  /** Takes up a new grid at once when nothing is lost by it; else asks first, naming what would be. */
  const regrid = (asked: Regridded | ((groove: Groove) => Regridded), words: string) => {
    const given = typeof asked === 'function' ? asked(groove) : asked;
    if (!given.lost.length) return edit(given.groove);
    const named = given.lost
      .map((stroke) => `${stroke.limb}, ${placeInWords(groove, stroke.bar, stroke.at, school)}`)
      .join('; ');
    setLosing({ say: `${words} has no slot for: ${named}.`, groove: given.groove });
  };
  const divide = (ofCount: number, parts: number, inBar = cursor.bar) =>
    regrid(setDivision(groove, inBar, ofCount, parts), `Count ${ofCount} divided by ${parts}`);

  const divideAt = (parts: number, all = false) => {
    if (!all && !selection) return divide(count, parts);
    const start = barStarts(groove.bars.map(({ meter }) => barLength(meter)));
    const stretch = all || !selection ? { from: start[cursor.bar]!, to: start[cursor.bar + 1]! } : selection;
    regrid(setDivisions(groove, stretch, parts), `A grid of ${parts} to a count`);
  };

  const copy = () => keepClip(copyRegion(groove, region));
  const raise = (by: 1 | -1) => {
    if (selection)
      return edit(
        changeIn(groove, selection, (stroke) => ({
          ...stroke,
          height: HEIGHTS[HEIGHTS.indexOf(stroke.height) + by] ?? stroke.height,
        })),
      );
    const next = moveHeight(groove, cursor, by);
    edit(next, { height: strokeUnder({ groove: next, cursor })?.height });
  };
  const ornament = (wanted: Ornament) => {
    if (selection) return edit(changeIn(groove, selection, (stroke) => ({ ...stroke, ornament: wanted })));
    if (under) edit(setOrnament(groove, cursor, under.ornament === wanted ? undefined : wanted));
  };
  const tuplet = () => {
    const given = setTuplet(groove, cursor.bar, count, 2, 3);
    if (given.ok) regrid(given.value, 'A triplet over two counts');
    else answer(given);
  };

  const perform = (command: Exclude<Command, { do: 'hear' | 'help' | 'transform' | 'record' }>) => {
    switch (command.do) {
      case 'move':
        return dispatch({ type: 'move', way: command.way, by: command.by, extend: command.extend });
      case 'raise':
        return raise(command.by);
      case 'ornament':
        return ornament(command.ornament);
      case 'divide':
        return divideAt(command.parts, command.all);
      case 'tuplet':
        return tuplet();
      case 'place':
        return edit(placeStroke(groove, cursor, { height: under?.height ?? height }));
      case 'remove':
        return edit(selection ? clearRegion(groove, selection) : removeStroke(groove, cursor));
      case 'copy':
        copy();
        return setNotice({
          severity: 'info',
          say: `${plural(copyRegion(groove, region).strokes.length, 'stroke')} copied.`,
        });
      case 'cut':
        copy();
        return edit(clearRegion(groove, region));
      case 'paste':
        return answer(pasteClip(groove, cursor));
      case 'undo':
      case 'redo':
      case 'selectAll':
      case 'selectNone':
        return dispatch({ type: command.do });
      // Those that are the bench's own, and not of the groove.
      default:
    }
  };

  const fix = (one: Fix) => {
    if (one.take === 'tempo') edit({ ...groove, tempo: one.bpm });
    else edit(one.take === 'ornament' ? setOrnament(groove, one.place, undefined) : removeStroke(groove, one.place));
  };

  const does = useStable({
    edit,
    answer,
    regrid,
    divide,
    perform,
    fix,
    insertBar: () => take(insertBar(groove, cursor.bar)),
    copyBar: () => take(copyBar(groove, cursor.bar)),
    deleteBar: () => take(deleteBar(groove, cursor.bar)),
  });

  return {
    does,
    selectedStrokes: selection ? plural(copyRegion(groove, selection).strokes.length, 'stroke') : '',
    notice,
    forgetNotice: () => setNotice(undefined),
    losing,
    /** What was asked before something is lost is answered. */
    settle: (yes: boolean) => {
      if (yes && losing) edit(losing.groove);
      setLosing(undefined);
    },
  };
}
