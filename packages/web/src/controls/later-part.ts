import { type Component, defineAsyncComponent } from 'vue'
import { inTheEnd } from './in-the-end.ts'

/** A part of a room that is fetched when it is shown; nothing stands in its place until it is there. */
export const laterPart = <Part extends Component>(load: () => Promise<{ default: Part }>): Part =>
  defineAsyncComponent<Part>(async () => (await inTheEnd(load)).default)
