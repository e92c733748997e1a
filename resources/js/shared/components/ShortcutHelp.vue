<script setup lang="ts">
import { ref } from 'vue'
import { shortcuts, useShortcut } from '@/shared/composables/useShortcut'

const open = ref(false)
useShortcut('?', 'This list', () => (open.value = true))
</script>

<template>
    <el-dialog v-model="open" title="Keys on this page" width="360">
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
