/** For which scenes a setting is made; the first by itself. */
export const FOR_SCENES = [
  ['these', 'what is selected'],
  ['chapter', 'its chapter'],
  ['all', 'the whole film'],
] as const

/** For which scene or films a look is made. */
export const FOR_LOOKS = [
  ['these', 'this scene'],
  ['chapter', 'its chapter'],
  ['all', 'the whole film'],
  ['style', 'the house style'],
] as const
/** For which pictures, films or channels colours are made. */
export const FOR_GRADES = [['these', 'what is selected'], ...FOR_LOOKS.slice(1)] as const
export type ForLooks = (typeof FOR_LOOKS)[number][0]
