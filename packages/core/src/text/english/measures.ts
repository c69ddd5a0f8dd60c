import { certain } from '../../faults/certain.ts'
import { UNITS } from '../english-measures.ts'
import { cardinal as cardinalIn } from '../numbers.ts'
import {
  BEFORE_NOUN,
  BEFORE_SIZED,
  DETERMINER,
  type InWords,
  isOne,
  NUMBER,
  type Rule,
  UNIT,
} from './rule.ts'

const RAISED = '⁰¹²³⁴⁵⁶⁷⁸⁹'
const raised = (power: string) => {
  const n = Number(
    [...power].flatMap((sign) => (sign === '⁻' ? [] : RAISED.indexOf(sign))).join(''),
  )
  return `${power.startsWith('⁻') ? 'minus ' : ''}${cardinalIn(n)}`
}

/**
 * Measures with their units, and powers.
 *
 * @returns in the order they are to be tried; each leaves no digits behind
 */
export function measureRules({ cardinal, decimal }: InWords): Rule[] {
  const measure = (amount: string, unit: string) =>
    `${decimal(amount)} ${certain(UNITS[unit])[isOne(amount) ? 0 : 1]}`
  return [
    [
      new RegExp(
        String.raw`\b((?:${DETERMINER}) (?:\d+ by )*)(${NUMBER})(?:\s|-)?(?!in\b)(${UNIT})(?:${BEFORE_NOUN}|${BEFORE_SIZED})`,
        'giu',
      ),
      (word, n, unit) => (UNITS[unit] ? `${word}${decimal(n)} ${UNITS[unit][0]}` : undefined),
    ],
    [
      new RegExp(String.raw`\b(${NUMBER})-(?!in\b)(${UNIT})${BEFORE_NOUN}`, 'gu'),
      (n, unit) => `${decimal(n)} ${certain(UNITS[unit])[0]}`,
    ],
    [/\b(\d{1,2})K\b/g, (n) => `${cardinal(Number(n))} K`],
    [
      new RegExp(
        String.raw`\b(${NUMBER})\s?(°[CF]?|km/h|kg/m³|g/cm³|m/s²|m/s|mph|km²|cm²|ft²|m²|cm³|m³|Ω)(?![\w])`,
        'g',
      ),
      measure,
    ],
    [
      new RegExp(
        String.raw`\b(${NUMBER})(?:\s|-)?(${UNIT})(?![\w'’])(?!(?<=\d\s?(?:in|A))\s+(?:a|the)\b)`,
        'g',
      ),
      measure,
    ],
    [
      /(?<=\d)(⁻?[⁰¹⁴-⁹][⁰¹²³⁴-⁹]*|⁻[⁰¹²³⁴-⁹]+|[²³][⁰¹²³⁴-⁹]+)/g,
      (power) => ` to the power of ${raised(power)}`,
    ],
    [/([²³])/g, (power) => (power === '²' ? ' squared' : ' cubed')],
  ]
}
