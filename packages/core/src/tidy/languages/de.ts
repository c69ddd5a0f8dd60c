import { source, wordList } from '../../text/pattern.ts'
import type { TidyWords } from './tidy-words.ts'

/** German. */
export const de: TidyWords = {
  roles: source(
    'sprecher(?:in)?(?: \\d)?|erzähler(?:in)?|off(?:-?stimme|-?text|-?sprecher(?:in)?)?|',
    'stimme(?: aus dem off)?|moderator(?:in)?|kommentar|sprechertext|text',
  ),
  seen: source(
    'bild(?:er)?|video|visuell|aufnahme|einstellung|schnittbild(?:er)?|foto|grafik|',
    'animation|karte|archiv(?:bild|material)?|b-?roll|zeigen',
  ),
  heard: 'musik|ton|geräusche?|atmo|sound(?:effekt)?|klang|hintergrundmusik',
  written: source(
    'einblendung|texteinblendung|text im bild|bauchbinde|titel(?:karte|einblendung)|',
    'schrift(?:tafel)?|insert',
  ),
  told: 'kamera|tonfall|tonlage|tempo|regie|stimmung|licht|übergang|sprechweise|anmerkung|hinweis',
  camera: source(
    'nahaufnahme|großaufnahme|detail(?:aufnahme)?|totale|halbtotale|luftaufnahme|',
    'drohnenaufnahme|zeitraffer|zeitlupe|schwenk(?: (?:über|auf))?|',
    '(?:die )?kamera (?:schwenkt|fährt|zoomt|zeigt)(?: (?:langsam|ruhig|',
    'weiter))?(?: (?:über|auf|durch|zu|an))?|schnitt auf|blick (?:auf|über)|wir sehen|',
    'man sieht|zu sehen(?: ist| sind)?',
  ),
  pause: 'pause|stille|schweigen|atempause',
  short: 'kurze?|kleine?',
  long: 'lange?|längere?|dramatische?',
  delivery: source(
    '(?:(?:sie|er|beide|alle|der|die|leise|laut|kurz|sehr|wieder) )*(?:lachen|lacht|',
    'lachend|lächelt|lächelnd|kichert|seufzt|seufzend|flüstert|flüsternd|leise|laut|',
    'ernst|fröhlich|ruhig|langsam|schnell|nachdenklich|ironisch|begeistert|gelächter|',
    'applaus|räuspert sich|nickt|hustet|unverständlich|in die kamera)',
  ),
  music: 'musik|klavier|melodie|titelmusik|geige|trommeln?',
  noise: source(
    'wellen|wind|donner|regen|glocke|möwen|schritte|knarren|rauschen|plätschern|',
    'nebelhorn|motor|applaus',
  ),
  scene: 'szene|bild|folie|seite',
  shot: 'einstellung|aufnahme|shot',
  part: source(
    'einleitung|einstieg|intro|hauptteil|schluss|fazit|ausblick|zusammenfassung|abspann|',
    'vorspann|aufhänger|outro|prolog|epilog',
  ),
  chapter: 'kapitel|teil|abschnitt|akt',
  facts: source(
    'arbeitstitel|titelidee|thema|länge|dauer|laufzeit|wörter|wortzahl|fassung|version|',
    'stand|autor(?:in)?|von|zielgruppe|tonalität|format|sprache|datum|abgabe|',
    'schlagwörter|vorschaubild|beschreibung',
  ),
  later: source(
    'todo|noch offen|offen|prüfen|zu prüfen|faktencheck|notiz|anmerkung(?: für .{1,20})?|',
    'hinweis an .{1,20}|erledigen',
  ),
  calls: [
    '\\bhat (?:dir|euch|ihnen) das video gefallen\\?',
    '\\babonnier(?:t|e|en)?\\b.*\\b(?:kanal|uns|mich|video|glocke|daumen|mehr|gern|jetzt)\\b',
    '\\b(?:kanal|uns|mich)\\b.*\\babonnier',
    source(
      '\\bdaumen (?:nach )?(?:oben|hoch)\\b|\\blasst? (?:uns |mir |ein(?:en)? )*(?:like|',
      'abo|daumen|kommentar)',
    ),
    source(
      '\\b(?:schreib(?:t|en sie)?|verrat(?:e|et)?|sag(?:t)?|lasst?)\\b.*\\bin (?:die|',
      'den) kommentare?n?\\b',
    ),
    '\\bglocke\\b.*\\baktivier|\\baktivier.*\\bglocke\\b',
    '\\blinks?\\b.*\\b(?:in der beschreibung|unten)\\b|\\bin der (?:video)?beschreibung\\b',
    '\\bteilt? (?:dieses|das) video\\b|\\bfolgt? (?:uns|mir) (?:auf|bei)\\b',
  ],
  transition: source(
    'schnitt|abblende|aufblende|überblendung|ende|schwarzbild|weißblende|abspann|',
    'schnitt auf schwarz',
  ),
  number: 'Nummer',
  shortForms: [
    ['z\\. ?b\\.', 'zum Beispiel'],
    ['d\\. ?h\\.', 'das heißt'],
    ['u\\. ?a\\.', 'unter anderem'],
    ['bzw\\.', 'beziehungsweise'],
    ['ca\\.', 'circa'],
    ['usw\\.', 'und so weiter'],
    ['etc\\.', 'et cetera'],
    ['ggf\\.', 'gegebenenfalls'],
    ['evtl\\.', 'eventuell'],
    ['inkl\\.', 'inklusive'],
    ['sog\\.', 'sogenannte'],
    ['vgl\\.', 'vergleiche'],
    ['o\\. ?ä\\.', 'oder Ähnliches'],
    ['i\\. ?d\\. ?r\\.', 'in der Regel'],
  ],
  signs: {
    '~': 'etwa',
    '&': 'und',
    '≤': 'höchstens',
    '≥': 'mindestens',
    '±': 'plus minus',
    '=': 'gleich',
  },
  doubled: wordList('die der das den dem sie ihr wir dass sehr immer nein ja doch'),
}
