<script setup lang="ts">
import { defineAsyncComponent, watch } from 'vue'
import { useRoute } from 'vue-router'
import AppFrame from './AppFrame.vue'
import { PracticeBand } from '@/features/practice'
import { SignIn, SignInAgain } from '@/features/session'
import LeaveAsk from '@/shared/components/LeaveAsk.vue'
import NotHere from '@/shared/components/NotHere.vue'
import PapersFoot from '@/shared/components/PapersFoot.vue'
import UndoBar from '@/shared/components/UndoBar.vue'
import { useMissing } from '@/shared/composables/useMissing'
import { useSession } from '@/shared/composables/useSession'
import { sendFor } from '@/shared/offline/outbox'

const ShortcutHelp = defineAsyncComponent(() => import('@/shared/components/ShortcutHelp.vue'))
const route = useRoute()
const { me, isPending, expired } = useSession()
const { isGone, words, forget } = useMissing()
watch(() => route.path, forget)
watch(
    () => me.value?.email ?? null,
    (email) => void sendFor(email),
    { immediate: true },
)
</script>

<template>
    <a class="skip no-print" href="#main">To the page</a>
    <RouterView v-if="route.meta.open" />
    <p v-else-if="isPending" class="sr" role="status">Loading</p>
    <SignIn v-else-if="!me" />
    <template v-else>
        <PracticeBand />
        <template v-if="route.meta.bare">
            <p v-for="one in words" :key="one" class="missing" role="alert">{{ one }}</p>
            <div v-if="isGone" class="bare"><NotHere /></div>
            <RouterView v-else :key="route.path" />
        </template>
        <AppFrame v-else
            ><p v-for="one in words" :key="one" class="missing" role="alert">{{ one }}</p>
            <NotHere v-if="isGone" /><RouterView
                v-else
                :key="
                    String(route.meta.stage) +
                    String(route.meta.title) +
                    (route.params.sample ?? route.params.consignment ?? '')
                "
        /></AppFrame>
        <SignInAgain v-if="expired" />
        <ShortcutHelp />
        <UndoBar />
        <PapersFoot />
        <LeaveAsk />
    </template>
</template>

<style scoped>
.missing {
    background: var(--amber-wash);
    color: var(--amber-text);
    padding: 8px 14px;
    margin: 0 0 12px;
}
.bare {
    padding: 16px;
}
.skip {
    position: absolute;
    left: -999px;
}
.skip:focus {
    left: 8px;
    top: 8px;
    background: var(--sheet);
    padding: 6px 10px;
    z-index: 99;
}
</style>
