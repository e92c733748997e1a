import { expect, it } from 'vitest'
import { commandsNamed, pagesNamed } from './pages'

it('finds pages by their names and by what is done there, names first', () => {
    expect(pagesNamed('pla')[0]!.to).toBe('/plans')
    expect(pagesNamed('invite').map(({ to }) => to)).toEqual(['/people'])
    expect(pagesNamed('lab file').map(({ to }) => to)).toContain('/reports/take')
    expect(commandsNamed('draw area').map(({ to, kind }) => [to, kind])).toEqual([['/areas?do=new', 'do']])
    expect(commandsNamed('undo')).toEqual([])
    expect(pagesNamed('')).toEqual([])
    expect(pagesNamed('QH26-07')).toEqual([])
})
