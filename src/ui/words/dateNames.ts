import type { DateLanguage } from '@/core/documents/settings';

/**
 * What days and months are called in a language, from Monday and from January, and whether a day of the month is an
 * ordinal with a dot.
 */
export interface DateNames {
  /** The language in itself. */
  language: string;
  short: readonly string[];
  long: readonly string[];
  months: readonly string[];
  dot?: true;
}

const names = (language: string, short: string, long: string, months: string, dot?: true): DateNames => ({
  language,
  short: short.split(' '),
  long: long.split(' '),
  months: months.split(' '),
  ...(dot && { dot }),
});

/** A few hundred letters instead of a library's tables, which every page would carry; a test compares them with it. */
export const DATE_NAMES: Record<DateLanguage, DateNames> = {
  en: names(
    'English',
    'Mon Tue Wed Thu Fri Sat Sun',
    'Monday Tuesday Wednesday Thursday Friday Saturday Sunday',
    'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec',
  ),
  da: names(
    'dansk',
    'man. tir. ons. tor. fre. lør. søn.',
    'mandag tirsdag onsdag torsdag fredag lørdag søndag',
    'jan. feb. mar. apr. maj jun. jul. aug. sep. okt. nov. dec.',
    true,
  ),
  de: names(
    'Deutsch',
    'Mo. Di. Mi. Do. Fr. Sa. So.',
    'Montag Dienstag Mittwoch Donnerstag Freitag Samstag Sonntag',
    'Jan. Feb. März Apr. Mai Juni Juli Aug. Sep. Okt. Nov. Dez.',
    true,
  ),
  es: names(
    'español',
    'lun mar mié jue vie sáb dom',
    'lunes martes miércoles jueves viernes sábado domingo',
    'ene feb mar abr may jun jul ago sep oct nov dic',
  ),
  fi: names(
    'suomi',
    'ma ti ke to pe la su',
    'maanantai tiistai keskiviikko torstai perjantai lauantai sunnuntai',
    'tammi helmi maalis huhti touko kesä heinä elo syys loka marras joulu',
    true,
  ),
  fr: names(
    'français',
    'lun. mar. mer. jeu. ven. sam. dim.',
    'lundi mardi mercredi jeudi vendredi samedi dimanche',
    'janv. févr. mars avr. mai juin juil. août sept. oct. nov. déc.',
  ),
  it: names(
    'italiano',
    'lun mar mer gio ven sab dom',
    'lunedì martedì mercoledì giovedì venerdì sabato domenica',
    'gen feb mar apr mag giu lug ago set ott nov dic',
  ),
  nb: names(
    'norsk',
    'man tir ons tor fre lør søn',
    'mandag tirsdag onsdag torsdag fredag lørdag søndag',
    'jan. feb. mars apr. mai juni juli aug. sep. okt. nov. des.',
    true,
  ),
  nl: names(
    'Nederlands',
    'maa din woe don vri zat zon',
    'maandag dinsdag woensdag donderdag vrijdag zaterdag zondag',
    'jan. feb. mrt. apr. mei jun. jul. aug. sep. okt. nov. dec.',
  ),
  pl: names(
    'polski',
    'pon. wt. śr. czw. pt. sob. niedz.',
    'poniedziałek wtorek środa czwartek piątek sobota niedziela',
    'sty lut mar kwi maj cze lip sie wrz paź lis gru',
  ),
  pt: names(
    'português',
    'seg ter qua qui sex sáb dom',
    'segunda-feira terça-feira quarta-feira quinta-feira sexta-feira sábado domingo',
    'jan fev mar abr mai jun jul ago set out nov dez',
  ),
  sv: names(
    'svenska',
    'mån tis ons tors fre lör sön',
    'måndag tisdag onsdag torsdag fredag lördag söndag',
    'jan. feb. mars apr. maj juni juli aug. sep. okt. nov. dec.',
  ),
};
