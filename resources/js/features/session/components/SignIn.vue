<script setup lang="ts">
import { ref } from 'vue'
import SignInForm from './SignInForm.vue'
import { useWelcome } from '@/shared/api'
import { count } from '@/shared/format'
import { waitingHere } from '@/shared/offline/outbox'

const waiting = ref<{ user: string; unsent: number }[]>([])
void waitingHere().then(
    (found) => (waiting.value = found),
    () => undefined,
)
const { data } = useWelcome()
const form = ref<InstanceType<typeof SignInForm> | null>(null)

function enter(email: string, password: string): void {
    form.value?.fill(email, password)
    void form.value?.save()
}
</script>

<template>
    <main class="welcome">
        <div class="ground" aria-hidden="true"></div>
        <section>
            <h1>Honest Core</h1>
            <p class="lede">No rate without a sample that deserves it and a test that earned it.</p>
            <p v-for="one in waiting" :key="one.user" class="waiting" role="status">
                {{ count(one.unsent, 'entry', 'entries') }} of {{ one.user }} on this device alone: they go out when
                {{ one.user }} signs in here.
            </p>
            <SignInForm ref="form" />
            <div v-if="data?.demo" class="demo">
                <h2>This is a demo</h2>
                <p>Its ground, people, lab and kit are invented. Come in as one of them:</p>
                <ul>
                    <li v-for="account in data.accounts" :key="account.email">
                        <button type="button" class="link" @click="enter(account.email, account.password)">
                            {{ account.name }}, {{ account.role }}
                        </button>
                        <span class="note">{{ account.email }}, password {{ account.password }}</span>
                    </li>
                </ul>
            </div>
        </section>
    </main>
</template>

<style scoped>
.welcome {
    display: flex;
    min-height: 100vh;
}
.ground {
    width: 128px;
    flex: none;
    background: linear-gradient(
        #2b2119 0 9%,
        #44311f 9% 18%,
        #5c4128 18% 27%,
        #74502f 27% 36%,
        #8a6036 36% 45%,
        #bc9355 45% 54%,
        #c6a167 54% 63%,
        #cfae78 63% 72%,
        #dcc79c 72% 81%,
        #c4bca6 81% 90%,
        #6a655a 90%
    );
}
section {
    width: 420px;
    padding: 90px 22px 22px 60px;
    box-sizing: content-box;
}
h1 {
    font-size: 38px;
}
.lede {
    margin: 8px 0 24px;
}
.waiting {
    background: var(--amber-wash);
    color: var(--amber-text);
    padding: 8px 12px;
}
.demo {
    margin-top: 28px;
    border-top: 1px solid var(--rule);
    padding-top: 16px;
}
ul {
    list-style: none;
    padding: 0;
}
li {
    margin-bottom: 8px;
}
li .note {
    display: block;
}
@media (max-width: 700px) {
    .ground {
        width: 14px;
    }
    section {
        padding: 40px 20px;
        width: auto;
    }
}
</style>
