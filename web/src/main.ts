import './look/base.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { installPressGuard } from './pieces/press-guard.ts'
import { router } from './router.ts'
import { i18n } from './words/index.ts'

installPressGuard()
createApp(App).use(createPinia()).use(router).use(i18n).mount('#app')
