/** Words that tell two pictures of the same thing apart without making them look different. */
export const HOURS = new Set('day dawn morning sunrise dusk evening sunset night dark cloudy gray grey upright clip photograph paper layer color cut front behind'.split(' '))
