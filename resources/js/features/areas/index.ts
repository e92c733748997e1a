export { default as NewSite } from './components/NewSite.vue'
