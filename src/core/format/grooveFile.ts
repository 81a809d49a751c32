import type { School } from '../counting/schools';
import { writeGroove } from '../documents/groove';
import type { Groove } from '../groove/groove';
import { CLICK_PLANS, type ClickPlanName } from '../time/clickPlan';
import { drumTabOf } from './text/drumTab';
import type { GrooveFile } from './grooveFileKinds';
import { lilypondOf } from './text/lilypond';
import { midiOf } from './midi/midiOut';
import { musicXmlOf } from './musicxml/musicXml';
import { packedMusicXml } from './musicxml/packedMusicXml';

/**
 * What else stands in a MIDI file: a click, bars counted in; and whether it goes as it is written, not as it is swung.
 */
export interface MidiWishes {
  click?: ClickPlanName;
  countIn?: number;
  isAsWritten?: boolean;
}

/** A groove as a file: once through, at its own tempo. */
export function grooveFile(
  groove: Groove,
  file: GrooveFile,
  school: School,
  { click, countIn = 0, isAsWritten = false }: MidiWishes = {},
): string | Uint8Array {
  switch (file) {
    case 'midi':
      return midiOf({
        groove,
        rounds: 1,
        bpm: groove.tempo,
        click: click ? CLICK_PLANS[click] : { kind: 'silent' },
        countIn,
        ...(isAsWritten && { swing: 'straight' }),
      });
    case 'musicxml':
      return musicXmlOf(groove);
    case 'mxl':
      return packedMusicXml(musicXmlOf(groove));
    case 'text':
      return drumTabOf(groove, school);
    case 'lilypond':
      return lilypondOf(groove);
    case 'json':
      return `${JSON.stringify(writeGroove(groove), null, 2)}\n`;
  }
}

/** A title as the name of a file, on whatever system. */
export const fileNamed = (title: string, ending: string): string =>
  `${
    title
      .replace(/[\p{C}/\\:*?"<>|]+/gu, ' ')
      .replace(/\s+/g, ' ')
      .trim()
      .slice(0, 80) || 'groove'
  }.${ending}`;
