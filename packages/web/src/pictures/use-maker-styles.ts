import { onMounted, ref } from 'vue'
import { libraryApi } from '../api/library.ts'

/** Styles that pictures can be made in; undefined until they are known, none without a maker. */
export function useMakerStyles() {
  const styles = ref<{ id: string; name: string }[]>()
  const problem = ref('')
  onMounted(async () => {
    styles.value = await libraryApi.makerStyles().catch((cause: Error) => {
      problem.value = cause.message
      return []
    })
  })
  return { styles, problem }
}
