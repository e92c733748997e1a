import { ref } from 'vue'
import { api, Refused, streamed, type Schema } from '@/api/client'

type Line = Schema<'ArchiveLine'>
const PIECE_BYTES = 4_000_000

/** How far something is that takes its time; the last line of it says what came of it. */
export function useLines() {
    const running = ref(false)
    const what = ref('')
    const done = ref(0)
    const of = ref(1)
    const wrong = ref('')
    const fields = ref<Record<string, string[]>>({})

    async function run(act: (tell: (line: Line) => void) => Promise<void>): Promise<Line | null> {
        if (running.value) return null
        running.value = true
        wrong.value = what.value = ''
        fields.value = {}
        let last: Line = {}
        try {
            await act((line) => {
                last = line
                if (line.what === undefined) return
                done.value = line.done ?? 0
                of.value = line.of ?? 1
                what.value = line.what
            })
            if (last.refused !== undefined) wrong.value = last.refused
            else if (last.what !== undefined) wrong.value = 'The answer was cut off: look before you try again.'
            return wrong.value ? null : last
        } catch (error) {
            wrong.value = error instanceof Refused ? error.message : String(error)
            fields.value = error instanceof Refused ? error.fields : {}
            return null
        } finally {
            running.value = false
        }
    }
    return { running, what, done, of, wrong, fields, run }
}

/** Everything out: writes the archive and begins its download. */
export function useArchiveOut() {
    const lines = useLines()
    const made = ref<Line | null>(null)
    async function make(): Promise<void> {
        made.value = await lines.run((tell) => streamed<Line>('/archive', {}, undefined, tell))
        if (typeof made.value?.ready === 'string') window.location.assign(`/api/archive/${made.value.ready}`)
    }
    return { ...lines, made, make }
}

/** Everything in again: brings a file piece by piece, and has it taken in as a team of its own. */
export function useArchiveIn() {
    const lines = useLines()
    const taken = ref<Line | null>(null)
    async function bring(file: File, team: string, email: string): Promise<void> {
        const bytes = [...crypto.getRandomValues(new Uint8Array(16))]
        const name = bytes.map((byte) => byte.toString(16).padStart(2, '0')).join('')
        taken.value = await lines.run(async (tell) => {
            for (let at = 0; at < file.size;) {
                tell({ done: at, of: file.size, what: 'the file on its way' })
                const piece = new FormData()
                piece.append('offset', String(at))
                piece.append('piece', file.slice(at, at + PIECE_BYTES), 'piece')
                at = (await api.post('/archive/{name}/pieces', piece, { ids: { name } })).size
            }
            const body = { team: team.trim() || null, email: email.trim() }
            await streamed<Line>(`/archive/${name}/take`, body, undefined, tell)
        })
    }
    return { ...lines, taken, bring }
}
