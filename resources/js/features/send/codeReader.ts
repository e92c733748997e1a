/** Reads the QR code in what a camera shows: by the browser where it has a reader of its own, else by a library. */
export interface CodeReader {
    read(video: HTMLVideoElement): Promise<string | null>
}

interface Detector {
    detect(source: HTMLVideoElement): Promise<{ rawValue: string }[]>
}
type DetectorOf = new (options: { formats: string[] }) => Detector

/** A label is read as well from a smaller picture, in less time. */
const WIDEST = 800

export async function codeReader(): Promise<CodeReader> {
    const own = (window as unknown as { BarcodeDetector?: DetectorOf & { getSupportedFormats?(): Promise<string[]> } })
        .BarcodeDetector
    const formats = (await own?.getSupportedFormats?.().catch(() => [])) ?? []
    if (own && formats.includes('qr_code')) {
        const detector = new own({ formats: ['qr_code'] })
        return {
            read: async (video) => (await detector.detect(video).catch(() => []))[0]?.rawValue ?? null,
        }
    }
    const { default: find } = await import('jsqr')
    const canvas = document.createElement('canvas')
    const drawing = canvas.getContext('2d', { willReadFrequently: true })!
    return {
        read: (video) => {
            const shrink = Math.min(1, WIDEST / Math.max(1, video.videoWidth))
            canvas.width = Math.round(video.videoWidth * shrink)
            canvas.height = Math.round(video.videoHeight * shrink)
            if (!canvas.width || !canvas.height) return Promise.resolve(null)
            drawing.drawImage(video, 0, 0, canvas.width, canvas.height)
            const { data, width, height } = drawing.getImageData(0, 0, canvas.width, canvas.height)
            return Promise.resolve(find(data, width, height)?.data || null)
        },
    }
}
