using System.Text;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;
using Underlay.Data;
using Underlay.Data.BaseFiles;
using Underlay.Server.Files;

namespace Underlay.Server.Hosts;

/// <summary>Keeps the hosts' own files in the database, where they can be searched by words.</summary>
internal sealed class BaseIndex(HostRegistry hosts, UnderlayDatabase database)
{
    /// <summary>Brings the index up to the hosts that are known; costs little when it is.</summary>
    public async Task RefreshAsync(CancellationToken cancel)
    {
        foreach (var profile in hosts.All)
            foreach (var edition in profile.Editions)
                if (hosts.HasBase(profile, edition)) await RefreshAsync(profile, edition, cancel).ConfigureAwait(false);
    }

    private async Task RefreshAsync(HostProfile profile, Edition edition, CancellationToken cancel)
    {
        var wanted = hosts.Base(profile, edition).Files.Select(f => Row(profile, edition, f)).ToList();
        var known = await database.BaseFiles
            .AsNoTracking()
            .Where(f => f.Host == profile.Key && f.Edition == edition.Key)
            .ToListAsync(cancel).ConfigureAwait(false);
        if (known.Select(Gist).ToHashSet().SetEquals(wanted.Select(Gist))) return;
        await using var transaction = await database.Database.BeginTransactionAsync(cancel).ConfigureAwait(false);
        await database.BaseFiles
            .Where(f => f.Host == profile.Key && f.Edition == edition.Key)
            .ExecuteDeleteAsync(cancel).ConfigureAwait(false);
        database.BaseFiles.AddRange(wanted);
        await database.SaveChangesAsync(cancel).ConfigureAwait(false);
        await transaction.CommitAsync(cancel).ConfigureAwait(false);
    }

    private static (string, string, string?, string) Gist(BaseFileRow row) => (row.Path, row.Hash, row.Place, row.Words);

    private static BaseFileRow Row(HostProfile profile, Edition edition, BaseFile file) => new()
    {
        Host = profile.Key,
        Edition = edition.Key,
        Path = file.Path.Value,
        Place = file.Place?.Key,
        Words = WordsOf(file),
        Hash = file.Facts.Hash.Hex,
        Length = file.Facts.Length,
        Facts = JsonSerializer.Serialize(
            new { size = LedgerEndpoints.SizeOf(file.Facts), length = file.Facts.Length },
            JsonSerializerOptions.Web),
    };

    private static string WordsOf(BaseFile file)
    {
        var words = new StringBuilder(file.Path.Value);
        if (file.Place is { } place)
            words.Append(' ').Append(place.Title).Append(' ').Append(LedgerEndpoints.TitleOf(place, file.Bindings));
        if (file.Facts.Picture?.Header?.Size is { } size)
            words.Append(' ').Append(size).Append(' ').Append(size.Width).Append('x').Append(size.Height);
        if (file.Facts.Entry is { IsAccepted: true } entry)
            foreach (var field in entry.Text.Root.EnumerateObject())
                if (field.Value.ValueKind == JsonValueKind.String) words.Append(' ').Append(field.Value.GetString());
        return words.ToString().ToLowerInvariant();
    }
}
