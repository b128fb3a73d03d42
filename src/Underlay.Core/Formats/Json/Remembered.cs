namespace Underlay.Core.Formats.Json;

/// <summary>
/// What was found at the few pointers that rules ask an entry for, again and again. Threads may ask side by side; at worst one finds
/// anew what another has.
/// </summary>
/// <typeparam name="T">What is found.</typeparam>
internal sealed class Remembered<T>
{
    // A form may ask for more; what is asked once need not be kept.
    private const int Least = 4;
    private const int Most = 32;

    private Table? table;

    /// <summary>What a function finds at a pointer, the first time or as it was then.</summary>
    public T Find(string pointer, Func<string, T> find)
    {
        if (Volatile.Read(ref table) is { } known && known.IndexOf(pointer) is >= 0 and var index) return known.Found[index];
        var found = find(pointer);
        Keep(pointer, found);
        return found;
    }

    private void Keep(string pointer, T found)
    {
        lock (this)
        {
            if (table is null) Volatile.Write(ref table, new Table(Least, null));
            else if (table.Count == Most) return;
            else if (table.Count == table.Found.Length) Volatile.Write(ref table, new Table(2 * table.Count, table));
            table.Add(pointer, found);
        }
    }

    /// <summary>Grows at its end only, so that those who read meanwhile see less at worst.</summary>
    private sealed class Table
    {
        private readonly string[] pointers;
        private volatile int count;

        public Table(int size, Table? before)
        {
            pointers = new string[size];
            Found = new T[size];
            if (before is null) return;
            before.pointers.CopyTo(pointers, 0);
            before.Found.CopyTo(Found, 0);
            count = before.count;
        }

        public int Count => count;

        public T[] Found { get; }

        public int IndexOf(string pointer)
        {
            var all = pointers.AsSpan(0, count);
            // Rules ask with the same string each time: it is known without being read.
            for (var i = 0; i < all.Length; i++)
                if (ReferenceEquals(all[i], pointer)) return i;
            return all.IndexOf(pointer);
        }

        public void Add(string pointer, T found)
        {
            pointers[count] = pointer;
            Found[count] = found;
            count++;
        }
    }
}
