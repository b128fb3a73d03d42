import { describe, expect, it } from 'vitest'
import type { TableView } from '@/api/client'
import { parseCsv, writeCsv } from '@/stops/define/table/csv'
import { cellsOf, putRows, putValue, sheetOf, takeBack, takeOut, type Sheet } from '@/stops/define/table/lines'

const table = (over: Partial<TableView> = {}): TableView => ({
    key: 'code',
    merge: 'do',
    rowsAdd: false,
    columns: ['code', 'name', 'price'],
    numbers: [],
    below: [
        { key: 'clay', values: { code: 'clay', name: 'Clay', price: '1' } },
        { key: 'ash', values: { code: 'ash', name: 'Ash', price: '' } },
    ],
    ...over,
})
const changes = 'do,code,name,price\nadd,salt,"Salt, coarse",4\nchange,clay,Red clay,1\n'
const read = (text: string, over: Partial<TableView> = {}) => sheetOf(text, table(over))!
const lineOf = (sheet: Sheet, key: string) => sheet.lines.find((line) => line.key === key)!
const deeds = (sheet: Sheet) => sheet.lines.map((line) => `${line.key} ${line.deed}`)

describe('a table as text', () => {
    it('stands as it stood, whatever its quotes, line ends and empty lines', () => {
        for (const text of ['a,b\r\n"1",2\r\n\r\n', 'a\n"x""y"\n', 'a,b\n1,2', '\n', 'a,b\n"two\nlines",\n'])
            expect(writeCsv(parseCsv(text)!)).toBe(text)
    })
    it('is refused where its quotes do not match', () => {
        for (const text of ['a\n"x', 'a\nx"y\n', 'a\n"x"y\n']) expect(parseCsv(text)).toBeNull()
    })
    it('is no sheet without its key', () => expect(sheetOf('name\nx\n', table())).toBeNull())
})

describe('rows over the base’s', () => {
    it('are told by what they do, in the base’s order, new ones last', () => {
        expect(deeds(read(changes))).toEqual(['clay over', 'ash base', 'salt new'])
        expect(deeds(read('do,code,name,price\nremove,ash,,\nchange,clay,Clay,1\n'))).toEqual(['clay same', 'ash out'])
    })
    it('are gone where the file replaces the table and lacks them', () => {
        const sheet = read('code,name,price\nclay,Clay,1\n')
        expect(sheet.isReplacing).toBe(true)
        expect(deeds(sheet)).toEqual(['clay same', 'ash gone'])
    })
    it('are told by the later of two with one key; the earlier can be seen', () => {
        const sheet = read('do,code,name\nchange,clay,One\nchange,clay,Two\n')
        expect(sheet.lines.map((line) => line.values['name'])).toEqual(['Two', 'Ash', 'One'])
    })
})

describe('typing into a table', () => {
    it('changes one value and leaves all else as it stands', () => {
        const sheet = read(changes)
        expect(putValue(sheet, table(), lineOf(sheet, 'salt'), 'price', '5')).toBe(changes.replace(',4', ',5'))
        expect(putValue(sheet, table(), lineOf(sheet, 'salt'), 'name', 'Salt')).toBe(
            changes.replace('"Salt, coarse"', '"Salt"'),
        )
    })
    it('takes a row of the base’s in with all of its values', () => {
        const sheet = read(changes)
        expect(putValue(sheet, table(), lineOf(sheet, 'ash'), 'price', '2')).toBe(`${changes}change,ash,Ash,2\n`)
    })
    it('adds a column that the file has not', () => {
        const sheet = read('do,code,name\nadd,salt,Salt\n')
        expect(putValue(sheet, table(), lineOf(sheet, 'salt'), 'price', '4')).toBe(
            'do,code,name,price\nadd,salt,Salt,4\n',
        )
    })
    it('takes a row out, and its own row back', () => {
        const sheet = read(changes)
        expect(takeOut(sheet, table(), lineOf(sheet, 'ash'))).toBe(`${changes}remove,ash,,\n`)
        expect(takeBack(sheet, lineOf(sheet, 'clay'))).toBe('do,code,name,price\nadd,salt,"Salt, coarse",4\n')
    })
    it('changes a row again that was taken out', () => {
        const sheet = read('do,code,name,price\nremove,clay,,\n')
        expect(putValue(sheet, table(), lineOf(sheet, 'clay'), 'price', '3')).toBe(
            'do,code,name,price\nchange,clay,Clay,3\n',
        )
    })
    it('writes no word of deed into a table that has no column for it', () => {
        const whole = read('code,name,price\nclay,Clay,1\n')
        expect(putRows(whole, table(), ['code'], [['ash']])).toBe('code,name,price\nclay,Clay,1\nash,Ash,\n')
        const added = table({ merge: null, rowsAdd: true })
        expect(putValue(read('code\n', added), added, lineOf(read('code\n', added), 'ash'), 'price', '2')).toBe(
            'code,name,price\nash,Ash,2\n',
        )
    })
    it('does not change what it was handed', () => {
        const sheet = read(changes)
        putValue(sheet, table(), lineOf(sheet, 'ash'), 'price', '2')
        expect(writeCsv(sheet.csv)).toBe(changes)
    })
})

describe('rows of a spreadsheet', () => {
    it('are told from one value', () => {
        expect(cellsOf('one value\n')).toBeNull()
        expect(cellsOf('a\tb\n"two\nlines"\td\n')).toEqual([
            ['a', 'b'],
            ['two\nlines', 'd'],
        ])
        expect(cellsOf('5" pot\t1\n')).toEqual([['5" pot', '1']])
    })
    it('find their rows by key: those there are changed, the base’s taken in, others added once', () => {
        const text = putRows(
            read(changes),
            table(),
            ['code', 'price'],
            [
                ['salt', '9'],
                ['ash', '2'],
                ['sand', '1'],
                ['sand', '3'],
                ['', '7'],
            ],
        )
        expect(text).toBe(changes.replace(',4', ',9') + 'change,ash,Ash,2\nadd,sand,,3\n')
    })
})
