/*
 * Keeps the application and the answers that the field needs. Built files never change under their name and come from the
 * phone first; pages and answers come from the server first, and from the phone, marked so, when there is no line.
 */
const FILES = 'honest-core-files'
const ANSWERS = 'honest-core-answers'
const PATIENCE_MS = 4000
const NEEDED = [
    /^\/api\/(start|welcome|choices|sites|today)$/,
    /^\/api\/sites\/\d+$/,
    /^\/api\/sites\/\d+\/spread-lines$/,
    /^\/api\/shelf$/,
    /^\/api\/plans$/,
    /^\/api\/plans\/\d+(\/pull|\/sheet)?$/,
    /^\/api\/samples\/\d+$/,
]

self.addEventListener('install', (event) => event.waitUntil(keepFiles().then(() => self.skipWaiting())))
self.addEventListener('activate', (event) => event.waitUntil(Promise.all([forgetOldFiles(), self.clients.claim()])))
// A page that was on its way while this one began is nobody's: it asks to be taken.
self.addEventListener('message', (event) => event.data === 'claim' && event.waitUntil(self.clients.claim()))
self.addEventListener('fetch', (event) => {
    const { request } = event
    const url = new URL(request.url)
    if (request.method !== 'GET' || url.origin !== self.location.origin) return
    if (url.pathname.startsWith('/grower/') || url.pathname.startsWith('/calendar/')) return
    if (request.mode === 'navigate') event.respondWith(shell(request))
    else if (url.pathname.startsWith('/build/assets/')) event.respondWith(file(request))
    else if (NEEDED.some((path) => path.test(url.pathname))) event.respondWith(answer(request))
})

async function files() {
    const manifest = await (await fetch('/build/manifest.json', { cache: 'no-store' })).json()
    const names = new Set()
    for (const { file, css = [], assets = [] } of Object.values(manifest)) for (const name of [file, ...css, ...assets]) names.add(`/build/${name}`)
    return [...names]
}

async function keepFiles() {
    const cache = await caches.open(FILES)
    const wanted = await files()
    const kept = new Set((await cache.keys()).map((request) => new URL(request.url).pathname))
    await cache.addAll(['/', '/mark.svg', '/app.webmanifest', ...wanted.filter((name) => !kept.has(name))])
}

async function forgetOldFiles() {
    const cache = await caches.open(FILES)
    const wanted = new Set(await files().catch(() => []))
    if (wanted.size === 0) return
    for (const request of await cache.keys()) {
        const { pathname } = new URL(request.url)
        if (pathname.startsWith('/build/') && !wanted.has(pathname)) await cache.delete(request)
    }
}

async function file(request) {
    const kept = await caches.match(request)
    if (kept) return kept
    const fresh = await fetch(request)
    if (fresh.ok) await (await caches.open(FILES)).put(request, fresh.clone())
    return fresh
}

async function shell(request) {
    const cache = await caches.open(FILES)
    const fresh = fetch(request).then(async (fresh) => {
        if (fresh.ok && !fresh.redirected && (fresh.headers.get('Content-Type') ?? '').startsWith('text/html')) {
            const before = await cache.match('/')
            await cache.put('/', fresh.clone())
            if (before && (await before.text()) !== (await fresh.clone().text())) void keepFiles().catch(() => undefined)
        }
        return fresh
    })
    return soonOr(fresh, () => cache.match('/'))
}

async function answer(request) {
    const cache = await caches.open(ANSWERS)
    const fresh = fetch(request).then(async (fresh) => {
        if (fresh.ok) await cache.put(keyOf(request), fresh.clone())
        return fresh
    })
    return soonOr(fresh, async () => {
        const kept = await cache.match(keyOf(request))
        if (!kept) return undefined
        const headers = new Headers(kept.headers)
        headers.set('X-Honest-Core-Kept', '1')
        return new Response(await kept.blob(), { status: kept.status, headers })
    })
}

/* What a first page waits for is the same whatever site was chosen last: it is kept once. */
function keyOf({ url }) {
    return url.includes('/api/start?') ? url.split('?')[0] : url
}

/* What is fresh, where it comes soon; else what was kept, and where nothing was kept what is fresh, however late it comes. */
async function soonOr(fresh, kept) {
    const late = Symbol('late')
    const first = await Promise.race([fresh.catch(() => late), new Promise((done) => setTimeout(done, PATIENCE_MS, late))])
    if (first !== late) return first
    return (await kept()) ?? fresh.catch(() => Response.error())
}
