export { default as SampleLink } from './SampleLink.vue'
