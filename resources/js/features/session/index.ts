export { default as SignIn } from './SignIn.vue'
export { default as SignInAgain } from './SignInAgain.vue'
