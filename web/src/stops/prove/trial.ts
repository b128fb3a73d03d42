/** One line of what the host shows. */
export interface Shown {
    path: string
    from: string
    as: string
    also: string[]
}

export interface Trial {
    revision: number
    packages: { file: string; listed: boolean; reason: string | null }[]
    shown: Shown[]
    dropped: { path: string; from: string; code: string }[]
    log: { level: string; path: string; message: string }[]
    /** By path: what a picture stands for that an index ties to codes. */
    standsFor: Record<string, string>
}

/** Reads what the simulated host printed (DESIGN: JSON of "try"). */
export function readTrial(result: unknown): Trial | null {
    const found = result as
        | { revision: number; report: Omit<Trial, 'revision' | 'standsFor'>; standsFor?: Record<string, string> }
        | null
        | undefined
    return found?.report ? { ...found.report, revision: found.revision, standsFor: found.standsFor ?? {} } : null
}
