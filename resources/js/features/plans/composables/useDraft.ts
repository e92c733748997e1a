import { refDebounced, watchDebounced } from '@vueuse/core'
import { computed, reactive, ref, toRaw, watch, type Ref } from 'vue'
import { api, Refused, type Schema } from '@/api/client'
import type { Units } from '@/shared/format'
import { usualSpec, type Spec } from '../usual'
import { usePlanIfAny } from '../api'

export interface Kept {
    landmark_id: number
    name: string
    distance_m: number
    geometry: Schema<'Geometry'>
    on: boolean
}

/** A plan while it is being made: what is asked, the layout the core gives for it, and whether it differs from what is saved. */
export function useDraft(
    areaId: Ref<number | null>,
    landmarks: Ref<Schema<'Landmark'>[]>,
    saved: Ref<Schema<'Plan'> | null>,
    ready: Ref<boolean>,
    school: Ref<Schema<'School'> | undefined>,
    units: Ref<Units> = ref('us'),
) {
    const spec = reactive<Spec>(usualSpec())
    const kept = ref<Kept[]>([])
    const layout = ref<Schema<'Layout'> | null>(null)
    const wrong = ref<Refused | null>(null)
    const busy = ref(false)
    let asked = 0

    watch(
        [areaId, saved, landmarks, school, units],
        () => {
            const plan = saved.value
            if (plan && plan.area.id !== areaId.value) return
            const { keep_away, ...rest } = structuredClone(toRaw(plan?.spec)) ?? {
                ...usualSpec(school.value, units.value),
                keep_away: [],
            }
            Object.assign(spec, { quality: null }, rest)
            const known = landmarks.value.map((mark) => {
                const had = keep_away.find((one) => one.landmark_id === mark.id)
                return {
                    landmark_id: mark.id,
                    name: mark.name,
                    geometry: mark.geometry,
                    distance_m: had?.distance_m ?? mark.distance_m,
                    on: plan ? had !== undefined : true,
                }
            })
            const gone = keep_away.filter((one) => !landmarks.value.some((mark) => mark.id === one.landmark_id))
            kept.value = [
                ...known,
                ...gone.map((one) => ({ ...one, name: `${one.name}, no longer marked on the site`, on: true })),
            ]
            layout.value = plan?.layout ?? null
            wrong.value = null
        },
        { immediate: true },
    )

    const body = computed<Schema<'PlanInput'>>(() => ({
        ...spec,
        cell_acres: spec.cell_acres ?? null,
        ph_sd: spec.ph_sd ?? null,
        speed_km_per_h: spec.speed_km_per_h ?? null,
        seconds_per_core: spec.seconds_per_core ?? null,
        keep_away: kept.value
            .filter((one) => one.on)
            .map(({ landmark_id, distance_m }) => ({ landmark_id, distance_m })),
    }))
    const same = computed(() => {
        const plan = saved.value
        if (!plan) return false
        const { keep_away, ...rest } = plan.spec
        const before = {
            quality: null,
            ...rest,
            keep_away: keep_away.map(({ landmark_id, distance_m }) => ({ landmark_id, distance_m })),
        }
        const ordered = (input: Schema<'PlanInput'>) =>
            JSON.stringify([
                ...Object.entries({ ...input, keep_away: undefined }).sort(),
                [...input.keep_away].sort((a, b) => a.landmark_id - b.landmark_id),
            ])
        return ordered(before as Schema<'PlanInput'>) === ordered(body.value)
    })

    async function ask(): Promise<void> {
        const mine = ++asked
        const typing =
            [spec.cores, spec.edge_m, spec.probe_mm].some((value) => !Number.isFinite(value)) ||
            spec.layers.length === 0
        if (areaId.value === null || !ready.value || typing) return
        if (same.value && saved.value && !saved.value.boundary_moved) {
            layout.value = saved.value.layout
            wrong.value = null
            return
        }
        busy.value = true
        try {
            const answer = await api.post('/areas/{area}/plans/draft', body.value, { ids: { area: areaId.value } })
            if (mine !== asked) return
            layout.value = answer
            wrong.value = null
        } catch (error) {
            if (mine === asked) wrong.value = error instanceof Refused ? error : new Refused(String(error), 0)
        } finally {
            if (mine === asked) busy.value = false
        }
    }
    watchDebounced([body, areaId, ready], ask, { debounce: 50, maxWait: 150, deep: true, immediate: true })

    return {
        spec,
        kept,
        layout,
        wrong,
        busy,
        body,
        same,
        shuffle: () => (spec.seed = Math.floor(Math.random() * 100_000)),
    }
}

/** The plan to open for an area: the one asked for, else its newest. */
export function useSavedPlan(planId: Ref<number | null>) {
    const steady = refDebounced(planId, 0)
    const { data } = usePlanIfAny(steady)
    return computed(() => (planId.value === null ? null : (data.value ?? null)))
}
