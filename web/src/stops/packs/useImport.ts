import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, data, Problem, wasStopped, type HostView, type PackMade } from '@/api/client'
import { bytesOf, isTooMuch, upload, type Incoming } from '@/api/upload'
import { renew } from '@/api/renew'
import { useMessages } from '@/shared/composables/useMessages'
import { useWork } from '@/shared/composables/useWork'
import { bytes, count } from '@/shared/words'

/** Opens a folder or a package as a pack; asks for the host where nothing in it says which. */
export function useImport() {
    const router = useRouter()
    const queries = useQueryClient()
    const { say, warn } = useMessages()
    const work = useWork()
    const isOpening = ref(false)
    const waiting = ref<readonly Incoming[]>([])
    const hosts = ref<readonly HostView[]>([])

    const offer = (files: readonly Incoming[]) => (files.length > 0 && !isOpening.value ? run(files) : undefined)

    /** @param host Asked for only where the files do not say it. */
    async function run(files: readonly Incoming[], host?: string) {
        waiting.value = []
        if (isTooMuch(files)) {
            warn(
                'That is more than 1 GB, too much to be opened at once. Begin a new pack and add the files, unpacked, to its tray.',
            )
            return
        }
        isOpening.value = true
        const total = bytesOf(files)
        try {
            const made = await work.run(`Opening ${count(files.length, 'file')}, ${bytes(total)}`, (signal, tell) =>
                upload<PackMade>(`/api/packs/import${host ? `?host=${host}` : ''}`, files, signal, (sent) =>
                    tell(sent, total),
                ),
            )
            await renew(queries, ['packs'])
            const refused =
                made.refused.length > 0
                    ? ` ${count(made.refused.length, 'name')} could not be taken: ${made.refused[0]?.says}`
                    : ''
            const tell = made.refused.length > 0 ? warn : say
            tell(`“${made.title}” is open.${refused}`)
            await router.push({ name: 'prove', params: { id: made.id } })
        } catch (problem) {
            if (problem instanceof Problem && problem.type === '/problems/which-host') await ask(files)
            else if (wasStopped(problem)) {
                await renew(queries, ['packs'])
                say('Cancelled. What had been opened by then is in the list.')
            } else
                warn(
                    problem instanceof Problem
                        ? problem.message
                        : 'The files cannot be read; were they moved meanwhile?',
                )
        } finally {
            isOpening.value = false
        }
    }

    async function ask(files: readonly Incoming[]) {
        hosts.value = await queries.fetchQuery({ queryKey: ['hosts'], queryFn: () => data(api.GET('/api/hosts')) })
        waiting.value = files
    }

    return { isOpening, waiting, hosts, offer, run, forget: () => (waiting.value = []) }
}

export type Import = ReturnType<typeof useImport>
