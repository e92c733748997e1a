import axios, { type InternalAxiosRequestConfig } from 'axios'
import { afterEach, describe, expect, it, vi } from 'vitest'

/** The client over a line that answers this text, whole or cut off, with the status 200. */
async function answering(text: string, status = 200) {
    vi.resetModules()
    axios.defaults.adapter = (config: InternalAxiosRequestConfig) =>
        Promise.resolve({ data: text, status, statusText: '', headers: {}, config })
    return await import('./client')
}

describe('the client', () => {
    const before = axios.defaults.adapter
    afterEach(() => {
        axios.defaults.adapter = before
    })

    it('gives what was answered', async () => {
        const { api } = await answering('{"name":"Quill Hollow"}')
        expect(await api.get('/session')).toEqual({ name: 'Quill Hollow' })
    })

    it('takes an answer without a body for one', async () => {
        const { api } = await answering('', 204)
        expect(await api.delete('/session')).toBe('')
    })

    it('refuses an answer that was cut off, though its status is good', async () => {
        const { api, Refused } = await answering('{"stored":["a1","b2"],"kno')
        const refused = await api.get('/session').catch((error: unknown) => error)
        expect(refused).toBeInstanceOf(Refused)
        expect(refused).toMatchObject({ status: 0, message: expect.stringContaining('cut off') as string })
    })
})
