import axios, { type AxiosError, type AxiosRequestConfig } from 'axios'
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

const http = axios.create({ baseURL: '/api', withXSRFToken: true, headers: { Accept: 'application/json' } })
http.interceptors.response.use(
    (response) => {
        answered(response.headers['x-honest-core-kept'] !== '1')
        return response
    },
    (error: unknown) => {
        if (!axios.isCancel(error)) answered(axios.isAxiosError(error) && error.response !== undefined)
        return Promise.reject(error as Error)
    },
)
const EXPIRED_TOKEN = 419

async function send<T>(method: Method, path: string, options: Options, data?: unknown): Promise<T> {
    const url = path.replace(/{(\w+)}/g, (_, name: string) => String(options.ids?.[name] ?? ''))
    const request: AxiosRequestConfig = { method, url, params: options.query, data }
    try {
        return whole((await http.request<T>(request)).data)
    } catch (error) {
        if (axios.isAxiosError(error) && error.response?.status === EXPIRED_TOKEN) {
            await http.get('/welcome')
            try {
                return whole((await http.request<T>(request)).data)
            } catch (again) {
                throw refusal(again)
            }
        }
        throw refusal(error)
    }
}

/** What is no JSON was cut off on its way, or is not from this server, whatever its status says. */
function whole<T>(data: T): T {
    if (typeof data === 'string' && data !== '') {
        throw new Refused('The answer was cut off: whether it was saved is not known. Look before you try again.', 0)
    }
    return data
}

function refusal(error: unknown): Refused {
    if (error instanceof Refused) return error
    if (!axios.isAxiosError(error)) {
        return new Refused(error instanceof Error ? error.message : String(error), 0)
    }
    const { response } = error as AxiosError<Partial<Schema<'Error'>> & { errors?: Record<string, string[]> }>
    if (!response) {
        return new Refused('The server did not answer. Nothing was saved; what you typed is still here. Try again.', 0)
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
        (response.status >= 500 ? 'The server failed. Nothing was saved; try again.' : response.data?.message)
    return new Refused(
        message ?? `Refused (${response.status}).`,
        response.status,
        response.data?.errors ?? {},
        response.data?.rows ?? [],
    )
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
    try {
        return (await http.get<ArrayBuffer>(path, { responseType: 'arraybuffer' })).data
    } catch (error) {
        throw refusal(error)
    }
}

/** Sends a request whose answer comes line by line, each a JSON document. */
export async function streamed<Line>(
    path: string,
    body: unknown,
    signal: AbortSignal,
    take: (line: Line) => void,
): Promise<void> {
    const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? '')
    const response = await fetch(`/api${path}`, {
        method: 'POST',
        signal,
        headers: { Accept: 'application/x-ndjson', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token },
        body: JSON.stringify(body),
    })
    if (!response.ok || !response.body) {
        const data = (await response.json().catch(() => ({}))) as Partial<Schema<'Error'>>
        if (response.status === 401) whenSignedOut.forEach((listener) => listener())
        throw new Refused(
            data.message ?? `Refused (${response.status}).`,
            response.status,
            (data.errors ?? {}) as Record<string, string[]>,
        )
    }
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
