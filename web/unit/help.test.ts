import { describe, expect, it } from 'vitest'
import { readFileSync } from 'node:fs'
import { linked, pageAt, pages, search } from '@/frame/help/pages'

describe('help', () => {
    it('has a page for each check that the texts describe, and each word', () => {
        const codes = readFileSync('../docs/checks.md', 'utf8')
            .match(/^### .+$/gm)!
            .map((line) => line.slice(4))
        expect(pages.filter((page) => page.part === 'Findings').map((page) => page.title)).toEqual(codes)
        expect(codes.every((code) => pageAt(`checks/${code}`))).toBe(true)
        expect(pageAt('words/base')?.html).toContain('hatch')
    })

    it('finds by all words, titles first', () => {
        expect(search('alpha lost')[0]?.title).toBe('image/alpha-lost')
        expect(search('Gather your files')[0]?.key).toBe('guide/3-gather-your-files')
        expect(search('no such words at all xyz')).toEqual([])
        expect(search('').length).toBe(pages.length)
    })

    it('follows links from one text to another', () => {
        expect(linked('checks.md#imagealpha-lost')?.title).toBe('image/alpha-lost')
        expect(linked('#4-mend-what-would-fail')?.key).toBe('guide/4-mend-what-would-fail')
        expect(linked('nowhere.md#x')).toBeUndefined()
    })

    it('leads from each stop to a page that is there', () => {
        const stops = readFileSync('src/frame/help/useHelp.ts', 'utf8').match(/'guide\/[^']+'/g)!
        expect(stops.map((key) => pageAt(key.slice(1, -1))).every(Boolean)).toBe(true)
    })
})
