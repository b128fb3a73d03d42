import { describe, expect, it } from 'vitest'
import { found, nameOf } from '@/stops/define/picks'

const choice = (value: string, name: string, group = '') => ({
    value,
    name,
    group,
    picture: null,
    sound: null,
    fromPack: false,
})
const clays = [
    choice('white_clay', 'White clay', 'clay'),
    choice('ash', 'Ash', 'burnt'),
    choice('clay_red', 'Red clay', 'clay'),
    choice('oak', 'oak', 'wood'),
]
const values = (words: string) => found(clays, words).map(({ value }) => value)

describe('what is chosen of many', () => {
    it('is found by code, name and group, every word of it', () => {
        expect(values('burnt')).toEqual(['ash'])
        expect(values('red CLAY')).toEqual(['clay_red'])
        expect(values('white burnt')).toEqual([])
        expect(values(' ')).toEqual(['white_clay', 'ash', 'clay_red', 'oak'])
    })
    it('comes first where it begins so', () => expect(values('clay')).toEqual(['clay_red', 'white_clay']))
    it('is called by its name and its code, once where they are one', () => {
        expect(nameOf(clays[0]!)).toBe('White clay · white_clay')
        expect(nameOf(clays[3]!)).toBe('oak')
    })
})
