/** What a groove is written as: the ending of its file's name, and its media type. */
export const GROOVE_FILES = {
  midi: { ending: 'mid', type: 'audio/midi', words: 'MIDI file' },
  musicxml: { ending: 'musicxml', type: 'application/vnd.recordare.musicxml+xml', words: 'MusicXML' },
  mxl: { ending: 'mxl', type: 'application/vnd.recordare.musicxml', words: 'MusicXML, packed' },
  text: { ending: 'txt', type: 'text/plain; charset=utf-8', words: 'Plain text' },
  lilypond: { ending: 'ly', type: 'text/x-lilypond; charset=utf-8', words: 'LilyPond' },
  json: { ending: 'json', type: 'application/json', words: 'Mochila’s own JSON' },
} as const;
export type GrooveFile = keyof typeof GROOVE_FILES;
export const GROOVE_FILE_NAMES = Object.keys(GROOVE_FILES) as [GrooveFile, ...GrooveFile[]];
