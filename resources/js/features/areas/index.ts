export { default as NewSite } from './NewSite.vue'
