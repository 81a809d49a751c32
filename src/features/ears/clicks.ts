import type { Ms } from '@/core/time/units';
import type { Clicks } from '@/sound/inputs/microphone/listen.worker';
import type { Player, VoicedSound } from '@/sound/player';
import { renderVoice } from '@/sound/voices';
import { audioOutput } from '@/sound/output';

/** Calm enough for anybody to play along to: 100 in a minute. */
const GAP: Ms = 600;
const COUNT_IN = 4;
const CLICKS = 16;
const VOICE = 'click/count';

/** When the clicks fall that one plays along to, counted in by four more. */
export const clicksMs: readonly Ms[] = Array.from({ length: CLICKS }, (_, index) => GAP * index);
const countInMs = Array.from({ length: COUNT_IN }, (_, index) => GAP * (index - COUNT_IN));
/** All is over, late strokes too. */
export const END_MS = CLICKS * GAP;

/** Plays them; what sounds, with when each is sent on the audio clock. */
export async function playClicks(player: Player): Promise<Clicks> {
  const all = [...countInMs, ...clicksMs];
  const sounds = all.map((ms): VoicedSound => ({ ms, voice: VOICE }));
  await player.start(sounds, -COUNT_IN * GAP);
  const { sampleRate } = await audioOutput();
  return [{ samples: renderVoice(VOICE, sampleRate), atMs: all.map((ms) => ms + player.firstBarMs) }];
}
