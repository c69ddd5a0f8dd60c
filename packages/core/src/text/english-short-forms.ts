/** Short forms of English → how they are said. */
const ABBREVIATIONS: Record<string, string> = {
  'mr.': 'mister',
  'mrs.': 'missus',
  'ms.': 'miz',
  'dr.': 'doctor',
  'prof.': 'professor',
  'st.': 'saint',
  'mt.': 'mount',
  'ft.': 'fort',
  'capt.': 'captain',
  'lt.': 'lieutenant',
  'gen.': 'general',
  'sgt.': 'sergeant',
  'col.': 'colonel',
  'maj.': 'major',
  'adm.': 'admiral',
  'cmdr.': 'commander',
  'gov.': 'governor',
  'sen.': 'senator',
  'rev.': 'reverend',
  'hon.': 'honourable',
  'e.g.': 'for example',
  'i.e.': 'that is',
  'etc.': 'et cetera',
  'vs.': 'versus',
  'approx.': 'approximately',
  'ca.': 'around',
  'c.': 'around',
  'no.': 'number',
  'nos.': 'numbers',
  'fig.': 'figure',
  'vol.': 'volume',
  'ch.': 'chapter',
  'p.': 'page',
  'pp.': 'pages',
  'jr.': 'junior',
  'sr.': 'senior',
  'dept.': 'department',
  'est.': 'established',
  'inc.': 'incorporated',
  'ltd.': 'limited',
  'corp.': 'corporation',
  'bros.': 'brothers',
  'ave.': 'avenue',
  'blvd.': 'boulevard',
  'rd.': 'road',
  'yr.': 'year',
  'yrs.': 'years',
  'hr.': 'hour',
  'hrs.': 'hours',
  'min.': 'minutes',
  'max.': 'maximum',
  'jan.': 'January',
  'feb.': 'February',
  'mar.': 'March',
  'apr.': 'April',
  'jun.': 'June',
  'jul.': 'July',
  'aug.': 'August',
  'sept.': 'September',
  'sep.': 'September',
  'oct.': 'October',
  'nov.': 'November',
  'dec.': 'December',
  'a.m.': 'A M',
  'p.m.': 'P M',
  'u.s.': 'U S',
  'u.k.': 'U K',
  'u.s.a.': 'U S A',
  'b.c.': 'B C',
  'a.d.': 'A D',
  'd.c.': 'D C',
  'ph.d.': 'P H D',
}
/** Short forms that are words too: spoken in full only before what they belong to. */
const BEFORE_NUMBER =
  /^(est|dec|jan|feb|mar|apr|jun|jul|aug|sept?|oct|nov|ca|c|in|p|pp|ch|nos?|max|min)\.$/i
const BEFORE_NAME = /^(st|mt|ft|fig|vol|gen|capt|lt|col|maj|adm|rev|hon|sen|gov)\.$/i

/**
 * A short form as it is said where it stands.
 *
 * @param at where the word begins in the text
 * @returns the word itself where it is none, or means something else here
 */
export function saidInFull(word: string, text: string, at: number): string {
  const said = ABBREVIATIONS[word.toLowerCase()]
  if (!said) return word
  const after = text.slice(at + word.length)
  const road = ROADS[word.toLowerCase()]
  if (road && isRoad(text.slice(Math.max(0, at - NAME_LENGTH), at), after))
    return road + (after.trim() === '' ? '.' : '')
  const ends = after.trim() === '' || /^["'”’)]+\s*$/.test(after)
  if (BEFORE_NAME.test(word) && !/^\s\p{Lu}|^\s?\d/u.test(after)) return word
  if (BEFORE_NUMBER.test(word) && !/^\s?\d/.test(after)) return word
  return ends ? `${said}.` : said
}

/** Short forms that mean a road behind its name, and somebody before theirs. */
const ROADS: Record<string, string> = { 'dr.': 'drive', 'st.': 'street' }

/** A road's number and name are looked for within so many letters. */
const NAME_LENGTH = 60

/** Behind a name, with no other name behind it, or behind a house's number and a name. */
const isRoad = (before: string, after: string) =>
  /\d+ (?:\p{Lu}\p{L}+ )+$/u.test(before) ||
  (/\p{Lu}\p{Ll}+ $/u.test(before) && !/^\s+\p{Lu}/u.test(after))
