import { source, wordList } from '../../text/pattern.ts'
import type { TidyWords } from './tidy-words.ts'

/** Spanish. */
export const es: TidyWords = {
  roles: source(
    'narrador(?:a)?(?: \\d)?|locutor(?:a)?(?: \\d)?|voz(?:[ -](?:en )?off)?(?: \\d)?|',
    'presentador(?:a)?|locución|texto|comentarista',
  ),
  seen: source(
    'im[aá]gen(?:es)?|v[ií]deo|visual(?:es)?|plano|toma|foto(?:graf[ií]a)?|gr[aá]fico|',
    'animaci[oó]n|mapa|archivo|recurso|en pantalla se ve|b-?roll',
  ),
  heard: 'm[uú]sica|sonidos?|efectos? de sonido|efecto sonoro|ruidos?|ambiente|sonido ambiente',
  written: source(
    'texto en pantalla|r[oó]tulo|t[ií]tulo en pantalla|cartela|sobreimpresi[oó]n|',
    'texto sobreimpreso',
  ),
  told: source(
    'c[aá]mara|tono|ritmo|direcci[oó]n|iluminaci[oó]n|luz|transici[oó]n|nota|',
    'acotaci[oó]n|entonaci[oó]n',
  ),
  camera: source(
    '(?:primer(?:[ií]simo)? plano|plano (?:general|medio|detalle|a[eé]reo|corto|cenital|',
    'secuencia)|toma a[eé]rea|vista a[eé]rea|c[aá]mara lenta|c[aá]mara r[aá]pida|',
    'panor[aá]mica|travelling)(?: (?:de la|del|de los|de las|de|sobre|a))?|',
    'la c[aá]mara (?:sigue|muestra|recorre|avanza)(?: (?:lentamente|',
    'despacio))?(?: (?:por|hacia|sobre))?|corte a|vemos|se ve|imagen de archivo de|',
    'zoom (?:a|sobre)|vista (?:de|del)',
  ),
  pause: 'pausa|silencio|respiraci[oó]n',
  short: 'breve|corta|corto|peque[nñ]a|ligera',
  long: 'larga|largo|dram[aá]tica',
  delivery: source(
    '(?:(?:se|[eé]l|ella|ambos|todos|muy|m[aá]s|con|en|tono|voz) )*(?:r[ií]e|r[ií]en|',
    'risas?|riendo|sonr[ií]e|sonriendo|suspira|suspirando|susurra|susurrando|en voz baja|',
    'voz baja|baja|despacio|r[aá]pido|tranquil[oa]|seri[oa]|ir[oó]nic[oa]|',
    'entusiasmad[oa]|emocionad[oa]|aplausos|asiente|tose|inaudible|mirando a c[aá]mara|',
    'a c[aá]mara)',
  ),
  music: 'm[uú]sica|piano|guitarra|melod[ií]a|violines|sinton[ií]a|tambores',
  noise:
    'olas|viento|truenos?|lluvia|campanas?|gaviotas|pasos|crujidos?|sirena|motor|agua|aplausos',
  scene: 'escena|secuencia|diapositiva|cuadro',
  shot: 'plano|toma',
  part: source(
    'introducci[oó]n|intro|gancho|desarrollo|conclusi[oó]n|cierre|resumen|ep[ií]logo|',
    'pr[oó]logo|cr[eé]ditos|apertura|despedida|final',
  ),
  chapter: 'cap[ií]tulo|parte|acto|secci[oó]n|bloque',
  facts: source(
    't[ií]tulo (?:provisional|de trabajo)|tema|duraci[oó]n|longitud|palabras|',
    'n[uú]mero de palabras|versi[oó]n|autora?|escrito por|por|p[uú]blico|tono|formato|',
    'idioma|fecha|entrega|etiquetas|miniatura|descripci[oó]n|estado',
  ),
  later: 'pendiente|por hacer|todo|verificar|comprobar|revisar|nota(?: para .{1,20})?|falta',
  calls: [
    '\\b(?:te|os|les) ha gustado (?:el|este) v[ií]deo\\?',
    '\\bsuscr[ií]b(?:ete|anse|irte|irse|ase)\\b',
    '\\b(?:dale|den|da|dele) (?:un )?(?:a )?(?:me gusta|like|manita)\\b|\\bun me gusta\\b',
    source(
      '\\b(?:d[eé]ja(?:me|nos|d)?|escr[ií]be(?:me|nos)?|cu[eé]nta(?:me|nos)?|',
      'comenta)\\b.*\\b(?:comentarios?)\\b',
    ),
    '\\bactiva\\b.*\\b(?:campan(?:ita|a)|notificaciones)\\b',
    '\\benlaces?\\b.*\\b(?:descripci[oó]n|abajo)\\b',
    '\\bcomparte (?:este|el) v[ií]deo\\b|\\bs[ií]gue(?:me|nos) en\\b',
  ],
  transition: source(
    'corte|fundido(?: (?:a negro|encadenado|a blanco))?|fin|negro|',
    'cr[eé]ditos(?: finales)?|corte a negro',
  ),
  number: 'Número',
  shortForms: [
    ['p\\. ?ej\\.', 'por ejemplo'],
    ['ej\\.(?=:)', 'ejemplo'],
    ['etc\\.', 'etcétera'],
    ['aprox\\.', 'aproximadamente'],
    ['a\\. ?(?:de )?c\\.', 'antes de Cristo'],
    ['d\\. ?(?:de )?c\\.', 'después de Cristo'],
    ['p\\. ?m\\.', 'de la tarde'],
    ['a\\. ?m\\.', 'de la mañana'],
    ['máx\\.', 'como máximo'],
    ['mín\\.', 'como mínimo'],
  ],
  signs: {
    '~': 'unos',
    '&': 'y',
    '≤': 'como mucho',
    '≥': 'al menos',
    '±': 'más o menos',
    '=': 'es igual a',
  },
  doubled: wordList('muy no sí nos casi poco ya bien'),
}
