import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { anyGroove } from '../../testing/arbitrary';
import { STARTERS } from '../../testing/starters';
import { strokesInText } from '../../testing/strokesInText';
import { musicXmlOf } from './musicXml';
import { readMusicXml } from './musicXmlIn';
import { MOST_XML_CHARACTERS } from './musicXmlTree';
import { runs } from '../../testing/runs';

const read = (xml: string) => {
  const answer = readMusicXml(xml);
  if (!answer.ok) throw new Error(answer.problems[0]!.say);
  return answer.value;
};

describe('written and read again', () => {
  test('whatever the groove: the same strokes by the same limbs, heights, ornaments, meters', () => {
    fc.assert(
      fc.property(anyGroove(), (groove) => {
        const { groove: again, left } = read(musicXmlOf(groove));
        expect(left).toEqual([]);
        expect(strokesInText(again)).toEqual(strokesInText(groove));
        expect(again.bars.map(({ meter }) => meter)).toEqual(groove.bars.map(({ meter }) => meter));
        expect(again.tempo).toBe(groove.tempo);
      }),
      runs(100),
    );
  });

  test.each(STARTERS.map((groove) => [groove.title, groove] as const))(
    '%s: with its title, tempo, reading and swing',
    (_, groove) => {
      const { groove: again, left } = read(musicXmlOf(groove));
      expect(left).toEqual([]);
      expect(strokesInText(again)).toEqual(strokesInText(groove));
      expect([again.title, again.tempo, again.reading]).toEqual([groove.title, groove.tempo, groove.reading]);
      if (groove.swing?.ratio !== 'tempo-aware') expect(again.swing).toEqual(groove.swing);
    },
  );
});

const drums = (measure: string, list = '') =>
  `<?xml version="1.0"?><score-partwise version="4.0"><part-list><score-part id="P1"><part-name>D</part-name>${list}</score-part></part-list><part id="P1">${measure}</part></score-partwise>`;
const note = (more: string, duration = 1) => `<note>${more}<duration>${duration}</duration><voice>1</voice></note>`;
const snare = '<unpitched><display-step>C</display-step><display-octave>5</display-octave></unpitched>';
const bar = (notes: string) =>
  drums(
    `<measure number="1"><attributes><divisions>1</divisions><time><beats>4</beats><beat-type>4</beat-type></time></attributes>${notes}</measure>`,
  );

describe('from elsewhere', () => {
  test('places on the lines where no instrument is named; two at once are two hands, a third is left out', () => {
    const hat = '<unpitched><display-step>G</display-step><display-octave>5</display-octave></unpitched>';
    const { groove, left } = read(
      bar(note(snare) + note(`<chord/>${hat}`) + note(`<chord/>${snare}`) + note('<rest/>', 3)),
    );
    expect(strokesInText(groove)).toEqual([['0 left hand snare tap plain', '0 right hand closed hat tap plain']]);
    expect(left).toEqual(['stroke that no limb is free for']);
  });

  test('repeats, ties, pitches, other parts and later tempos are told', () => {
    const { groove, left } = read(
      bar(
        `${note(`${snare}<tie type="start"/>`)}${note(`${snare}<tie type="stop"/>`)}${note('<pitch><step>C</step><octave>4</octave></pitch>')}<direction><sound tempo="90"/></direction><sound tempo="120"/>${note('<rest/>')}<barline><repeat direction="backward"/></barline>`,
      ),
    );
    expect(strokesInText(groove)).toEqual([['0 left hand snare tap plain']]);
    expect(groove.tempo).toBe(90);
    expect(left).toEqual(['note of a pitch', 'tempo change', 'repeat sign']);
  });

  test('a place that no grid holds is left out, and the others stay', () => {
    const { groove, left } = read(
      drums(
        `<measure number="1"><attributes><divisions>97</divisions><time><beats>4</beats><beat-type>4</beat-type></time></attributes>${note(snare, 96)}${note(snare, 1)}${note(snare, 97)}</measure>`,
      ),
    );
    expect(strokesInText(groove)[0]).toEqual(['0 left hand snare tap plain', '1/4 left hand snare tap plain']);
    expect(left).toEqual(['stroke on a place that no grid holds']);
  });

  test.each<[what: string, xml: string, code: string]>([
    ['nothing', '', 'no-xml'],
    ['no XML', 'MThd', 'no-xml'],
    ['something else', '<svg></svg>', 'no-musicxml'],
    ['measure by measure', '<score-timewise></score-timewise>', 'timewise'],
    [
      'no drums',
      drums(
        '<measure number="1"><note><pitch><step>C</step><octave>4</octave></pitch><duration>1</duration></note></measure>',
      ),
      'no-drums',
    ],
    [
      'names that stand for names',
      '<!DOCTYPE a [<!ENTITY b "bb"><!ENTITY c "&b;&b;">]><score-partwise>&c;</score-partwise>',
      'entities',
    ],
    [
      'a file of the server',
      '<!DOCTYPE a [<!ENTITY x SYSTEM "file:///etc/passwd">]><score-partwise>&x;</score-partwise>',
      'entities',
    ],
    ['too much', ' '.repeat(MOST_XML_CHARACTERS + 1), 'too-long'],
    ['too deep', '<a>'.repeat(100_000), 'no-xml'],
    ['cut off', bar(note(snare)).slice(0, -40), 'no-xml'],
  ])('%s is told', (_, xml, code) => {
    expect(readMusicXml(xml)).toMatchObject({ ok: false, problems: [{ code }] });
  });

  test('whatever is done to a file, it is read or told, and nothing is thrown', () => {
    const xml = musicXmlOf(STARTERS[1]!);
    fc.assert(
      fc.property(fc.nat(xml.length), fc.nat(60), fc.string({ maxLength: 8 }), (at, many, put) => {
        const answer = readMusicXml(xml.slice(0, at) + put + xml.slice(at + many));
        expect(typeof answer.ok).toBe('boolean');
      }),
      runs(300),
    );
  });
});
