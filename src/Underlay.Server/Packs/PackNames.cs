using Microsoft.EntityFrameworkCore;
using Underlay.Core.Manifests;
using Underlay.Data;

namespace Underlay.Server.Packs;

/// <summary>The names by which packs are told apart: no two packs of one author are to get the same id.</summary>
internal static class PackNames
{
    /// <summary>Names that packs of a host have: by what they are called, and in their ids as far as they were looked at.</summary>
    public static async Task<IReadOnlySet<string>> TakenAsync(UnderlayDatabase database, string host, CancellationToken cancel)
    {
        var packs = await database.Packs
            .AsNoTracking()
            .Where(p => p.Host == host)
            .Select(p => new { p.Name, p.Summary })
            .ToListAsync(cancel).ConfigureAwait(false);
        return packs
            .SelectMany(p => new[] { NewPack.NameOf(p.Name), IdName(p.Summary) })
            .OfType<string>()
            .ToHashSet(StringComparer.Ordinal);
    }

    private static string? IdName(string? summary) =>
        KeptSummary.Read(summary)?.Summary.PackId is { } id ? id[(id.IndexOf('.', StringComparison.Ordinal) + 1)..] : null;
}
