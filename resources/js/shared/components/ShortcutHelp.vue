<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { shortcuts, useShortcut } from '@/shared/composables/useShortcut'
import { HELP } from '@/shared/help'
import StageHelp from './StageHelp.vue'

/** Under "?": what the stage at hand is for, and the keys of its page. */
const open = ref(false)
const route = useRoute()
const help = computed(() => HELP.find(({ stage }) => stage === route.meta.stage) ?? null)
useShortcut('?', 'This help', () => (open.value = true))
</script>

<template>
    <el-dialog v-model="open" :title="help?.title ?? 'Help'" width="560">
        <StageHelp v-if="help" :help="help" />
        <h3>Keys on this page</h3>
        <table class="plain">
            <tbody>
                <tr v-for="one in [...shortcuts].filter(({ what }) => what)" :key="one.key + one.what">
                    <td>
                        <kbd>{{ one.key }}</kbd>
                    </td>
                    <td>{{ one.what }}</td>
                </tr>
            </tbody>
        </table>
        <p class="note">Tab goes from field to field, Enter presses, Esc closes.</p>
        <p><RouterLink to="/help" @click="open = false">The whole work, in its order</RouterLink></p>
    </el-dialog>
</template>

<style scoped>
kbd {
    font: 600 13px var(--sans);
    border: 1px solid var(--line);
    border-radius: 2px;
    padding: 1px 7px;
}
.note {
    margin-top: 10px;
}
</style>
