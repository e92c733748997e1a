declare module '*.vue' {
    import type { DefineComponent } from 'vue'
    const component: DefineComponent<object, object, unknown>
    export default component
}
declare module '*.css'

declare module 'shpjs' {
    export function parseShp(shp: ArrayBuffer, prj?: string): unknown[]
    export function parseDbf(dbf: ArrayBuffer, cpg?: ArrayBuffer): unknown[]
    export function combine(parts: [unknown[], unknown[]]): unknown
}
