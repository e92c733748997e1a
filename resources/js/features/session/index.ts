import { defineAsyncComponent } from 'vue'

/** Neither is among what a page of somebody who is signed in waits for. */
export const SignIn = defineAsyncComponent(() => import('./components/SignIn.vue'))
export const SignInAgain = defineAsyncComponent(() => import('./components/SignInAgain.vue'))
