import type { Schema } from '@/api/client'

type Run = Schema<'Run'>
type Tube = Schema<'Tube'>
type Mark = Schema<'Mark'>

/**
 * The run with marks laid over it that the server has not answered for: each moves its tube on by a step, so that the
 * bench goes on when the line fails. What it means, above all what it breaks, is the server's to say.
 */
export function advance(run: Run, marks: Mark[]): Run {
    if (marks.length === 0) return run
    const tubes = run.tubes.map((tube) => ({ ...tube }))
    let agenda = run.agenda
    for (const mark of marks) {
        const tube = tubes.find(({ number }) => number === mark.tube)
        if (!tube) continue
        move(run, tube, mark)
        agenda = [...agenda.filter((task) => task.tube !== tube.number), ...task(run, tube)]
    }
    return { ...run, tubes, agenda: agenda.sort((a, b) => a.aim_ms - b.aim_ms || a.tube - b.tube) }
}

function move(run: Run, tube: Tube, mark: Mark): void {
    const at = run.steps.findIndex(({ code }) => code === tube.step)
    const step = run.steps[at]
    if (mark.kind === 'give-up') Object.assign(tube, { status: 'given-up', step: null, wait: null, window: null })
    if (!step || (mark.kind !== 'begin' && mark.kind !== 'end' && mark.kind !== 'read')) return
    if (mark.kind === 'begin') {
        Object.assign(tube, { status: 'going', wait: null, since_ms: mark.at_ms, window: window(step, mark.at_ms) })
        return
    }
    if (mark.kind === 'read') {
        tube.unread = tube.unread.filter((reader) => reader !== mark.reader)
        tube.reads = [...tube.reads, { step: step.code, reader: mark.reader ?? '', at_ms: mark.at_ms, words: null }]
        if (tube.unread.length) return
    }
    const [next, after] = [run.steps[at + 1], run.steps[at + 2]]
    const waits = next?.kind === 'wait'
    const then = waits ? after : next
    Object.assign(tube, {
        status: then ? (waits ? 'waiting' : 'ready') : 'done',
        step: then?.code ?? null,
        wait: waits ? next.code : null,
        since_ms: mark.at_ms,
        window: waits ? window(next, mark.at_ms) : null,
        unread: then?.kind === 'read' ? [...run.readers] : [],
    })
}

function window(step: Schema<'BenchStep'>, from: number): Tube['window'] {
    return step.least_s === null || step.kind === 'read'
        ? null
        : {
              from: from + 1000 * step.least_s,
              aim: from + 1000 * (step.aim_s ?? 0),
              until: from + 1000 * (step.most_s ?? 0),
          }
}

function task(run: Run, tube: Tube): Run['agenda'] {
    const step = run.steps.find(({ code }) => code === tube.step)
    if (!step) return []
    const since = tube.since_ms ?? 0
    return [
        {
            tube: tube.number,
            act:
                step.kind === 'timed'
                    ? tube.status === 'going'
                        ? 'end'
                        : 'begin'
                    : step.kind === 'read'
                      ? 'read'
                      : 'do',
            step: step.code,
            from_ms: tube.window?.from ?? since,
            aim_ms: tube.window?.aim ?? since,
            until_ms: tube.window?.until ?? null,
        },
    ]
}
