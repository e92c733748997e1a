export { default as SignIn } from './components/SignIn.vue'
export { default as SignInAgain } from './components/SignInAgain.vue'
