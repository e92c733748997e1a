import { defineAsyncComponent } from 'vue'

/** Wanted by a team without a site alone: not among what every page waits for. */
export const NewSite = defineAsyncComponent(() => import('./components/NewSite.vue'))
