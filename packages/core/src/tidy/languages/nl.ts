import { source, wordList } from '../../text/pattern.ts'
import type { TidyWords } from './tidy-words.ts'

/** Dutch. */
export const nl: TidyWords = {
  roles: source(
    'verteller|vertelster|voice-?over|stem(?: \\d)?|spreker(?: \\d)?|presentat(?:or|',
    'rice)|commentaar|commentator|tekst',
  ),
  seen: source(
    'beeld(?:en)?|video|visueel|opname|shot|foto|grafiek|animatie|kaart|',
    'archief(?:beeld)?|b-?roll|sfeerbeeld',
  ),
  heard: 'muziek|geluid(?:en)?|geluidseffect(?:en)?|omgevingsgeluid|sfeergeluid|achtergrondmuziek',
  written: source(
    'tekst (?:in|op) (?:beeld|scherm|het scherm)|titel (?:in|op) beeld|titelkaart|',
    'naambalk|onderschrift in beeld',
  ),
  told: 'camera|toon|tempo|regie|licht|overgang|notitie|opmerking|intonatie',
  camera: source(
    '(?:close-?up|detailopname|totaalshot|overzichtsshot|luchtopname|dronebeeld|',
    'droneshot|timelapse|slow motion|archiefbeeld)(?: (?:van|over))?|',
    '(?:de )?camera (?:volgt|toont|glijdt|draait|zoomt)(?: (?:langzaam|',
    'rustig))?(?: (?:over|naar|langs|in op))?|we zien|zoom (?:op|naar)|inzoomen op|',
    'snede naar|uitzicht op|beeld van',
  ),
  pause: 'pauze|stilte|adempauze',
  short: 'korte?|kleine?|even',
  long: 'lange?|dramatische?',
  delivery: source(
    '(?:(?:hij|zij|ze|beiden|allemaal|heel|zacht|met|een) )*(?:lacht|lachen|lachend|',
    'gelach|glimlacht|glimlachend|zucht|zuchtend|fluistert|fluisterend|zachtjes|zacht|',
    'luid|langzaam|snel|rustig|ernstig|ironisch|enthousiast|applaus|knikt|hoest|',
    'onverstaanbaar|in de camera)',
  ),
  music: 'muziek|piano|gitaar|melodie|violen|titelmuziek|trommels?',
  noise: source(
    'golven|wind|donder|regen|klok(?:ken)?|meeuwen|voetstappen|gekraak|misthoorn|motor|',
    'water|applaus',
  ),
  scene: 'scène|scene|dia|sequentie',
  shot: 'shot|opname',
  part: source(
    'inleiding|intro|opening|kern|middenstuk|slot|conclusie|samenvatting|epiloog|proloog|',
    'aftiteling|afsluiting|haakje',
  ),
  chapter: 'hoofdstuk|deel|akte|paragraaf',
  facts: source(
    'werktitel|onderwerp|lengte|duur|speelduur|woorden|aantal woorden|versie|auteur|',
    'geschreven door|door|doelgroep|toon|formaat|taal|datum|deadline|trefwoorden|',
    'thumbnail|beschrijving|status',
  ),
  later: source(
    'nog (?:doen|nakijken|checken|uitzoeken)|todo|nakijken|controleren|checken|',
    'notitie(?: voor .{1,20})?|opmerking',
  ),
  calls: [
    '\\babonneer\\b|\\bvond je (?:deze|de) video\\b',
    '\\b(?:duimpje|duim) omhoog\\b|\\b(?:geef|laat)\\b.*\\b(?:like|duimpje)\\b',
    source(
      '\\b(?:laat|schrijf|vertel|zet)\\b.*\\b(?:reacties|comments|opmerkingen)\\b|',
      '\\bin de reacties\\b',
    ),
    '\\b(?:zet|schakel)\\b.*\\b(?:meldingen|belletje)\\b',
    '\\blinks?\\b.*\\b(?:beschrijving|hieronder)\\b',
    '\\bdeel (?:deze|dit) video\\b|\\bvolg (?:ons|mij|me) op\\b',
  ],
  transition:
    'snede|overvloeier|einde|zwart(?:beeld)?|aftiteling|fade(?: (?:in|uit|out|naar zwart))?',
  number: 'Nummer',
  shortForms: [
    ['d\\. ?w\\. ?z\\.', 'dat wil zeggen'],
    ['bijv\\.|bv\\.', 'bijvoorbeeld'],
    ['enz\\.', 'enzovoort'],
    ['etc\\.', 'et cetera'],
    ['ca\\.', 'circa'],
    ['o\\. ?a\\.', 'onder andere'],
    ['m\\. ?a\\. ?w\\.', 'met andere woorden'],
    ['incl\\.', 'inclusief'],
    ['v\\. ?chr\\.', 'voor Christus'],
    ['n\\. ?chr\\.', 'na Christus'],
    ['evt\\.', 'eventueel'],
  ],
  signs: {
    '~': 'ongeveer',
    '&': 'en',
    '≤': 'hoogstens',
    '≥': 'minstens',
    '±': 'ongeveer',
    '=': 'is gelijk aan',
  },
  doubled: wordList('die dat zij het we heel nee ja steeds'),
}
