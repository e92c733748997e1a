<script setup lang="ts">
import { useSession } from '@/shared/composables/useSession'
import SignInForm from './SignInForm.vue'

const { me } = useSession()
</script>

<template>
    <el-dialog
        :model-value="true"
        title="You were signed out"
        width="400"
        :show-close="false"
        :close-on-click-modal="false"
        :close-on-press-escape="false"
    >
        <p>What you typed is still on the page below. Sign in, then save again.</p>
        <SignInForm :email="me?.email" />
    </el-dialog>
</template>
