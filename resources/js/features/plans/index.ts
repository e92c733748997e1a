export { default as PlanOnPaper } from './PlanOnPaper.vue'
