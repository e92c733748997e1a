import '@fontsource-variable/alegreya/index.css'
import '@fontsource-variable/instrument-sans/wdth.css'
import 'element-plus/theme-chalk/base.css'
import '../css/tokens.css'
import '../css/base.css'
import { QueryCache, QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { createApp } from 'vue'
import App from './App.vue'
import { Refused } from './api/client'
import { router } from './router'
import { answered, failed } from './shared/composables/useMissing'
import { stackTables } from './shared/stackedTables'
import { keepFocus } from './shared/keepFocus'
import { followDevice } from './shared/scheme'
import { install } from './shared/offline/install'

const queryClient = new QueryClient({
    queryCache: new QueryCache({
        onError: failed,
        onSuccess: (_, asked) => answered(asked),
    }),
    defaultOptions: {
        queries: {
            // The service worker answers where there is no line, so a query never waits for one.
            networkMode: 'always',
            staleTime: 5_000,
            retry: (count, error) => count < 2 && !(error instanceof Refused && error.status < 500),
        },
    },
})

install()
followDevice()
keepFocus()
createApp(App).use(router).use(VueQueryPlugin, { queryClient }).mount('#app')
stackTables(document.getElementById('app')!)
