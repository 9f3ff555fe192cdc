import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router'
import './lib/light'
import './style/base.css'
import './style/controls.css'
import './style/figures.css'
import './style/grids.css'
import './style/sources.css'

createApp(App).use(createPinia()).use(router).mount('#app')
