import { describe, expect, it } from 'vitest'
import { deviceOf } from './words'

describe('a device by what its browser says of itself', () => {
    it.each([
        ['Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0', 'Firefox on Linux'],
        [
            'Mozilla/5.0 (Windows NT 10.0) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0 Safari/537.36 Edg/140.0',
            'Edge on Windows',
        ],
        ['Mozilla/5.0 (Linux; Android 14) AppleWebKit/537.36 Chrome/140.0 Mobile Safari/537.36', 'Chromium on Android'],
        [
            'Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X) AppleWebKit/605.1 Version/18.0 Safari/604.1',
            'Safari on iOS',
        ],
        ['curl/8.0', 'a browser'],
    ])('%s', (agent, device) => expect(deviceOf(agent)).toBe(device))
})
