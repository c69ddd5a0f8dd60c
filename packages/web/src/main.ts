import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { tellWhatNobodyWaitedFor } from './controls/notice.ts'
import { router } from './router.ts'

import './element-plus.css'
import '@fontsource/newsreader/400.css'
import '@fontsource/newsreader/400-italic.css'
import '@fontsource/newsreader/600.css'
import '@fontsource/source-sans-3/400.css'
import '@fontsource/source-sans-3/600.css'
import '@fontsource/ibm-plex-mono/400.css'
import './theme.css'
import './small.css'

tellWhatNobodyWaitedFor()
createApp(App).use(createPinia()).use(router).mount('#app')
