using System.IO.Hashing;
using System.Text.Json;
using Microsoft.Extensions.Caching.Memory;

namespace Underlay.Server.Lists;

/// <summary>Rows of a list: all of them, or those that are another since a revision that the asker has.</summary>
/// <typeparam name="T">A row.</typeparam>
/// <param name="Since">The revision to whose rows this is to be added; null where the rows are all.</param>
/// <param name="Rows">In the list's order.</param>
/// <param name="At">Where each of the rows stands in the whole list, from 0; empty where the rows are all.</param>
/// <param name="Gone">Keys of rows that are no longer there.</param>
/// <param name="Total">How many rows the whole list has.</param>
internal sealed record ListAnswer<T>(long? Since, IReadOnlyList<T> Rows, IReadOnlyList<int> At, IReadOnlyList<string> Gone, int Total)
{
    /// <summary>All rows.</summary>
    public static ListAnswer<T> Whole(IReadOnlyList<T> rows) => new(null, rows, [], [], rows.Count);
}

/// <summary>
/// Remembers what was sent of the lists of packs, as a hash a row, so that who has an older revision is sent only what is another
/// since. What is forgotten, or was sent by another server, is sent whole.
/// </summary>
internal sealed class ListMemory : IDisposable
{
    // A hundred to two hundred bytes a row.
    private const int MostRows = 400_000;

    // A page that asks later is sent the whole list.
    private static readonly TimeSpan Kept = TimeSpan.FromMinutes(10);

    private readonly MemoryCache sent = new(new MemoryCacheOptions { SizeLimit = MostRows });

    /// <summary>What to send of a list.</summary>
    /// <param name="pack">Whose list.</param>
    /// <param name="list">Its name.</param>
    /// <param name="revision">The pack's revision that the rows show.</param>
    /// <param name="since">The revision that the asker has, or null.</param>
    /// <param name="rows">The whole list.</param>
    /// <param name="keyOf">What names a row across revisions. Where two have one name, all rows are sent.</param>
    public ListAnswer<T> Answer<T>(Guid pack, string list, long revision, long? since, IReadOnlyList<T> rows, Func<T, string> keyOf)
    {
        var now = new Dictionary<string, UInt128>(rows.Count, StringComparer.Ordinal);
        var keys = new string[rows.Count];
        for (var i = 0; i < keys.Length; i++)
        {
            keys[i] = keyOf(rows[i]);
            if (!now.TryAdd(keys[i], HashOf(rows[i]))) return ListAnswer<T>.Whole(rows);
        }

        // Looked up first: what is shown of a revision may become another, where a file is left out.
        var before = since is { } asked ? sent.Get<Dictionary<string, UInt128>>((pack, list, asked)) : null;
        sent.Set((pack, list, revision), now, new MemoryCacheEntryOptions { Size = rows.Count + 1, SlidingExpiration = Kept });
        if (before is null) return ListAnswer<T>.Whole(rows);
        var others = Enumerable.Range(0, keys.Length)
            .Where(i => !(before.TryGetValue(keys[i], out var was) && was == now[keys[i]]))
            .ToList();
        string[] gone = [.. before.Keys.Where(k => !now.ContainsKey(k))];
        return new ListAnswer<T>(since, [.. others.Select(i => rows[i])], others, gone, rows.Count);
    }

    /// <inheritdoc/>
    public void Dispose() => sent.Dispose();

    private static UInt128 HashOf<T>(T row) => XxHash128.HashToUInt128(JsonSerializer.SerializeToUtf8Bytes(row, JsonSerializerOptions.Web));
}
