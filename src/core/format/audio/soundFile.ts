/** What kind of sound file something is, and how many samples a second it has where its beginning says so. */
export interface SoundFileKind {
  kind: 'WAV' | 'FLAC' | 'OGG' | 'MP3' | 'M4A';
  sampleRate?: number;
}

/** Samples a second of MPEG 1 layer 3; version 2 has half, version 2.5 a quarter (ISO/IEC 11172-3). */
const MP3_RATES = [44_100, 48_000, 32_000];

/** Looks at the beginning of a file; nothing where it is none of the kinds of sound that can be heard. */
export function soundFileKind(bytes: Uint8Array): SoundFileKind | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const text = (at: number, length = 4) => String.fromCharCode(...bytes.subarray(at, at + length));
  if (text(0) === 'RIFF' && text(8) === 'WAVE') return withRate('WAV', wavRate(view, text));
  // The stream's first block: 20 bits behind 16 bytes of it.
  if (text(0) === 'fLaC') return withRate('FLAC', bytes.length >= 21 ? view.getUint32(18) >>> 12 : undefined);
  if (text(0) === 'OggS') return withRate('OGG', oggRate(view, text));
  if (text(4) === 'ftyp') return { kind: 'M4A' };
  const start = text(0, 3) === 'ID3' && bytes.length >= 10 ? 10 + syncSafe(bytes.subarray(6, 10)) : 0;
  const isFrame = (at: number) => bytes[at] === 0xff && (bytes[at + 1]! & 0xe6) === 0xe2;
  if (isFrame(start)) return withRate('MP3', mp3Rate(bytes[start + 1]!, bytes[start + 2]!));
  // A picture in front may be longer than what was looked at.
  return text(0, 3) === 'ID3' ? { kind: 'MP3' } : undefined;
}

const withRate = (kind: SoundFileKind['kind'], sampleRate?: number): SoundFileKind => ({
  kind,
  ...(sampleRate && { sampleRate }),
});

function wavRate(view: DataView, text: (at: number) => string): number | undefined {
  for (
    let at = 12;
    at + 16 <= view.byteLength;
    at += 8 + view.getUint32(at + 4, true) + (view.getUint32(at + 4, true) % 2)
  )
    if (text(at) === 'fmt ') return view.getUint32(at + 12, true);
  return undefined;
}

/** Vorbis says it in its first packet; Opus is always 48,000. */
function oggRate(view: DataView, text: (at: number, length?: number) => string): number | undefined {
  if (view.byteLength < 48) return undefined;
  const packet = 27 + view.getUint8(26);
  if (text(packet, 7) === '\x01vorbis' && view.byteLength >= packet + 16) return view.getUint32(packet + 12, true);
  return text(packet, 8) === 'OpusHead' ? 48_000 : undefined;
}

function mp3Rate(second: number, third: number): number | undefined {
  const rate = MP3_RATES[(third >> 2) & 3];
  const version = (second >> 3) & 3;
  if (version === 3) return rate;
  return rate && rate / (version === 2 ? 2 : 4);
}

/** A number of seven bits a byte, as ID3 tags have. */
const syncSafe = (bytes: Uint8Array) => bytes.reduce((sum, byte) => (sum << 7) | (byte & 0x7f), 0);
