import '@fontsource/bitter/latin-600.css'
// with their ranges: letters beyond the common ones are fetched only where somebody uses them
import '@fontsource/source-sans-3/400.css'
import '@fontsource/source-sans-3/600.css'
import './theme/theme.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router.ts'
import { startHeartbeat } from './saving/connection.ts'

const COURIER_AFTER_MS = 1500

createApp(App).use(createPinia()).use(router).mount('#app')
startHeartbeat()
// the courier brings the core with it, which the first screen does without
setTimeout(() => void import('./saving/courier.ts').then(({ startCourier }) => startCourier()), COURIER_AFTER_MS)
