import type { components, paths } from './schema'

export type Schema<Name extends keyof components['schemas']> = components['schemas'][Name]

type Method = 'get' | 'post' | 'put' | 'delete'
type With<M extends Method> = {
    [P in keyof paths]: paths[P] extends Record<M, { responses: unknown }> ? P : never
}[keyof paths]
type Operation<P extends keyof paths, M extends Method> = paths[P] extends Record<M, infer O> ? O : never
type Content<R> = R extends { content: { 'application/json': infer J } } ? J : null
type Answer<O> = O extends { responses: infer R } ? Content<R[Extract<keyof R, 200 | 201 | 204>]> : never
type Body<O> = O extends { requestBody: { content: infer C } }
    ? C extends { 'application/json': infer J }
        ? J
        : FormData
    : undefined
type Ids = Record<string, number | string>

interface Options {
    ids?: Ids
    query?: Record<string, string | number | undefined>
}

/** A request that was refused or did not get through, in words that can be shown. */
export class Refused extends Error {
    constructor(
        message: string,
        readonly status: number,
        readonly fields: Record<string, string[]> = {},
        readonly rows: Schema<'RowError'>[] = [],
    ) {
        super(message)
    }
}

type Listener = () => void
const whenSignedOut = new Set<Listener>()

/** Calls the listener whenever the server no longer knows who is signed in. */
export function onSignedOut(listener: Listener): () => void {
    whenSignedOut.add(listener)
    return () => whenSignedOut.delete(listener)
}

type AnswerListener = (fresh: boolean) => void
const whenAnswered = new Set<AnswerListener>()

/** Calls the listener after each request: true for an answer of the server, false for a kept one or none. */
export function onAnswer(listener: AnswerListener): void {
    whenAnswered.add(listener)
}
const answered = (fresh: boolean): void => whenAnswered.forEach((listener) => listener(fresh))

type ChangeListener = (change: number) => void
const whenChanged = new Set<ChangeListener>()

/** Calls the listener after a change that can be taken back. */
export function onChange(listener: ChangeListener): () => void {
    whenChanged.add(listener)
    return () => whenChanged.delete(listener)
}

const EXPIRED_TOKEN = 419

/** The token that the server left in a cookie, which a write has to bring along. */
const token = (): string => decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? '')

/** Asks the server. Rejects only where no answer came. */
async function ask(method: Method, url: string, data?: unknown): Promise<Response> {
    const isFile = data instanceof FormData
    try {
        const response = await fetch(`/api${url}`, {
            method: method.toUpperCase(),
            credentials: 'same-origin',
            headers: {
                Accept: 'application/json',
                'X-Requested-With': 'XMLHttpRequest',
                'X-XSRF-TOKEN': token(),
                ...(data !== undefined && !isFile ? { 'Content-Type': 'application/json' } : {}),
            },
            body: data === undefined ? undefined : isFile ? data : JSON.stringify(data),
        })
        answered(response.headers.get('X-Honest-Core-Kept') !== '1')
        const change = Number(response.headers.get('X-Honest-Core-Change'))
        if (change) whenChanged.forEach((listener) => listener(change))
        return response
    } catch {
        answered(false)
        throw new Refused('The server did not answer. Nothing was saved; what you typed is still here. Try again.', 0)
    }
}

async function send<T>(method: Method, path: string, options: Options, data?: unknown): Promise<T> {
    const asked = new URLSearchParams(
        Object.entries(options.query ?? {}).flatMap(([key, value]) =>
            value === undefined ? [] : [[key, String(value)]],
        ),
    ).toString()
    const url =
        path.replace(/{(\w+)}/g, (_, name: string) => encodeURIComponent(String(options.ids?.[name] ?? ''))) +
        (asked ? `?${asked}` : '')
    let response = await ask(method, url, data)
    if (response.status === EXPIRED_TOKEN) {
        await ask('get', '/welcome')
        response = await ask(method, url, data)
    }
    if (!response.ok) throw await refusal(response)
    return whole<T>(await response.text().catch(() => '{'))
}

/** What is no JSON was cut off on its way, or is not from this server, whatever its status says. */
function whole<T>(text: string): T {
    try {
        return (text === '' ? '' : JSON.parse(text)) as T
    } catch {
        throw new Refused('The answer was cut off: whether it was saved is not known. Look before you try again.', 0)
    }
}

async function refusal(response: Response): Promise<Refused> {
    const data = (await response.json().catch(() => ({}))) as Partial<Schema<'Error'>> & {
        errors?: Record<string, string[]>
    }
    if (response.status === 401) {
        whenSignedOut.forEach((listener) => listener())
    }
    const words: Record<number, string> = {
        401: 'You are signed out. Sign in again; what you typed is kept.',
        403: 'Your role may not do this: a reviewer signs.',
        404: 'This is not there, or not your team’s.',
        413: 'The file is too large.',
        429: 'Too many requests in a minute. Wait a little and try again.',
    }
    const message =
        words[response.status] ??
        (response.status >= 500 ? 'The server failed. Nothing was saved; try again.' : data.message)
    return new Refused(message ?? `Refused (${response.status}).`, response.status, data.errors ?? {}, data.rows ?? [])
}

export const api = {
    get: <P extends With<'get'>>(path: P, options: Options = {}) =>
        send<Answer<Operation<P, 'get'>>>('get', path, options),
    post: <P extends With<'post'>>(path: P, body: Body<Operation<P, 'post'>>, options: Options = {}) =>
        send<Answer<Operation<P, 'post'>>>('post', path, options, body),
    put: <P extends With<'put'>>(path: P, body: Body<Operation<P, 'put'>>, options: Options = {}) =>
        send<Answer<Operation<P, 'put'>>>('put', path, options, body),
    delete: <P extends With<'delete'>>(path: P, options: Options = {}) =>
        send<Answer<Operation<P, 'delete'>>>('delete', path, options),
}

/** A file as it is kept, byte for byte. */
export async function bytes(path: string): Promise<ArrayBuffer> {
    const response = await ask('get', path)
    if (!response.ok) throw await refusal(response)
    return await response.arrayBuffer()
}

/** Sends a request whose answer comes line by line, each a JSON document. */
export async function streamed<Line>(
    path: string,
    body: unknown,
    signal: AbortSignal | undefined,
    take: (line: Line) => void,
): Promise<void> {
    const response = await fetch(`/api${path}`, {
        method: 'POST',
        signal: signal ?? null,
        headers: { Accept: 'application/x-ndjson', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token() },
        body: JSON.stringify(body),
    })
    if (!response.ok || !response.body) throw await refusal(response)
    const reader = response.body.pipeThrough(new TextDecoderStream()).getReader()
    let rest = ''
    for (;;) {
        const { done, value } = await reader.read()
        rest += value ?? ''
        const lines = rest.split('\n')
        rest = lines.pop() ?? ''
        lines.filter(Boolean).forEach((line) => take(JSON.parse(line) as Line))
        if (done) return
    }
}
