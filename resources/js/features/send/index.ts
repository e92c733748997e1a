export { default as SampleLink } from './components/SampleLink.vue'
