<script setup lang="ts">
import type { ButtonInstance } from 'element-plus'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { unsaved } from '@/shared/composables/useTyped'

/** Asks before a page is left on which something was typed and not saved. */
const router = useRouter()
const asking = ref(false)
const stay = ref<ButtonInstance>()
let answer: (leave: boolean) => void = () => undefined
const names = computed(() => [...unsaved.values()].map(({ name }) => name).join(', '))

router.beforeEach((to, from) => {
    const stays = to.path === from.path && to.query.area === from.query.area
    if (stays || unsaved.size === 0) return true
    return new Promise<boolean>((resolve) => {
        answer = resolve
        asking.value = true
    })
})
function done(leave: boolean): void {
    asking.value = false
    answer(leave)
}
function drop(): void {
    for (const one of [...unsaved.values()]) one.drop()
    done(true)
}
</script>

<template>
    <el-dialog
        :model-value="asking"
        title="Not saved yet"
        width="440"
        append-to-body
        @opened="stay?.ref?.focus()"
        @close="done(false)"
    >
        <p>What you typed in {{ names }} is not saved.</p>
        <template #footer>
            <div class="choices">
                <el-button ref="stay" type="primary" @click="done(false)">Stay here</el-button>
                <el-button @click="done(true)">Leave, and keep it on this device</el-button>
                <button type="button" class="link" @click="drop">Leave and drop it</button>
            </div>
        </template>
    </el-dialog>
</template>

<style scoped>
.choices {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 12px;
    align-items: center;
}
.choices .el-button {
    margin: 0;
}
</style>
