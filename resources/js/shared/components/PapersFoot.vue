<script setup lang="ts">
import { watchEffect } from 'vue'
import { useSession } from '@/shared/composables/useSession'
import { useSite } from '@/shared/composables/useSite'
import { signPapers } from '@/shared/papers'

/** Whose papers these are, at the foot of every printed page. */
const { me } = useSession()
const { site } = useSite()
watchEffect(() =>
    signPapers(
        (me.value?.practice ? 'Practice, nothing here is real: ' : '') +
            ([site.value?.name, site.value?.owner, site.value?.address, me.value?.team].filter(Boolean).join(', ') ||
                'Honest Core'),
    ),
)
</script>

<template><span hidden></span></template>
