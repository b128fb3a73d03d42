// ES2024, which browsers have and Node.js has from 21 on.
Map.groupBy ??= <K, T>(items: Iterable<T>, keyOf: (item: T, index: number) => K) => {
    const groups = new Map<K, T[]>()
    let index = 0
    for (const item of items) {
        const key = keyOf(item, index++)
        groups.set(key, [...(groups.get(key) ?? []), item])
    }
    return groups
}
