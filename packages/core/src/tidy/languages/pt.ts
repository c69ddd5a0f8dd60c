import { source, wordList } from '../../text/pattern.ts'
import type { TidyWords } from './tidy-words.ts'

/** Portuguese, of Brazil and of Portugal. */
export const pt: TidyWords = {
  roles: source(
    'narrador(?:a)?(?: \\d)?|locutor(?:a)?(?: \\d)?|voz(?:[ -](?:em )?off)?(?: \\d)?|',
    'apresentador(?:a)?|locução|texto|comentador(?:a)?',
  ),
  seen: source(
    'image(?:m|ns)|vídeo|visual|plano|tomada|foto(?:grafia)?|gráfico|animação|mapa|',
    'arquivo|b-?roll|cena de apoio',
  ),
  heard: 'música|so(?:m|ns)|efeitos? sonoros?|ruídos?|ambiente|trilha|banda sonora',
  written:
    'texto (?:na tela|no ecrã|em tela)|legenda na tela|letreiro|título na tela|oráculo|gc|cartela',
  told: 'câmera|câmara|tom|ritmo|direção|iluminação|luz|transição|nota|rubrica|entonação',
  camera: source(
    '(?:primeiro plano|plano (?:geral|médio|detalhe|aéreo|fechado|aberto)|close(?:-up)?|',
    'vista aérea|tomada aérea|imagem aérea|câmera lenta|câmara lenta|panorâmica|',
    'travelling|time-?lapse)(?: (?:da|do|das|dos|de|na|no|em|sobre))?|',
    'a c[âa]me?ra (?:segue|mostra|percorre|avança)(?: (?:lentamente|devagar))?(?: (?:por|',
    'pela|pelo|sobre))?|corta para|vemos|vê-se|zoom (?:em|na|no)|imagem de arquivo (?:de|',
    'da|do)|vista (?:da|do|de)',
  ),
  pause: 'pausa|silêncio|respiração',
  short: 'breve|curta|curto|pequena|leve',
  long: 'longa|longo|dramática',
  delivery: source(
    '(?:(?:ele|ela|ambos|todos|muito|mais|com|em|tom|voz) )*(?:ri|riem|rindo|a rir|',
    'risos?|risadas?|sorri|sorrindo|a sorrir|suspira|suspirando|sussurra|sussurrando|',
    'a sussurrar|em voz baixa|voz baixa|baixa|devagar|rápido|calm[oa]|séri[oa]|',
    'irônic[oa]|irónic[oa]|entusiasmad[oa]|emocionad[oa]|aplausos|acena|tosse|inaudível|',
    'para a c[âa]me?ra)',
  ),
  music: 'música|piano|violão|guitarra|melodia|violinos|vinheta|tambores',
  noise:
    'ondas|vento|trov[ãõ](?:o|es)|chuva|sinos?|gaivotas|passos|rangido|sirene|motor|água|aplausos',
  scene: 'cena|sequência|slide|quadro',
  shot: 'plano|tomada',
  part: source(
    'introdução|intro|gancho|abertura|desenvolvimento|conclusão|encerramento|resumo|',
    'epílogo|prólogo|créditos|final|despedida',
  ),
  chapter: 'capítulo|parte|ato|secção|seção|bloco',
  facts: source(
    'título (?:provisório|de trabalho)|tema|assunto|duração|palavras|número de palavras|',
    'versão|autora?|escrito por|por|público|tom|formato|idioma|data|prazo|palavras-chave|',
    'miniatura|descrição|estado',
  ),
  later:
    'pendente|por fazer|a fazer|fazer|todo|verificar|conferir|rever|nota(?: para .{1,20})?|falta',
  calls: [
    '\\bgostou (?:do|deste|desse) vídeo\\?',
    '\\binscreva(?:-se|m-se)\\b|\\bse inscrev(?:a|e|er)\\b|\\bsubscrev(?:e|a|am)\\b.*\\bcanal\\b',
    source(
      '\\bdeix[ae](?:m)?\\b.*\\b(?:like|gostei|joinha|comentário|curtida)\\b|\\b(?:um|',
      'o seu|seu) like\\b',
    ),
    source(
      '\\b(?:conte|conta|diga|diz|escreva|escreve|comente|comenta)(?:-me|',
      '-nos)?\\b.*\\bcomentários?\\b',
    ),
    '\\b(?:ative|ativa|ativem)\\b.*\\b(?:sininho|sino|notificações)\\b',
    '\\blink\\b.*\\bdescrição\\b',
    source(
      '\\bpartilh[ae] (?:este|o) vídeo\\b|\\bcompartilhe (?:este|esse|o) vídeo\\b|',
      '\\bs(?:iga|egue)(?:-me|-nos)? (?:me |nos )?n[oa]\\b',
    ),
  ],
  transition:
    'corte|fusão|fade(?: (?:in|out))?|fim|preto|tela preta|créditos(?: finais)?|corta para preto',
  number: 'Número',
  shortForms: [
    ['p\\. ?ex\\.', 'por exemplo'],
    ['ex\\.(?=:)', 'exemplo'],
    ['etc\\.', 'et cetera'],
    ['aprox\\.', 'aproximadamente'],
    ['a\\. ?c\\.', 'antes de Cristo'],
    ['d\\. ?c\\.', 'depois de Cristo'],
    ['máx\\.', 'no máximo'],
    ['mín\\.', 'no mínimo'],
    ['i\\. ?e\\.', 'isto é'],
  ],
  signs: {
    '~': 'cerca de',
    '&': 'e',
    '≤': 'no máximo',
    '≥': 'pelo menos',
    '±': 'mais ou menos',
    '=': 'igual a',
  },
  doubled: wordList('muito não sim nos quase logo já bem'),
}
