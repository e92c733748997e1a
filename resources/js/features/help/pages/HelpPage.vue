<script setup lang="ts">
import PageHead from '@/shared/components/PageHead.vue'
import StageHelp from '@/shared/components/StageHelp.vue'
import { HELP } from '@/shared/help'
</script>

<template>
    <PageHead
        over="Help"
        title="The work, in its order"
        lede="No rate without a sample that deserves it and a test that earned it."
    />
    <p>
        New to it? <RouterLink to="/practice">Practise on ground whose truth is known</RouterLink>: eight short lessons,
        and nothing of it comes among your records.
    </p>
    <nav class="row" aria-label="Stages">
        <a v-for="one in HELP" :key="one.stage" :href="`#${one.stage}`">{{ one.title }}</a>
    </nav>
    <article v-for="(one, i) in HELP" :id="one.stage" :key="one.stage">
        <h2>
            {{ i + 1 }}. <RouterLink :to="one.path">{{ one.title }}</RouterLink>
        </h2>
        <StageHelp :help="one" />
    </article>
</template>

<style scoped>
article {
    max-width: 640px;
    margin-top: 18px;
}
</style>
