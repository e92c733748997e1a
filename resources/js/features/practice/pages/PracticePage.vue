<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, toRef } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import OneOf from '@/shared/components/OneOf.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'
import { useTyped } from '@/shared/composables/useTyped'
import { useSite } from '@/shared/composables/useSite'
import { count, moment } from '@/shared/format'
import { HORIZONS } from '@/shared/horizons'
import { usePractice } from '../api'
import { LEVELS } from '../words'

/** Where one practises: eight lessons, ground of one's own, and classes that have the same ground. */
const LEDE =
    'Ground whose truth the program knows. Plan, pull, split, test and sign as in earnest; then see what it really was ' +
    'and what your choices cost. Nothing of it comes among your records.'
const router = useRouter()
const queries = useQueryClient()
const { me, goOver } = useSession()
const { timezone } = useSite()
const { data, error } = usePractice()
const form = reactive({ level: 'usual', seed: '', earlier: true })
const group = reactive({ name: '', lesson: '', level: 'usual', code: '' })
const typedHere = useTyped(
    () => 'a class',
    () => 'practice-class',
    { name: toRef(group, 'name') },
)
const levels = computed(() => (data.value?.levels ?? []).map((one) => [one, LEVELS[one] ?? one] as const))
const lessons = computed(() => (data.value?.lessons ?? []).map(({ code, title }) => [code, title] as const))
const stageOf = (key: string): string => HORIZONS.find((horizon) => horizon.key === key)?.label ?? key
const seedWrong = computed(() =>
    /^\s*\d{0,6}\s*$/.test(form.seed) ? undefined : 'The number of a ground is a whole number from 1 to 999999.',
)

const enter = useSave(
    (id: number) => api.post('/practice/grounds/{ground}/enter', undefined, { ids: { ground: id } }),
    () => goOver(true, '/'),
)
const begin = useSave(
    (lesson: string | null) =>
        api.post('/practice/grounds', {
            lesson,
            level: form.level,
            seed: lesson || form.seed.trim() === '' ? null : Number(form.seed),
            earlier: form.earlier,
        }),
    (made) => enter.save(made.id),
)
const openClass = useSave(
    () =>
        api.post('/practice/classes', {
            name: group.name,
            lesson: group.lesson || null,
            level: group.level,
            seed: null,
        }),
    async (made) => {
        group.name = ''
        typedHere.settle()
        await queries.invalidateQueries({ queryKey: ['practice'] })
        await router.push(`/practice/classes/${made.id}`)
    },
)
const join = useSave(
    () => api.post('/practice/classes/join', { code: group.code }),
    (made) => enter.save(made.id),
)
const name = useSave(
    (id: number, named: boolean) => api.put('/practice/grounds/{ground}', { named }, { ids: { ground: id } }),
    () => queries.invalidateQueries({ queryKey: ['practice'] }),
)
</script>

<template>
    <PageHead over="Practice" title="Practice ground" :lede="LEDE" />
    <p v-if="me?.practice" class="warning">
        You are on practice ground. Go back to your own records to begin another or to join a class.
    </p>
    <p v-if="error" class="wrong" role="alert">{{ error.message }}</p>
    <RefusalNote :refusal="enter.refusal.value ?? begin.refusal.value ?? name.refusal.value" />
    <div v-if="data && !me?.practice" class="columns two">
        <section>
            <h2>Eight lessons</h2>
            <p class="note">Short, in the order of the work; each has one mistake of practice in it.</p>
            <ol class="lessons">
                <li v-for="lesson in data.lessons" :key="lesson.code">
                    <div>
                        <h3>{{ lesson.title }}</h3>
                        <p>
                            <span class="stage">{{ stageOf(lesson.stage) }}.</span> {{ lesson.goal }}
                        </p>
                    </div>
                    <el-button
                        :loading="begin.saving.value || enter.saving.value"
                        :aria-label="`Begin: ${lesson.title}`"
                        @click="begin.save(lesson.code)"
                        >Begin</el-button
                    >
                </li>
            </ol>
            <h2>Ground of your own</h2>
            <form novalidate @submit.prevent="seedWrong || begin.save(null)">
                <FormField label="How hard" :wrong="begin.wrong('level')">
                    <OneOf v-model="form.level" name="level" :options="levels" />
                </FormField>
                <FormField
                    label="Number of the ground"
                    hint="The same number makes the same ground; empty for one by chance."
                    :wrong="seedWrong ?? begin.wrong('seed')"
                >
                    <el-input v-model="form.seed" name="seed" inputmode="numeric" style="width: 120px" />
                </FormField>
                <el-checkbox v-model="form.earlier"
                    >With fourteen pairs of kit and lab from the year before</el-checkbox
                >
                <p>
                    <el-button type="primary" native-type="submit" :loading="begin.saving.value || enter.saving.value"
                        >Go onto it</el-button
                    >
                </p>
            </form>
        </section>
        <section>
            <h2>Your grounds</h2>
            <p v-if="!data.grounds.length" class="note">None yet. Begin with the first lesson.</p>
            <table v-else class="plain">
                <thead>
                    <tr>
                        <th>Ground</th>
                        <th>Begun</th>
                        <th>State</th>
                        <th><span class="sr">What may be done</span></th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="ground in data.grounds" :key="ground.id">
                        <td>{{ ground.title }}</td>
                        <td>{{ moment(ground.begun_at, timezone) }}</td>
                        <td>{{ ground.signed ? 'signed' : 'open' }}</td>
                        <td>
                            <button
                                type="button"
                                class="link"
                                :aria-label="`Go onto ${ground.title}, begun ${moment(ground.begun_at, timezone)}`"
                                @click="enter.save(ground.id)"
                            >
                                Go onto it
                            </button>
                            <el-checkbox
                                v-if="ground.class_id"
                                class="named"
                                :model-value="ground.named"
                                @change="(on) => name.save(ground.id, Boolean(on))"
                                >My name in the class</el-checkbox
                            >
                        </td>
                    </tr>
                </tbody>
            </table>
            <h2>Classes</h2>
            <p class="note">
                The same ground for everybody in it; results side by side, without names unless you choose.
            </p>
            <ul v-if="data.classes.length" class="classes">
                <li v-for="one in data.classes" :key="one.id">
                    <RouterLink :to="`/practice/classes/${one.id}`">{{ one.name }}</RouterLink>,
                    {{ one.lesson ?? one.level }}, {{ count(one.people, 'person', 'people') }}
                </li>
            </ul>
            <form novalidate class="row" @submit.prevent="join.save()">
                <RefusalNote :refusal="join.refusal.value" />
                <FormField label="Code of a class" :wrong="join.wrong('code')">
                    <el-input v-model="group.code" name="code" autocomplete="off" style="width: 140px" />
                </FormField>
                <el-button native-type="submit" :disabled="!group.code.trim()" :loading="join.saving.value"
                    >Join it</el-button
                >
            </form>
            <form novalidate @submit.prevent="openClass.save()">
                <h3>Open a class</h3>
                <TypedBefore :typed="typedHere" />
                <RefusalNote :refusal="openClass.refusal.value" />
                <FormField label="Name of the class" :wrong="openClass.wrong('name')">
                    <el-input v-model="group.name" name="class_name" maxlength="80" />
                </FormField>
                <FormField label="Lesson" :wrong="openClass.wrong('lesson')">
                    <OneOf v-model="group.lesson" name="class_lesson" none="none: open ground" :options="lessons" />
                </FormField>
                <FormField v-if="!group.lesson" label="How hard the ground is">
                    <OneOf v-model="group.level" name="class_level" :options="levels" />
                </FormField>
                <el-button native-type="submit" :loading="openClass.saving.value">Open the class</el-button>
            </form>
        </section>
    </div>
</template>

<style scoped>
h3 {
    margin-top: 18px;
}
.two {
    grid-template-columns: minmax(0, 1fr) minmax(0, 420px);
}
.lessons {
    list-style: none;
    padding: 0;
    margin: 0 0 18px;
    counter-reset: lesson;
}
.lessons li {
    counter-increment: lesson;
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 14px;
    border-top: 1px solid var(--rule);
    padding: 8px 0;
}
.lessons h3::before {
    content: counter(lesson) '. ';
}
.lessons h3,
.lessons p {
    margin: 0;
}
.stage {
    color: var(--umber);
    font-weight: 600;
}
.classes {
    padding-left: 18px;
    margin: 0 0 8px;
}
.row {
    align-items: flex-end;
    gap: 10px;
    flex-wrap: wrap;
}
.named {
    margin-left: 12px;
}
</style>
