import type { FindingName, HostWords } from '@/api/client'

/** One line of what the host shows. */
export interface Shown {
    path: string
    from: string
    as: string
    also: string[]
}

export interface Dropped {
    path: string
    from: string
    code: string
}

/** A finding that told what would become of a path. */
export interface Cause {
    finding: FindingName
    says: string
}

export interface Trial {
    revision: number
    packages: { file: string; listed: boolean; reason: string | null }[]
    shown: Shown[]
    dropped: Dropped[]
    log: { level: string; path: string; message: string }[]
    /** By path: what a picture stands for that an index ties to codes. */
    standsFor: Record<string, string>
    /** By path, "" for the package: why something is not right. */
    causes: Record<string, Cause[]>
}

/** The file of a path that may lead on to something in it: `wares/jug/ware.json#moor.jug/name`. */
export const fileOf = (path: string) => path.split('#', 1)[0]!

/** Reads what the simulated host printed (DESIGN: JSON of "try"). */
export function readTrial(result: unknown): Trial | null {
    const found = result as
        | (Partial<Pick<Trial, 'standsFor' | 'causes'>> & {
              revision: number
              report: Omit<Trial, 'revision' | 'standsFor' | 'causes'>
          })
        | null
        | undefined
    if (!found?.report) return null
    return {
        ...found.report,
        revision: found.revision,
        standsFor: found.standsFor ?? {},
        causes: found.causes ?? {},
    }
}

/** Something that is not right in the host. */
export interface Wrong {
    path: string
    /** What the host does, in words. */
    says: string[]
    /** Whose picture is seen there. */
    sees: 'yours' | 'base' | 'nothing'
    causes: readonly Cause[]
}

/** All that is not right, a path once, in the order of the paths. */
export function wrongs(trial: Trial, host: string, words: HostWords): Wrong[] {
    const outcome = (code: string) => words.outcomes.find((word) => word.code === code)
    const drop = (code: string) => words.drops.find((word) => word.code === code)?.says ?? code
    const found = new Map<string, Wrong>()
    for (const item of trial.shown) {
        if (item.as === 'right') continue
        const codes = [item.as, ...item.also]
        const sees = codes.map((code) => outcome(code)?.picture).find((picture) => picture !== 'yours')
        found.set(item.path, {
            path: item.path,
            says: codes.map((code) => `${host} would ${outcome(code)?.says ?? code}.`),
            sees: (sees ?? (item.from === 'base' ? 'base' : 'yours')) as Wrong['sees'],
            causes: trial.causes[item.path] ?? [],
        })
    }
    const seen = new Map(trial.shown.map((item) => [item.path, item]))
    for (const item of trial.dropped) {
        const shown = seen.get(item.path)
        found.set(item.path, {
            path: item.path,
            says: [`${host} leaves it out: it ${drop(item.code)}.`, ...(found.get(item.path)?.says ?? [])],
            sees: shown?.from === 'base' ? 'base' : 'nothing',
            causes: trial.causes[item.path] ?? [],
        })
    }
    return [...found.values()].sort((a, b) => (a.path < b.path ? -1 : 1))
}
