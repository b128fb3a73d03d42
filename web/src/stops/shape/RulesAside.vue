<script setup lang="ts">
import type { PictureView } from '@/api/client'
import FindingNote from '@/shared/parts/FindingNote.vue'

defineProps<{ pack: string; picture: Pick<PictureView, 'noun' | 'rules' | 'findings'> }>()
const article = (noun: string) => (/^[aeiou]/.test(noun) ? `an ${noun}` : `a ${noun}`)
</script>

<template>
    <aside
        class="border-line w-[300px] shrink-0 overflow-y-auto border-l px-5 py-4"
        :class="[
            'max-[1000px]:w-[230px] max-[700px]:w-full max-[700px]:overflow-visible max-[700px]:border-t',
            'max-[700px]:border-l-0',
        ]"
    >
        <h2 class="font-bold">What the host wants of {{ article(picture.noun) }}</h2>
        <ul class="mt-2 flex flex-col gap-2">
            <li v-for="rule in picture.rules" :key="rule.wanted" class="text-small grid grid-cols-[16px_1fr]">
                <span v-if="rule.holds" class="text-malachite" role="img" aria-label="Kept">✓</span>
                <span v-else-if="rule.holds === false" class="text-madder" role="img" aria-label="Broken">▼</span>
                <span v-else class="text-faint" role="img" aria-label="Unknown">·</span>
                <span
                    >{{ rule.wanted
                    }}<template v-if="rule.measured"
                        >: <strong>{{ rule.measured }}</strong></template
                    ></span
                >
            </li>
        </ul>
        <p v-if="picture.rules.length === 0" class="text-faint text-small mt-1">Any PNG will do.</p>
        <template v-if="picture.findings.length > 0">
            <h2 class="border-line mt-4 border-t pt-3 font-bold">Found</h2>
            <div class="mt-2 flex flex-col gap-3">
                <FindingNote
                    v-for="finding in picture.findings"
                    :key="finding.name.code + finding.name.discriminator"
                    :pack="pack"
                    :finding="finding"
                />
            </div>
        </template>
    </aside>
</template>
