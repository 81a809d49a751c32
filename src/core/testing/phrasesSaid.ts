import { sayOn } from '../phrase/say';
import type { Groove } from '../groove/groove';
import { grooveOf, school } from './said';

/** Phrases of every kind, with the bars they are said on: what is asked of each reader of phrases. */

export const GROOVES_SAID: Record<string, Groove> = {
  empty: grooveOf('4/4', 4),
  mixed: grooveOf('4/4', [4, 3, 2, 1]),
  tuplet: grooveOf('4/4', [
    { counts: 2, parts: 3 },
    { counts: 1, parts: 4 },
    { counts: 1, parts: 6 },
  ]),
  compound: grooveOf('12/8', 1),
  pulses: grooveOf('6/8', 6, { reading: 'pulse' }),
  odd: grooveOf('7/8', 2),
  'two bars': grooveOf('4/4', 4, { bars: 2 }),
  'three bars': grooveOf('4/4', 4, { bars: 3 }),
  unlike: {
    ...grooveOf('3/4', 4),
    bars: [grooveOf('3/4', 4).bars[0]!, grooveOf('6/8', 2).bars[0]!, grooveOf('2/4', 4).bars[0]!],
  },
};

const said = (groove: Groove, phrase: string): Groove => {
  const answer = sayOn(groove, phrase, { school, limb: 'right hand' });
  if (!answer.ok) throw new Error(`${phrase}: ${answer.problems[0]!.say}`);
  return answer.groove;
};
const BEAT = 'hat in 8ths; kick on 1 and 3; snare accent on 2 and 4; snare ghost on the e of 3; flam on 4';
GROOVES_SAID['beat'] = said(GROOVES_SAID['empty']!, BEAT);
GROOVES_SAID['beat and fill'] = said(
  GROOVES_SAID['two bars']!,
  `${BEAT}; snare on 3 in bar 2; floor tom on 4 in bar 2`,
);

/** Phrases parted by bars. */
const each = (text: string): string[] => text.trim().split(/\s*\|\s*/);

export const PHRASES_SAID: Record<string, [groove: string, phrases: string[]]> = {
  places: [
    'empty',
    each(`
      kick on 1, e of 2, the a of 3 and the & of 4 | snare 1 e & a 2 | snare 1 & 2 & 3 & 4 & |
      snare 1 and 2 and 3 and 4 and | snare 1& 2& 4 | hat on every count | hat on every slot |
      hat on every & and every e | hat on the ands | hat on the a’s of 1 and 3 | hat on every other 16th |
      hat on every third 16th | hat on all the 8ths except on 2 and 4 | hat everywhere without 2 |
      hat on the off-beats | hat on the downbeats | the backbeat | four on the floor |
      hat on the e and a of every beat | hat on the first and third beat |
      hat on the last beat and the last 8th | hat in 8ths, open on the last one | open on the last one |
      slot 2 of 1 and slot 4 of 3 | slot 5 of 1 | second e of 1 | e of 9 | of 3 | e of | every | every wobble |
      16ths on beats 2 and 3 | triplets on beat 2 | quarter triplets | 0 | 5 | e | the |  |  , ;
    `),
  ],
  'who and how loud': [
    'empty',
    each(`
      right foot on 1; left foot on 2 | both hands on 1 | feet on 1 and 3 | kick with the left foot on 1 |
      snare with both hands on 2 | accent on 1 | ghost e of 1 and a of 1 on the snare |
      snare loud 2, soft on the a of 2 | left hand: snare on 1, tom on 2, kick on 3 |
      left hand, ghosts, e of 1 and 3 | flam on 1 | drag on the & of 3 with the left hand | double on 1 |
      plain snare on 1 | snare, loud | snare | kick and | RLRR LRLL on the snare |
      rlRL in 8ths on the floor tom, loud | RL | pad on 1 e & a with the right hand |
      clap on 2 and 4, cross-stick on 3 | everything on 1
    `),
  ],
  'changes to what stands': [
    'beat',
    each(`
      louder | hat softer | everything softer | snare louder on 4 | make the hat on 2 an accent | accent on 2 |
      ghost 1 | flam on 2 | no flam on 4 | no flams | no accents | no ghosts on the snare | plain on 4 |
      hat plain | no hat on 2 and 4 | no hat on 2, 4 | take the kick off 3 | kick off | clear | clear all |
      clear the snare | clear beat 3 | remove everything on 1 | remove the left hand on 4 | remove | no |
      no ride | no kick on 4 | open the hat on the & of 4 | ride instead of the hat |
      crash on 1 instead of the hat | crash instead of | instead of hat | cowbell instead of hat |
      replace the hat with the ride | replace the hat on 1 with a crash | replace the hat with accents |
      replace the hat | replace with ride | change the hat on 2 to a ride bell accent |
      change snare on 4 to the rim | move the kick from 3 to the & of 3 | move the snare on 2 and 4 to 1 and 3 |
      move the snare on 2 and 4 to 1 | move the kick on 2 to 4 | move the kick to 4 | move 4 to |
      move it wobbly | move everything on 1 to 4 | shift the snare an 8th later | kick two 16ths earlier |
      everything a quarter later | snare a beat later | everything a 32nd later | ride a 16th later |
      the kick on 3 a 16th earlier
    `),
  ],
  'bars and grids': [
    'beat and fill',
    each(`
      copy bar 1 to bar 2 | copy bar 2 to bar 1 | copy bar 1 | copy | copy bar 3 to bar 1 | bar 2 like bar 1 |
      bar 2 like | bar 2 like kick | first bar like the last bar | in bar 2, kick on 1 and 4 | bar 2: no snare |
      last bar: crash on 1 | kick on 4 in every bar | kick on 4 in both bars | kick on 4 in bars 1 and 2 |
      kick on 4 of bar 2 | clear bar 2 | clear the bar | bar 0 | bar | bars | kick in bar 7 on 1 |
      bar 2 in triplets | bar 1: beat 2 in 8ths | beat 2 of bar 2 in 3 parts | all counts in 8 parts |
      all counts in 9 parts | count 4 in sextuplets | divide count 1 by 8 | every count in quarters |
      beats 1 and 2 in halves | the whole bar in 16ths | beat 1 like triplets
    `),
  ],
  'a grid of its own for each count': [
    'mixed',
    each(`
      trip of 2 | trip of 1 | let of 2, e of 1 | second trip of 2 | every trip | every let | a of 2 | & of 3 |
      & of 4 | hat in 8ths | hat in 16ths on beat 1 | 16ths on beats 1 and 3 | triplets on beat 2 | off-beats |
      every slot | last 16th | 1e 2 trip
    `),
  ],
  'a tuplet over two counts': [
    'tuplet',
    each(`
      1 | 2 | 3 | slot 2 of 1 | trip of 1 | every count | off-beats | e of 3 | every slot except 1 | quarters
    `),
  ],
  'in twelve eighths': [
    'compound',
    each(`
      12 | 13 | hat everywhere | the backbeat | four on the floor | e of 1 | dotted quarters |
      quarters on the kick | kick a beat later | off-beats
    `),
  ],
  'in pulses': [
    'pulses',
    each(`
      2 | 3 | hat everywhere | e of 1 | the backbeat | four on the floor | 16ths | every & | la of 1
    `),
  ],
  'in seven eighths': [
    'odd',
    each(`
      7 | 8 | the & of 7 | hat in 8ths | every count | quarters | the backbeat | kick a beat later
    `),
  ],
  'joined and glued': [
    'empty',
    each(`
      kick &2 and &4 | kick on the &2 | kick 1e 2& 3a | kick 1 e 2 | kick 1 and 2 and | kick 1 & 2 & 3 |
      kick 1 and 2 and 3 on the hat | kick on 1, and the & of 2 | kick on the e of 2 and 4 a |
      kick on the & of 2 and 4 | kick on the e and & of both 1 and 3 | kick on the first, third and fourth beat |
      kick on the first and the last beat | kick on the beats | kick on every beat and every & |
      kick on every e and & and a | kick on every e and wobble | kick on beats 1 and 3 |
      kick on beat 1 and beat 3 | kick of 2 | kick on slot of 2 | kick on slot 2 | kick on the trip of 2 |
      kick on 1 on 3 | snare on 2 to 4 | snare 8ths to 4 | hat in 8ths and the last one open |
      hat in 8ths except 2 and the last one | hat on 1 except on 1 | 1 1 1 | hat "1" & ‘2’ | hat on 1… |
      hat 2nd beat
    `),
  ],
  'who, behind and before': [
    'beat',
    each(`
      on 1 the crash with the kick | crash on 1 with the kick | crash on 1 with the left hand |
      snare on 1 with the right hand and kick on 2 | 1 loud 2 soft 3 loud on the snare | 1 loud 2 soft 3 |
      loud on 1, 2 and 3 | a drag before 2 on the snare | flam before 2 | open hat on 2, closed on 3 |
      open the hat on 1 and close it on 2 | opened hats on 2 | right hand: ride |
      right hand: ride, 8ths; left hand: snare on 2 | right hand: kick on 1 | left hand: ride on 1, rim on 2 |
      no kick, hat on 1 | no kick on 1; 3 | no snare 2, loud | no snare on 4, 2 | no flam and no accents |
      the kick off 1 and the hat off 2 | clear the kick on 1 and 3 | empty beat 1 | empty |
      take everything off 4 | left foot softer | kick 1; louder | snare on 4; move 4 to 3 |
      kick; move from 1 to 2 | move 2 to 1 | crash; instead of the hat on 1 |
      ride on 1 and 2 instead of the hat, loud | replace the hat on 1 with a flam | replace the hats by ghosts |
      replace the ride with the hat | change the hat to the ride on 1 and 3 | hats 2 counts later |
      everything an 8th earlier | the snare on 2 and 4 an 8th earlier | the snare on 1 an 8th earlier
    `),
  ],
  'three bars': [
    'three bars',
    each(`
      kick on 1 in the last bar | kick on 1 in bars 1 and 3 | kick on 1 in bar 1 and 3 |
      bar 2 and 3: snare on 2 | bars 2 and 3: snare on 2 and 4 | third bar: crash on 1, ride in quarters |
      second bar like the first bar | kick on 1; copy bar 1 to bars 2 and 3 |
      kick on 1; bars 2 and 3 like bar 1 | kick on 1; copy bar 1 to every bar | beats 2 and 7 in triplets |
      beat 7 of bar 2 in triplets | bars 1 and 3: count 2 in 8 parts | every bar in 8ths | bar 4 in 8ths |
      kick on 1 in bar 1; a beat later
    `),
  ],
  'bars of unlike meters': [
    'unlike',
    each(`
      copy bar 1 to bar 2 | copy bar 1 to bar 3 | kick on 1; copy bar 1 to bar 1 | kick on 4 in bar 2 |
      kick on 4 | kick on 1 in every bar; kick 3 beats later | all counts in 8ths | bar 2 in 16ths
    `),
  ],
  'syllables that come twice': [
    'pulses',
    each(`
      trip of 1 | first trip of 1 | second trip of 2 | third trip of 1 | trip of 3 | every trip | slot 6 of 2 |
      slot 7 of 2
    `),
  ],
};
