/** Hands a text to the person as a file. */
export function saveText(name: string, text: string, type = 'text/csv') {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([text], { type: `${type};charset=utf-8` }))
  link.download = name.replace(/[^\p{L}\p{N} ._–-]+/gu, '').trim()
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 1000)
}

/** Has the browser save what an address answers with, under the name the answer gives. */
export function saveFrom(address: string) {
  const link = document.createElement('a')
  link.href = address
  link.download = ''
  link.click()
}
