import { source, wordList } from '../../text/pattern.ts'
import type { TidyWords } from './tidy-words.ts'

/** Italian. */
export const it: TidyWords = {
  roles: source(
    'narratore|narratrice|voce(?: narrante| fuori campo| off)?(?: \\d)?|speaker|',
    'presentat(?:ore|rice)|condut(?:tore|trice)|testo|commento',
  ),
  seen: source(
    'immagin[ei]|video|visivo|inquadratura|ripresa|foto(?:grafia)?|grafica|animazione|',
    'mappa|cartina|archivio|b-?roll|si vede',
  ),
  heard: 'musica|suon[oi]|rumor[ei]|effett[oi] sonor[oi]|ambiente|sottofondo',
  written: source(
    'testo (?:a schermo|in sovrimpressione|sullo schermo)|sovrimpressione|',
    'titolo a schermo|cartello|sottopancia|grafica testo',
  ),
  told: 'camera|tono|ritmo|regia|luci?|transizione|nota|didascalia|intonazione',
  camera: source(
    '(?:primo piano|primissimo piano|dettaglio|campo (?:lungo|lunghissimo|medio)|',
    'piano (?:americano|medio|sequenza)|ripresa aerea|veduta aerea|vista aerea|',
    'panoramica|carrellata|rallenty|time-?lapse)(?: (?:della|dello|del|dei|delle|degli|',
    "dell[’']|di|su|sul|sulla))?|la (?:camera|telecamera|macchina da presa) (?:segue|",
    'mostra|scorre|avanza)(?: (?:lentamente|piano))?(?: (?:su|sul|sulla|verso|lungo))?|',
    'stacco su|vediamo|si vede|zoom su|immagine di repertorio di|vista (?:di|del|della)',
  ),
  pause: 'pausa|silenzio|respiro',
  short: 'breve|corta|piccola|leggera',
  long: 'lunga|lungo|drammatica',
  delivery: source(
    '(?:(?:lui|lei|tutti|entrambi|molto|più|con|in|tono|a|voce) )*(?:ride|ridono|ridendo|',
    'risate?|sorride|sorridendo|sospira|sospirando|sussurra|sussurrando|sottovoce|',
    'a bassa voce|bassa voce|piano|lentamente|veloce|calmo|calma|serio|seria|ironico|',
    'ironica|entusiasta|commoss[oa]|applausi|annuisce|tossisce|incomprensibile|',
    'guarda in camera|in camera)',
  ),
  music: 'musica|pianoforte|piano|chitarra|melodia|archi|violini|sigla|tamburi',
  noise: source(
    'onde|vento|tuon[oi]|pioggia|campan[ae]|gabbiani|passi|scricchiol[iì]o|sirena|motore|',
    'acqua|applausi',
  ),
  scene: 'scena|sequenza|diapositiva|quadro',
  shot: 'inquadratura|ripresa',
  part: source(
    'introduzione|intro|gancio|apertura|svolgimento|conclusione|chiusura|riassunto|',
    'epilogo|prologo|titoli di coda|finale',
  ),
  chapter: 'capitolo|parte|atto|sezione',
  facts: source(
    'titolo provvisorio|titolo di lavoro|argomento|tema|durata|lunghezza|parole|',
    'numero di parole|versione|autore|autrice|scritto da|di|pubblico|tono|formato|lingua|',
    'data|consegna|parole chiave|miniatura|descrizione|stato',
  ),
  later: source(
    'da (?:fare|verificare|controllare|completare|rivedere)|todo|verificare|controllare|',
    'nota(?: per .{1,20})?',
  ),
  calls: [
    '\\b(?:ti|vi) è piaciuto (?:il|questo) video\\?',
    '\\biscriv(?:iti|etevi|ersi|erti|ervi)\\b',
    source(
      '\\b(?:lascia(?:te)?|metti|mettete)\\b.*\\b(?:mi piace|like|pollice|commento)\\b|',
      '\\bun mi piace\\b',
    ),
    '\\b(?:scriv(?:imi|ici|ete|i)|dimmi|ditemi|fammi sapere|fateci sapere)\\b.*\\bcomment[io]\\b',
    '\\battiva(?:te)?\\b.*\\b(?:campanell[ao]|campanellina|notifiche)\\b',
    '\\blink\\b.*\\b(?:in|nella) descrizione\\b',
    '\\bcondividi(?:te)? (?:questo|il) video\\b|\\bsegui(?:mi|ci|temi|teci) su\\b',
  ],
  transition:
    'stacco|dissolvenza(?: (?:a nero|in nero|incrociata))?|fine|nero|titoli di coda|taglio',
  number: 'Numero',
  shortForms: [
    ['ad es\\.', 'per esempio'],
    ['p\\. ?es\\.', 'per esempio'],
    ['es\\.(?=:)', 'esempio'],
    ['ecc\\.', 'eccetera'],
    ['ca\\.', 'circa'],
    ['a\\. ?c\\.', 'avanti Cristo'],
    ['d\\. ?c\\.', 'dopo Cristo'],
    ['cfr\\.', 'confronta'],
    ['max\\.', 'al massimo'],
  ],
  signs: {
    '~': 'circa',
    '&': 'e',
    '≤': 'al massimo',
    '≥': 'almeno',
    '±': 'più o meno',
    '=': 'uguale',
  },
  doubled: wordList('piano molto ci vi no sì quasi via appena'),
}
