import { strToU8, zipSync } from 'fflate';

const TYPE = 'application/vnd.recordare.musicxml';
const SCORE = 'score.musicxml';
/** Where in the archive the score is. */
const CONTAINER = `<?xml version="1.0" encoding="UTF-8"?>
<container><rootfiles><rootfile full-path="${SCORE}" media-type="${TYPE}+xml"/></rootfiles></container>
`;
/** The same score is the same file, whenever it is packed. */
const PACKED_ON = new Date(2000, 0, 1);

/**
 * A score as it is packed: what it is first and as it stands, where the score is, then the score (MusicXML 4.0,
 * compressed files).
 */
export const packedMusicXml = (xml: string): Uint8Array =>
  zipSync(
    {
      mimetype: [strToU8(TYPE), { level: 0 }],
      'META-INF/container.xml': strToU8(CONTAINER),
      [SCORE]: strToU8(xml),
    },
    { mtime: PACKED_ON },
  );
