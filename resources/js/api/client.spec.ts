import { afterEach, describe, expect, it, vi } from 'vitest'

/** The client over a line that gives these answers in turn, whole or cut off; an error is a line that is dead. */
async function answering(...answers: (readonly [string, number?] | Error)[]) {
    vi.resetModules()
    vi.stubGlobal('document', { cookie: 'other=1; XSRF-TOKEN=a%3Db' })
    const asked: [string, RequestInit][] = []
    vi.stubGlobal('fetch', (url: string, options: RequestInit) => {
        asked.push([url, options])
        const answer = answers.shift() ?? new Error('asked too often')
        if (answer instanceof Error) return Promise.reject(answer)
        const [text, status = 200] = answer
        return Promise.resolve(new Response(status === 204 ? null : text, { status }))
    })
    return { ...(await import('./client')), asked }
}

describe('the client', () => {
    afterEach(() => vi.unstubAllGlobals())

    it('gives what was answered', async () => {
        const { api } = await answering(['{"name":"Quill Hollow"}'])
        expect(await api.get('/session')).toEqual({ name: 'Quill Hollow' })
    })

    it('takes an answer without a body for one', async () => {
        const { api } = await answering(['', 204])
        expect(await api.delete('/session')).toBe('')
    })

    it('refuses an answer that was cut off, though its status is good', async () => {
        const { api, Refused } = await answering(['{"stored":["a1","b2"],"kno'])
        const refused = await api.get('/session').catch((error: unknown) => error)
        expect(refused).toBeInstanceOf(Refused)
        expect(refused).toMatchObject({ status: 0, message: expect.stringContaining('cut off') as string })
    })

    it('asks with the address, the query and the token of the cookie', async () => {
        const { api, asked } = await answering(['{}'])
        await api.get('/samples', { query: { site_id: 3, q: 'a & b', page: undefined } as never })
        expect(asked[0]![0]).toBe('/api/samples?site_id=3&q=a+%26+b')
        expect(asked[0]![1].headers).toMatchObject({ 'X-XSRF-TOKEN': 'a=b', Accept: 'application/json' })
    })

    it('asks once more with a new token where the old one had ended', async () => {
        const { api, asked } = await answering(['{}', 419], ['{}'], ['{"id":7}', 201])
        expect(await api.post('/sites', {} as never)).toEqual({ id: 7 })
        expect(asked.map(([url]) => url)).toEqual(['/api/sites', '/api/welcome', '/api/sites'])
    })

    it('says why it was refused, field by field, and that nobody is signed in any more', async () => {
        const { api, onSignedOut } = await answering(
            ['{"message":"Wrong.","errors":{"name":["Too long."]}}', 422],
            ['{"message":"Unauthenticated."}', 401],
        )
        const out = vi.fn()
        onSignedOut(out)
        await expect(api.post('/sites', {} as never)).rejects.toMatchObject({
            status: 422,
            message: 'Wrong.',
            fields: { name: ['Too long.'] },
        })
        expect(out).not.toHaveBeenCalled()
        await expect(api.get('/session')).rejects.toMatchObject({ status: 401 })
        expect(out).toHaveBeenCalledOnce()
    })

    it('says that no answer came, and tells who listens', async () => {
        const { api, onAnswer } = await answering(new Error('no line'), ['{}'])
        const heard = vi.fn()
        onAnswer(heard)
        await expect(api.get('/session')).rejects.toMatchObject({ status: 0 })
        await api.get('/session')
        expect(heard.mock.calls).toEqual([[false], [true]])
    })
})
