import { describe, expect, it } from 'vitest'
import { columnsOf } from './stackedTables'

const cell = (over = 1, down = 1) => ({ over, down })

describe('the column of a cell', () => {
    it('is its place in the row', () => {
        expect(columnsOf([{ cells: [cell(), cell(), cell()] }])).toEqual([[0, 1, 2]])
    })
    it('goes on after a cell that reaches over several', () => {
        expect(columnsOf([{ cells: [cell(2), cell()] }])).toEqual([[0, 2]])
    })
    it('leaves out those that a cell from above reaches into', () => {
        expect(
            columnsOf([{ cells: [cell(1, 3), cell(1, 2), cell()] }, { cells: [cell()] }, { cells: [cell(), cell()] }]),
        ).toEqual([[0, 1, 2], [2], [1, 2]])
    })
})
