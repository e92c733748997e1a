export { default as PracticeBand } from './components/PracticeBand.vue'
export { default as PracticeLook } from './components/PracticeLook.vue'
