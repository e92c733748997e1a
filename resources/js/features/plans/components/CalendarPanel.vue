<script setup lang="ts">
import { computed, reactive } from 'vue'
import { day } from '@/shared/format'
import DateField from '@/shared/components/DateField.vue'
import { useCalendar } from '../api'

/** Backwards from the day the lime must be on. */
const props = defineProps<{ planId: number }>()
const form = reactive({ lime_on: '', lab_days: 10, shipping_days: 3 })
const { data, error } = useCalendar(() => props.planId, form)
const file = computed(
    () =>
        `/api/plans/${props.planId}/calendar.ics?lime_on=${form.lime_on}&lab_days=${form.lab_days}&shipping_days=${form.shipping_days}`,
)
</script>

<template>
    <section>
        <h3>When must the lime be on?</h3>
        <div class="kept">
            <span>Lime on</span><DateField v-model="form.lime_on" size="small" aria-label="Lime on" />
        </div>
        <div class="kept">
            <span>Lab, working days</span
            ><el-input-number
                v-model="form.lab_days"
                :controls="false"
                :min="0"
                :max="120"
                size="small"
                aria-label="Lab, working days"
            />
        </div>
        <div class="kept">
            <span>On the way, days</span
            ><el-input-number
                v-model="form.shipping_days"
                :controls="false"
                :min="0"
                :max="120"
                size="small"
                aria-label="On the way, days"
            />
        </div>
        <p v-if="error" class="wrong" role="alert">{{ error.message }}</p>
        <template v-if="data">
            <div v-for="warning in data.warnings" :key="warning" class="warning">{{ warning }}</div>
            <table class="plain">
                <tbody>
                    <tr v-for="step in data.steps" :key="step.code">
                        <td>{{ step.what }}</td>
                        <td class="num">{{ day(step.on) }}</td>
                    </tr>
                </tbody>
            </table>
            <a :href="file">As a calendar file</a>
        </template>
    </section>
</template>

<style scoped>
.kept {
    display: flex;
    justify-content: space-between;
    align-items: center;
    min-height: 30px;
}
.kept .el-input-number {
    width: 62px;
}
.kept .el-input {
    width: 140px;
}
</style>
