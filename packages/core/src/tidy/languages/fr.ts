import { source, wordList } from '../../text/pattern.ts'
import type { TidyWords } from './tidy-words.ts'

/** French. */
export const fr: TidyWords = {
  roles: source(
    'narrat(?:eur|rice)(?: \\d)?|voix(?:[ -]off| hors champ| \\d)?|présentat(?:eur|rice)|',
    'animat(?:eur|rice)|commentaire|commentateur|texte|speaker',
  ),
  seen: source(
    'images?|vidéo|visuels?|plan(?: de coupe)?|photo|graphique|animation|carte|archives?|',
    "illustration|b-?roll|à l'image",
  ),
  heard: 'musique|sons?|bruitages?|bruits?|ambiance|fond sonore|effet sonore',
  written: source(
    "texte (?:à|sur) l['’]écran|texte affiché|titre(?: à l['’]écran)?|incrustation|",
    'bandeau|synthé|carton',
  ),
  told: 'caméra|ton|rythme|réalisation|lumière|transition|débit|note|didascalie|intonation',
  camera: source(
    '(?:très )?gros plan(?: (?:sur|de))?|plan (?:large|moyen|serré|rapproché|',
    "d['’]ensemble|général|fixe|aérien)(?: (?:sur|de|du|des))?|vue (?:aérienne|",
    "d['’]ensemble)(?: (?:de|du|des|sur))?|la caméra (?:suit|montre|balaie|avance|",
    'glisse)(?: (?:lentement|doucement))?(?: (?:sur|vers|le long de))?|travelling (?:sur|',
    'le long de)|panoramique sur|zoom (?:sur|avant sur|arrière sur)|coupe sur|on voit|',
    "accéléré(?: de| sur)?|ralenti(?: de| sur)?|insert sur|image d['’]archives? (?:de|du|",
    'des)|vue (?:de|du|des|sur)',
  ),
  pause: 'pause|silence|un temps|temps|respiration',
  short: 'courte?|brève?|bref|petite?|léger|légère|un',
  long: 'longue?|dramatique',
  delivery: source(
    "(?:(?:il|elle|ils|elles|tous|d['’]une|voix|d['’]un|très|plus|en|à) )*(?:rires?|rit|",
    'rient|riant|sourit|souriant|sourire|soupire?|soupirant|chuchote|chuchoté|chuchotant|',
    'murmure|murmurant|à voix basse|voix basse|basse|doucement|lentement|rapidement|',
    'calme(?:ment)?|sérieux|sérieusement|ironique(?:ment)?|enthousiaste|applaudissements|',
    'hoche la tête|tousse|inaudible|face caméra|ton grave|ému|émue)',
  ),
  music: 'musique|piano|mélodie|violons?|guitare|générique|jingle|tambours?',
  noise: source(
    'vagues|vent|tonnerre|pluie|cloches?|mouettes|pas|grincement|sirène|corne de brume|',
    'moteur|eau|applaudissements',
  ),
  scene: 'scène|séquence|diapo(?:sitive)?|tableau',
  shot: 'plan',
  part: source(
    'introduction|intro|accroche|conclusion|développement|résumé|épilogue|prologue|',
    'générique(?: de fin)?|ouverture|outro|fin',
  ),
  chapter: 'chapitre|partie|acte|section',
  facts: source(
    'titre provisoire|titre de travail|sujet|durée|longueur|mots|nombre de mots|version|',
    'auteure?|rédigé par|par|public|ton|format|langue|date|échéance|mots-clés|miniature|',
    'description|statut',
  ),
  later: source(
    'à (?:vérifier|faire|compléter|confirmer|revoir)|todo|note(?: pour .{1,20})?|nb|',
    'remarque|vérifier',
  ),
  calls: [
    '\\b(?:vous avez|tu as) aimé cette vidéo ?\\?',
    "\\b(?:abonne(?:z|s)?|abonner)(?:-vous|-toi)?\\b.*|\\bvous abonner\\b|\\bt['’]abonner\\b",
    "\\b(?:pouce bleu|pouce en l[’']air|un pouce|un like|un j[’']aime)\\b",
    source(
      '\\b(?:dites|dis|laisse[zs]?|écri(?:vez|s)|partage[zs]?)(?:-(?:moi|',
      'nous))?\\b.*\\b(?:en|dans les|un) commentaires?\\b',
    ),
    '\\bactive[zr]?\\b.*\\b(?:cloche|notifications?)\\b',
    '\\bliens?\\b.*\\b(?:en|dans la|sous la) description\\b',
    '\\bpartage[zs]? cette vidéo\\b|\\bsui(?:vez|s)(?:-(?:moi|nous)) sur\\b',
  ],
  transition: source(
    'fondu(?: (?:au noir|enchaîné|au blanc))?|coupe|cut|noir|fin|générique(?: de fin)?|',
    'ouverture au noir',
  ),
  number: 'Numéro',
  shortForms: [
    ['c\\.-?à-?d\\.', "c'est-à-dire"],
    ['p\\. ?ex\\.', 'par exemple'],
    ['ex\\.(?= :)', 'exemple'],
    ['etc\\.', 'et cetera'],
    ['env\\.', 'environ'],
    ['av\\. j\\.-?c\\.', 'avant Jésus-Christ'],
    ['apr\\. j\\.-?c\\.', 'après Jésus-Christ'],
    ['cf\\.', 'voir'],
    ['max\\.', 'au maximum'],
  ],
  signs: {
    '~': 'environ',
    '&': 'et',
    '≤': 'au plus',
    '≥': 'au moins',
    '±': 'plus ou moins',
    '=': 'égale',
  },
  spaced: '?!:;',
  doubled: wordList('nous vous très non oui bien petit'),
}
