import Layer from 'ol/layer/Layer'
import { fromLonLat } from 'ol/proj'
import { apply } from 'ol/transform'

export interface Picture {
    url: string
    width: number
    height: number
    /** Upper left, upper right and lower left, longitude and latitude. */
    corners: number[][]
}

/** A picture under the map, turned and stretched so that its corners lie where they belong. */
export function underlayLayer(picture: Picture): Layer {
    const image = new Image()
    const canvas = document.createElement('canvas')
    const at = picture.corners.map((corner) => fromLonLat(corner))
    const layer = new Layer({
        zIndex: -1,
        render: (frame) => {
            const [width, height] = frame.size as [number, number]
            canvas.width = width
            canvas.height = height
            canvas.style.position = 'absolute'
            const pen = canvas.getContext('2d')
            if (pen && image.complete && image.naturalWidth > 0) {
                const [a, b, c] = at.map((place) => apply(frame.coordinateToPixelTransform, [...place])) as [
                    number[],
                    number[],
                    number[],
                ]
                // The layers above draw on this canvas too, so the pen goes back as it was.
                pen.save()
                pen.globalAlpha = 0.75
                pen.setTransform(
                    (b[0]! - a[0]!) / picture.width,
                    (b[1]! - a[1]!) / picture.width,
                    (c[0]! - a[0]!) / picture.height,
                    (c[1]! - a[1]!) / picture.height,
                    a[0]!,
                    a[1]!,
                )
                pen.drawImage(image, 0, 0, picture.width, picture.height)
                pen.restore()
            }
            return canvas
        },
    })
    image.onload = () => layer.changed()
    image.src = picture.url
    return layer
}
