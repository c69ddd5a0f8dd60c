/** A day and a time as a list says them; made once, for making one takes as long as a row. */
export const dayAndTime = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'long',
  hour: '2-digit',
  minute: '2-digit',
})
