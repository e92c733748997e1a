export { default as PlanOnPaper } from './components/PlanOnPaper.vue'
