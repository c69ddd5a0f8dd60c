/** Text files that tests read as they are. */
declare module '*.txt?raw' {
  const text: string
  export default text
}
