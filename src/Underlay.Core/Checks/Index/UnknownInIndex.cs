using Underlay.Core.Codebooks;
using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A row of the index names a code or a file that does not exist.</summary>
/// <remarks>Host: the row dropped, dangling. See docs/checks.md#indexunknown.</remarks>
public sealed class UnknownInIndex : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("index/unknown");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var index in IndexRows.Of(overlay))
            foreach (var row in index.Facts.Index!.Rows)
                if (IndexRows.FindUnknown(overlay, index, row) is { } unknownPart)
                {
                    var (says, level, code) = unknownPart;
                    var unknown = index.Place.Index!.Unknown;
                    var other = level is null ? null : OtherEditions.FindCode(overlay, level.Codebook, code);
                    var spoken = level is null || other is not null ? null : SpokenBy(overlay.Codebook(level.Codebook), row.File);
                    var near = spoken is null && level is not null && other is null
                        ? Names.Slips.Nearest(overlay.Codebook(level.Codebook).Codes.Select(c => c.Value), code)
                        : spoken;
                    var hint = other?.Says
                        ?? (spoken is not null ? $" The file’s name says “{spoken}”."
                            : near is not null ? $" “{near}” is near."
                            : "");
                    yield return Report(overlay, index, unknown, $"{says.Capitalised()} (line {row.At.Line}).{hint}") with
                    {
                        Fix = (other is null ? near : other.Now) is { } now
                            ? new RecodeIndex(index.Path, level!.Element, level.Code, code, now, LeavesNoChoice: other is not null)
                            : null,
                        Path = IndexRows.PathOf(index, row),
                        Discriminator = row.At.ToString(),
                        At = row.At,
                        Predicts = [new Prediction(PredictionKind.Drop, IndexRows.PathOf(index, row), unknown.Code)],
                        RestsOn = Packs.PackPath.TryParse(row.File, out var file, out _) ? [file] : [],
                    };
                }
    }

    /// <summary>The code of which the name of the row's file speaks; that tells more than letters that are alike by chance.</summary>
    private static string? SpokenBy(Codebook book, string file)
    {
        var name = file[(file.LastIndexOf('/') + 1)..];
        var words = Names.NameWords.Of(name.LastIndexOf('.') is > 0 and var dot ? name[..dot] : name).Words;
        return book.Spoken.Best(words) is [{ Share: 1 } only] ? only.Code : null;
    }
}
