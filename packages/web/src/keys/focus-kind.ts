/** What has the keyboard: a field that is written in, something to press or choose, or nothing. */
export type FocusKind = 'field' | 'control' | 'nothing'

const PRESSED_INPUTS = /^(?:radio|checkbox|range|button|submit|reset|color|file)$/
const CONTROLS =
  'a[href], button, summary, input, select, [role="tab"], [role="option"], [role="button"], ' +
  '[role="menuitem"], [role="switch"], [role="slider"], [role="radio"], [role="link"]'
/** Lists whose own keys the room hears: there, arrows and letters are not a button's. */
const OWN = '[data-room-keys]'

export function focusKind(target: EventTarget | null): FocusKind {
  if (!(target instanceof HTMLElement)) return 'nothing'
  const isInput = target instanceof HTMLInputElement && !PRESSED_INPUTS.test(target.type)
  if (isInput || target.isContentEditable || /^(?:TEXTAREA|SELECT)$/.test(target.tagName))
    return 'field'
  return target.closest(CONTROLS) ? 'control' : 'nothing'
}

/** Keys that press a control, or walk through what belongs to it. */
const PRESSING = new Set(['Enter', ' '])
const WALKING = /^(?:Arrow|Home|End|Page)/
const WALKED =
  '[role="tab"], [role="option"], [role="radio"], [role="slider"], [role="menuitem"], input'

/**
 * Whether a plain key is the control's own: it never does something else then. A control that was
 * pressed with the mouse keeps only what presses it; one that was reached by keyboard keeps all.
 */
export function isControls(target: HTMLElement, key: string): boolean {
  if (PRESSING.has(key)) return true
  if (target.closest(OWN)) return false
  return target.matches(':focus-visible') || (WALKING.test(key) && target.closest(WALKED) !== null)
}
