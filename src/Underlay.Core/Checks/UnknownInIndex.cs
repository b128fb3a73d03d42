using Underlay.Core.Fixes;
using Underlay.Core.Hosts;
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
                    var hint = other?.Says ?? (level is null ? "" : Near(overlay, level, code));
                    yield return Report(overlay, index, unknown, $"{says.Capitalised()} (line {row.At.Line}).{hint}") with
                    {
                        Fix = other?.Now is { } now ? new RecodeIndex(index.Path, level!.Element, level.Code, code, now) : null,
                        Path = IndexRows.PathOf(index, row),
                        Discriminator = row.At.ToString(),
                        At = row.At,
                        Predicts = [new Prediction(PredictionKind.Drop, IndexRows.PathOf(index, row), unknown.Code)],
                        RestsOn = Packs.PackPath.TryParse(row.File, out var file, out _) ? [file] : [],
                    };
                }
    }

    private static string Near(Overlay overlay, IndexLevel level, string code) =>
        overlay.Base.Codebooks[level.Codebook].Codes.FirstOrDefault(c => Placements.Slips.AreOneApart(c.Value, code)) is { } near ? $" “{near.Value}” is near." : "";
}
